package idlelens.core.check;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.lens.Sight;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.Jumps;
import idlelens.core.motion.LensTrack;
import idlelens.core.part.Lens;
import idlelens.core.time.FrameRate;
import java.util.Arrays;
import java.util.NavigableSet;
import org.joml.Vector3d;

/**
 * How fast a camera moves, and how fast what stands still passes through its picture. Each array
 * has one number a frame.
 *
 * @param metresPerSecond of its place
 * @param degreesPerSecond of its turn
 * @param near picture widths a frame of what stands at the near limit of sharpness
 * @param subject the same at the focus distance
 * @param far the same at the far limit; where that is infinite, of what only a turn moves
 * @param shutterDeg angle by which its shutter is open
 */
public record PictureSpeed(
    double[] metresPerSecond,
    double[] degreesPerSecond,
    double[] near,
    double[] subject,
    double[] far,
    double[] shutterDeg) {

  /** Depth that stands for infinity, in metres. */
  private static final double INFINITE_M = 1e7;

  /** Where in the picture speed is measured: its middle and half-way to its corners. */
  private static final double[][] POINTS = {
    {0, 0}, {-0.25, -0.25}, {0.25, -0.25}, {0.25, 0.25}, {-0.25, 0.25}
  };

  /**
   * By central differences of a frame on each side, on one side only beside a jump of the camera.
   *
   * @param motion one sample a frame, with one before the first frame and one behind the last
   */
  public static PictureSpeed of(Evaluation motion, String cameraId) {
    int n = motion.grid().count() - 2;
    FrameRate rate = motion.shot().header().rate();
    Views views = new Views(motion, cameraId);
    LensTrack lens = motion.of(cameraId).lens().orElseThrow();
    PictureSpeed speed =
        new PictureSpeed(
            new double[n],
            new double[n],
            new double[n],
            new double[n],
            new double[n],
            new double[n]);
    NavigableSet<Double> jumps = Jumps.of(motion.shot(), motion.shot().node(cameraId));
    for (int i = 0; i < n; i++) {
      double frame = motion.grid().frame(i + 1);
      int from = Jumps.isBetween(jumps, frame - 1, frame) ? 0 : 1;
      int to = Jumps.isBetween(jumps, frame, frame + 1) ? 0 : 1;
      int span = Math.max(1, from + to);
      Sight before = views.at(i + 1 - from);
      Sight now = views.at(i + 1);
      Sight after = views.at(i + 1 + to);
      RigidPose a = before.pose();
      RigidPose b = after.pose();
      double perFrame = rate.framesPerSecond() / span;
      speed.metresPerSecond[i] = a.place().distance(b.place()) * perFrame;
      double turn =
          Turns.angleBetween(a.turn(), now.pose().turn())
              + Turns.angleBetween(now.pose().turn(), b.turn());
      speed.degreesPerSecond[i] = Math.toDegrees(turn) * perFrame;
      int l = lens.index(i + 1);
      speed.shutterDeg[i] = lens.value(Lens.SHUTTER, i + 1);
      speed.near[i] = widths(before, now, after, lens.nearM()[l]) / span;
      speed.subject[i] = widths(before, now, after, lens.focusM()[l]) / span;
      speed.far[i] = widths(before, now, after, Math.min(INFINITE_M, lens.farM()[l])) / span;
    }
    return speed;
  }

  /** How long what stands in focus is drawn out while the shutter is open, in picture widths. */
  public double[] streak() {
    double[] widths = subject.clone();
    Arrays.setAll(widths, i -> subject[i] * shutterDeg[i] / 360);
    return widths;
  }

  /** The greatest way of the points at a depth, in picture widths. */
  private static double widths(Sight before, Sight now, Sight after, double depthM) {
    double most = 0;
    for (double[] point : POINTS) {
      Vector3d world = now.world(point[0], point[1] * now.height(), depthM);
      Vector3d a = before.seen(world);
      Vector3d b = after.seen(world);
      if (a.z >= 0 || b.z >= 0) {
        return 2; // it went behind the camera: more than can be followed
      }
      double[] from = before.inPicture(a);
      double[] to = after.inPicture(b);
      most = Math.max(most, Math.hypot(to[0] - from[0], to[1] - from[1]));
    }
    return most;
  }
}

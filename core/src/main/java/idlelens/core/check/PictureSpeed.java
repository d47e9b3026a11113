package idlelens.core.check;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.lens.Sight;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.time.FrameRate;
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
 */
public record PictureSpeed(
    double[] metresPerSecond,
    double[] degreesPerSecond,
    double[] near,
    double[] subject,
    double[] far) {

  /** Depth that stands for infinity, in metres. */
  private static final double INFINITE_M = 1e7;

  /** Where in the picture speed is measured: its middle and half-way to its corners. */
  private static final double[][] POINTS = {
    {0, 0}, {-0.25, -0.25}, {0.25, -0.25}, {0.25, 0.25}, {-0.25, 0.25}
  };

  /**
   * By central differences of a frame on each side.
   *
   * @param motion one sample a frame, with one before the first frame and one behind the last
   */
  public static PictureSpeed of(Evaluation motion, String cameraId) {
    int n = motion.grid().count() - 2;
    FrameRate rate = motion.shot().header().rate();
    Views views = new Views(motion, cameraId);
    LensTrack lens = motion.of(cameraId).lens().orElseThrow();
    PictureSpeed speed =
        new PictureSpeed(new double[n], new double[n], new double[n], new double[n], new double[n]);
    for (int i = 0; i < n; i++) {
      Sight before = views.at(i);
      Sight now = views.at(i + 1);
      Sight after = views.at(i + 2);
      RigidPose a = before.pose();
      RigidPose b = after.pose();
      double perFrame = rate.framesPerSecond() / 2;
      speed.metresPerSecond[i] = a.place().distance(b.place()) * perFrame;
      double turn =
          Turns.angleBetween(a.turn(), now.pose().turn())
              + Turns.angleBetween(now.pose().turn(), b.turn());
      speed.degreesPerSecond[i] = Math.toDegrees(turn) * perFrame;
      int l = lens.index(i + 1);
      speed.near[i] = widths(before, now, after, lens.nearM()[l]);
      speed.subject[i] = widths(before, now, after, lens.focusM()[l]);
      speed.far[i] = widths(before, now, after, Math.min(INFINITE_M, lens.farM()[l]));
    }
    return speed;
  }

  /** The greatest way of the points at a depth, in picture widths a frame. */
  private static double widths(Sight before, Sight now, Sight after, double depthM) {
    double most = 0;
    for (double[] point : POINTS) {
      Vector3d world = now.world(point[0], point[1] * now.height(), depthM);
      Vector3d a = before.seen(world);
      Vector3d b = after.seen(world);
      if (a.z >= 0 || b.z >= 0) {
        return 1; // it went behind the camera: more than can be followed
      }
      double[] from = before.inPicture(a);
      double[] to = after.inPicture(b);
      most = Math.max(most, Math.hypot(to[0] - from[0], to[1] - from[1]) / 2);
    }
    return most;
  }
}

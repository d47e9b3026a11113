package idlelens.core.check;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.Jumps;
import idlelens.core.motion.LensTrack;
import idlelens.core.part.Lens;
import idlelens.core.time.FrameRate;
import java.util.Arrays;
import java.util.NavigableSet;

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

  /**
   * An orthographic camera has no limits of sharpness: it has the focus distance in their place.
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
      Passing passing = Passing.at(motion, views, jumps, i + 1);
      RigidPose a = passing.before().pose();
      RigidPose middle = passing.now().pose();
      RigidPose b = passing.after().pose();
      double perFrame = rate.framesPerSecond() / passing.span();
      speed.metresPerSecond[i] = a.place().distance(b.place()) * perFrame;
      double turn =
          Turns.angleBetween(a.turn(), middle.turn()) + Turns.angleBetween(middle.turn(), b.turn());
      speed.degreesPerSecond[i] = Math.toDegrees(turn) * perFrame;
      int l = lens.index(i + 1);
      speed.shutterDeg[i] = lens.value(Lens.SHUTTER, i + 1);
      speed.subject[i] = passing.widths(lens.focusM()[l]);
      boolean same = lens.isOrthographic();
      speed.near[i] = same ? speed.subject[i] : passing.widths(lens.nearM()[l]);
      double far = Math.min(INFINITE_M, lens.farM()[l]);
      speed.far[i] = same ? speed.subject[i] : passing.widths(far);
    }
    return speed;
  }

  /** How long what stands in focus is drawn out while the shutter is open, in picture widths. */
  public double[] streak() {
    double[] widths = subject.clone();
    Arrays.setAll(widths, i -> subject[i] * shutterDeg[i] / 360);
    return widths;
  }
}

package idlelens.core.check;

import idlelens.core.lens.Sight;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.Jumps;
import java.util.NavigableSet;
import org.joml.Vector3d;

/**
 * What a camera sees about a frame: by central differences of a frame on each side, on one side
 * only beside a jump of the camera.
 *
 * @param span from before to after, in frames: 2, or 1 beside a jump or where both sides jump
 */
record Passing(Sight before, Sight now, Sight after, int span) {
  /** Where in the picture speed is measured: its middle and half-way to its corners. */
  private static final double[][] POINTS = {
    {0, 0}, {-0.25, -0.25}, {0.25, -0.25}, {0.25, 0.25}, {-0.25, 0.25}
  };

  /** More than can be followed, in picture widths. */
  private static final double OUT = 2;

  /**
   * @param sample with one before it and one behind it
   * @param jumps frames at which the camera jumps
   */
  static Passing at(Evaluation motion, Views views, NavigableSet<Double> jumps, int sample) {
    double frame = motion.grid().frame(sample);
    int from = Jumps.isBetween(jumps, frame - 1, frame) ? 0 : 1;
    int to = Jumps.isBetween(jumps, frame, frame + 1) ? 0 : 1;
    return new Passing(
        views.at(sample - from), views.at(sample), views.at(sample + to), Math.max(1, from + to));
  }

  /** The greatest way of the points at a depth, in picture widths a frame. */
  double widths(double depthM) {
    double most = 0;
    for (double[] point : POINTS) {
      Vector3d world = now.world(point[0], point[1] * now.height(), depthM);
      Vector3d a = before.seen(world);
      Vector3d b = after.seen(world);
      if (a.z >= 0 || b.z >= 0) {
        return OUT / span; // it went behind the camera
      }
      double[] from = before.inPicture(a);
      double[] to = after.inPicture(b);
      most = Math.max(most, Math.hypot(to[0] - from[0], to[1] - from[1]));
    }
    return most / span;
  }
}

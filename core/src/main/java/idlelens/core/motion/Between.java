package idlelens.core.motion;

import idlelens.core.geometry.RigidPose;
import idlelens.core.smooth.Turning;
import java.util.NavigableSet;

/**
 * Reads what a filter made on whole frames between these: by a cubic through the frames around
 * (Catmull, Rom, 1974), on turns along the ways between them. Beside a jump, and beyond the work
 * grid, what the filter changed at the last frame there is kept.
 */
final class Between {
  private final Flow unfiltered;
  private final Flow filtered;
  private final NavigableSet<Double> jumps;
  private final Turning turns;
  private final double first;
  private final int last;

  Between(Flow unfiltered, Flow filtered, NavigableSet<Double> jumps) {
    this.unfiltered = unfiltered;
    this.filtered = filtered;
    this.jumps = jumps;
    PoseTrack pose = filtered.pose();
    this.turns = new Turning(pose.qx(), pose.qy(), pose.qz(), pose.qw());
    this.first = pose.grid().first();
    this.last = pose.grid().count() - 1;
  }

  /** The sample at a frame or before it, within the grid. */
  private int below(double frame) {
    return (int) Math.max(0, Math.min(last, Math.floor(frame - first + 1e-9)));
  }

  private boolean isOutside(double frame) {
    return frame < first || frame > first + last;
  }

  /** Whether two samples after one another have nothing to do with each other. */
  private boolean isApart(int sample) {
    if (sample < 0 || sample >= last) {
      return true;
    }
    return Jumps.isBetween(jumps, first + sample, first + sample + 1);
  }

  /**
   * Sets the pose at a frame.
   *
   * @param before the motion before the filter, on the grid that is filled
   */
  void pose(double frame, PoseTrack before, int i, PoseTrack out) {
    PoseTrack pose = filtered.pose();
    int k = below(frame);
    double u = frame - first - k;
    if (pose.isStill()) {
      out.set(i, before.pose(i));
      return;
    }
    if (!isOutside(frame) && u <= 1e-9) {
      out.set(i, pose.pose(k));
    } else if (isOutside(frame) || isApart(k)) {
      int nearest = isOutside(frame) ? k : side(k, frame);
      RigidPose change = unfiltered.pose().pose(nearest).inverse().times(pose.pose(nearest));
      out.set(i, before.pose(i).times(change));
    } else {
      out.x()[i] = cubic(pose.x(), k, u);
      out.y()[i] = cubic(pose.y(), k, u);
      out.z()[i] = cubic(pose.z(), k, u);
      turn(k, u, i, out);
    }
  }

  /** The sample on the side of the jump on which a frame is. */
  private int side(int k, double frame) {
    return jumps.higher(first + k) <= frame ? k + 1 : k;
  }

  double focal(double frame, double before) {
    return number(filtered.focalMm(), unfiltered.focalMm(), frame, before);
  }

  double focus(double frame, double before) {
    return number(filtered.focusM(), unfiltered.focusM(), frame, before);
  }

  private double number(double[] values, double[] was, double frame, double before) {
    if (values.length == 1) {
      return before;
    }
    int k = below(frame);
    double u = frame - first - k;
    if (!isOutside(frame) && u <= 1e-9) {
      return values[k];
    }
    if (isOutside(frame) || isApart(k)) {
      int nearest = isOutside(frame) ? k : side(k, frame);
      return before + values[nearest] - was[was.length == 1 ? 0 : nearest];
    }
    return cubic(values, k, u);
  }

  /** Through four samples, or fewer beside a jump. */
  private double cubic(double[] values, int k, double u) {
    double a = values[k];
    double b = values[k + 1];
    double in = isApart(k - 1) ? b - a : (b - values[k - 1]) / 2;
    double out = isApart(k + 1) ? b - a : (values[k + 2] - a) / 2;
    return a + hermite(u, b - a, in, out);
  }

  /** From 0 to an end with slopes at both. */
  private static double hermite(double u, double end, double in, double out) {
    double square = u * u;
    double cube = square * u;
    return (cube - 2 * square + u) * in + (3 * square - 2 * cube) * end + (cube - square) * out;
  }

  private void turn(int k, double u, int i, PoseTrack out) {
    double[] way = new double[3];
    double[] in = new double[3];
    double[] on = new double[3];
    Turning.way(turns, k, turns, k + 1, way);
    System.arraycopy(way, 0, in, 0, 3);
    System.arraycopy(way, 0, on, 0, 3);
    if (!isApart(k - 1)) {
      Turning.way(turns, k - 1, turns, k, in);
    }
    if (!isApart(k + 1)) {
      Turning.way(turns, k + 1, turns, k + 2, on);
    }
    double[] all = new double[3];
    for (int c = 0; c < 3; c++) {
      all[c] = hermite(u, way[c], (in[c] + way[c]) / 2, (way[c] + on[c]) / 2);
    }
    Turning to = new Turning(out.qx(), out.qy(), out.qz(), out.qw());
    to.follow(i, turns, k, all[0], all[1], all[2]);
  }
}

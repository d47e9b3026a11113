package idlelens.core.exposure;

import idlelens.core.lens.ShutterOpens;
import idlelens.core.rule.Require;
import java.util.NavigableSet;

/**
 * The time that a shutter is open, in frames.
 *
 * @param from when it opens
 * @param to when it closes; the same where it stays shut, so that everything stands still
 */
public record OpenShutter(double from, double to) {
  private static final double FULL_TURN_DEG = 360;

  public OpenShutter {
    Require.finite(from, "shutter.from");
    Require.within(to, from, Double.MAX_VALUE, "shutter.to");
  }

  /**
   * Open for {@code angle / 360} of a frame.
   *
   * @param angleDeg shutter angle, 0 or more
   */
  public static OpenShutter at(double frame, double angleDeg, ShutterOpens opens) {
    double length = Require.within(angleDeg, 0, 1e6, "shutter") / FULL_TURN_DEG;
    double from = frame + opens.begins() * length;
    return new OpenShutter(from, from + length);
  }

  /**
   * What is left of it for something that jumps meanwhile: only the side of the frame itself is
   * seen, so that nothing is drawn out, or shown twice, across a jump.
   *
   * @param jumps frames from which on it is elsewhere
   */
  public OpenShutter without(NavigableSet<Double> jumps, double frame) {
    Double before = jumps.floor(frame);
    Double after = jumps.higher(frame);
    double first = before == null ? from : Math.max(from, before);
    double last = after == null ? to : Math.min(to, Math.nextDown(after));
    return first == from && last == to ? this : new OpenShutter(first, Math.max(first, last));
  }

  /** The moment after a part of the open time. */
  public double moment(double share) {
    return from + share * (to - from);
  }
}

package idlelens.core.walk;

import idlelens.core.rule.Require;

/**
 * What the hands do over a stretch of time.
 *
 * @param ahead from -1, backwards at full speed, to 1, forwards
 * @param right from -1, to the left, to 1
 * @param hurries whether twice as fast
 * @param jumps whether it jumps when it next stands
 * @param turnDeg degrees to the left, over the whole stretch
 * @param tiltDeg degrees up, over the whole stretch
 * @param zoom times as long a focal length at the end of the stretch, 0.01 to 100
 */
public record Steering(
    double ahead,
    double right,
    boolean hurries,
    boolean jumps,
    double turnDeg,
    double tiltDeg,
    double zoom) {
  private static final double MOST_DEG = 3600;

  /** Hands off. */
  public static final Steering NONE = new Steering(0, 0, false, false, 0, 0, 1);

  public Steering {
    Require.within(ahead, -1, 1, "steering.ahead");
    Require.within(right, -1, 1, "steering.right");
    Require.within(turnDeg, -MOST_DEG, MOST_DEG, "steering.turn");
    Require.within(tiltDeg, -MOST_DEG, MOST_DEG, "steering.tilt");
    Require.within(zoom, 0.01, 100, "steering.zoom");
  }
}

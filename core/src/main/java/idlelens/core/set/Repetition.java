package idlelens.core.set;

import idlelens.core.geometry.RigidPose;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.seed.Shares;

/**
 * How something is repeated: copies, each one step further than the one before. Copy 0 is the thing
 * itself. The step is taken in the space of what repeats: copy k stands at {@code step^k}.
 *
 * @param first number of the first copy, 0 or less
 * @param count how many there are, copy 0 among them, at most {@link #MOST}
 * @param x metres of a step
 * @param y metres of a step
 * @param z metres of a step
 * @param pan degrees of a step, -360 to 360
 * @param tilt degrees of a step
 * @param roll degrees of a step
 * @param later frames by which each copy does what the one before did
 * @param spread frames over which copies are strewn besides, each its own share by the seed
 * @param seed what strews them
 */
public record Repetition(
    int first,
    int count,
    double x,
    double y,
    double z,
    double pan,
    double tilt,
    double roll,
    double later,
    double spread,
    long seed) {
  /** The most copies. */
  public static final int MOST = 2000;

  /** The most frames between the earliest copy and the latest. */
  public static final double MOST_APART = 20_000;

  private static final double FARTHEST_STEP_M = 10_000;
  private static final double FULL_TURN = 360;

  public Repetition {
    Require.within(count, 1, MOST, "repeat.count");
    Require.within(first, 1 - count, 0, "repeat.first");
    Require.within(x, -FARTHEST_STEP_M, FARTHEST_STEP_M, "repeat.x");
    Require.within(y, -FARTHEST_STEP_M, FARTHEST_STEP_M, "repeat.y");
    Require.within(z, -FARTHEST_STEP_M, FARTHEST_STEP_M, "repeat.z");
    Require.within(pan, -FULL_TURN, FULL_TURN, "repeat.pan");
    Require.within(tilt, -FULL_TURN, FULL_TURN, "repeat.tilt");
    Require.within(roll, -FULL_TURN, FULL_TURN, "repeat.roll");
    Require.finite(later, "repeat.later");
    Require.within(spread, 0, MOST_APART, "repeat.spread");
    if (!(Math.abs(later) * (count - 1) + spread <= MOST_APART)) {
      throw new RefusedException(
          "repeat.later", later, "at most 20,000 frames between the first copy and the last");
    }
  }

  /** Copies in a row, all at the same time. */
  public static Repetition row(int count, double x, double y, double z) {
    return new Repetition(0, count, x, y, z, 0, 0, 0, 0, 0, 1);
  }

  /** Frames between the earliest copy and the latest, at the most. */
  public double apart() {
    return Math.abs(later) * (count - 1) + spread;
  }

  /** One step. */
  public RigidPose step() {
    return RigidPose.of(x, y, z, Math.toRadians(pan), Math.toRadians(tilt), Math.toRadians(roll));
  }

  /** Where copy k stands in the space of what repeats, for any whole k. */
  public RigidPose at(int k) {
    RigidPose one = k < 0 ? step().inverse() : step();
    RigidPose all = RigidPose.IDENTITY;
    for (int left = Math.abs(k); left > 0; left >>= 1) {
      all = (left & 1) == 1 ? one.times(all) : all;
      one = one.times(one);
    }
    return all;
  }

  /** Whether copies do the same at different times. */
  public boolean isSpreadInTime() {
    return later != 0 || spread != 0;
  }

  /** By how many frames copy k is later than the thing itself; negative if it is earlier. */
  public double delay(int k) {
    return k == 0 ? 0 : later * k + spread * Shares.at(seed, k);
  }

  /** The number of the last copy. */
  public int last() {
    return first + count - 1;
  }
}

package idlelens.core.take;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.rule.RefusedException;
import idlelens.core.time.FrameRate;

/**
 * How two takes differ on the whole frames that both have.
 *
 * @param from the first of them
 * @param to the last
 * @param place metres apart
 * @param turn degrees apart
 */
public record TakeDifference(int from, int to, Amount place, Amount turn) {
  private static final double ON_A_FRAME = 1e-6;

  /**
   * The largest, where it is, and the root of the mean square.
   *
   * @param largest greatest of all
   * @param frame where that is
   * @param rms root of the mean square
   */
  public record Amount(double largest, int frame, double rms) {}

  /**
   * A take on the frames of a shot.
   *
   * @param start the frame of its first sample
   */
  public record Placed(Take take, double start) {
    int first() {
      return (int) Math.ceil(start - ON_A_FRAME);
    }

    int last(FrameRate rate) {
      return (int) Math.floor(start + rate.frames(take.seconds()) + ON_A_FRAME);
    }

    RigidPose at(int frame, FrameRate rate) {
      return take.pose(rate.seconds(frame - start));
    }
  }

  /**
   * @throws RefusedException if they have no frame in common
   */
  public static TakeDifference of(Placed a, Placed b, FrameRate rate) {
    int from = Math.max(a.first(), b.first());
    int to = Math.min(a.last(rate), b.last(rate));
    if (to < from) {
      throw new RefusedException("takes", "without a frame in common", "takes of the same frames");
    }
    double[] place = new double[to - from + 1];
    double[] turn = new double[place.length];
    for (int i = 0; i < place.length; i++) {
      RigidPose p = a.at(from + i, rate);
      RigidPose q = b.at(from + i, rate);
      place[i] = p.place().distance(q.place());
      turn[i] = Math.toDegrees(Turns.angleBetween(p.turn(), q.turn()));
    }
    return new TakeDifference(from, to, amount(place, from), amount(turn, from));
  }

  private static Amount amount(double[] each, int from) {
    int largest = 0;
    double squares = 0;
    for (int i = 0; i < each.length; i++) {
      largest = each[i] > each[largest] ? i : largest;
      squares += each[i] * each[i];
    }
    return new Amount(each[largest], from + largest, Math.sqrt(squares / each.length));
  }
}

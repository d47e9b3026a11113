package idlelens.core.curve;

import idlelens.core.rule.RefusedException;
import java.util.ArrayList;
import java.util.List;

/** A cycling curve written out as keys over more of its rounds; the same curve everywhere. */
final class Unrolled {
  private static final int MOST_ROUNDS = 2000;

  private final Curve curve;
  private final List<Key> round = new ArrayList<>();
  private final double period;
  private final double carry;

  private Unrolled(Curve curve, boolean carries) {
    this.curve = curve;
    List<Key> keys = curve.keys();
    Key first = keys.get(0);
    Key last = keys.get(keys.size() - 1);
    this.period = last.frame() - first.frame();
    this.carry = carries ? last.value() - first.value() : 0;
    if (!carries && Math.abs(last.value() - first.value()) > 1e-9) {
      throw new RefusedException(
          "cycle",
          "from " + last.value() + " back to " + first.value() + " in one frame",
          "a cycle that ends where it begins, or one that carries");
    }
    for (int i = 0; i < keys.size(); i++) {
      round.add(frozen(i));
    }
  }

  /** Writes rounds out on the side of a frame until one reaches it. */
  static Curve until(Curve curve, double frame) {
    boolean ahead = frame > curve.keys().get(0).frame();
    Beyond side = ahead ? curve.after() : curve.before();
    return new Unrolled(curve, side == Beyond.CYCLE_AND_CARRY).reaching(frame, ahead);
  }

  private Curve reaching(double frame, boolean ahead) {
    Key edge = round.get(ahead ? round.size() - 1 : 0);
    double rounds = Math.ceil(Math.abs(frame - edge.frame()) / period - 1e-9);
    if (rounds > MOST_ROUNDS) {
      throw new RefusedException("cycle.rounds", rounds, "at most " + MOST_ROUNDS);
    }
    int first = ahead ? 0 : -(int) rounds;
    int last = ahead ? (int) rounds : 0;
    List<Key> keys = new ArrayList<>();
    for (int k = first; k <= last; k++) {
      for (int i = k == first ? 0 : 1; i < round.size(); i++) {
        boolean seam = i == round.size() - 1 && k < last;
        keys.add(moved(seam ? seam() : round.get(i), k));
      }
    }
    return curve.withKeys(keys);
  }

  private Key moved(Key key, int rounds) {
    return new Key(key.frame() + rounds * period, key.value() + rounds * carry, key.tangent());
  }

  /** The last key of a round, left as the first one is. */
  private Key seam() {
    Key last = round.get(round.size() - 1);
    Tangent.Free reached = curve.handles(round.size() - 1);
    Tangent leaving = curve.keys().get(0).tangent();
    if (!leaving.leavesBending()) {
      return last.withTangent(new Tangent.Reached(reached.in(), leaving.plain()));
    }
    Tangent.Free left = curve.handles(0);
    boolean even = Math.abs(reached.in().slope() - left.out().slope()) < 1e-9;
    return last.withTangent(new Tangent.Free(reached.in(), left.out(), even, true));
  }

  private Key frozen(int i) {
    Key key = curve.keys().get(i);
    return key.tangent().leavesBending()
        ? key.withTangent(curve.handles(i).withOwnLength(true))
        : key;
  }
}

package idlelens.core.curve;

import idlelens.core.rule.RefusedException;
import idlelens.core.time.FrameSpan;
import java.util.ArrayList;
import java.util.List;

/** A cycling curve written out as keys over more of its rounds; the same curve everywhere. */
public final class Unrolled {
  private static final int MOST_ROUNDS = 2000;
  private static final double CLOSES = 1e-9;

  private final Curve curve;
  private final double period;
  private final double rise;
  private final List<Key> round = new ArrayList<>();

  private Unrolled(Curve curve) {
    this.curve = curve;
    List<Key> keys = curve.keys();
    Key first = keys.get(0);
    Key last = keys.get(keys.size() - 1);
    this.period = last.frame() - first.frame();
    this.rise = last.value() - first.value();
    for (int i = 0; i < keys.size(); i++) {
      round.add(Handles.frozen(keys, i));
    }
  }

  /** Writes rounds out on the side of a frame until one reaches it. */
  static Curve until(Curve curve, double frame) {
    boolean ahead = frame > curve.keys().get(0).frame();
    Unrolled unrolled = new Unrolled(curve);
    unrolled.refuseJump(ahead ? curve.after() : curve.before());
    int rounds = unrolled.roundsTo(frame, ahead);
    return curve.withKeys(ahead ? unrolled.keys(0, rounds) : unrolled.keys(rounds, 0));
  }

  /**
   * Writes rounds out on the sides on which a curve cycles, so that its keys reach over a stretch
   * of frames; there it cycles no more, but holds. So keys may change without their repeats. A jump
   * from one round to the next takes the last {@link Key#INSTANT} before it.
   *
   * @return the same curve if it does not cycle, or has but one key
   * @throws RefusedException if there are too many rounds
   */
  public static Curve over(Curve curve, FrameSpan frames) {
    boolean before = curve.before().cycles();
    boolean after = curve.after().cycles();
    if (curve.keys().size() < 2 || !before && !after) {
      return curve;
    }
    Unrolled unrolled = new Unrolled(curve);
    int earlier = before ? unrolled.roundsTo(frames.from(), false) : 0;
    int later = after ? unrolled.roundsTo(frames.to(), true) : 0;
    return curve
        .withKeys(unrolled.keys(earlier, later))
        .withBeyond(before ? Beyond.HOLD : curve.before(), after ? Beyond.HOLD : curve.after());
  }

  private void refuseJump(Beyond side) {
    if (side == Beyond.CYCLE && jumps()) {
      Key last = round.get(round.size() - 1);
      throw new RefusedException(
          "cycle",
          "from " + last.value() + " back to " + round.get(0).value() + " in one frame",
          "a cycle that ends where it begins, or one that carries");
    }
  }

  private boolean jumps() {
    return Math.abs(rise) > CLOSES;
  }

  /** Rounds beyond the keys until one reaches a frame: one or more; none if the keys do. */
  private int roundsTo(double frame, boolean ahead) {
    double edge = round.get(ahead ? round.size() - 1 : 0).frame();
    double away = ahead ? frame - edge : edge - frame;
    double rounds = away <= 0 ? 0 : Math.max(1, Math.ceil(away / period - 1e-9));
    if (rounds > MOST_ROUNDS) {
      throw new RefusedException("cycle.rounds", rounds, "at most " + MOST_ROUNDS);
    }
    return (int) rounds;
  }

  private List<Key> keys(int earlier, int later) {
    boolean jumpsBefore = curve.before() == Beyond.CYCLE && jumps();
    boolean jumpsAfter = curve.after() == Beyond.CYCLE && jumps();
    List<Key> keys = new ArrayList<>();
    for (int k = -earlier; k <= later; k++) {
      boolean jumpsHere = !keys.isEmpty() && (k <= 0 ? jumpsBefore : jumpsAfter);
      boolean jumpsNext = k < later && (k < 0 ? jumpsBefore : jumpsAfter);
      boolean joins = !keys.isEmpty() && !jumpsHere;
      double lift = carries(k) ? k * rise : 0;
      List<Key> next = round(k, jumpsHere, jumpsNext);
      if (joins) {
        keys.set(keys.size() - 1, seam(keys.get(keys.size() - 1), next.get(0)));
      }
      for (Key key : next.subList(joins ? 1 : 0, next.size())) {
        keys.add(new Key(key.frame() + k * period, key.value() + lift, key.tangent()));
      }
    }
    return keys;
  }

  /**
   * A round as it is, or such that a jump fits in: before the next round begins, or after the keys
   * of the curve end, since the last of them is still shown.
   */
  private List<Key> round(int k, boolean jumpsHere, boolean jumpsNext) {
    List<Key> keys = jumpsHere && k == 1 ? later() : round;
    if (!jumpsNext) {
      return keys;
    }
    return k == 0 ? held(keys) : held(sooner(keys));
  }

  private boolean carries(int k) {
    return (k < 0 ? curve.before() : curve.after()) == Beyond.CYCLE_AND_CARRY;
  }

  /** The last key of a round, left as the first one of the next is. */
  private Key seam(Key last, Key first) {
    Tangent.Handle in = curve.handles(round.size() - 1).in();
    Tangent leaving = first.tangent();
    if (!leaving.leavesBending()) {
      return last.withTangent(new Tangent.Reached(in, leaving.plain()));
    }
    Tangent.Handle out = ((Tangent.Free) leaving).out();
    return last.withTangent(new Tangent.Free(in, out, in.isLineWith(out), true));
  }

  /** A round that begins an instant later. */
  private List<Key> later() {
    double start = round.get(0).frame() + Key.INSTANT;
    List<Key> keys = KeyInsertion.insert(new Curve(0, round), start, Tangent.Kind.SETTLE).keys();
    return keys.subList(1, keys.size());
  }

  /** A round that ends an instant earlier. */
  private static List<Key> sooner(List<Key> round) {
    double end = round.get(round.size() - 1).frame() - Key.INSTANT;
    List<Key> keys = KeyInsertion.insert(new Curve(0, round), end, Tangent.Kind.SETTLE).keys();
    return keys.subList(0, keys.size() - 1);
  }

  /** A round the last key of which is held until the next begins. */
  private static List<Key> held(List<Key> round) {
    List<Key> keys = new ArrayList<>(round);
    int last = keys.size() - 1;
    Tangent.Handle in = Handles.at(keys, last).in();
    keys.set(last, keys.get(last).withTangent(new Tangent.Reached(in, Tangent.Kind.HOLD)));
    return keys;
  }
}

package idlelens.core.retime;

import idlelens.core.curve.Beyond;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.KeyInsertion;
import idlelens.core.curve.Tangent;
import idlelens.core.rule.RefusedException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;

/**
 * What a map of time makes of a curve: its keys come when the map says, with the values they had.
 */
public final class Retiming {
  private Retiming() {}

  /**
   * The curve with its keys re-timed. Handles set by hand keep their share of the stretch they
   * reach into; under a ramp, keys are put in first where the speed turns and at the hit frames,
   * and all slopes follow the speed.
   *
   * @throws RefusedException if two keys would stand on one frame and that is not allowed
   */
  public static Curve apply(Curve curve, TimeMap map, Landing landing) {
    if (!curve.isKeyed()) {
      return curve;
    }
    return map instanceof Ramp ramp ? ramped(curve, ramp, landing) : moved(curve, map, landing);
  }

  private static Curve moved(Curve curve, TimeMap map, Landing landing) {
    List<Key> keys = curve.keys();
    double[] to = keys.stream().mapToDouble(k -> map.at(k.frame())).toArray();
    List<Arrival> arrivals = new ArrayList<>();
    for (int i = 0; i < to.length; i++) {
      double after = share(keys, to, i);
      double before = share(keys, to, i - 1);
      Tangent tangent = scaled(keys.get(i).tangent(), before, after);
      boolean movedHere = to[i] != keys.get(i).frame();
      arrivals.add(new Arrival(new Key(to[i], keys.get(i).value(), tangent), movedHere));
    }
    return land(curve, arrivals, landing);
  }

  /**
   * How much longer the stretch after a key gets; at the ends that of the nearest stretch, and 1
   * where keys change places.
   */
  private static double share(List<Key> keys, double[] to, int i) {
    if (to.length == 1) {
      return 1;
    }
    int from = Math.max(0, Math.min(to.length - 2, i));
    double share =
        (to[from + 1] - to[from]) / (keys.get(from + 1).frame() - keys.get(from).frame());
    return share > 0 ? share : 1;
  }

  private static Tangent scaled(Tangent tangent, double before, double after) {
    if (tangent instanceof Tangent.Reached reached) {
      return new Tangent.Reached(reached.in().times(before, 1), reached.leaving());
    }
    if (!(tangent instanceof Tangent.Free free)) {
      return tangent;
    }
    Tangent.Handle in = free.in().times(before, 1);
    Tangent.Handle out = free.out().times(after, 1);
    if (!free.joined() || Math.abs(before - after) < 1e-9) {
      return new Tangent.Free(in, out, free.joined(), free.ownLength());
    }
    double slope = (in.slope() + out.slope()) / 2; // stays one line where the pace changes
    return new Tangent.Free(in.sloped(slope), out.sloped(slope), true, free.ownLength());
  }

  private static Curve ramped(Curve curve, Ramp ramp, Landing landing) {
    Curve ready = curve;
    if (curve.keys().size() > 1) {
      List<Double> knots = ramp.keyFrames().stream().filter(k -> needsKey(curve, k)).toList();
      ready = KeyInsertion.insertAll(curve, knots, Tangent.Kind.SETTLE);
    }
    List<Arrival> arrivals = new ArrayList<>();
    for (int i = 0; i < ready.keys().size(); i++) {
      Key key = ready.keys().get(i);
      double to = ramp.at(key.frame());
      arrivals.add(
          new Arrival(new Key(to, key.value(), followed(ready, i, ramp)), to != key.frame()));
    }
    return land(curve.withKeys(ready.keys()), arrivals, landing);
  }

  /** Everywhere but where the curve holds its first or last value anyway. */
  private static boolean needsKey(Curve curve, double frame) {
    double first = curve.keys().get(0).frame();
    double last = curve.keys().get(curve.keys().size() - 1).frame();
    if (frame < first) {
      return curve.before() != Beyond.HOLD;
    }
    return frame <= last || curve.after() != Beyond.HOLD;
  }

  /** The tangent of a key with the slope it has at the new speed, reaching as far in proportion. */
  private static Tangent followed(Curve curve, int i, Ramp ramp) {
    Key key = curve.keys().get(i);
    if (curve.keys().size() == 1) {
      return key.tangent();
    }
    Tangent.Free free = curve.handles(i);
    Tangent.Handle in = paced(free.in(), width(curve, i - 1, ramp), ramp.rateAt(key.frame(), true));
    if (!key.tangent().leavesBending()) {
      return new Tangent.Reached(in, key.tangent().plain());
    }
    Tangent.Handle out = paced(free.out(), width(curve, i, ramp), ramp.rateAt(key.frame(), false));
    boolean joined = free.joined() && Math.abs(in.slope() - out.slope()) < 1e-9;
    return new Tangent.Free(in, out, joined, true);
  }

  /** How much longer the stretch after a key gets, or the nearest one where there is none. */
  private static double width(Curve curve, int i, Ramp ramp) {
    int from = Math.max(0, Math.min(curve.keys().size() - 2, i));
    double t0 = curve.keys().get(from).frame();
    double t1 = curve.keys().get(from + 1).frame();
    return (ramp.at(t1) - ramp.at(t0)) / (t1 - t0);
  }

  private static Tangent.Handle paced(Tangent.Handle handle, double longer, double rate) {
    double frames = handle.frames() * longer;
    return handle.frames() == 0
        ? handle
        : new Tangent.Handle(frames, handle.slope() / rate * frames);
  }

  /**
   * The curve with some keys moved, each for itself.
   *
   * @param chosen the keys that move
   * @param move what becomes of one
   * @throws RefusedException if two keys would stand on one frame and that is not allowed
   */
  public static Curve move(
      Curve curve, Predicate<Key> chosen, UnaryOperator<Key> move, Landing landing) {
    List<Arrival> arrivals = new ArrayList<>();
    for (Key key : curve.keys()) {
      boolean moves = chosen.test(key);
      arrivals.add(new Arrival(moves ? move.apply(key) : key, moves));
    }
    return land(curve, arrivals, landing);
  }

  /** A key where it arrives, and whether it moved to get there. */
  private record Arrival(Key key, boolean moved) {}

  /** Of two keys on one frame, the one that moved stays, if that is allowed. */
  private static Curve land(Curve curve, List<Arrival> arrivals, Landing landing) {
    List<Arrival> sorted = new ArrayList<>(arrivals);
    sorted.sort(Comparator.comparingDouble(a -> a.key().frame()));
    List<Arrival> landed = new ArrayList<>();
    for (Arrival arrival : sorted) {
      int last = landed.size() - 1;
      if (last < 0 || !landed.get(last).key().isAt(arrival.key().frame())) {
        landed.add(arrival);
      } else if (landing == Landing.REFUSE) {
        throw new RefusedException(
            "keys", "two at frame " + arrival.key().frame(), "one key at a frame");
      } else if (arrival.moved()) {
        landed.set(last, arrival);
      }
    }
    return curve.withKeys(landed.stream().map(Arrival::key).toList());
  }
}

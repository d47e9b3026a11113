package idlelens.core.retime;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.rule.RefusedException;
import idlelens.core.time.FrameSpan;
import idlelens.core.time.Ratio;
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
   * reach into; under a ramp the curve follows the speed within the tolerance of the ramp, and is
   * what it was outside its range.
   *
   * @param seen the frames on which a cycling curve has to be right after a ramp
   * @throws RefusedException if two keys would stand on one frame and that is not allowed, or if
   *     keys would change places
   */
  public static Curve apply(Curve curve, TimeMap map, Landing landing, FrameSpan seen) {
    if (!curve.isKeyed()) {
      return curve;
    }
    return map instanceof Ramp ramp && curve.keys().size() > 1
        ? ramped(curve, ramp, landing, seen)
        : moved(curve, map, landing);
  }

  private static Curve ramped(Curve curve, Ramp ramp, Landing landing, FrameSpan seen) {
    List<Arrival> arrivals = new ArrayList<>();
    RampedCurve.keys(curve, ramp, seen).forEach(k -> arrivals.add(new Arrival(k, true)));
    return land(curve, arrivals, landing);
  }

  private static Curve moved(Curve curve, TimeMap map, Landing landing) {
    List<Key> keys = curve.keys();
    double[] to = keys.stream().mapToDouble(k -> map.at(k.frame())).toArray();
    if (landing == Landing.REFUSE) {
      refuseOtherOrder(keys, to);
    }
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

  private static void refuseOtherOrder(List<Key> keys, double[] to) {
    for (int i = 1; i < to.length; i++) {
      if (to[i] < to[i - 1]) {
        throw new RefusedException(
            "keys",
            "the key of frame "
                + keys.get(i).frame()
                + " before that of "
                + keys.get(i - 1).frame(),
            "keys in the order they had");
      }
    }
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
    List<Arrival> sorted = new ArrayList<>();
    for (Arrival a : arrivals) {
      sorted.add(new Arrival(a.key.withFrame(Ratio.onFrame(a.key.frame())), a.moved));
    }
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

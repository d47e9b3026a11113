package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.KeyInsertion;
import idlelens.core.curve.Segment;
import idlelens.core.curve.Tangent;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;

/**
 * Values of a pace told anew in other stretches: straight between given values, so that the place
 * on the rail is the same at every frame. A key is put where the curve passes such a value, and
 * tangents are scaled on each side for themselves.
 *
 * @param from values before, rising
 * @param to values after, rising; beyond both ends all are moved alike
 */
record PaceMap(double[] from, double[] to) {
  private static final double SAME = 1e-9;
  private static final int HALVINGS = 80;

  double of(double value) {
    int last = from.length - 1;
    if (value <= from[0]) {
      return value - from[0] + to[0];
    }
    if (value >= from[last]) {
      return value - from[last] + to[last];
    }
    int i = stretch(value);
    return to[i] + (value - from[i]) / (from[i + 1] - from[i]) * (to[i + 1] - to[i]);
  }

  private int stretch(double value) {
    int i = 0;
    while (i < from.length - 2 && value >= from[i + 1]) {
      i++;
    }
    return i;
  }

  private double slope(double value) {
    if (value < from[0] || value > from[from.length - 1]) {
      return 1;
    }
    int i = stretch(value);
    return (to[i + 1] - to[i]) / (from[i + 1] - from[i]);
  }

  Curve of(Curve curve) {
    if (!curve.isKeyed()) {
      return Curve.still(of(curve.rest()));
    }
    TreeSet<Double> frames = new TreeSet<>();
    for (Segment segment : curve.segments()) {
      for (double value : from) {
        crossings(segment, value, frames);
      }
    }
    Curve cut = KeyInsertion.insertAll(curve, frames, Tangent.Kind.SETTLE);
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i < cut.keys().size(); i++) {
      Key key = cut.keys().get(i);
      keys.add(new Key(key.frame(), of(snapped(key.value())), tangent(cut, i)));
    }
    return cut.withKeys(keys).withRest(of(curve.rest()));
  }

  /** A value that is one of the given ones but for rounding. */
  private double snapped(double value) {
    for (double each : from) {
      if (Math.abs(value - each) < SAME) {
        return each;
      }
    }
    return value;
  }

  private Tangent tangent(Curve cut, int i) {
    Key key = cut.keys().get(i);
    double before = slope(i == 0 ? key.value() : middle(cut, i - 1));
    double after = slope(i == cut.keys().size() - 1 ? key.value() : middle(cut, i));
    if (key.tangent() instanceof Tangent.Reached reached) {
      return new Tangent.Reached(reached.in().times(1, before), reached.leaving());
    }
    boolean alone = key.tangent() == Tangent.Kind.STRAIGHT || key.tangent() == Tangent.Kind.HOLD;
    boolean alike = Math.abs(before - after) < SAME && !(key.tangent() instanceof Tangent.Free);
    if (alone || alike && isAlikeAround(cut, i, before)) {
      return key.tangent();
    }
    Tangent.Free free = cut.handles(i);
    boolean joined = free.joined() && Math.abs(before - after) < SAME;
    return new Tangent.Free(
        free.in().times(1, before), free.out().times(1, after), joined, free.ownLength());
  }

  /** Whether the keys on which a tangent depends are told alike too. */
  private boolean isAlikeAround(Curve cut, int i, double slope) {
    for (int k = Math.max(0, i - 2); k < Math.min(cut.keys().size() - 1, i + 2); k++) {
      if (Math.abs(slope(middle(cut, k)) - slope) > SAME) {
        return false;
      }
    }
    return true;
  }

  private static double middle(Curve cut, int segment) {
    return (cut.keys().get(segment).value() + cut.keys().get(segment + 1).value()) / 2;
  }

  /** The frames within a segment at which it passes a value. */
  private static void crossings(Segment segment, double value, TreeSet<Double> out) {
    List<Double> turns = new ArrayList<>(List.of(0.0));
    for (double u : segment.turningPoints()) {
      turns.add(u);
    }
    turns.add(1.0);
    for (int i = 0; i + 1 < turns.size(); i++) {
      double low = turns.get(i);
      double high = turns.get(i + 1);
      double first = segment.valueAt(low) - value;
      double last = segment.valueAt(high) - value;
      if (Math.abs(first) > SAME && Math.abs(last) > SAME && first * last < 0) {
        out.add(segment.frameAt(root(segment, value, low, high, first)));
      }
    }
  }

  private static double root(Segment segment, double value, double from, double to, double sign) {
    double low = from;
    double high = to;
    for (int i = 0; i < HALVINGS; i++) {
      double middle = (low + high) / 2;
      if ((segment.valueAt(middle) - value) * sign > 0) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return (low + high) / 2;
  }
}

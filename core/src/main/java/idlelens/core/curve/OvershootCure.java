package idlelens.core.curve;

import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleSupplier;

/** The keys of a curve while the overshoot of its segments is taken away, one after another. */
final class OvershootCure {
  private static final int HALVINGS = 60;

  /** What a neighbour may swing farther by and be said to swing as it did: rounding. */
  private static final double ROUNDING = 1e-9;

  private final List<Key> keys;
  private final Slopes slopes;
  private final double tolerance;
  private final boolean keepJoined;

  OvershootCure(Curve curve, double tolerance, boolean keepJoined) {
    this.keys = new ArrayList<>(curve.keys());
    this.slopes = new Slopes(keys);
    this.tolerance = tolerance;
    this.keepJoined = keepJoined;
  }

  List<Key> keys() {
    return keys;
  }

  private Segment segment(int i) {
    return Segment.of(keys, slopes, i);
  }

  /** Cures a segment; false if it does not swing. */
  boolean at(int i) {
    Segment s = segment(i);
    if (!Overshoots.swings(s) || Overshoots.extremes(s, i, tolerance).isEmpty()) {
      return false;
    }
    double factor = greatestFactor(s);
    Tangent.Free left = Handles.at(keys, i);
    Tangent.Free right = Handles.at(keys, i + 1);
    boolean cut = s.isCut(left.out(), right.in()); // then both have to be written as they were cut
    if (Overshoots.isOutside(s, s.v1())) {
      leave(i, left, s.out().times(1, factor), cut || left.ownLength());
    } else if (cut) {
      keys.set(i, Handles.leftBy(keys, i, s.out()));
    }
    if (Overshoots.isOutside(s, s.v2())) {
      reach(i + 1, right, s.in().times(1, factor), cut || right.ownLength());
    } else if (cut) {
      keys.set(i + 1, Handles.reachedBy(keys, i + 1, s.in()));
    }
    return true;
  }

  private void leave(int i, Tangent.Free old, Tangent.Handle out, boolean ownLength) {
    Tangent.Free broken = new Tangent.Free(old.in(), out, false, ownLength);
    Tangent.Free line = new Tangent.Free(old.in().sloped(out.slope()), out, true, ownLength);
    turn(i, broken, line, old.joined() && out.frames() > 0, swingOf(i - 1));
  }

  private void reach(int i, Tangent.Free old, Tangent.Handle in, boolean ownLength) {
    if (!keys.get(i).tangent().leavesBending()) {
      keys.set(i, Handles.reachedBy(keys, i, in));
      return;
    }
    Tangent.Free broken = new Tangent.Free(in, old.out(), false, ownLength);
    Tangent.Free line = new Tangent.Free(in, old.out().sloped(in.slope()), true, ownLength);
    turn(i, broken, line, old.joined() && in.frames() > 0, swingOf(i));
  }

  /** How far the segment swings, now or when asked; 0 at the ends of the curve. */
  private DoubleSupplier swingOf(int segment) {
    boolean there = segment >= 0 && segment + 1 < keys.size();
    return () -> there ? Overshoots.swing(segment(segment)) : 0;
  }

  /** Keeps a tangent one line, unless that makes the segment on its other side swing farther. */
  private void turn(
      int i, Tangent.Free broken, Tangent.Free line, boolean joined, DoubleSupplier neighbour) {
    Key key = keys.get(i);
    if (keepJoined && joined) {
      double before = neighbour.getAsDouble();
      keys.set(i, key.withTangent(line));
      if (neighbour.getAsDouble() <= before * (1 + ROUNDING)) {
        return;
      }
    }
    keys.set(i, key.withTangent(broken));
  }

  /**
   * How much of the slope the guilty handles may keep: by halving, since less always swings less.
   */
  private double greatestFactor(Segment s) {
    double good = 0;
    double bad = 1;
    for (int n = 0; n < HALVINGS && bad - good > 1e-12; n++) {
      double middle = (good + bad) / 2;
      if (Overshoots.extremes(limited(s, middle), 0, tolerance).isEmpty()) {
        good = middle;
      } else {
        bad = middle;
      }
    }
    return good;
  }

  private static Segment limited(Segment s, double factor) {
    double v1 = Overshoots.isOutside(s, s.v1()) ? s.v0() + (s.v1() - s.v0()) * factor : s.v1();
    double v2 = Overshoots.isOutside(s, s.v2()) ? s.v3() + (s.v2() - s.v3()) * factor : s.v2();
    return new Segment(false, s.t0(), s.v0(), s.t1(), v1, s.t2(), v2, s.t3(), s.v3());
  }
}

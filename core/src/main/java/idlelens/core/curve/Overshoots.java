package idlelens.core.curve;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.function.IntPredicate;

/** Finds where a curve swings past its keys, and limits the tangents that cause it. */
public final class Overshoots {
  /** Part of the larger value of a segment that is rounding, not overshoot. */
  private static final double ROUNDING = 1e-9;

  private static final int HALVINGS = 60;
  private static final int ROUNDS = 8;

  private Overshoots() {}

  /**
   * All extremes of segments beyond the range of their two keys, from the roots of the derivative.
   *
   * @param tolerance amount in the unit of the curve that is let pass, 0 or more
   */
  public static List<Overshoot> find(Curve curve, double tolerance) {
    List<Overshoot> found = new ArrayList<>();
    for (int i = 0; i + 1 < curve.keys().size(); i++) {
      Segment segment = curve.segment(i);
      if (swings(segment)) {
        found.addAll(extremes(segment, i, tolerance));
      }
    }
    return found;
  }

  /** A Bezier stays within its control points: only those outside can lead it out. */
  private static boolean swings(Segment s) {
    return !s.held() && (isOutside(s, s.v1()) || isOutside(s, s.v2()));
  }

  private static boolean isOutside(Segment s, double value) {
    return value < Math.min(s.v0(), s.v3()) || value > Math.max(s.v0(), s.v3());
  }

  private static List<Overshoot> extremes(Segment s, int index, double tolerance) {
    List<Overshoot> found = new ArrayList<>();
    double least = Math.max(tolerance, ROUNDING * (1 + Math.abs(s.v0()) + Math.abs(s.v3())));
    for (double u : turningPoints(s)) {
      double amount = beyond(s, s.valueAt(u));
      if (Math.abs(amount) > least) {
        found.add(new Overshoot(index, s.frameAt(u), s.valueAt(u), amount));
      }
    }
    found.sort(Comparator.comparingDouble(Overshoot::frame));
    return found;
  }

  private static double beyond(Segment s, double value) {
    double high = Math.max(s.v0(), s.v3());
    double low = Math.min(s.v0(), s.v3());
    return value > high ? value - high : Math.min(0, value - low);
  }

  /** Roots in (0, 1) of the value's derivative {@code 3 (a u^2 + 2 b u + c)}, in stable form. */
  private static double[] turningPoints(Segment s) {
    double a = s.v3() - s.v0() + 3 * (s.v1() - s.v2());
    double b = s.v0() - 2 * s.v1() + s.v2();
    double c = s.v1() - s.v0();
    double inside = b * b - a * c;
    if (inside < 0) {
      return new double[0];
    }
    double q = -(b + Math.copySign(Math.sqrt(inside), b));
    double[] roots = {q / a, q == 0 ? Double.NaN : c / q};
    return Arrays.stream(roots).filter(u -> u > 0 && u < 1).toArray();
  }

  /**
   * The curve without the overshoot of some segments. No key moves; only handles that stand outside
   * the range of their segment are turned towards the level, as little as will do.
   *
   * @param tolerance amount that may stay, 0 or more
   * @param which indices of the segments
   * @param keepJoined whether a joined tangent stays one line, so that both its sides are turned;
   *     if not, only the guilty side is, and the tangent is broken
   */
  public static Curve remove(
      Curve curve, double tolerance, IntPredicate which, boolean keepJoined) {
    Curve cured = curve;
    for (int round = 0; round < ROUNDS; round++) { // a joined tangent reaches into its neighbour
      Curve next = pass(cured, tolerance, which, keepJoined && round < ROUNDS / 2);
      if (next == cured) {
        return cured;
      }
      cured = next;
    }
    return cured;
  }

  private static Curve pass(Curve curve, double tolerance, IntPredicate which, boolean keepJoined) {
    Curve cured = curve;
    for (int i = 0; i + 1 < curve.keys().size(); i++) {
      if (which.test(i) && !extremes(cured.segment(i), i, tolerance).isEmpty()) {
        cured = cure(cured, i, tolerance, keepJoined);
      }
    }
    return cured;
  }

  private static Curve cure(Curve curve, int i, double tolerance, boolean keepJoined) {
    Segment s = curve.segment(i);
    double factor = greatestFactor(s, tolerance);
    Tangent.Free left = curve.handles(i);
    Tangent.Free right = curve.handles(i + 1);
    boolean cut = s.isCut(left.out(), right.in()); // then both have to be written as they were cut
    Curve cured = curve;
    if (isOutside(s, s.v1())) {
      Tangent.Handle out = s.out().times(1, factor);
      boolean joined = keepJoined && left.joined();
      Tangent.Handle in = joined ? left.in().sloped(out.slope()) : left.in();
      cured = turned(cured, i, new Tangent.Free(in, out, joined, cut || left.ownLength()));
    } else if (cut) {
      cured = cured.leftBy(i, s.out());
    }
    if (!isOutside(s, s.v2())) {
      return cut ? cured.reachedBy(i + 1, s.in()) : cured;
    }
    Tangent.Handle in = s.in().times(1, factor);
    if (!curve.keys().get(i + 1).tangent().leavesBending()) {
      return cured.reachedBy(i + 1, in);
    }
    boolean joined = keepJoined && right.joined();
    Tangent.Handle out = joined ? right.out().sloped(in.slope()) : right.out();
    return turned(cured, i + 1, new Tangent.Free(in, out, joined, cut || right.ownLength()));
  }

  private static Curve turned(Curve curve, int key, Tangent.Free tangent) {
    return curve.withKeyAt(key, curve.keys().get(key).withTangent(tangent));
  }

  /**
   * How much of the slope the guilty handles may keep: by halving, since less always swings less.
   */
  private static double greatestFactor(Segment s, double tolerance) {
    double good = 0;
    double bad = 1;
    for (int n = 0; n < HALVINGS && bad - good > 1e-12; n++) {
      double middle = (good + bad) / 2;
      if (extremes(limited(s, middle), 0, tolerance).isEmpty()) {
        good = middle;
      } else {
        bad = middle;
      }
    }
    return good;
  }

  private static Segment limited(Segment s, double factor) {
    double v1 = isOutside(s, s.v1()) ? s.v0() + (s.v1() - s.v0()) * factor : s.v1();
    double v2 = isOutside(s, s.v2()) ? s.v3() + (s.v2() - s.v3()) * factor : s.v2();
    return new Segment(false, s.t0(), s.v0(), s.t1(), v1, s.t2(), v2, s.t3(), s.v3());
  }
}

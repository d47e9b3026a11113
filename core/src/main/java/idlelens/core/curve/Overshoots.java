package idlelens.core.curve;

import java.util.ArrayList;
import java.util.List;
import java.util.function.IntPredicate;

/** Finds where a curve swings past its keys, and limits the tangents that cause it. */
public final class Overshoots {
  /** Part of the larger value of a segment that is rounding, not overshoot. */
  private static final double ROUNDING = 1e-9;

  private static final int ROUNDS = 8;

  private Overshoots() {}

  /**
   * All extremes of segments beyond the range of their two keys, from the roots of the derivative.
   *
   * @param tolerance amount in the unit of the curve that is let pass, 0 or more
   */
  public static List<Overshoot> find(Curve curve, double tolerance) {
    List<Overshoot> found = new ArrayList<>();
    List<Segment> segments = curve.segments();
    for (int i = 0; i < segments.size(); i++) {
      if (swings(segments.get(i))) {
        found.addAll(extremes(segments.get(i), i, tolerance));
      }
    }
    return found;
  }

  /** A Bezier stays within its control points: only those outside can lead it out. */
  static boolean swings(Segment s) {
    return !s.held() && (isOutside(s, s.v1()) || isOutside(s, s.v2()));
  }

  static boolean isOutside(Segment s, double value) {
    return value < Math.min(s.v0(), s.v3()) || value > Math.max(s.v0(), s.v3());
  }

  static List<Overshoot> extremes(Segment s, int index, double tolerance) {
    List<Overshoot> found = new ArrayList<>();
    double least = Math.max(tolerance, ROUNDING * (1 + Math.abs(s.v0()) + Math.abs(s.v3())));
    for (double u : s.turningPoints()) {
      double amount = beyond(s, s.valueAt(u));
      if (Math.abs(amount) > least) {
        found.add(new Overshoot(index, s.frameAt(u), s.valueAt(u), amount));
      }
    }
    return found;
  }

  private static double beyond(Segment s, double value) {
    double high = Math.max(s.v0(), s.v3());
    double low = Math.min(s.v0(), s.v3());
    return value > high ? value - high : Math.min(0, value - low);
  }

  /** The largest amount by which a segment leaves the range of its keys; 0 where it does not. */
  static double swing(Segment s) {
    if (!swings(s)) {
      return 0;
    }
    return extremes(s, 0, 0).stream().mapToDouble(o -> Math.abs(o.amount())).max().orElse(0);
  }

  /**
   * The curve without the overshoot of some segments. No key moves; only handles that stand outside
   * the range of their segment are turned towards the level, as little as will do. No other segment
   * swings farther than it did.
   *
   * @param tolerance amount that may stay, 0 or more
   * @param which indices of the segments
   * @param keepJoined whether a joined tangent stays one line, so that both its sides are turned;
   *     it is broken where that would make the neighbour swing. If not, only the guilty side is
   *     turned, and the tangent is broken
   */
  public static Curve remove(
      Curve curve, double tolerance, IntPredicate which, boolean keepJoined) {
    OvershootCure cure = new OvershootCure(curve, tolerance, keepJoined);
    boolean any = false;
    for (int round = 0; round < ROUNDS; round++) { // a joined tangent reaches into its neighbour
      boolean again = false;
      for (int i = 0; i + 1 < curve.keys().size(); i++) {
        again |= which.test(i) && cure.at(i);
      }
      any |= again;
      if (!again) {
        break;
      }
    }
    return any ? curve.withKeys(cure.keys()) : curve;
  }
}

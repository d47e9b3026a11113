package idlelens.core.curve;

/** Solves {@code ((d3 p + d2) p + d1) p = t} where the left side rises from 0 to 1 over [0, 1]. */
public final class CubicTime {
  private static final int MOST_STEPS = 64;

  /** A Newton step as small as this squares the error away: what is left is below 1e-14. */
  private static final double LAST_STEP = 1e-8;

  private CubicTime() {}

  /** By Newton's method inside a shrinking bracket, to about 1e-14. */
  public static double solve(double d1, double d2, double d3, double t) {
    if (d2 == 0 && d3 == 0 && d1 == 1) {
      return t;
    }
    double low = 0;
    double high = 1;
    double p = t;
    for (int step = 0; step < MOST_STEPS; step++) {
      double error = ((d3 * p + d2) * p + d1) * p - t;
      if (Math.abs(error) <= 1e-15) {
        return p;
      }
      if (error > 0) {
        high = p;
      } else {
        low = p;
      }
      double slope = (3 * d3 * p + 2 * d2) * p + d1;
      double next = slope > 0 ? p - error / slope : Double.NaN;
      if (next > low && next < high) {
        if (Math.abs(next - p) <= LAST_STEP) {
          return next;
        }
      } else {
        next = (low + high) / 2; // Newton left the bracket
      }
      p = next;
    }
    return p;
  }
}

package idlelens.core.lens;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;

/**
 * What is sharp, for one focal length f, f-number N and circle of confusion c, by the thin lens
 * (design page on lenses; the classical formulas of geometrical optics).
 *
 * @param focalMm f
 * @param fStop N
 * @param circleMm c
 */
public record DepthOfField(double focalMm, double fStop, double circleMm) {
  public DepthOfField {
    Require.positive(focalMm, "focalMm");
    Require.positive(fStop, "fStop");
    Require.positive(circleMm, "circleMm");
  }

  /** {@code H = f^2 / (N c) + f}, in metres. */
  public double hyperfocalM() {
    return (focalMm * focalMm / (fStop * circleMm) + focalMm) / 1000;
  }

  /** Nearest sharp distance, {@code s (H - f) / (H + s - 2f)}, in metres. */
  public double nearM(double focusM) {
    double s = beyondLens(focusM);
    double f = focalMm / 1000;
    double h = hyperfocalM();
    return s * (h - f) / (h + s - 2 * f);
  }

  /** Farthest sharp distance, {@code s (H - f) / (H - s)}, infinite for s at or beyond H. */
  public double farM(double focusM) {
    double s = beyondLens(focusM);
    double h = hyperfocalM();
    return s >= h ? Double.POSITIVE_INFINITY : s * (h - focalMm / 1000) / (h - s);
  }

  /**
   * The focus distance nearest to another one at which a point is just sharp: {@code d H / (H - f +
   * d)} for one beyond the far limit, {@code d (H - 2f) / (H - f - d)} for one before the near one.
   *
   * @param focusM focus distance s
   * @param distanceM distance d of the point, greater than the focal length
   */
  public double focusHolding(double focusM, double distanceM) {
    double f = focalMm / 1000;
    double h = hyperfocalM();
    if (distanceM > farM(focusM)) {
      return distanceM * h / (h - f + distanceM);
    }
    return distanceM < nearM(focusM) ? distanceM * (h - 2 * f) / (h - f - distanceM) : focusM;
  }

  /**
   * The least f-number at which a point is just sharp, the limits solved for H and that for N:
   * {@code H = s (d - f) / (d - s)} behind the focus, {@code (d s - 2 d f + s f) / (s - d)} before
   * it.
   *
   * @param focusM focus distance s
   * @param distanceM distance d of the point, greater than the focal length
   */
  public double stopHolding(double focusM, double distanceM) {
    double s = beyondLens(focusM);
    double f = focalMm / 1000;
    double d = distanceM;
    double h = d > s ? s * (d - f) / (d - s) : (d * s - 2 * d * f + s * f) / (s - d);
    return d == s ? 0 : focalMm * focalMm / (circleMm * (h - f) * 1000);
  }

  /**
   * Diameter on the sensor, in millimetres, of the disc that a point becomes: {@code (f/N) f/(s-f)
   * |d-s|/d}.
   *
   * @param focusM focus distance s
   * @param distanceM distance d of the point, may be infinite
   */
  public double blurMm(double focusM, double distanceM) {
    double s = beyondLens(focusM);
    double f = focalMm / 1000;
    Require.within(distanceM, Double.MIN_VALUE, Double.POSITIVE_INFINITY, "distanceM");
    double part = Double.isInfinite(distanceM) ? 1 : Math.abs(distanceM - s) / distanceM;
    return focalMm / fStop * f / (s - f) * part;
  }

  private double beyondLens(double focusM) {
    if (!(focusM > focalMm / 1000 && focusM < Double.POSITIVE_INFINITY)) {
      throw new RefusedException(
          "focusM", focusM, "greater than the focal length (" + focalMm / 1000 + " m)");
    }
    return focusM;
  }
}

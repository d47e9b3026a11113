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

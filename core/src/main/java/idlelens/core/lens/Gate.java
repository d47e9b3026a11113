package idlelens.core.lens;

import idlelens.core.rule.Require;

/**
 * The part of the sensor that the picture uses, with the squeeze of the lens in front of it.
 *
 * @param widthMm used width
 * @param heightMm used height
 * @param squeeze how much wider the lens sees than the sensor is, 1 for a round lens
 */
public record Gate(double widthMm, double heightMm, double squeeze) {

  /** Which side of the picture is fitted to the sensor. */
  public enum Fit {
    WIDTH,
    HEIGHT
  }

  /** Sensors are listed to a hundredth of a millimetre: half of that is no excess. */
  private static final double ROUNDING_MM = 0.005;

  public Gate {
    Require.positive(widthMm, "gate.widthMm");
    Require.positive(heightMm, "gate.heightMm");
    Require.within(squeeze, 0.5, 2.5, "squeeze");
  }

  /** Cuts a picture of that aspect (width / height) from a sensor. */
  public static Gate cut(FilmBack back, Fit fit, double squeeze, double aspect) {
    return fit == Fit.WIDTH
        ? new Gate(back.widthMm(), back.widthMm() * squeeze / aspect, squeeze)
        : new Gate(back.heightMm() * aspect / squeeze, back.heightMm(), squeeze);
  }

  public double diagonalMm() {
    return Math.hypot(widthMm, heightMm);
  }

  /** Full horizontal field of view, {@code 2 atan(S w / 2f)}. */
  public double horizontalRad(double focalMm) {
    return 2 * Math.atan(squeeze * widthMm / (2 * focalMm));
  }

  /** Full vertical field of view, {@code 2 atan(h / 2f)}. */
  public double verticalRad(double focalMm) {
    return 2 * Math.atan(heightMm / (2 * focalMm));
  }

  /** The focal length that sees so wide; the angle lies in (0, π). */
  public double focalMmOfHorizontal(double angleRad) {
    return squeeze * widthMm / (2 * Math.tan(angle(angleRad, "hfov") / 2));
  }

  /** The focal length that sees so high; the angle lies in (0, π). */
  public double focalMmOfVertical(double angleRad) {
    return heightMm / (2 * Math.tan(angle(angleRad, "vfov") / 2));
  }

  /**
   * The focal length that a full-frame camera with a round lens would need for the same diagonal
   * field of view.
   */
  public double equivalent35Mm(double focalMm) {
    double diagonal = Math.hypot(squeeze * widthMm, heightMm);
    return focalMm * SensorFormat.FULL_FRAME.back().diagonalMm() / diagonal;
  }

  /** Whether the picture asks for more than the sensor has, across or up. */
  public boolean exceeds(FilmBack back) {
    return widthMm > back.widthMm() + ROUNDING_MM || heightMm > back.heightMm() + ROUNDING_MM;
  }

  private static double angle(double angleRad, String where) {
    Require.within(Math.toDegrees(angleRad), 0.01, 179, where);
    return angleRad;
  }
}

package idlelens.core.lens;

import idlelens.core.rule.Require;

/**
 * The part of the sensor that the picture uses, with the squeeze of the lens in front of it.
 *
 * @param widthMm used width
 * @param heightMm used height
 * @param squeeze how much wider the lens sees than the sensor is, 1 for a round lens
 * @param rightMm how far its middle lies beside the axis of the lens; the picture sees as much
 *     farther to the right
 * @param upMm how far its middle lies off the axis; the picture sees as much farther up
 */
public record Gate(double widthMm, double heightMm, double squeeze, double rightMm, double upMm) {

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
    Require.within(rightMm, -1000, 1000, "gate.rightMm");
    Require.within(upMm, -1000, 1000, "gate.upMm");
  }

  /** Cuts a picture of that aspect (width / height) from a sensor. */
  public static Gate cut(FilmBack back, Fit fit, double squeeze, double aspect) {
    return fit == Fit.WIDTH
        ? new Gate(back.widthMm(), back.widthMm() * squeeze / aspect, squeeze, 0, 0)
        : new Gate(back.heightMm() * aspect / squeeze, back.heightMm(), squeeze, 0, 0);
  }

  /** With more on all sides: width and height grow by so many percent, the middle stays. */
  public Gate grown(double percent) {
    double factor = 1 + percent / 100;
    return new Gate(widthMm * factor, heightMm * factor, squeeze, rightMm, upMm);
  }

  /** With its middle so far beside the axis of the lens. */
  public Gate shifted(double newRightMm, double newUpMm) {
    return new Gate(widthMm, heightMm, squeeze, newRightMm, newUpMm);
  }

  public double diagonalMm() {
    return Math.hypot(widthMm, heightMm);
  }

  /** Full horizontal field of view, {@code 2 atan(S w / 2f)}. */
  public double horizontalRad(double focalMm) {
    return 2 * Math.atan(tanAcross(focalMm));
  }

  /** Full vertical field of view, {@code 2 atan(h / 2f)}. */
  public double verticalRad(double focalMm) {
    return 2 * Math.atan(tanUp(focalMm));
  }

  /** Tangent of half the horizontal field of view. */
  public double tanAcross(double focalMm) {
    return squeeze * widthMm / (2 * focalMm);
  }

  /** Tangent of half the vertical field of view. */
  public double tanUp(double focalMm) {
    return heightMm / (2 * focalMm);
  }

  /** Tangent of the angle to the right at which the middle of the picture is seen. */
  public double tanRight(double focalMm) {
    return squeeze * rightMm / focalMm;
  }

  /** Tangent of the angle upwards at which the middle of the picture is seen. */
  public double tanAbove(double focalMm) {
    return upMm / focalMm;
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

package idlelens.core.part;

import idlelens.core.rule.Require;

/**
 * What can be keyed. A constant of its kind of part.
 *
 * @param id the name in files and in the API, unique in its kind
 * @param label as it stands on screen
 * @param family the axis it shares with others
 * @param least least value, in the unit of the family
 * @param most greatest value
 * @param usual the rest value in a new part
 * @param mirrored whether left and right in a mirror change its sign
 */
public record Parameter(
    String id,
    String label,
    Family family,
    double least,
    double most,
    double usual,
    boolean mirrored) {

  /** A share from none to all of it, 1 in a new part. */
  public static final Parameter WEIGHT =
      new Parameter("weight", "Weight", Family.WEIGHT, 0, 1, 1, false);

  /** The value, if it lies in the range. */
  public double check(double value) {
    return Require.within(value, least, most, id);
  }

  /** Whether a value lies in the range. */
  public boolean holds(double value) {
    return value >= least && value <= most;
  }

  /** The nearest value in the range, for samples of curves that leave it. */
  public double clamp(double value) {
    return Math.max(least, Math.min(most, value));
  }
}

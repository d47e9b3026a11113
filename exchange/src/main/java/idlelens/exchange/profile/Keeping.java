package idlelens.exchange.profile;

import idlelens.core.rule.Require;

/**
 * Which frames get a key.
 *
 * @param few whether a key is left out where going straight past it stays within the tolerances
 * @param placeMm how far off a place may be, 0.001 to 1000 mm
 * @param turnDeg how far off a turn may be, 0.0001 to 10 degrees
 */
public record Keeping(boolean few, double placeMm, double turnDeg) {
  /** A key on every frame. */
  public static final Keeping BAKE = new Keeping(false, 0.1, 0.001);

  public Keeping {
    Require.within(placeMm, 0.001, 1000, "keys.placeMm");
    Require.within(turnDeg, 0.0001, 10, "keys.turnDeg");
  }
}

package idlelens.core.set;

import idlelens.core.rule.Require;

/**
 * Haze that grows with depth: {@code 1 - 2^-(d / half)^2} of what is seen d metres away is haze.
 *
 * @param colour sRGB as {@code #rrggbb}
 * @param halfM metres at which half of what is seen is haze
 */
public record Haze(String colour, double halfM) {
  public Haze {
    Require.within(halfM, 0.5, 100_000, "haze.half");
    Require.colour(colour, "haze.colour", "#c9d4da");
  }
}

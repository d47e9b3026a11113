package idlelens.core.set;

import idlelens.core.rule.Require;

/**
 * One picture on a card.
 *
 * @param asset SHA-256 of the stored picture, in hexadecimal
 * @param widthPx its width in pixels
 * @param heightPx its height in pixels
 * @param held for how many pictures of the sequence's rate it is shown, 1 to 10,000
 */
public record Still(String asset, int widthPx, int heightPx, int held) {
  /** The most pixels a side. */
  public static final int MOST_PIXELS = 4096;

  static final int LONGEST_HELD = 10_000;

  public Still {
    Require.hash(asset, "pictures.asset");
    Require.within(widthPx, 1, MOST_PIXELS, "pictures.width");
    Require.within(heightPx, 1, MOST_PIXELS, "pictures.height");
    Require.within(held, 1, LONGEST_HELD, "pictures.held");
  }
}

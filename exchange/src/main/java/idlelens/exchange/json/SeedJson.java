package idlelens.exchange.json;

import idlelens.exchange.format.FormatException;

/** Seeds: whole numbers that every reader of JSON holds exactly. */
final class SeedJson {
  /** The seed of what has none. */
  static final long USUAL = 1;

  private static final double MOST = 9_007_199_254_740_991.0;

  private SeedJson() {}

  static long read(JsonPlace p, String field) throws FormatException {
    if (!p.has(field)) {
      return USUAL;
    }
    double seed = p.get(field).number();
    if (seed != Math.rint(seed) || Math.abs(seed) > MOST) {
      throw p.get(field).refusal("a whole number from -2^53 + 1 to 2^53 - 1");
    }
    return (long) seed;
  }
}

package idlelens.core.seed;

/**
 * Shares in [0, 1), strewn by a seed and a number, the same for ever: the finalizer of SplitMix64
 * (Steele, Lea, Flood, OOPSLA 2014).
 */
public final class Shares {
  private Shares() {}

  /** The share of a seed with that number. */
  public static double at(long seed, long number) {
    return (bits(seed, number) >>> 11) * 0x1.0p-53;
  }

  /** A seed of its own for one of many that are strewn by one seed. */
  public static long stream(long seed, long number) {
    return bits(seed, number);
  }

  private static long bits(long seed, long number) {
    long z = seed * 0x9E3779B97F4A7C15L + number * 0xD1B54A32D192ED03L;
    z = (z ^ (z >>> 30)) * 0xBF58476D1CE4E5B9L;
    z = (z ^ (z >>> 27)) * 0x94D049BB133111EBL;
    return z ^ (z >>> 31);
  }
}

package idlelens.core.geometry;

/**
 * What lies between samples at even steps: cubics through each of them, with the slope of the chord
 * of its neighbours. Catmull and Rom, "A class of local interpolating splines", 1974.
 */
public final class EvenSamples {
  private EvenSamples() {}

  /**
   * @param all two or more
   * @param sample counted from the first; before that, and behind the last, as there
   */
  public static double at(double[] all, double sample) {
    double within = Math.max(0, Math.min(all.length - 1.0, sample));
    int i = segment(all.length, within);
    double before = all[Math.max(0, i - 1)];
    double after = all[Math.min(all.length - 1, i + 2)];
    return between(before, all[i], all[i + 1], after, ends(all.length, i), within - i);
  }

  /** The first of the two samples between which a place among so many lies. */
  public static int segment(int count, double sample) {
    return (int) Math.max(0, Math.min(count - 2.0, Math.floor(sample)));
  }

  /** Whether a segment is the first or the last one: there the slope is that of the segment. */
  public record Ends(boolean first, boolean last) {}

  public static Ends ends(int count, int segment) {
    return new Ends(segment == 0, segment + 2 >= count);
  }

  /**
   * @param before the sample before both, or the first of them
   * @param after the sample behind both, or the second
   * @param u from 0 at the first to 1 at the second
   */
  public static double between(
      double before, double a, double b, double after, Ends ends, double u) {
    double in = (b - before) / (ends.first() ? 1 : 2);
    double out = (after - a) / (ends.last() ? 1 : 2);
    double square = u * u;
    double cube = square * u;
    return (2 * cube - 3 * square + 1) * a
        + (cube - 2 * square + u) * in
        + (3 * square - 2 * cube) * b
        + (cube - square) * out;
  }
}

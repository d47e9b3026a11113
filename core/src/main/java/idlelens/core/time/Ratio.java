package idlelens.core.time;

/**
 * A quotient of whole numbers, so that what divides evenly stays whole: {@code 100 * 55 / 100} is
 * 55, where {@code 100 * 0.55} is not.
 *
 * @param over any number
 * @param under greater than 0
 */
public record Ratio(double over, long under) {
  private static final double MOST_UNDER = 1_000_000;
  private static final int MOST_STEPS = 30;

  /** What comes this close to a whole frame, in frames, stands on it. */
  private static final double ON_FRAME = 1e-9;

  /**
   * The quotient of small whole numbers that a number was written as, found by its continued
   * fraction; the number over 1 if there is none with up to a million under the line.
   */
  public static Ratio of(double number) {
    double rest = number;
    double over = 1;
    double under = 0;
    double overBefore = 0;
    double underBefore = 1;
    for (int step = 0; step < MOST_STEPS; step++) {
      double whole = Math.floor(rest);
      double nextOver = whole * over + overBefore;
      double nextUnder = whole * under + underBefore;
      if (!(nextUnder <= MOST_UNDER)) {
        break;
      }
      overBefore = over;
      underBefore = under;
      over = nextOver;
      under = nextUnder;
      if (over / under == number) {
        return new Ratio(over, (long) under);
      }
      rest = 1 / (rest - whole);
    }
    return new Ratio(number, 1);
  }

  public double times(double value) {
    return value * over / under;
  }

  /** A frame, or the whole frame that it all but is. */
  public static double onFrame(double frame) {
    double whole = Math.rint(frame);
    return Math.abs(frame - whole) <= ON_FRAME ? whole : frame;
  }
}

package idlelens.core.motion;

/** Keeps a way within a limit, softly, so that nothing shows where it sets in. */
final class Limit {
  private Limit() {}

  /**
   * The part of a way to go: {@code 1 / (1 + (way / limit)^4)^(1/4)}. All of it while it is short,
   * and never more than the limit.
   *
   * @param way 0 or more
   * @param limit more than 0, in the same unit; may be infinite
   */
  static double share(double way, double limit) {
    double ratio = way / limit;
    double square = ratio * ratio;
    return 1 / Math.sqrt(Math.sqrt(1 + square * square));
  }
}

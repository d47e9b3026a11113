package idlelens.core.smooth;

import java.util.Arrays;

/** How long a filter goes on after what it follows has come to rest. */
public final class Rest {
  /** What is left of the way when it counts as at rest. */
  public static final double SHARE = 0.01;

  private Rest() {}

  /**
   * Frames after a step until no more than a hundredth of it is ever left: for one pole the least n
   * with {@code a^n <= 0.01}.
   *
   * @param longest frames that are tried at most
   */
  public static int frames(Filter filter, int longest) {
    double[] step = new double[2 * longest];
    Arrays.fill(step, longest, step.length, 1);
    double[] out = filter.numbers(step);
    int last = longest;
    for (int i = longest; i < out.length; i++) {
      last = Math.abs(1 - out[i]) > SHARE ? i + 1 : last;
    }
    int behind = last - longest;
    boolean lags = Math.abs(out[longest - 1]) <= 1e-12;
    return lags ? behind + 1 : behind;
  }
}

package idlelens.core.smooth;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import java.util.Arrays;

/**
 * A symmetric window of weights that sum to 1. On turns: {@code q'_i = q_i exp(sum_k w_k log(q_i^-1
 * q_(i+k)))}. It does not lag, and leaves lines and even turns as they are.
 */
public final class Kernel implements Filter {
  private static final double SIGMAS = 5;

  private final double[] weights; // from the middle to one side

  private Kernel(double[] weights) {
    double sum = weights[0];
    for (int k = 1; k < weights.length; k++) {
      sum += 2 * weights[k];
    }
    this.weights = weights;
    for (int k = 0; k < weights.length; k++) {
      weights[k] /= sum;
    }
  }

  /**
   * The bell curve, cut at five sigmas.
   *
   * @param sigma standard deviation in frames, more than 0
   */
  public static Kernel gaussian(double sigma) {
    Require.positive(sigma, "sigma");
    double[] weights = new double[(int) Math.ceil(SIGMAS * sigma) + 1];
    for (int k = 0; k < weights.length; k++) {
      weights[k] = Math.exp(-k * k / (2 * sigma * sigma));
    }
    return new Kernel(weights);
  }

  /**
   * The middle of the polynomial that fits a window best (Savitzky, Golay, Anal. Chem. 36, 1964);
   * weights by the Gram polynomials (Gorry, Anal. Chem. 62, 1990, equation 10).
   *
   * @param half frames on each side, 1 or more
   * @param order of the polynomial, 0 to {@code 2 half}
   */
  public static Kernel polynomial(int half, int order) {
    Require.within(half, 1, 10_000, "half");
    if (order < 0 || order > 2 * half) {
      throw new RefusedException("order", order, "0 to " + 2 * half);
    }
    double[] weights = new double[half + 1];
    double[] middle = gram(half, 0, order);
    for (int k = 0; k <= half; k++) {
      double[] here = gram(half, k, order);
      double factor = 1;
      for (int n = 0; n <= order; n++) {
        weights[k] += (2 * n + 1) * factor * here[n] * middle[n];
        factor *= (double) (2 * half - n) / (2 * half + n + 2);
      }
    }
    return new Kernel(weights);
  }

  /** The Gram polynomials of a window at a place, each up to a factor of its order. */
  private static double[] gram(int half, int at, int order) {
    double[] p = new double[order + 1];
    p[0] = 1;
    for (int n = 1; n <= order; n++) {
      double before = n > 1 ? p[n - 2] : 0;
      p[n] =
          (2.0 * (2 * n - 1) * at * p[n - 1] - (n - 1.0) * (2 * half + n) * before)
              / ((double) n * (2 * half - n + 1));
    }
    return p;
  }

  /** Frames that it reaches to each side. */
  public int reach() {
    return weights.length - 1;
  }

  @Override
  public double[] numbers(double[] values) {
    int reach = reach();
    int n = values.length;
    double[] wide = new double[n + 2 * reach];
    System.arraycopy(values, 0, wide, reach, n);
    int last = reach + n - 1;
    for (int k = 1; k <= reach; k++) {
      wide[last + k] = n == 1 ? values[0] : 2 * wide[last] - wide[last - k];
      wide[reach - k] = n == 1 ? values[0] : 2 * wide[reach] - wide[reach + k];
    }
    double[] out = new double[n];
    for (int i = 0; i < n; i++) {
      double middle = wide[i + reach];
      double sum = 0;
      for (int k = 1; k <= reach; k++) { // of differences, so that large numbers lose nothing
        sum += weights[k] * (wide[i + reach + k] - middle + (wide[i + reach - k] - middle));
      }
      out[i] = middle + sum;
    }
    return out;
  }

  @Override
  public Turning turns(Turning turns) {
    int reach = reach();
    int n = turns.count();
    Turning wide = widened(turns, reach);
    Turning out = Turning.of(n);
    double[] ahead = new double[3];
    double[] behind = new double[3];
    for (int i = 0; i < n; i++) {
      double sx = 0;
      double sy = 0;
      double sz = 0;
      Arrays.fill(ahead, 0);
      Arrays.fill(behind, 0);
      for (int k = 1; k <= reach; k++) {
        Turning.way(wide, i + reach, wide, i + reach + k, ahead);
        Turning.way(wide, i + reach, wide, i + reach - k, behind);
        sx += weights[k] * (ahead[0] + behind[0]);
        sy += weights[k] * (ahead[1] + behind[1]);
        sz += weights[k] * (ahead[2] + behind[2]);
      }
      out.follow(i, turns, i, sx, sy, sz);
    }
    return out;
  }

  private static Turning widened(Turning turns, int reach) {
    int n = turns.count();
    Turning wide = Turning.of(n + 2 * reach);
    for (int i = 0; i < n; i++) {
      wide.set(reach + i, turns, i);
    }
    int last = reach + n - 1;
    for (int k = 1; k <= reach; k++) {
      wide.mirror(last + k, wide, last, wide, n == 1 ? last : last - k);
      wide.mirror(reach - k, wide, reach, wide, n == 1 ? reach : reach + k);
    }
    return wide;
  }
}

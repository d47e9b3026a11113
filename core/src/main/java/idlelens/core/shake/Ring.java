package idlelens.core.shake;

import idlelens.core.rule.Require;

/**
 * What a jolt leaves: {@code exp(-z w t) sin(w sqrt(1 - z^2) t)}, the answer of a damped oscillator
 * to a blow, with {@code w = 2 pi hz}.
 *
 * @param hz cycles a second without damping, at least 0.5
 * @param damping {@code z}, from 0.05, which rings long, to 0.99
 */
public record Ring(double hz, double damping) {
  /** Slower than this is no jolt. */
  public static final double LEAST_HZ = 0.5;

  /** The least damping. */
  public static final double LEAST_DAMPING = 0.05;

  /** The most damping. */
  public static final double MOST_DAMPING = 0.99;

  private static final double GONE = Math.log(1e-9);

  public Ring {
    Require.within(hz, LEAST_HZ, 1e4, "ring.hz");
    Require.within(damping, LEAST_DAMPING, MOST_DAMPING, "ring.damping");
  }

  /** Its value so many seconds after the blow; 0 before, and in [-1, 1] always. */
  public double at(double seconds) {
    return seconds <= 0 ? 0 : StrictMath.exp(-fall() * seconds) * StrictMath.sin(turn() * seconds);
  }

  /**
   * Its value so many seconds after the blow, with what the blows of all rounds before have left:
   * the imaginary part of the geometric series {@code e^(mu t) / (1 - e^(mu T))}, with {@code mu =
   * -z w + i w sqrt(1 - z^2)}.
   *
   * @param seconds from 0 to a round
   * @param round seconds from one blow to the next
   */
  public double again(double seconds, double round) {
    double left = StrictMath.exp(-fall() * round);
    double real = 1 - left * StrictMath.cos(turn() * round);
    double imaginary = -left * StrictMath.sin(turn() * round);
    double size = StrictMath.exp(-fall() * seconds) / (real * real + imaginary * imaginary);
    double angle = turn() * seconds;
    return size * (StrictMath.sin(angle) * real - StrictMath.cos(angle) * imaginary);
  }

  private double fall() {
    return damping * 2 * Math.PI * hz;
  }

  private double turn() {
    return 2 * Math.PI * hz * Math.sqrt(1 - damping * damping);
  }

  /** Seconds after which less than a part in a thousand million is left. */
  public double seconds() {
    return -GONE / fall();
  }
}

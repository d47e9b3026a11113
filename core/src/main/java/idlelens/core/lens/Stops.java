package idlelens.core.lens;

import java.util.Arrays;
import java.util.OptionalDouble;

/** F-stops as lenses are marked with them, in thirds of a stop. */
public final class Stops {
  private static final double[] MARKED = {
    1, 1.1, 1.2, 1.4, 1.6, 1.8, 2, 2.2, 2.5, 2.8, 3.2, 3.5, 4, 4.5, 5, 5.6, 6.3, 7.1, 8, 9, 10, 11,
    13, 14, 16, 18, 20, 22, 25, 29, 32, 36, 40, 45, 51, 57, 64, 72, 80, 90, 101, 114, 128
  };

  private Stops() {}

  /** The least one that is at least so much; empty beyond the last. */
  public static OptionalDouble from(double fStop) {
    return Arrays.stream(MARKED).filter(m -> m >= fStop * (1 - 1e-12)).findFirst();
  }
}

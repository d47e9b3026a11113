package idlelens.core.exposure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.lens.Iris;
import java.util.Arrays;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** Points on an iris and moments of a shutter: evenly spread, all of them and the first ones. */
class PassesTest {
  private static Iris iris(int blades, double roundness) {
    return new Iris(blades < 3 ? 0 : blades, roundness);
  }

  /** Undone turn and squeeze lead back into the opening, whose rim is nearly reached. */
  @Property(tries = 100)
  void points_lieInTheOpening_upToItsRim(
      @ForAll @IntRange(min = 2, max = 12) int blades,
      @ForAll @DoubleRange(min = 0, max = 1) double roundness,
      @ForAll @DoubleRange(min = -7, max = 7) double turn,
      @ForAll @DoubleRange(min = 0.5, max = 2.5) double squeeze) {
    Iris iris = iris(blades, roundness);
    Passes passes = Passes.of(256, iris, turn, squeeze);
    double most = 0;
    for (int k = 0; k < passes.count(); k++) {
      double x = passes.across()[k] * squeeze;
      double angle = Math.atan2(passes.up()[k], x) - turn;
      double part = Math.hypot(x, passes.up()[k]) / iris.reach(angle);
      assertThat(part).isLessThan(1);
      most = Math.max(most, part);
    }
    assertThat(most).isGreaterThan(0.99);
  }

  /**
   * Every sector between two corners holds as many points as any other, and within it the inner
   * half of the area holds half of them.
   */
  @Property(tries = 60)
  void points_coverTheAreaEvenly(
      @ForAll @IntRange(min = 3, max = 9) int blades,
      @ForAll @DoubleRange(min = 0, max = 1) double roundness) {
    Iris iris = new Iris(blades, roundness);
    Passes passes = Passes.of(1024, iris, 0, 1);
    int[] sectors = new int[blades];
    int inner = 0;
    int firstHalves = 0;
    for (int k = 0; k < passes.count(); k++) {
      double angle = Math.atan2(passes.up()[k], passes.across()[k]);
      double round = (angle + 2 * Math.PI) % (2 * Math.PI) / (2 * Math.PI) * blades;
      sectors[(int) Math.min(blades - 1, round)]++;
      double part = Math.hypot(passes.up()[k], passes.across()[k]) / iris.reach(angle);
      inner += part * part < 0.5 ? 1 : 0;
      firstHalves += round - Math.floor(round) < 0.5 ? 1 : 0;
    }
    assertThat(inner).isBetween(508, 516);
    assertThat(firstHalves).isBetween(500, 524);
    double mean = 1024.0 / blades;
    Arrays.stream(sectors).forEach(n -> assertThat((double) n).isCloseTo(mean, within(12.0)));
  }

  /** What is seen after a few passes is a coarse picture of the whole, in place as in time. */
  @Property(tries = 60)
  void theFirstOnes_areSpreadOverAll(@ForAll @IntRange(min = 3, max = 9) int blades) {
    Passes passes = Passes.of(64, new Iris(blades, 0.3), 0.2, 1);
    for (int some : new int[] {8, 16, 32, 64}) {
      double across = 0;
      double up = 0;
      double late = 0;
      for (int k = 0; k < some; k++) {
        across += passes.across()[k] / some;
        up += passes.up()[k] / some;
        late += passes.shares()[k] / some;
      }
      assertThat(Math.hypot(across, up)).isLessThan(1.5 / some);
      assertThat(late).isCloseTo(0.5, within(1.0 / some));
    }
    assertThat(Arrays.stream(passes.shares()).sorted().toArray()).isEqualTo(evenly(64));
  }

  private static double[] evenly(int count) {
    double[] shares = new double[count];
    Arrays.setAll(shares, k -> (k + 0.5) / count);
    return shares;
  }

  @Test
  void onePass_isTheMiddleOfTheTime_nearTheMiddleOfTheIris() {
    Passes one = Passes.of(1, Iris.ROUND, 0, 1);
    assertThat(one.shares()).containsExactly(0.5);
    assertThatThrownBy(() -> Passes.of(0, Iris.ROUND, 0, 1))
        .hasMessageContaining("passes is 0; allowed: 1 to 1024");
  }
}

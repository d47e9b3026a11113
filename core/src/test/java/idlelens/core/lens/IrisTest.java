package idlelens.core.lens;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** The opening that the blades of an iris leave. */
class IrisTest {
  private static final double EXACT = 1e-12;

  @Test
  void sixStraightBlades_areAHexagon() {
    Iris six = new Iris(6, 0);
    assertThat(six.reach(0)).isCloseTo(1, within(EXACT));
    assertThat(six.reach(Math.PI / 6)).isCloseTo(Math.sqrt(3) / 2, within(EXACT));
    // a regular hexagon in a circle of radius 1: 3 sqrt(3) / 2 of pi
    assertThat(six.area()).isCloseTo(3 * Math.sqrt(3) / 2 / Math.PI, within(EXACT));
  }

  @Test
  void squareOfFourBlades_halfRound_isMidwayBetweenEdgeAndCircle() {
    Iris four = new Iris(4, 0.5);
    assertThat(four.reach(Math.PI / 4)).isCloseTo((Math.sqrt(0.5) + 1) / 2, within(EXACT));
  }

  @Test
  void noBlades_orWhollyRoundOnes_areACircle() {
    assertThat(Iris.ROUND.reach(2)).isEqualTo(1);
    assertThat(Iris.ROUND.area()).isEqualTo(1);
    assertThat(new Iris(5, 1).reach(0.4)).isCloseTo(1, within(EXACT));
    assertThat(new Iris(5, 1).area()).isCloseTo(1, within(EXACT));
  }

  /** The stated area is that of the outline, summed up; the outline repeats with every blade. */
  @Property(tries = 60)
  void area_isThatOfTheOutline(
      @ForAll @IntRange(min = 3, max = 32) int blades,
      @ForAll @DoubleRange(min = 0, max = 1) double roundness,
      @ForAll @DoubleRange(min = -20, max = 20) double angle) {
    Iris iris = new Iris(blades, roundness);
    int steps = 3200 * blades;
    double sum = 0;
    for (int i = 0; i < steps; i++) {
      double reach = iris.reach(2 * Math.PI * (i + 0.5) / steps);
      sum += reach * reach / steps;
    }
    assertThat(iris.area()).isCloseTo(sum, within(1e-7));
    assertThat(iris.reach(angle + 2 * Math.PI / blades)).isCloseTo(iris.reach(angle), within(1e-9));
  }

  @Test
  void twoBlades_areRefused() {
    assertThatThrownBy(() -> new Iris(2, 0))
        .hasMessage("iris.blades is 2; allowed: 0 for a round iris, or 3 to 32");
    assertThatThrownBy(() -> new Iris(5, Double.NaN)).hasMessageContaining("iris.roundness is NaN");
  }
}

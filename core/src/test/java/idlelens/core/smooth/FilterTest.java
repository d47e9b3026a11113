package idlelens.core.smooth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.geometry.Turns;
import java.util.Arrays;
import java.util.List;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.joml.Quaterniond;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class FilterTest {
  /** Those that do not lag. */
  static List<Filter> zeroLag() {
    return List.of(Kernel.gaussian(4), Kernel.polynomial(7, 2), new OnePole(0.8, 1, true));
  }

  static List<Filter> all() {
    return List.of(
        Kernel.gaussian(4),
        Kernel.polynomial(7, 3),
        new OnePole(0.8, 1, true),
        new OnePole(0.93, 1, false),
        new OnePole(0.7, 3, false),
        new Critical(5));
  }

  private static double[] numbers(int count, IntToDoubleFunction of) {
    return IntStream.range(0, count).mapToDouble(of).toArray();
  }

  /** Turns about one axis by so many radians at each sample. */
  private static Turning about(double x, double y, double z, double[] radians) {
    Turning turns = Turning.of(radians.length);
    for (int i = 0; i < radians.length; i++) {
      double sine = Math.sin(radians[i] / 2);
      turns.x()[i] = x * sine;
      turns.y()[i] = y * sine;
      turns.z()[i] = z * sine;
      turns.w()[i] = Math.cos(radians[i] / 2);
    }
    return turns;
  }

  private static Quaterniond at(Turning turns, int i) {
    return new Quaterniond(turns.x()[i], turns.y()[i], turns.z()[i], turns.w()[i]);
  }

  @ParameterizedTest
  @MethodSource("zeroLag")
  void withoutLag_aRampStaysOne_andASymmetricPulseStaysInItsPlace(Filter filter) {
    double[] ramp = numbers(400, i -> 3 + 0.25 * i);
    double[] out = filter.numbers(ramp);
    for (int i = 150; i < 250; i++) {
      assertThat(out[i]).isCloseTo(ramp[i], within(1e-9));
    }
    double[] pulse = filter.numbers(numbers(401, i -> Math.max(0, 20 - Math.abs(i - 200))));
    for (int i = 0; i < 150; i++) {
      assertThat(pulse[200 + i]).isCloseTo(pulse[200 - i], within(1e-9));
    }
    assertThat(pulse[200]).isGreaterThan(pulse[190]).isLessThan(20.0001);
  }

  @Property(tries = 60)
  void polynomial_isExactOnPolynomialsOfItsOrder_alsoAtBothEndsOfALine(
      @ForAll @IntRange(min = 4, max = 40) int half,
      @ForAll @IntRange(max = 5) int order,
      @ForAll @DoubleRange(min = -2, max = 2) double a,
      @ForAll @DoubleRange(min = -2, max = 2) double b) {
    double[] values =
        numbers(120, i -> a * Math.pow((i - 60) / 30.0, order) + b * (i - 60) / 30.0 + 5);
    double[] out = Kernel.polynomial(half, Math.max(1, order)).numbers(values);
    for (int i = half; i < values.length - half; i++) {
      assertThat(out[i]).isCloseTo(values[i], within(1e-9));
    }
    double[] line = numbers(30, i -> a + b * i);
    assertThat(Kernel.polynomial(half, order).numbers(line)).containsExactly(line, within(1e-9));
  }

  @Test
  void polynomial_hasTheWeightsOfTheTables() {
    double[] pulse = new double[21];
    pulse[10] = 1;
    double[] out = Kernel.polynomial(2, 2).numbers(pulse);
    assertThat(Arrays.copyOfRange(out, 8, 13))
        .containsExactly(
            new double[] {-3 / 35.0, 12 / 35.0, 17 / 35.0, 12 / 35.0, -3 / 35.0}, within(1e-12));
  }

  @Test
  void polynomial_ofMoreThanItsWindowCanHold_isRefused() {
    assertThatThrownBy(() -> Kernel.polynomial(2, 5)).hasMessage("order is 5; allowed: 0 to 4");
  }

  /** y = 1 - a^(n+1) after a step, and a ramp that follows a / (1 - a) frames behind. */
  @Test
  void onePole_lagsAndRestsAsItsFormulaSays() {
    OnePole pole = new OnePole(0.93, 1, false);
    assertThat(pole.lagFrames()).isCloseTo(0.93 / 0.07, within(1e-12));
    double[] ramp = pole.numbers(numbers(800, i -> i));
    assertThat(799 - ramp[799]).isCloseTo(0.93 / 0.07, within(1e-9));
    double[] step = pole.numbers(numbers(200, i -> i < 50 ? 0 : 1));
    int rest = (int) Math.ceil(Math.log(0.01) / Math.log(0.93));
    assertThat(rest).isEqualTo(64);
    assertThat(1 - step[50 + rest - 1]).isLessThanOrEqualTo(0.01);
    assertThat(1 - step[50 + rest - 2]).isGreaterThan(0.01);
  }

  @Property(tries = 30)
  void critical_lagsAsFarAsItSays_andNeverOvershoots(
      @ForAll @DoubleRange(min = 1, max = 60) double lag) {
    Critical spring = new Critical(lag);
    double[] ramp = spring.numbers(numbers(2000, i -> i));
    assertThat(1999 - ramp[1999]).isCloseTo(lag, within(0.02));
    double[] step = spring.numbers(numbers(2000, i -> i < 50 ? 0 : 1));
    for (double value : step) {
      assertThat(value).isBetween(0.0, 1.0 + 1e-12);
    }
    assertThat(step[1999]).isCloseTo(1, within(1e-9));
  }

  /** About any axis, also many times round: what turns evenly goes on evenly. */
  @ParameterizedTest
  @MethodSource("all")
  void aConstantRateOfTurning_staysOne(Filter filter) {
    Turning turns = about(0.6, 0, 0.8, numbers(1200, i -> 0.15 * i));
    Turning out = filter.turns(turns);
    for (int i = 600; i < 800; i++) {
      double rate = Turns.angleBetween(at(out, i), at(out, i + 1));
      assertThat(rate).isCloseTo(0.15, within(1e-9));
    }
  }

  /** About one axis, turns are filtered as their angles are. */
  @ParameterizedTest
  @MethodSource("all")
  void turnsAboutOneAxis_areFilteredAsNumbers(Filter filter) {
    double[] angles = numbers(300, i -> Math.sin(i / 9.0) + 0.02 * i);
    double[] plain = filter.numbers(angles);
    Turning expected = about(0, 1, 0, plain);
    Turning out = filter.turns(about(0, 1, 0, angles));
    for (int i = 0; i < angles.length; i++) {
      assertThat(Turns.angleBetween(at(out, i), at(expected, i))).isLessThan(1e-9);
    }
  }

  @ParameterizedTest
  @MethodSource("all")
  void whatStandsStill_andOneSampleAlone_stayAsTheyAre(Filter filter) {
    assertThat(filter.numbers(new double[] {7})).containsExactly(7);
    assertThat(filter.numbers(new double[] {7, 7, 7})).containsExactly(7, 7, 7);
    Turning one = about(1, 0, 0, new double[] {0.5});
    assertThat(Turns.angleBetween(at(filter.turns(one), 0), at(one, 0))).isLessThan(1e-12);
  }
}

package idlelens.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.rule.RefusedException;
import idlelens.core.time.FrameRate;
import java.util.Arrays;
import java.util.stream.IntStream;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

class SpectrumTest {
  private static double[] sine(double hz, double size, double mean) {
    return IntStream.range(0, 480)
        .mapToDouble(i -> mean + size * Math.sin(2 * Math.PI * hz * i / 24 + 0.3))
        .toArray();
  }

  @Test
  void sine_isFoundAtItsFrequency_withItsAmplitude_whateverItsMean() {
    Spectrum spectrum = Spectrum.of(sine(2, 3, 100), FrameRate.of(24));
    assertThat(spectrum.dominantHz()).isCloseTo(2, within(0.1));
    assertThat(Arrays.stream(spectrum.strength()).max().orElseThrow()).isCloseTo(3, within(0.15));
  }

  @Test
  void ofTwo_theStrongerLeads() {
    double[] both = sine(6, 1, 0);
    double[] other = sine(1, 2, 0);
    Arrays.setAll(both, i -> both[i] + other[i]);
    assertThat(Spectrum.of(both, FrameRate.of(24)).dominantHz()).isCloseTo(1, within(0.07));
  }

  @Test
  void whatStandsStill_hasNone_andTooFewAreRefused() {
    assertThat(Spectrum.of(new double[50], FrameRate.of(24)).dominantHz()).isZero();
    Assertions.assertThatThrownBy(() -> Spectrum.of(new double[3], FrameRate.of(24)))
        .isInstanceOf(RefusedException.class)
        .hasMessageContaining("values.count is 3");
  }
}

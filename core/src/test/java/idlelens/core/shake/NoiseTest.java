package idlelens.core.shake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class NoiseTest {
  private static final double[] GOLDEN_1 = {
    0.0786909022206535,
    6.943078049793244E-5,
    -0.021786351706065132,
    0.40399338797649137,
    0.32103815726089924
  };
  private static final double[] GOLDEN_2 = {
    -0.20435405188133168,
    0.4597222213860476,
    3.2855973444174263E-5,
    0.25743379868045213,
    -0.16240748081271117
  };
  private static final double[] GOLDEN_3 = {
    0.10154433556241642,
    -0.13715038834475957,
    -0.0819658438432367,
    -0.06234203043539967,
    -0.14092817875302496
  };

  private static double[] values(Noise noise, double[] cycles, long round) {
    double[] out = new double[cycles.length];
    noise.fill(cycles, round, out);
    return out;
  }

  private static double[] even(int count, double step) {
    return IntStream.range(0, count).mapToDouble(i -> i * step).toArray();
  }

  @Property(tries = 200)
  void values_neverReachBeyondOne(
      @ForAll long seed,
      @ForAll @IntRange(max = 7) int channel,
      @ForAll @IntRange(min = 1, max = 8) int octaves,
      @ForAll @DoubleRange(max = 1) double roughness) {
    Noise noise = new Noise(seed, channel, octaves, roughness);
    for (double value : values(noise, even(2000, 0.0137), 0)) {
      assertThat(Math.abs(value)).isLessThanOrEqualTo(1);
    }
  }

  /** What it reaches is worth its name: a tenth of the time it is beyond a half. */
  @Test
  void oneOctave_usesTheRoomItHas() {
    double[] all = values(new Noise(4, 0, 1, 0.5), even(20_000, 0.013), 0);
    double rms = Math.sqrt(DoubleStream.of(all).map(v -> v * v).average().orElseThrow());
    assertThat(rms).isBetween(0.2, 0.4);
    assertThat(DoubleStream.of(all).map(Math::abs).max().orElseThrow()).isGreaterThan(0.8);
  }

  /** The mean of the spectra of many seeds is highest where the frequency says, within a tenth. */
  @ParameterizedTest
  @ValueSource(doubles = {0.7, 1.3, 4})
  void spectrum_isHighestAtTheFrequency(double hz) {
    int n = 512;
    double rate = 24;
    double[] power = new double[n / 2];
    for (int seed = 0; seed < 40; seed++) {
      double[] all = values(new Noise(seed, seed % 8, 3, 0.4), even(n, hz / rate), 0);
      for (int k = 0; k < power.length; k++) {
        power[k] += power(all, k);
      }
    }
    assertThat(peak(power) * rate / n).isCloseTo(hz, within(0.12 * hz));
  }

  /** Of a discrete Fourier transform, windowed (Hann). */
  private static double power(double[] all, int k) {
    double re = 0;
    double im = 0;
    for (int i = 0; i < all.length; i++) {
      double hann = 0.5 - 0.5 * Math.cos(2 * Math.PI * i / all.length);
      re += hann * all[i] * Math.cos(2 * Math.PI * k * i / all.length);
      im += hann * all[i] * Math.sin(2 * Math.PI * k * i / all.length);
    }
    return re * re + im * im;
  }

  /** Middle of what lies above nine tenths of the highest, since one spectrum is ragged. */
  private static double peak(double[] power) {
    double[] smooth = new double[power.length];
    int reach = 2;
    for (int k = reach; k < power.length - reach; k++) {
      smooth[k] = IntStream.rangeClosed(k - reach, k + reach).mapToDouble(i -> power[i]).sum();
    }
    double high = 0.9 * DoubleStream.of(smooth).max().orElseThrow();
    return IntStream.range(0, smooth.length).filter(k -> smooth[k] >= high).average().orElseThrow();
  }

  @Test
  void inARound_itClosesInValueAndSpeed_inEveryOctave() {
    Noise noise = new Noise(11, 3, 5, 0.7);
    long round = 3;
    double step = 1e-3;
    double[] start = values(noise, even(400, step), round);
    double[] again =
        values(noise, DoubleStream.of(even(400, step)).map(c -> c + round).toArray(), round);
    for (int i = 0; i < start.length; i++) {
      assertThat(again[i]).isCloseTo(start[i], within(1e-12));
    }
    double[] seam = values(noise, new double[] {round - step, round, round + step}, round);
    assertThat(seam[1]).isCloseTo(start[0], within(1e-12));
    assertThat(seam[2] - seam[1]).isCloseTo(start[1] - start[0], within(1e-12));
  }

  @Test
  void octaves_doNotAllPassThroughZeroTogether() {
    Noise noise = new Noise(5, 1, 4, 0.6);
    double[] atCycles = values(noise, even(50, 0.5), 0);
    assertThat(DoubleStream.of(atCycles).map(Math::abs).average().orElseThrow())
        .isGreaterThan(0.05);
  }

  /** Kept for ever: files of artists depend on them. */
  @Test
  void threeSeeds_giveTheirGoldenValues() {
    double[] cycles = {0, 0.25, 1, 7.3, -2.6};
    assertThat(values(new Noise(1, 0, 1, 0.5), cycles, 0)).containsExactly(GOLDEN_1);
    assertThat(values(new Noise(20_261, 4, 3, 0.4), cycles, 0)).containsExactly(GOLDEN_2);
    assertThat(values(new Noise(-7, 7, 8, 0.9), cycles, 5)).containsExactly(GOLDEN_3);
  }
}

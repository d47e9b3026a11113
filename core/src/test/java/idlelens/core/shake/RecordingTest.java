package idlelens.core.shake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class RecordingTest {
  private static Recording of(double rate, double... values) {
    List<Optional<double[]>> channels = new ArrayList<>();
    IntStream.range(0, Recording.CHANNELS)
        .forEach(c -> channels.add(c == 2 ? Optional.of(values) : Optional.empty()));
    return new Recording(rate, channels);
  }

  @Test
  void samples_areHit_linesStayLines_andBeyondItsEndsItHolds() {
    Recording line = of(10, 1, 3, 5, 7);
    assertThat(line.seconds()).isCloseTo(0.3, within(1e-15));
    for (double t : new double[] {0, 0.05, 0.1, 0.173, 0.3}) {
      assertThat(line.at(2, t)).isCloseTo(1 + 20 * t, within(1e-12));
    }
    assertThat(line.at(2, -4)).isEqualTo(1);
    assertThat(line.at(2, 4)).isEqualTo(7);
  }

  /** Value and speed meet at the seam of each round, and in the middle it is as recorded. */
  @Test
  void looped_itFadesFromItsEndIntoItsBeginning() {
    double[] values =
        IntStream.range(0, 101).mapToDouble(i -> Math.sin(i / 9.0) + 0.02 * i).toArray();
    Recording recording = of(25, values);
    double round = recording.seconds() - 1;
    for (double t = 0; t < round; t += 0.013) {
      assertThat(recording.looped(2, t + 3 * round, 1))
          .isCloseTo(recording.looped(2, t, 1), within(1e-9));
    }
    double step = 1e-5;
    double before = recording.looped(2, round, 1) - recording.looped(2, round - step, 1);
    double after = recording.looped(2, round + step, 1) - recording.looped(2, round, 1);
    assertThat(after).isCloseTo(before, within(1e-7));
    assertThat(recording.looped(2, 1.7, 1)).isEqualTo(recording.at(2, 1.7));
  }

  @Test
  void whatIsEmpty_uneven_orNoNumber_isRefused() {
    assertThatThrownBy(() -> of(0, 1, 2)).hasMessageContaining("recording.rate is 0.0");
    assertThatThrownBy(() -> of(24, 1)).hasMessageContaining("recording.channels[2].count is 1");
    assertThatThrownBy(() -> of(24, 1, Double.NaN))
        .hasMessageContaining("recording.channels[2][1] is NaN");
    List<Optional<double[]>> none =
        new ArrayList<>(Collections.nCopies(8, Optional.<double[]>empty()));
    assertThatThrownBy(() -> new Recording(24, none)).hasMessageContaining("at least one channel");
    none.set(0, Optional.of(new double[3]));
    none.set(5, Optional.of(new double[4]));
    assertThatThrownBy(() -> new Recording(24, none))
        .hasMessage("recording.channels[5].count is 4; allowed: 3, as the others");
  }
}

package idlelens.core.set;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.time.FrameRate;
import idlelens.core.time.SampleGrid;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class PicturesTest {
  private static final FrameRate FILM = FrameRate.of(24);

  private static Pictures pictures(
      FrameRate rate, double first, Pictures.After after, int... held) {
    List<Still> stills = new ArrayList<>();
    for (int each : held) {
      stills.add(new Still(String.format("%064x", stills.size()), 64, 48, each));
    }
    return new Pictures(stills, rate, first, after);
  }

  private static List<Integer> shown(Pictures pictures, int from, int count) {
    int[] shown = pictures.shown(new SampleGrid(from, count, 1), FILM);
    return Arrays.stream(shown).boxed().toList();
  }

  @Test
  void sequence_atHalfTheRate_showsEachOneForTwoFrames_andHoldsBothEnds() {
    Pictures pictures = pictures(FrameRate.of(12), 1001, Pictures.After.HOLD, 1, 1, 1);
    assertThat(shown(pictures, 998, 12)).containsExactly(0, 0, 0, 0, 0, 1, 1, 2, 2, 2, 2, 2);
    assertThat(pictures.period(FILM)).isEmpty();
  }

  @Test
  void heldPictures_stayAsLongAsTheySay_andComeAgainOnBothSides() {
    Pictures pictures = pictures(FILM, 1001, Pictures.After.CYCLE, 1, 3, 2);
    assertThat(shown(pictures, 999, 10)).containsExactly(2, 2, 0, 1, 1, 1, 2, 2, 0, 1);
    assertThat(pictures.period(FILM)).hasValue(6);
  }

  @Test
  void aRound_ofAnotherRate_lastsAsLongInSeconds() {
    Pictures pictures = pictures(FrameRate.of(10), 1001, Pictures.After.CYCLE, 1, 4);
    assertThat(pictures.period(FILM).orElseThrow()).isCloseTo(12, within(1e-12));
    assertThat(pictures.period(new FrameRate(24000, 1001)).orElseThrow())
        .isCloseTo(12 / 1.001, within(1e-12));
  }

  @Test
  void aStill_isShownAlways_andHasNoPeriod() {
    Pictures pictures = pictures(FILM, 5, Pictures.After.CYCLE, 1);
    assertThat(shown(pictures, -3, 9)).containsOnly(0);
    assertThat(pictures.period(FILM)).isEmpty();
  }

  /** One by one against counting pictures as they pass, between frames and far off too. */
  @Property(tries = 200)
  void whatIsShown_isWhatIsCounted(@ForAll Random random) {
    int[] held =
        IntStream.range(0, 1 + random.nextInt(9)).map(i -> 1 + random.nextInt(4)).toArray();
    boolean cycles = random.nextBoolean();
    FrameRate rate = FrameRate.of(1 + random.nextInt(60));
    Pictures pictures =
        pictures(rate, 1001, cycles ? Pictures.After.CYCLE : Pictures.After.HOLD, held);
    List<Integer> round = new ArrayList<>();
    for (int i = 0; i < held.length; i++) {
      for (int k = 0; k < held[i]; k++) {
        round.add(i);
      }
    }
    // in the middle of a picture, so that rounding decides nothing
    int passed = random.nextInt(4000) - 2000;
    double frame = 1001 + (passed + 0.5) * 24.0 / rate.framesPerSecond();
    int at =
        cycles
            ? Math.floorMod(passed, round.size())
            : Math.max(0, Math.min(round.size() - 1, passed));
    assertThat(pictures.at(frame, FILM)).isEqualTo(round.get(at));
  }

  /** A rate that divides changes exactly on its frames, however far from the start. */
  @Property(tries = 50)
  void changes_fallOnWholeFrames(@ForAll Random random) {
    Pictures pictures =
        pictures(new FrameRate(24000, 1001), 1001, Pictures.After.CYCLE, 1, 1, 1, 1, 1, 1, 1);
    int frame = 1001 + random.nextInt(100_000);
    assertThat(pictures.at(frame, new FrameRate(24000, 1001))).isEqualTo((frame - 1001) % 7);
  }
}

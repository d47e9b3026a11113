package idlelens.core.cut;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.time.FrameRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class ProgramTest {
  private static final Program PROGRAM =
      new Program(
          List.of(new Cut(1001, "a"), new Cut(1010, "b"), new Cut(1015, "b"), new Cut(1020, "a")));

  @Test
  void camera_isThatOfTheLastCut_andOfTheFirstBefore() {
    assertThat(PROGRAM.cameraAt(900)).isEqualTo("a");
    assertThat(PROGRAM.cameraAt(1009.5)).isEqualTo("a");
    assertThat(PROGRAM.cameraAt(1010)).isEqualTo("b");
    assertThat(PROGRAM.cameraAt(2000)).isEqualTo("a");
    assertThat(PROGRAM.cameras()).containsExactly("a", "b");
  }

  /** Held against looking through all cuts, before the first, at each, between and behind them. */
  @Property(tries = 200)
  void camera_ofManyCuts_isTheLastThatHasBegun(@ForAll Random random) {
    List<Cut> cuts = new ArrayList<>();
    int frame = random.nextInt(50) - 25;
    for (int i = 0; i <= random.nextInt(40); i++) {
      cuts.add(new Cut(frame, "cam" + random.nextInt(4)));
      frame += 1 + random.nextInt(6);
    }
    Program program = new Program(cuts);
    for (double at = cuts.get(0).frame() - 2; at < frame + 2; at += 0.5) {
      double now = at;
      String camera =
          cuts.stream()
              .filter(cut -> cut.frame() <= now)
              .reduce((one, next) -> next)
              .orElse(cuts.get(0))
              .camera();
      assertThat(program.cameraAt(at)).as("at %s of %s", at, cuts).isEqualTo(camera);
    }
  }

  @Test
  void stretches_coverTheRangeWithoutAGap() {
    assertThat(PROGRAM.stretches(new FrameRange(1005, 1020)))
        .containsExactly(
            new Program.Stretch("a", new FrameRange(1005, 1009)),
            new Program.Stretch("b", new FrameRange(1010, 1019)),
            new Program.Stretch("a", new FrameRange(1020, 1020)));
    assertThat(Program.only("c").stretches(new FrameRange(-5, 5)))
        .containsExactly(new Program.Stretch("c", new FrameRange(-5, 5)));
  }

  @Test
  void cutsOutOfOrder_areRefused() {
    assertThatThrownBy(() -> new Program(List.of(new Cut(5, "a"), new Cut(5, "b"))))
        .hasMessage("program.cuts[1].frame is 5; allowed: greater than that of the cut before (5)");
    assertThatThrownBy(() -> new Program(List.of())).hasMessageContaining("program.cuts.count");
  }
}

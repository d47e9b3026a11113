package idlelens.core.cut;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.rule.RefusedException;
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
    List<Cut> many = new ArrayList<>();
    for (int i = 0; i <= 5000; i++) {
      many.add(new Cut(i, "cam" + i % 2));
    }
    assertThatThrownBy(() -> new Program(many))
        .hasMessage("program.cuts.count is 5001; allowed: 0 to 5000");
  }

  private static final Program THREE =
      new Program(List.of(new Cut(1, "a"), new Cut(20, "b", 8), new Cut(40, "c")));

  @Test
  void dissolve_mixesFromItsFrameOn_andTheRestIsHard() {
    assertThat(THREE.fadeAt(19.5)).isEmpty();
    assertThat(THREE.fadeAt(20)).contains(new Program.Fade("a", "b", 0.5 / 8));
    assertThat(THREE.fadeAt(27)).contains(new Program.Fade("a", "b", 7.5 / 8));
    assertThat(THREE.fadeAt(28)).isEmpty();
    assertThat(THREE.fadeAt(40)).isEmpty();
    assertThat(Program.NONE.fadeAt(3)).isEmpty();
  }

  @Test
  void cut_isPut_movedAlone_orWithAllLaterOnes_swappedAndTakenOut() {
    assertThat(THREE.with(new Cut(30, "a")).cuts())
        .containsExactly(new Cut(1, "a"), new Cut(20, "b", 8), new Cut(30, "a"), new Cut(40, "c"));
    assertThat(THREE.with(new Cut(30, "c")).cuts())
        .as("a cut to what is seen already is none")
        .containsExactly(new Cut(1, "a"), new Cut(20, "b", 8), new Cut(30, "c"));
    assertThat(THREE.with(new Cut(24, "a")).cuts().get(1))
        .as("a dissolve ends where the next cut is")
        .isEqualTo(new Cut(20, "b", 4));
    assertThat(THREE.moved(20, 25, false).cuts())
        .containsExactly(new Cut(1, "a"), new Cut(25, "b", 8), new Cut(40, "c"));
    assertThat(THREE.moved(20, 25, true).cuts())
        .containsExactly(new Cut(1, "a"), new Cut(25, "b", 8), new Cut(45, "c"));
    assertThat(THREE.swapped(40).cuts())
        .containsExactly(new Cut(1, "a"), new Cut(20, "c", 8), new Cut(40, "b"));
    assertThat(THREE.without(20).cuts()).containsExactly(new Cut(1, "a"), new Cut(40, "c"));
    assertThat(THREE.without(1).cuts()).containsExactly(new Cut(20, "b"), new Cut(40, "c"));
    assertThat(THREE.among(c -> !c.equals("b")).cuts())
        .containsExactly(new Cut(1, "a"), new Cut(40, "c"));
  }

  @Test
  void whatCannotBe_isRefusedWithWhatIsAllowed() {
    assertThatThrownBy(() -> THREE.with(new Cut(30, "b")))
        .hasMessageContaining("camera is 'b'; allowed: another camera");
    assertThatThrownBy(() -> THREE.with(new Cut(30, "a", 11)))
        .hasMessage("dissolve is 11; allowed: 0 to 10");
    assertThatThrownBy(() -> THREE.moved(20, 40, false)).hasMessageContaining("greater than");
    assertThatThrownBy(() -> THREE.moved(40, 27, false))
        .hasMessageContaining("from 28 on, when the dissolve before it is over");
    assertThatThrownBy(() -> THREE.moved(21, 27, false))
        .hasMessage("cut is at frame 21; allowed: the frame of a cut of the program");
    assertThatThrownBy(() -> THREE.swapped(1)).hasMessageContaining("a cut with another before");
    assertThatThrownBy(() -> Program.NONE.cameraAt(1)).hasMessageContaining("program is none");
    assertThatThrownBy(() -> new Program(List.of(new Cut(1, "a", 3))))
        .hasMessageContaining("program.cuts[0].dissolve is 3");
  }

  @Test
  void neededFrames_haveTheDissolveAndHandles_andMeetAsOne() {
    FrameRange range = new FrameRange(1, 60);
    assertThat(THREE.needed("a", range, 2)).containsExactly(new FrameRange(-1, 29));
    assertThat(THREE.needed("b", range, 2)).containsExactly(new FrameRange(18, 41));
    assertThat(PROGRAM.needed("a", new FrameRange(1001, 1030), 5))
        .containsExactly(new FrameRange(996, 1035));
    assertThat(THREE.needed("c", new FrameRange(1, 30), 2)).isEmpty();
  }

  /** Whatever is done, a program stays one whose cuts change something and do not overlap. */
  @Property(tries = 300)
  void anyEdits_leaveAProgram(@ForAll Random random) {
    Program program = Program.only("cam0");
    for (int i = 0; i < 60; i++) {
      int frame = random.nextInt(80);
      List<Cut> cuts = program.cuts();
      int some = cuts.isEmpty() ? 0 : cuts.get(random.nextInt(cuts.size())).frame();
      try {
        program =
            switch (random.nextInt(6)) {
              case 0, 1 ->
                  program.with(new Cut(frame, "cam" + random.nextInt(4), random.nextInt(6)));
              case 2 -> program.moved(some, frame, random.nextBoolean());
              case 3 -> program.swapped(some);
              case 4 -> program.without(some);
              default -> program.retimed(f -> f * 0.9 + 3);
            };
      } catch (RefusedException e) {
        continue; // as it was
      }
      for (int k = 1; k < program.cuts().size(); k++) {
        Cut cut = program.cuts().get(k);
        assertThat(cut.camera()).isNotEqualTo(program.cuts().get(k - 1).camera());
        assertThat(cut.frame()).isGreaterThanOrEqualTo(program.cuts().get(k - 1).alone());
      }
    }
  }
}

package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.check.Lengthening;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Path;
import idlelens.core.part.Window;
import idlelens.core.scene.Shot;
import idlelens.core.scene.TakesKeys;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Ten seconds more, at the end or at a frame. */
class LengthenTest {
  private static final Shot RIG = Sets.rig();

  private static List<Double> frames(Shot shot, String id, Path path) {
    return List.copyOf(shot.node(id).chain().keyFrames(List.of(path)));
  }

  @Test
  void atTheEnd_allStays_andTheMotionIsWhatItWas() {
    Shot longer = new Lengthen(240, OptionalDouble.empty(), true).apply(RIG);
    assertThat(longer.header().range().out()).isEqualTo(290);
    assertThat(longer.nodes()).isEqualTo(RIG.nodes());
    for (double frame = -3; frame <= 54; frame += 0.5) {
      assertThat(Evaluation.at(longer, frame).pose("cam", 0))
          .isEqualTo(Evaluation.at(RIG, frame).pose("cam", 0));
    }
  }

  @Test
  void atTheEnd_windowsThatEndWithTheShot_stillDo() {
    Window window = new Window(OptionalDouble.of(10), OptionalDouble.of(50), 0, 6);
    Shot shot = new SetStamp("pointer", "aim-a", window).apply(RIG);
    Shot longer = new Lengthen(24, OptionalDouble.empty(), true).apply(shot);
    assertThat(longer.node("pointer").chain().part("aim-a").body().window())
        .isEqualTo(new Window(OptionalDouble.of(10), OptionalDouble.of(74), 0, 6));
    assertThat(Lengthening.of(shot, OptionalDouble.empty()).windows().stretch()).isEqualTo(1);
  }

  @Test
  void atAFrame_whatIsLaterMoves_whatIsBeforeStays_andWindowsAcrossAreStretched() {
    Shot longer = new Lengthen(10, OptionalDouble.of(20), true).apply(RIG);
    assertThat(longer.header().range().out()).isEqualTo(60);
    assertThat(frames(longer, "cam", Path.X)).containsExactly(1.0, 30.0, 50.0);
    assertThat(longer.node("pointer").chain().part("aim-a").body().window())
        .isEqualTo(new Window(OptionalDouble.of(5), OptionalDouble.of(40), 4, 0));
    assertThat(longer.markers()).isEqualTo(RIG.markers());
  }

  @Test
  void whatIsTold_isWhatHappens() {
    OptionalDouble at = OptionalDouble.of(12);
    Lengthening told = Lengthening.of(RIG, at);
    Shot longer = new Lengthen(10, at, true).apply(RIG);
    int moved = 0;
    int stayed = 0;
    for (var node : RIG.nodes()) {
      for (Path path : node.chain().paths()) {
        List<Double> before = frames(RIG, node.id(), path);
        List<Double> after = frames(longer, node.id(), path);
        for (int i = 0; i < before.size(); i++) {
          boolean same = before.get(i).equals(after.get(i));
          stayed += same ? 1 : 0;
          moved += same ? 0 : 1;
        }
      }
    }
    assertThat(told.keys()).isEqualTo(new Lengthening.Count(moved, 0, stayed));
    assertThat(told.markers()).isEqualTo(new Lengthening.Count(1, 0, 0));
    assertThat(longer.markers().get(0).frame()).isEqualTo(22);
    assertThat(told.windows()).isEqualTo(new Lengthening.Count(1, 5, 0));
  }

  @Test
  void lockedCurves_stay_andAreTold() {
    Shot locked = new SetTakesKeys("cam", new TakesKeys(Set.of(), Set.of(Path.X))).apply(RIG);
    Edit.Applied applied =
        Edit.applyAll(locked, List.of(new Lengthen(10, OptionalDouble.of(5), true)));
    assertThat(frames(applied.shot(), "cam", Path.X)).containsExactly(1.0, 20.0, 40.0);
    assertThat(Lengthening.of(locked, OptionalDouble.of(5)).lockedCurves()).isEqualTo(1);
  }

  @Test
  void longerThanAShotMayBe_isRefused() {
    assertThatThrownBy(() -> new Lengthen(19_999, OptionalDouble.empty(), true).apply(RIG))
        .hasMessage("range.out is 20049; allowed: 1 to 20000");
    assertThatThrownBy(() -> new Lengthen(0, OptionalDouble.empty(), true))
        .hasMessage("by is 0; allowed: 1 to 20000");
  }
}

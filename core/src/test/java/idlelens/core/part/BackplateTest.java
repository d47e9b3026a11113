package idlelens.core.part;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.TakesKeys;
import idlelens.core.set.Pictures;
import idlelens.core.set.Still;
import idlelens.core.time.FrameRate;
import idlelens.core.time.SampleGrid;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Which picture of its backplate a camera shows when. */
class BackplateTest {
  private static final Pictures THREE =
      new Pictures(
          List.of(
              new Still("0a".repeat(32), 64, 36, 1),
              new Still("0b".repeat(32), 64, 36, 1),
              new Still("0c".repeat(32), 64, 36, 1)),
          FrameRate.of(12),
          10,
          Pictures.After.HOLD);

  private static Node camera(Backplate plate) {
    List<Part> parts = new ArrayList<>(Chain.poseAndLens().parts());
    parts.add(plate);
    return new Node.Camera(new NodeBody("cam", "cam", false, new Chain(parts), TakesKeys.ALL));
  }

  private static Backplate plate(double offset) {
    return new Backplate(
        Backplate.EMPTY.body(),
        Optional.of(THREE),
        offset,
        Backplate.Fit.WIDTH,
        Backplate.Lies.BEHIND);
  }

  @Test
  void pictures_playAtTheirRate_laterByTheOffset() {
    Pictures shown = camera(plate(3)).pictures().orElseThrow();
    // at 12 a second in a shot of 24, each stands for two frames, from 13 on
    assertThat(shown.shown(new SampleGrid(11, 9, 1), FrameRate.of(24)))
        .containsExactly(0, 0, 0, 0, 1, 1, 2, 2, 2);
  }

  @Test
  void retiming_movesTheirFirstFrame_andLeavesTheOffset() {
    Backplate moved = (Backplate) plate(3).stampsRetimed(frame -> 2 * frame);
    assertThat(moved.pictures().orElseThrow().first()).isEqualTo(20);
    assertThat(moved.playing().orElseThrow().first()).isEqualTo(23);
  }

  @Test
  void atTwiceTheRate_offsetAndLagAreTwiceAsManyFrames() {
    assertThat(plate(3).lasting(2).offset()).isEqualTo(6);
    Target boat = Target.OfNode.origin("boat");
    Lens late = Lens.PLAIN.withFocus(new FocusRule.Follow(boat, 0.5, 12));
    assertThat(((Lens) late.lasting(2)).focus()).isEqualTo(new FocusRule.Follow(boat, 0.5, 24));
  }

  @Test
  void withoutPictures_nothingIsShown() {
    assertThat(camera(Backplate.EMPTY).pictures()).isEmpty();
    assertThatThrownBy(() -> plate(1e7)).hasMessageStartingWith("backplate.offset is 1.0E7");
  }
}

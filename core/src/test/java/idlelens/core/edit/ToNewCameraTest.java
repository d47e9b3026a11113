package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Chain;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ToNewCameraTest {
  /** Shaken, carried, framed or following: the new one does in the world what the camera does. */
  @ParameterizedTest
  @CsvSource({"shaker, 1e-6", "cam, 1e-6", "framer, 1e-6"})
  void baked_isTheSameInTheWorldOnEveryFrame_lensAndAll(String camera, double tolerance) {
    Shot shot = new ToNewCamera(camera, "baked", "Baked", Keep.EVERY_FRAME, 1).apply(Sets.rig());
    same(shot, camera, tolerance, tolerance);
    assertThat(shot.node("baked").chain().carried().isFree()).isTrue();
    assertThat(shot.node("baked").chain().parts()).hasSize(3);
  }

  @Test
  void fitted_staysWithinItsTolerance_withFewerKeys() {
    Shot shot = new ToNewCamera("cam", "baked", "Baked", Keep.FITTED, 1).apply(Sets.rig());
    same(shot, "cam", 0.002, 0.03);
    int keys = shot.node("baked").chain().keyFrames(Path.POSE).size();
    assertThat(keys).isLessThan(40);
    Shot coarse = new ToNewCamera("cam", "baked", "Baked", Keep.FITTED, 50).apply(Sets.rig());
    assertThat(coarse.node("baked").chain().keyFrames(Path.POSE).size()).isLessThan(keys);
  }

  private static void same(Shot shot, String camera, double metres, double degrees) {
    Evaluation motion = Evaluation.of(shot);
    for (int i = 0; i < motion.grid().count(); i++) {
      RigidPose was = motion.pose(camera, i);
      RigidPose is = motion.pose("baked", i);
      assertThat(is.place().distance(was.place())).isLessThan(metres);
      assertThat(Math.toDegrees(Turns.angleBetween(is.turn(), was.turn()))).isLessThan(degrees);
      var lens = motion.of(camera).lens().orElseThrow();
      var baked = motion.of("baked").lens().orElseThrow();
      assertThat(baked.focalMm()[baked.index(i)])
          .isCloseTo(lens.focalMm()[lens.index(i)], within(Math.max(degrees, 1e-9)));
      assertThat(baked.focusM()[baked.index(i)])
          .isCloseTo(lens.focusM()[lens.index(i)], within(Math.max(metres, 1e-9)));
    }
  }

  @ParameterizedTest
  @CsvSource({"EVERY_FRAME", "FITTED"})
  void cutInside_staysACut(Keep keep) {
    Curve x =
        new Curve(
            0,
            List.of(
                new Key(1, 0, Tangent.Kind.SETTLE),
                new Key(20, 2, Tangent.Kind.HOLD),
                new Key(30, 40, Tangent.Kind.SETTLE),
                new Key(50, 42, Tangent.Kind.SETTLE)));
    Shot rig = Sets.rig();
    Node cam = rig.node("shaker");
    Shot cutting = rig.withNode(cam.withChain(Chain.poseAndLens().with(Path.X, x)));
    Shot shot = new ToNewCamera("shaker", "baked", "Baked", keep, 1).apply(cutting);
    Evaluation before = Evaluation.at(shot, 29.9);
    assertThat(before.pose("baked", 0).x()).isCloseTo(2, within(0.01));
    assertThat(Evaluation.at(shot, 30).pose("baked", 0).x()).isCloseTo(40, within(0.01));
  }

  @Test
  void what_isNoCamera_orKeepsNoMotion_isRefused() {
    assertThatThrownBy(() -> new ToNewCamera("arm", "b", "B", Keep.FITTED, 1).apply(Sets.rig()))
        .hasMessageContaining("camera");
    assertThatThrownBy(() -> new ToNewCamera("cam", "b", "B", Keep.PLACE, 1))
        .hasMessageContaining("every-frame or fitted");
  }
}

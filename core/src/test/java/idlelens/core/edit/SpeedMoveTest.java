package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.motion.Evaluation;
import idlelens.core.part.Chain;
import idlelens.core.part.Move;
import idlelens.core.part.Path;
import idlelens.core.part.Shake;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import org.junit.jupiter.api.Test;

class SpeedMoveTest {
  /** The rig with a camera that stands at the origin and looks along -Z. */
  private static Shot still() {
    Shot rig = Sets.rig();
    Node camera = rig.node("shaker");
    return rig.withNode(camera.withChain(Chain.poseAndLens()));
  }

  private static Shot with(SpeedMove.Kind kind, double amount) {
    return new SpeedMove("shaker", kind, 10, 30, amount, "speed").apply(still());
  }

  private static double z(Shot shot, double frame) {
    return Evaluation.at(shot, frame).pose("shaker", 0).z();
  }

  private static double pan(Shot shot, double frame) {
    var forward = Evaluation.at(shot, frame).pose("shaker", 0).forward();
    return Math.toDegrees(Math.atan2(-forward.x, -forward.z));
  }

  @Test
  void whipPan_isFastInItsMiddle_swingsPast_andComesToRestWhereItIsMeantTo() {
    Shot shot = with(SpeedMove.Kind.WHIP_PAN, 80);
    assertThat(pan(shot, 10)).isCloseTo(0, within(1e-9));
    assertThat(pan(shot, 20) - pan(shot, 19)).isGreaterThan(80 / 20.0);
    double most = 0;
    for (double frame = 26; frame < 50; frame += 0.25) {
      most = Math.max(most, pan(shot, frame));
    }
    assertThat(most).isBetween(80.1, 82.0);
    assertThat(pan(shot, 90)).isCloseTo(80, within(0.01));
  }

  @Test
  void slam_isFastestAtItsEnd_andEndsInAJolt() {
    Shot shot = with(SpeedMove.Kind.SLAM, 2);
    double before = z(shot, 28) - z(shot, 29);
    assertThat(before).isGreaterThan(z(shot, 12) - z(shot, 13));
    assertThat(Math.abs(z(shot, 31.2) - -2)).as("it rings").isGreaterThan(0.005);
    assertThat(z(shot, 100)).isCloseTo(-2, within(1e-3));
    assertThat(shot.node("shaker").chain().parts())
        .hasAtLeastOneElementOfType(Move.class)
        .hasAtLeastOneElementOfType(Shake.class);
  }

  @Test
  void slamZoom_endsAtItsFocalLength_onCamerasOnly() {
    Shot shot = with(SpeedMove.Kind.SLAM_ZOOM, 50);
    double[] focal = Evaluation.at(shot, 90).of("shaker").lens().orElseThrow().focalMm();
    assertThat(focal[0]).isCloseTo(85, within(0.01));
    assertThatThrownBy(
            () -> new SpeedMove("arm", SpeedMove.Kind.SLAM_ZOOM, 1, 5, 20, "s").apply(Sets.rig()))
        .hasMessageContaining("zoom, without a lens");
  }

  @Test
  void fastSlowFast_isJustThat_withoutACornerInItsSpeed() {
    Shot shot = with(SpeedMove.Kind.FAST_SLOW_FAST, 4);
    double first = z(shot, 12) - z(shot, 13);
    double middle = z(shot, 19.5) - z(shot, 20.5);
    double last = z(shot, 27) - z(shot, 28);
    assertThat(middle).isLessThan(first / 2);
    assertThat(middle).isLessThan(last / 2);
    assertThat(z(shot, 30)).isCloseTo(-4, within(1e-9));
    double jump = 0;
    for (double frame = 9; frame < 31; frame += 0.05) {
      double bend = z(shot, frame + 0.05) - 2 * z(shot, frame) + z(shot, frame - 0.05);
      jump = Math.max(jump, Math.abs(bend));
    }
    assertThat(jump).isLessThan(0.05 * first / 4);
  }

  @Test
  void itsCards_staySetApart() {
    Shot shot = with(SpeedMove.Kind.WHIP_PAN, 80);
    assertThat(shot.node("shaker").chain().part("speed-1")).isInstanceOf(Move.class);
    Shot without = new RemovePart("shaker", "speed-jolt").apply(shot);
    assertThat(pan(without, 31)).isCloseTo(80, within(1e-9));
    assertThatThrownBy(() -> new SpeedMove("a", SpeedMove.Kind.SLAM, 5, 5, 1, "s"))
        .hasMessage("to is 5.0; allowed: a frame after the first (5.0)");
    assertThat(shot.node("shaker").chain().curve(Path.PAN).isKeyed()).isFalse();
  }
}

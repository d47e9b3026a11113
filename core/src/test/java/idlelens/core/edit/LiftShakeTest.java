package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Curve;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Path;
import idlelens.core.part.Smooth;
import idlelens.core.part.SmoothWay;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class LiftShakeTest {
  private static Shot smoothed(SmoothWay way) {
    return new AddPart("shaker", Smooth.of("smooth-x", way)).apply(Sets.rig());
  }

  /** Lifted and applied behind the card, it gives the camera back. */
  @ParameterizedTest
  @ValueSource(booleans = {true, false})
  void liftedAndAppliedAgain_theCameraIsWhatItWas(boolean lags) {
    SmoothWay way = lags ? new SmoothWay.Spring(0.7, 1) : new SmoothWay.Gaussian(4);
    Shot shot =
        new LiftShake("shaker", "smooth-x", "shaker", "recorded-x", "Unrest").apply(smoothed(way));
    Evaluation was = Evaluation.of(Sets.rig());
    Evaluation is = Evaluation.of(shot);
    for (int i = 0; i < was.grid().count(); i++) {
      RigidPose before = was.pose("shaker", i);
      RigidPose after = is.pose("shaker", i);
      assertThat(after.place().distance(before.place())).isLessThan(1e-6);
      assertThat(Math.toDegrees(Turns.angleBetween(after.turn(), before.turn()))).isLessThan(1e-6);
      var lens = was.of("shaker").lens().orElseThrow();
      var back = is.of("shaker").lens().orElseThrow();
      assertThat(back.focalMm()[i]).isCloseTo(lens.focalMm()[i], within(1e-6));
      assertThat(back.focusM()[i]).isCloseTo(lens.focusM()[i], within(1e-6));
    }
  }

  @Test
  void onAnotherCamera_itShakesThatAsFarAndAsFastAsItIsSet() {
    Shot shot =
        new LiftShake("shaker", "smooth-x", "base", "recorded-x", "Unrest")
            .apply(smoothed(new SmoothWay.Gaussian(4)));
    Node base = shot.node("base");
    Evaluation once = Evaluation.of(shot);
    Shot twice =
        shot.withNode(
            base.withChain(base.chain().with(new Path("recorded-x", "place"), Curve.still(2))));
    Shot fast =
        shot.withNode(
            base.withChain(base.chain().with(new Path("recorded-x", "speed"), Curve.still(2))));
    RigidPose rest = Evaluation.at(Sets.rig(), 1).pose("base", 0);
    double first = rest.place().distance(once.pose("base", 20).place());
    assertThat(first).isGreaterThan(1e-4);
    assertThat(rest.place().distance(Evaluation.of(twice).pose("base", 20).place()))
        .isCloseTo(2 * first, within(1e-9));
    assertThat(Evaluation.of(fast).pose("base", 10).place().distance(once.pose("base", 20).place()))
        .isLessThan(1e-9);
  }

  @Test
  void whatDoesNotSmooth_orTakesNothingOut_isRefused() {
    assertThatThrownBy(() -> new LiftShake("shaker", "shake-a", "base", "r", "R").apply(Sets.rig()))
        .hasMessage("part is 'shake-a'; allowed: a card that smooths");
    Shot still =
        new AddPart("crate", Smooth.of("smooth-x", new SmoothWay.Gaussian(4))).apply(Sets.rig());
    assertThatThrownBy(() -> new LiftShake("crate", "smooth-x", "base", "r", "R").apply(still))
        .hasMessageContaining("which takes nothing out");
  }

  @Test
  void aSingleFrame_isNoRecording_andIsCalledThat() {
    Shot shot = smoothed(new SmoothWay.Gaussian(4));
    ShotHeader header = shot.header();
    Shot single = shot.withHeader(header.withTime(header.rate(), new FrameRange(20, 20), 0));
    assertThatThrownBy(() -> new LiftShake("shaker", "smooth-x", "base", "r", "R").apply(single))
        .hasMessageContaining("count is 1; allowed: 2 to 36000");
  }
}

package idlelens.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Curve;
import idlelens.core.edit.AddPart;
import idlelens.core.edit.Sets;
import idlelens.core.edit.SwitchPart;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Chain;
import idlelens.core.part.Hit;
import idlelens.core.part.Path;
import idlelens.core.part.Shake;
import idlelens.core.part.ShakeWay;
import idlelens.core.scene.Shot;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class EffectTest {
  /** A wave of so many degrees a half second long, so that it is at its highest on whole frames. */
  private static Shot panning(String node, double degrees) {
    Shake wave =
        Shake.of(
            "shake-x", new ShakeWay.Swell(List.of(0d, 0d, 0d, 0d, 0d, 0d, 0d, 0d), 0, 0), 1, 1);
    Shot shot = new AddPart(node, wave).apply(Sets.rig());
    Chain chain =
        shot.node(node)
            .chain()
            .with(new Path("shake-x", "pan"), Curve.still(degrees))
            .with(new Path("shake-x", "panHz"), Curve.still(2));
    return shot.withNode(shot.node(node).withChain(chain));
  }

  @Test
  void pan_movesThePictureByItsTangent_andTheRmsIsThatOfASine() {
    Shot shot = panning("framer", 1);
    Effect effect = Effect.of(shot, "framer", "shake-x", "framer");
    assertThat(effect.turn().largest()).isCloseTo(1, within(1e-9));
    assertThat(effect.turn().rms()).isCloseTo(Math.sqrt(0.5), within(0.02));
    assertThat(effect.place().largest()).isCloseTo(0, within(1e-12));
    double width = 2 * Math.tan(halfAngle(shot, effect.turn().frame()));
    assertThat(effect.picture().orElseThrow().largest())
        .isGreaterThanOrEqualTo(Math.tan(Math.toRadians(1)) / width);
  }

  private static double halfAngle(Shot shot, int frame) {
    return Evaluation.at(shot, frame).of("framer").lens().orElseThrow().horizontalRad()[0] / 2;
  }

  @Test
  void ofACarrier_isMeasuredInThePictureOfTheCameraItCarries_whetherOnOrOff() {
    Shot shot = panning("arm", 2);
    Effect on = Effect.of(shot, "arm", "shake-x", "cam");
    Shot off = new SwitchPart("arm", "shake-x", false).apply(shot);
    assertThat(on.picture()).isPresent();
    assertThat(on.place().largest()).isZero();
    assertThat(Effect.of(off, "arm", "shake-x", "cam")).isEqualTo(on);
    assertThat(Effect.of(shot, "arm", "shake-x", "zoomer").picture()).isEmpty();
    assertThat(Effect.of(shot, "arm", "shake-x", "").picture()).isEmpty();
  }

  @Test
  void aBlow_isLargestBehindItsHit() {
    Shake jolt =
        Shake.of(
            "shake-x", new ShakeWay.Jolt(0.3, List.of(new Hit("a", 20)), Optional.empty()), 1, 1);
    Shot shot = new AddPart("framer", jolt).apply(Sets.rig());
    Chain chain = shot.node("framer").chain().with(new Path("shake-x", "y"), Curve.still(10));
    Effect effect =
        Effect.of(shot.withNode(shot.node("framer").withChain(chain)), "framer", "shake-x", "");
    assertThat(effect.place().frame()).isBetween(21, 30);
    assertThat(effect.place().largest()).isBetween(0.05, 0.1);
  }
}

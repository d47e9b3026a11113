package idlelens.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.edit.AddPart;
import idlelens.core.edit.Sets;
import idlelens.core.part.Path;
import idlelens.core.part.Shake;
import idlelens.core.part.ShakeWay;
import idlelens.core.part.Smooth;
import idlelens.core.part.SmoothWay;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.smooth.OnePole;
import idlelens.core.smooth.Rest;
import java.util.List;
import org.junit.jupiter.api.Test;

class SmoothnessTest {
  /** A null that passes back and forth, smoothed one way. */
  private static Shot passing(SmoothWay way) {
    Shot shot = new AddPart("base", Smooth.of("smooth-x", way)).apply(Sets.rig());
    Node base = shot.node("base");
    Curve x = Sets.keyed(1, 0, 25, 4, 50, 1);
    return shot.withNode(base.withChain(base.chain().with(Path.X, x)));
  }

  @Test
  void onePole_isLateByItsLag_andRestsAsItsFormulaSays() {
    Smoothness late = Smoothness.of(passing(new SmoothWay.Spring(0.8, 1)), "base", "smooth-x");
    assertThat(late.lagFrames()).isCloseTo(0.8 / 0.2, within(0.4));
    assertThat(late.restFrames()).isEqualTo((int) Math.ceil(Math.log(0.01) / Math.log(0.8)));
    assertThat(Rest.frames(new OnePole(0.93, 1, false), 400)).isEqualTo(64);
    assertThat(Rest.frames(new OnePole(0, 1, false), 16)).isEqualTo(1);
  }

  @Test
  void whatDoesNotLag_hasNoLag() {
    for (SmoothWay way :
        List.of(
            new SmoothWay.Gaussian(4), new SmoothWay.TwoWay(0.8), new SmoothWay.Polynomial(9, 2))) {
      Smoothness same = Smoothness.of(passing(way), "base", "smooth-x");
      assertThat(same.lagFrames()).isCloseTo(0, within(0.05));
    }
  }

  @Test
  void unrest_isLess_andIsNotMeasuredAcrossACut() {
    Shake shake = Shake.of("shake-x", new ShakeWay.Handheld(4, 0.7), 3, 1);
    Shot shot = new AddPart("base", shake).apply(Sets.rig());
    Node base = shot.node("base");
    shot =
        shot.withNode(
            base.withChain(
                base.chain()
                    .with(new Path("shake-x", "x"), Curve.still(5))
                    .with(new Path("shake-x", "pan"), Curve.still(2))));
    shot = new AddPart("base", Smooth.of("smooth-x", new SmoothWay.Gaussian(4))).apply(shot);
    Smoothness calm = Smoothness.of(shot, "base", "smooth-x");
    assertThat(calm.after().place()).isLessThan(calm.before().place() / 10);
    assertThat(calm.after().turn()).isLessThan(calm.before().turn() / 5);
    Curve cut =
        new Curve(
            0, List.of(new Key(1, 0, Tangent.Kind.HOLD), new Key(20, 500, Tangent.Kind.HOLD)));
    Node there = shot.node("base");
    Shot jumping = shot.withNode(there.withChain(there.chain().with(Path.X, cut)));
    Smoothness same = Smoothness.of(jumping, "base", "smooth-x");
    assertThat(same.before().place())
        .isCloseTo(calm.before().place(), within(0.2 * calm.before().place()));
  }

  @Test
  void whatDoesNotSmooth_isRefused() {
    assertThatThrownBy(() -> Smoothness.of(Sets.rig(), "shaker", "shake-a"))
        .hasMessage("part is 'shake-a'; allowed: a card that smooths");
  }
}

package idlelens.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.edit.Sets;
import idlelens.core.part.Chain;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.set.Mesher;
import java.util.List;
import java.util.stream.DoubleStream;
import org.junit.jupiter.api.Test;

/** A camera with a cut inside: nothing is measured across it. */
class CutInsideTest {
  /** From one side of the crate to the other, in one step or on a straight way. */
  private static CameraChecks across(Tangent.Kind kind) {
    Curve x = new Curve(0, List.of(new Key(19, -6, kind), new Key(20, 8, kind)));
    Chain chain =
        Chain.poseAndLens()
            .with(Path.X, x)
            .with(Path.Y, Curve.still(0.5))
            .with(Path.Z, Curve.still(-9));
    Shot rig = Sets.rig();
    Node camera = rig.node("shaker");
    Shot shot = rig.withNode(camera.withChain(chain));
    return CameraChecks.of(shot, CameraChecks.Asked.of("shaker"), Mesher::mesh, done -> {});
  }

  private static boolean passesAny(CameraChecks checks) {
    for (boolean passes : checks.clearance().passes()) {
      if (passes) {
        return true;
      }
    }
    return false;
  }

  @Test
  void onAStraightWay_itGoesThrough_andIsFast() {
    CameraChecks way = across(Tangent.Kind.STRAIGHT);
    assertThat(passesAny(way)).isTrue();
    assertThat(DoubleStream.of(way.speed().metresPerSecond()).max().orElseThrow())
        .isGreaterThan(100);
  }

  @Test
  void cutOver_itGoesThroughNothing_andStands() {
    CameraChecks cut = across(Tangent.Kind.HOLD);
    assertThat(passesAny(cut)).isFalse();
    assertThat(DoubleStream.of(cut.speed().metresPerSecond()).max().orElseThrow()).isZero();
    assertThat(DoubleStream.of(cut.speed().subject()).max().orElseThrow()).isLessThan(1e-9);
  }
}

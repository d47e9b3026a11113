package idlelens.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Curves;
import idlelens.core.curve.Tangent;
import idlelens.core.geometry.RigidPose;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class ShotSizeTest {
  private static final Path X = new Path("keys", "x");

  private static Shot shot(int frames, int handles, List<Node> nodes) {
    return new Shot(
        new ShotHeader(
            "S", FrameRate.of(24), new FrameRange(1, frames), handles, 1.5, 1, Tangent.Kind.SETTLE),
        nodes);
  }

  private static Node node(String id, String carrier, Curve x) {
    Carriage by = carrier.isEmpty() ? Carriage.WORLD : new Carriage(carrier, RigidPose.IDENTITY);
    return new Node.Null(new NodeBody(id, id, false, by, Chain.pose().with(X, x)));
  }

  @Test
  void whatIsCarriedByAMovingNode_moves_whatStandsDoesNot() {
    Curve moving = Curves.of(Tangent.Kind.SETTLE, 1, 0, 10, 1);
    Shot shot =
        shot(
            100,
            5,
            List.of(
                node("dolly", "", moving),
                node("head", "dolly", Curve.still(1)),
                node("eye", "head", Curve.still(1)),
                node("rock", "", Curve.still(2)),
                node("moss", "rock", Curve.still(2))));
    assertThat(ShotSize.of(shot)).isEqualTo(new ShotSize(2, 3 * 110));
  }

  @Test
  void tooManySamples_areRefused_butAShotThatGetsSmallerIsNot() {
    List<Node> nodes = new ArrayList<>();
    for (int i = 0; i < 101; i++) {
      nodes.add(node("n" + i, "", Curves.of(Tangent.Kind.SETTLE, 1, 0, 10, i)));
    }
    Shot large = shot(10_000, 0, nodes);
    assertThatThrownBy(() -> ShotSize.requireRoom(large, Optional.empty()))
        .hasMessageStartingWith("shot.samples is 1010000; allowed: at most 1000000");
    Shot larger = shot(10_001, 0, nodes);
    ShotSize.requireRoom(large, Optional.of(larger));
    assertThatThrownBy(() -> ShotSize.requireRoom(larger, Optional.of(large)))
        .hasMessageContaining("a shorter range or fewer moving nodes");
  }

  @Test
  void tooManyKeys_areRefused() {
    Curve many = Curves.noise(90_000, Tangent.Kind.HOLD);
    List<Node> nodes = new ArrayList<>();
    for (int i = 0; i < 5; i++) {
      nodes.add(node("n" + i, "", many));
    }
    assertThatThrownBy(() -> ShotSize.requireRoom(shot(10, 0, nodes), Optional.empty()))
        .hasMessageStartingWith("shot.keys is 450000; allowed: at most 400000");
  }
}

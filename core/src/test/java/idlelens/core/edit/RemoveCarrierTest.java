package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Curves;
import idlelens.core.curve.Tangent;
import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Evaluation;
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
import java.util.Random;
import org.junit.jupiter.api.Test;

/** What a null carried stays where it is when the null goes, however much that is. */
class RemoveCarrierTest {
  private static final double FRAME = 40;

  private static Node node(String id, String carrier, Random random) {
    Curve pan =
        random.nextInt(3) == 0
            ? Curves.of(Tangent.Kind.FLOW, 1, random.nextInt(90), 80, random.nextInt(90))
            : Curve.still(random.nextInt(90));
    Chain chain =
        Chain.pose()
            .restingAt(random.nextInt(9), random.nextInt(9), random.nextInt(9), 0, 0, 0)
            .with(new Path("keys", "pan"), pan);
    Carriage by = carrier.isEmpty() ? Carriage.WORLD : new Carriage(carrier, RigidPose.IDENTITY);
    return new Node.Null(new NodeBody(id, id, false, by, chain));
  }

  private static Shot shot(List<Node> nodes) {
    return new Shot(
        new ShotHeader(
            "S", FrameRate.of(24), new FrameRange(1, 100), 0, 1.5, 1, Tangent.Kind.SETTLE),
        nodes);
  }

  private static void assertStaying(Shot before, Shot after) {
    Evaluation then = Evaluation.at(before, FRAME);
    Evaluation now = Evaluation.at(after, FRAME);
    for (Node node : after.nodes()) {
      RigidPose was = then.pose(node.id(), 0);
      RigidPose is = now.pose(node.id(), 0);
      assertThat(is.x()).as(node.id()).isCloseTo(was.x(), within(1e-9));
      assertThat(is.y()).isCloseTo(was.y(), within(1e-9));
      assertThat(is.z()).isCloseTo(was.z(), within(1e-9));
      assertThat(is.forward().distance(was.forward())).isLessThan(1e-9);
    }
  }

  @Test
  void aThousandCarried_stay_andItEndsSoon() {
    Random random = new Random(1);
    List<Node> nodes = new ArrayList<>(List.of(node("null", "", random)));
    for (int i = 0; i < 1_000; i++) {
      nodes.add(node("n" + i, "null", random));
    }
    Shot before = shot(nodes);
    Shot after = new RemoveNodes(List.of("null"), FRAME, false, Keep.PLACE).apply(before);
    assertThat(after.nodes()).hasSize(1_000);
    assertStaying(before, after);
  }

  @Test
  void everySecondOfAChain_goes_andTheOthersStay() {
    for (int seed = 0; seed < 50; seed++) {
      Random random = new Random(seed);
      List<Node> nodes = new ArrayList<>();
      List<String> gone = new ArrayList<>();
      for (int i = 0; i < 12; i++) {
        int at = random.nextInt(nodes.size() + 1); // the list need not be in the order of carrying
        nodes.add(at, node("n" + i, i == 0 ? "" : "n" + random.nextInt(i), random));
        if (random.nextBoolean()) {
          gone.add("n" + i);
        }
      }
      if (!gone.isEmpty()) {
        Shot before = shot(nodes);
        assertStaying(before, new RemoveNodes(gone, FRAME, false, Keep.PLACE).apply(before));
      }
    }
  }
}

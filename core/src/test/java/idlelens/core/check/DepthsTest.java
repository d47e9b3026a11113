package idlelens.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Chain;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.SmallShots;
import idlelens.core.scene.TakesKeys;
import idlelens.core.set.Finish;
import idlelens.core.set.Shape;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** How far along the axis of a camera that turns what it sees is. */
class DepthsTest {
  private static Node piece(String id, double x, double z) {
    Chain chain = Chain.pose().restingAt(x, -0.5, z, 0, 0, 0);
    NodeBody body = new NodeBody(id, id, false, chain, TakesKeys.ALL);
    return new Node.Piece(body, new Shape.Box(1, 1, 1), Finish.matt("#808080"));
  }

  /** A camera at the origin that pans to the left by 9 degrees a frame. */
  private static Shot shot() {
    List<Key> pan =
        List.of(new Key(1, 0, Tangent.Kind.STRAIGHT), new Key(11, 90, Tangent.Kind.STRAIGHT));
    Chain chain = Chain.poseAndLens().with(Map.of(Path.PAN, new Curve(0, pan)));
    Node camera = new Node.Camera(new NodeBody("cam", "cam", false, chain, TakesKeys.ALL));
    Chain flat = Chain.pose().restingAt(0, -2, 0, 0, 0, 0);
    Node ground =
        new Node.Piece(
            new NodeBody("ground", "ground", false, flat, TakesKeys.ALL),
            new Shape.Plane(200, 200),
            Finish.matt("#808080"));
    return SmallShots.until(11, camera, piece("ahead", 0, -8), piece("left", -8, 0), ground);
  }

  @Test
  void metresAlongTheAxis_whileSomeOfTheBoxIsInThePicture() {
    Depths depths = Depths.of(Evaluation.of(shot()), "cam", node -> true, 10);
    assertThat(depths.pieces()).extracting(Depths.OfPiece::id).containsExactly("ahead", "left");
    double[] ahead = depths.pieces().get(0).metres();
    double[] left = depths.pieces().get(1).metres();
    for (int i = 0; i <= 10; i++) {
      double pan = Math.toRadians(9 * i);
      // half of 39.1 degrees across, and as much as the half metre of the box adds
      boolean sees = 9 * i < 20;
      assertThat(Double.isNaN(ahead[i])).as("frame %s", i).isEqualTo(!sees && 9 * i > 25);
      if (sees) {
        assertThat(ahead[i]).isCloseTo(8 * Math.cos(pan), within(1e-12));
        assertThat(left[10 - i]).isCloseTo(8 * Math.cos(pan), within(1e-12));
      }
    }
    assertThat(left[0]).isNaN();
  }

  @Test
  void hiddenOnes_andThoseBeyondTheNumberAskedFor_areLeftOut() {
    Evaluation motion = Evaluation.of(shot());
    assertThat(Depths.of(motion, "cam", node -> !node.id().equals("ahead"), 10).pieces())
        .extracting(Depths.OfPiece::id)
        .containsExactly("left");
    Depths one = Depths.of(motion, "cam", node -> true, 1);
    assertThat(one.pieces()).hasSize(1);
    assertThat(one.more()).isEqualTo(1);
    assertThatThrownBy(() -> Depths.of(motion, "ahead", node -> true, 1))
        .hasMessageContaining("a camera's id");
  }
}

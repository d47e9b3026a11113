package idlelens.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Curve;
import idlelens.core.part.Chain;
import idlelens.core.part.Path;
import idlelens.core.scene.Hidden;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.SmallShots;
import idlelens.core.scene.TakesKeys;
import idlelens.core.set.Finish;
import idlelens.core.set.Mesher;
import idlelens.core.set.Shape;
import java.util.Arrays;
import java.util.Map;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;

/** The distance of what is seen at a place of the picture, against flat and boxy shapes. */
class SightlineTest {
  /** How thick a card is. */
  private static final double CARD_M = 0.03;

  private static final double TAN_ACROSS = 24.89 / 70; // a plain lens of 35 mm

  private static Shot shot(Chain camera, Node... pieces) {
    Node[] nodes = Arrays.copyOf(pieces, pieces.length + 1);
    NodeBody body = new NodeBody("cam", "cam", false, camera, TakesKeys.ALL);
    nodes[pieces.length] = new Node.Camera(body);
    return SmallShots.until(11, nodes);
  }

  private static Node.Piece piece(String id, Shape shape, Chain chain) {
    NodeBody body = new NodeBody(id, id, false, chain, TakesKeys.ALL);
    return new Node.Piece(body, shape, Finish.matt("#808080"));
  }

  private static Sightline seen(Shot shot, double x, double y) {
    return Sightline.of(shot, "cam", 1, x, y, Mesher::mesh).orElseThrow();
  }

  /** The ground, met from a camera that looks down: the plane y = 0 under any place. */
  @Property(tries = 100)
  void ground_isMetWhereTheWayComesDown(@ForAll Random random) {
    double height = 0.5 + 5 * random.nextDouble();
    double tilt = Math.toRadians(-60 * random.nextDouble() - 25);
    Chain camera = Chain.poseAndLens().restingAt(1, height, 2, 30, Math.toDegrees(tilt), 0);
    Shot shot = shot(camera, piece("ground", new Shape.Plane(500, 500), Chain.pose()));
    double x = random.nextDouble() - 0.5;
    double y = (random.nextDouble() - 0.5) / SmallShots.ASPECT * 0.6;
    Sightline line = seen(shot, x, y);
    // along the axis, so much height is lost for each metre
    double fall = -Math.sin(tilt) - 2 * TAN_ACROSS * y * Math.cos(tilt);
    assertThat(line.distanceM()).isCloseTo(height / fall, within(1e-6));
    assertThat(line.place().y).isCloseTo(0, within(1e-6));
    assertThat(line.nodeId()).isEqualTo("ground");
  }

  /**
   * The nearer side of a turned box that is carried elsewhere; its point in the box's own space.
   */
  @Test
  void turnedBox_isMetOnItsSide_andThePointIsItsOwn() {
    Node box = piece("box", new Shape.Box(2, 2, 2), Chain.pose().restingAt(0, -1, -10, 45, 0, 0));
    Shot shot = shot(Chain.poseAndLens(), box);
    Sightline edge = seen(shot, 0, 0);
    assertThat(edge.distanceM())
        .as("the edge that is turned to us")
        .isCloseTo(10 - Math.sqrt(2), within(1e-6));
    double right = 0.05;
    Sightline side = seen(shot, right, 0);
    // x = 2 t d x on the way; the side is x - (z + 10) = sqrt 2 with z = -d
    double slope = 2 * TAN_ACROSS * right;
    double distance = (10 - Math.sqrt(2)) / (1 - slope);
    assertThat(side.distanceM()).isCloseTo(distance, within(1e-6));
    assertThat(Math.max(Math.abs(side.point().x), Math.abs(side.point().z)))
        .isCloseTo(1, within(1e-6));
    assertThat(side.point().y).isCloseTo(1, within(1e-6));
  }

  @Test
  void theNearestCounts_hiddenOnesDoNot_norWhatTheCameraCarries() {
    Node far = piece("far", new Shape.Card(4, 4), Chain.pose().restingAt(0, -2, -9, 0, 0, 0));
    Node near = piece("near", new Shape.Card(4, 4), Chain.pose().restingAt(0, -2, -5, 0, 0, 0));
    Shot both = shot(Chain.poseAndLens(), far, near);
    assertThat(seen(both, 0, 0).nodeId()).isEqualTo("near");
    Node hidden = near.withBody(near.body().withHidden(Hidden.IN_SIGHT));
    assertThat(seen(both.withNode(hidden), 0, 0).distanceM())
        .isCloseTo(9 - CARD_M / 2, within(1e-6));
    assertThat(Sightline.of(shot(Chain.poseAndLens()), "cam", 1, 0, 0, Mesher::mesh)).isEmpty();
  }

  @Test
  void shiftedLens_seesWhatIsBeside() {
    Node card = piece("card", new Shape.Card(1, 1), Chain.pose().restingAt(4, -0.5, -8, 0, 0, 0));
    Chain shifted = Chain.poseAndLens().with(Map.of(Path.parse("shiftRight"), Curve.still(17.5)));
    // 17.5 mm of 35: half a metre aside for each metre ahead
    Sightline line = seen(shot(shifted, card), 0, 0);
    double front = 8 - CARD_M / 2;
    assertThat(line.place().distance(new Vector3d(front / 2, 0, -front))).isLessThan(1e-6);
    assertThat(line.distanceM()).isCloseTo(front, within(1e-6));
  }

  @Test
  void placesOutsideOfThePicture_areRefused() {
    Shot shot = shot(Chain.poseAndLens());
    assertThatThrownBy(() -> Sightline.of(shot, "cam", 1, 0.51, 0, Mesher::mesh))
        .hasMessage("x is 0.51; allowed: -0.5 to 0.5");
    assertThatThrownBy(() -> Sightline.of(shot, "cam", 1, 0, 0.4, Mesher::mesh))
        .hasMessageStartingWith("y is 0.4; allowed: -0.28125 to 0.28125");
  }
}

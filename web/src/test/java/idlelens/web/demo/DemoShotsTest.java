package idlelens.web.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.check.Creep;
import idlelens.core.check.Effect;
import idlelens.core.check.OpenAtSeam;
import idlelens.core.check.Seam;
import idlelens.core.check.Smoothness;
import idlelens.core.curve.Curve;
import idlelens.core.curve.CurveFit;
import idlelens.core.curve.Overshoots;
import idlelens.core.edit.RailChange;
import idlelens.core.edit.ShapeRail;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.PoseTrack;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.set.Shape;
import idlelens.core.time.SampleGrid;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DemoShotsTest {

  private static double focusM(Shot shot, String camera, double frame) {
    return Evaluation.at(shot, frame).of(camera).lens().orElseThrow().focusM()[0];
  }

  private static double alongAxis(Shot shot, String camera, String node, double frame) {
    Evaluation now = Evaluation.at(shot, frame);
    RigidPose pose = now.pose(camera, 0);
    return now.pose(node, 0).place().sub(pose.place()).dot(pose.forward());
  }

  @Test
  void quayWalk_pullsFocusFromTheLanternToTheKeeper() {
    Shot shot = DemoShots.quayWalk();
    assertThat(focusM(shot, "a-cam", 1001))
        .isCloseTo(alongAxis(shot, "a-cam", "lantern", 1001), within(1e-3));
    assertThat(focusM(shot, "a-cam", 1144))
        .isCloseTo(alongAxis(shot, "a-cam", "keeper", 1144), within(1e-3));
    assertThat(shot.carriersOf("a-cam"))
        .extracting(Node::name)
        .containsExactly("Dolly", "Shoulder", "Head");
    assertThat(shot.header().range().length()).isEqualTo(144);
  }

  /** Both loops close to rounding, with everything on set; one frame more, and they do not. */
  @ParameterizedTest
  @CsvSource({"Lamp room, lamp-cam, ''", "Stair loop, stair-cam, flight"})
  void loops_closeWithEverythingOnSet(String name, String camera, String repeat) {
    Shot shot =
        DemoShots.all().stream()
            .filter(s -> s.header().name().equals(name))
            .findFirst()
            .orElseThrow();
    Seam.Sides sides = new Seam.Sides(shot, repeat, 1);
    assertThat(sides.of(camera).closes(1e-9)).isTrue();
    assertThat(OpenAtSeam.find(shot, sides, 1e-9)).isEmpty();
  }

  /** Value and first difference meet where the loop closes, shaken and smoothed as it is. */
  @Test
  void deckSwell_closesInPlaceAndSpeed() {
    Shot shot = DemoShots.all().get(5);
    int length = shot.header().range().length();
    SampleGrid grid = new SampleGrid(shot.header().range().in() - 1.0, length + 3, 1);
    Evaluation motion = Evaluation.of(shot, grid, null);
    for (int i = 0; i < 3; i++) {
      RigidPose first = motion.pose("deck-cam", i);
      RigidPose again = motion.pose("deck-cam", i + length);
      assertThat(again.place().distance(first.place())).isLessThan(1e-9);
      assertThat(Turns.angleBetween(again.turn(), first.turn())).isLessThan(1e-9);
    }
    assertThat(motion.pose("deck-cam", 1).place().distance(motion.pose("deck-cam", 2).place()))
        .as("it moves")
        .isGreaterThan(1e-4);
  }

  /** The deck rides on the swell, and the camera on it is calmer than the hand that holds it. */
  @Test
  void deckSwell_isSmoothedWithinItsLimit() {
    Shot shot = DemoShots.all().get(5);
    Effect sea = Effect.of(shot, "ferry-ottoline", "shake-sea", "deck-cam");
    assertThat(sea.place().largest()).isBetween(0.1, 0.17);
    assertThat(sea.picture()).isPresent();
    Effect hand = Effect.of(shot, "deck-cam", "smooth-hand", "deck-cam");
    assertThat(hand.place().largest()).isBetween(0.005, 0.04);
    assertThat(hand.turn().largest()).isBetween(0.2, 1.0);
    Smoothness calm = Smoothness.of(shot, "deck-cam", "smooth-hand");
    assertThat(calm.lagFrames()).isCloseTo(0, within(0.1));
    assertThat(calm.after().turn()).isLessThan(calm.before().turn() / 3);
  }

  @Test
  void quayWalk_keeperIsInThePictureAtTheEnd() {
    Shot shot = DemoShots.quayWalk();
    Evaluation now = Evaluation.at(shot, 1144);
    RigidPose camera = now.pose("a-cam", 0);
    Vector3d chest = now.pose("keeper", 0).apply(new Vector3d(0, 1.3, 0));
    Vector3d seen = camera.inverse().apply(chest);
    double across = Math.atan2(Math.abs(seen.x), -seen.z);
    double half = now.of("a-cam").lens().orElseThrow().horizontalRad()[0] / 2;
    assertThat(across).isLessThan(half);
  }

  @Test
  void netLoft_isInTheDoorwayAtItsPin_whenTheDoorIsOpen_alsoOnceTheRailGoesOn() {
    Shot shot = DemoShots.netLoft();
    Evaluation motion = Evaluation.at(shot, DemoShots.LOFT_DOORWAY);
    RigidPose camera = motion.pose("loft-cam", 0);
    assertThat(camera.x()).isCloseTo(-4.6, within(1e-9));
    assertThat(camera.z()).isCloseTo(-9.7, within(1e-9));
    for (int slat = 1; slat <= 6; slat++) {
      assertThat(motion.pose("door-slat-" + slat, 0).y()).isGreaterThan(camera.y() + 1);
    }
    Shot longer =
        new ShapeRail("loft-rail", new RailChange.Extend(false, -6, 0, -13.5, "a7")).apply(shot);
    for (double frame = 1001; frame <= 1120; frame++) {
      RigidPose was = Evaluation.at(shot, frame).pose("loft-cam", 0);
      assertThat(Evaluation.at(longer, frame).pose("loft-cam", 0).place().distance(was.place()))
          .isLessThan(1e-9);
    }
  }

  @Test
  void lampRoom_comesBackToItsFirstFrameAfterItsPeriod() {
    Shot shot = DemoShots.lampRoom();
    RigidPose first = Evaluation.at(shot, shot.header().range().in()).pose("lamp-cam", 0);
    RigidPose closing = Evaluation.at(shot, shot.header().range().out() + 1).pose("lamp-cam", 0);
    assertThat(closing.place().distance(first.place())).isLessThan(1e-9);
    assertThat(Turns.angleBetween(closing.turn(), first.turn())).isLessThan(1e-9);
    // the camera keeps its distance to the lamp all around
    assertThat(focusM(shot, "lamp-cam", 1001))
        .isCloseTo(focusM(shot, "lamp-cam", 1047), within(1e-9));
  }

  @Test
  void twoCameras_theLongLensFollowsTheFerry() {
    Shot shot = DemoShots.twoCameras();
    for (double frame : new double[] {1001, 1050, 1096}) {
      assertThat(focusM(shot, "b-cam", frame))
          .isCloseTo(alongAxis(shot, "b-cam", "wheelhouse", frame), within(1e-9));
    }
  }

  @Test
  void ternQuay_hasItsPlacesInRealSizes() {
    Shot shot = DemoShots.quayWalk();
    for (String id :
        new String[] {
          "lamp-house", "net-loft", "ferry-ottoline", "crates", "bollards", "boards", "lanterns"
        }) {
      assertThat(shot.carriedBy(id)).as(id).isNotEmpty();
    }
    assertThat(((Node.Piece) shot.node("keeper")).shape()).isEqualTo(new Shape.Person(1.72));
    assertThat(((Node.Piece) shot.node("stair")).shape())
        .isInstanceOfSatisfying(Shape.Stair.class, s -> assertThat(s.fourSided()).isTrue());
    assertThat(shot.nodes()).anyMatch(Node.Sun.class::isInstance);
  }

  /** The tracks of one channel that a demo shot moves, one sample a frame. */
  private static List<double[]> bakedMoves(boolean turns) {
    List<double[]> tracks = new ArrayList<>();
    for (Shot shot : DemoShots.all()) {
      Evaluation motion = Evaluation.of(shot);
      for (Node node : shot.nodes()) {
        for (Path channel : Path.POSE) {
          double[] own = motion.of(node.id()).values(channel);
          if ((Path.POSE.indexOf(channel) >= 3) == turns && own.length > 1) {
            tracks.add(own);
          }
        }
      }
      for (Node.Camera camera : shot.cameras()) { // and as they go through the world, all in one
        PoseTrack world = motion.of(camera.id()).world();
        if (!turns && world.x().length > 1) {
          tracks.addAll(List.of(world.x(), world.y(), world.z()));
        }
      }
    }
    return tracks;
  }

  @ParameterizedTest
  @CsvSource({"false,0.002", "true,0.02"}) // metres, degrees
  void bakedMoves_areFittedWithAThirdOfTheirSamplesAtMost_withinTheTolerance(
      boolean turns, double tolerance) {
    List<double[]> tracks = bakedMoves(turns);
    assertThat(tracks).hasSizeGreaterThanOrEqualTo(10);
    for (double[] track : tracks) {
      double[] frames = IntStream.range(0, track.length).mapToDouble(i -> i).toArray();
      Curve fitted = new Curve(0, CurveFit.fit(frames, track, tolerance));
      assertThat(fitted.keys().size()).isLessThanOrEqualTo(track.length / 3);
      for (int i = 0; i < track.length; i++) {
        assertThat(fitted.at(i)).isCloseTo(track[i], within(tolerance * (1 + 1e-9)));
      }
    }
  }

  @Test
  void quayWalk_startsWithACreepingTurnAndAnOvershoot_andNothingElseIsWrong() {
    Shot shot = DemoShots.quayWalk();
    for (Node node : shot.nodes()) {
      List<Creep> creeps = Creep.find(shot, node);
      assertThat(creeps).as(node.name()).hasSize(node.id().equals("head") ? 1 : 0);
      for (Path channel : Path.POSE) {
        Curve curve = node.chain().curve(channel);
        boolean guilty = node.id().equals("dolly") && channel == Path.Z;
        boolean large =
            curve.keys().size() > 1
                && Overshoots.find(curve, 0).stream().anyMatch(o -> Math.abs(o.amount()) > 0.01);
        assertThat(large).as(node.name() + " " + channel).isEqualTo(guilty);
      }
    }
    assertThat(Creep.find(shot, shot.node("head")).get(0).missing()).isEqualTo(1049);
  }
}

package idlelens.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.clearance.Obstacle;
import idlelens.core.clearance.TriangleTree;
import idlelens.core.curve.Beyond;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.edit.Sets;
import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.Sight;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Chain;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.scene.TakesKeys;
import idlelens.core.set.Mesher;
import idlelens.core.set.Shape;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.core.time.SampleGrid;
import java.util.List;
import java.util.function.IntFunction;
import org.junit.jupiter.api.Test;

/** What is seen in the picture over the frames: its speed, and when a piece is in it. */
class PictureCheckTest {
  private static final FrameRate FILM = FrameRate.of(24);

  private static Curve running(double perFrame) {
    return new Curve(
        0,
        List.of(
            new Key(1, 0, Tangent.Kind.STRAIGHT),
            new Key(11, 10 * perFrame, Tangent.Kind.STRAIGHT)),
        Beyond.RUN_ON,
        Beyond.RUN_ON);
  }

  private static PictureSpeed speed(Path path, double perFrame, double focusM) {
    Chain chain =
        Chain.poseAndLens()
            .with(Path.FOCUS, Curve.still(focusM))
            .with(Path.F_STOP, Curve.still(2.8))
            .with(path, running(perFrame));
    NodeBody body = new NodeBody("cam", "cam", false, chain, TakesKeys.ALL);
    Shot shot =
        new Shot(
            new ShotHeader("Pan", FILM, new FrameRange(1, 11), 4, 16.0 / 9, 1, Tangent.Kind.SETTLE),
            List.of(new Node.Camera(body)));
    return PictureSpeed.of(Evaluation.of(shot, new SampleGrid(0, 13, 1), null), "cam");
  }

  /** A truck of v metres a frame passes what is d away by v over the width seen there. */
  @Test
  void truck_passesEachDepthByItsDistance() {
    PictureSpeed speed = speed(Path.X, 0.05, 4);
    double wide = 2 * 4 * tanAcross();
    assertThat(speed.metresPerSecond()[5]).isCloseTo(0.05 * 24, within(1e-9));
    assertThat(speed.degreesPerSecond()[5]).isCloseTo(0, within(1e-9));
    assertThat(speed.subject()).hasSize(11);
    for (double each : speed.subject()) {
      assertThat(each).isCloseTo(0.05 / wide, within(1e-9));
    }
    assertThat(speed.near()[3]).isGreaterThan(speed.subject()[3]);
    assertThat(speed.far()[3]).isLessThan(speed.subject()[3]);
  }

  private static double tanAcross() {
    NodeBody body = new NodeBody("cam", "cam", false, Chain.poseAndLens(), TakesKeys.ALL);
    Node.Camera camera = new Node.Camera(body);
    double focal = camera.chain().curve(Path.FOCAL).rest();
    return camera.lens().gate(16.0 / 9, 0).tanAcross(focal);
  }

  /** A dolly leaves the middle of the picture in place; what is beside it passes all the same. */
  @Test
  void dolly_isSeenBesideTheMiddle() {
    PictureSpeed speed = speed(Path.Z, -0.05, 4);
    double reach = Math.hypot(0.25, 0.25 * 9 / 16);
    double spread = (reach * 4 / 3.95 - reach * 4 / 4.05) / 2;
    assertThat(speed.subject()[5]).isCloseTo(spread, within(1e-9));
  }

  @Test
  void judder_ofAPanThatCrossesTheWidthInFiveSeconds_isAdvisedAgainst() {
    double[] widths = {0.001, 1.0 / (5 * 24), 1.0 / (5 * 24), 0.001, 0, 1.0 / (7 * 24) + 1e-6};
    double[] half = {180, 180, 180, 180, 180, 180};
    List<Judder> found = Judder.find(1001, widths, FILM, half);
    assertThat(found).extracting(Judder::from).containsExactly(1002, 1006);
    assertThat(found).extracting(Judder::to).containsExactly(1003, 1006);
    assertThat(found.get(0).seconds()).isCloseTo(5, within(1e-9));
    assertThat(found.get(0).least()).isEqualTo(7);
    assertThat(Judder.leastSeconds(FrameRate.of(48), 360)).isEqualTo(1.75);
    double[] opening = {180, 300, 180, 180, 180, 180};
    assertThat(Judder.find(1001, widths, FILM, opening))
        .extracting(Judder::from)
        .containsExactly(1003, 1006);
  }

  @Test
  void deadStretch_isOneWithinTheMove_notBeforeItNorAfter() {
    double[] metres = {0, 0, 1, 1, 0.001, 0, 0.001, 1, 0, 0};
    double[] still = new double[10];
    double[] turning = {0, 0, 0, 0, 0, 9, 0, 0, 0, 0};
    assertThat(DeadStretch.find(1, metres, still, 0.01, 0.1))
        .containsExactly(new DeadStretch(5, 7));
    assertThat(DeadStretch.find(1, metres, turning, 0.01, 0.1))
        .containsExactly(new DeadStretch(5, 5), new DeadStretch(7, 7));
    assertThat(DeadStretch.find(1, still, still, 0.01, 0.1)).isEmpty();
  }

  /** The arm has keys at 1, 30, 50; the camera at 1, 20, 40. */
  @Test
  void misaligned_framesOfARig_areThoseWhereWhatMovesAcrossIsNotKeyed() {
    List<Misaligned> found = Misaligned.find(Sets.rig(), "cam");
    assertThat(found).extracting(Misaligned::frame).containsExactly(20.0, 30.0, 40.0);
    assertThat(found.get(0).keyed()).containsExactly("cam");
    assertThat(found.get(0).missing()).containsExactly("arm");
    assertThat(found.get(0).near()).isEqualTo(10);
    assertThat(found.get(1).missing()).containsExactly("cam");
  }

  private static final int FRAMES = 60;
  private static final Shape.Box BOX = new Shape.Box(1, 1, 1);

  /** The box comes from the left, passes the picture, and goes behind the right edge. */
  private static InView passing(Obstacle... others) {
    IntFunction<Sight> views = i -> Sight.straight(RigidPose.IDENTITY, 0.5, 0.5);
    IntFunction<RigidPose> poses = i -> RigidPose.of(-6 + i * 0.2, -0.5, -4.5, 0, 0, 0);
    return InView.of(
        FRAMES, views, Mesher.mesh(BOX).bounds(), poses, i -> 1, i -> true, List.of(others));
  }

  private static List<InView.Happening> happenings(InView view) {
    return view.happenings(100, 0.2);
  }

  /** Its far face, 5 m away, is seen first: 2.5 m from the middle. Whole by its near one. */
  @Test
  void box_thatPassesThePicture_entersIsWholeAndLeaves() {
    assertThat(happenings(passing()))
        .containsExactly(
            new InView.Happening(InView.Event.ENTERS, 115), // its right side at -2.5
            new InView.Happening(InView.Event.WHOLE, 123), // its left side at -1.9 > -2
            new InView.Happening(InView.Event.READABLE, 123),
            new InView.Happening(InView.Event.LEAVES, 146)); // its left side past 2.5
  }

  @Test
  void box_heightInThePicture_isThatOfItsNearFace() {
    assertThat(passing().heights()[30]).isCloseTo(1.0 / 4, within(1e-6));
    assertThat(passing().heights()[0]).isZero();
  }

  @Test
  void box_behindAPost_isCoveredAndClearAgain() {
    Obstacle wall =
        new Obstacle(
            "wall",
            new TriangleTree(Mesher.mesh(new Shape.Box(1, 6, 0.1))),
            i -> RigidPose.of(0, -3, -2, 0, 0, 0));
    List<InView.Event> events =
        happenings(passing(wall)).stream().map(InView.Happening::event).toList();
    assertThat(events)
        .containsSubsequence(
            InView.Event.READABLE, InView.Event.COVERED, InView.Event.CLEAR, InView.Event.LEAVES);
    assertThat(passing(wall).covered()[30]).isEqualTo(1);
    assertThat(passing().covered()[30]).isZero();
  }

  @Test
  void box_aroundTheCamera_isInThePictureButNotWhole() {
    IntFunction<Sight> views = i -> Sight.straight(RigidPose.IDENTITY, 0.5, 0.5);
    InView view =
        InView.of(
            1,
            views,
            Mesher.mesh(BOX).bounds(),
            i -> RigidPose.of(0, -0.5, 0, 0, 0, 0),
            i -> 1,
            i -> true,
            List.of());
    assertThat(view.states()).containsExactly(InView.State.PARTLY);
  }
}

package idlelens.core.lens;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Curve;
import idlelens.core.edit.FrameSubject;
import idlelens.core.edit.KeepFramed;
import idlelens.core.edit.Keying;
import idlelens.core.edit.Sets;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.motion.Subject;
import idlelens.core.part.Chain;
import idlelens.core.part.FrameUp;
import idlelens.core.part.Lens;
import idlelens.core.part.Look;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.TakesKeys;
import idlelens.core.set.Finish;
import idlelens.core.set.Shape;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.joml.Quaterniond;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;

class FramingTest {
  private static final double EXACT = 1e-9;

  private static double between(Random random, double least, double most) {
    return least + random.nextDouble() * (most - least);
  }

  /** Seen along the axis: a ball of 1 m at its distance fills what its tangents say. */
  @Test
  void distance_onTheAxis_isThatOfTheTangentsOfABall() {
    double up = 0.5;
    double distance = Framing.distanceM(new Vector3d(0, 0, -1), 1, 0.4, up);
    assertThat(1 / Math.sqrt(distance * distance - 1)).isCloseTo(0.4 * up, within(EXACT));
  }

  /** A thousand points of the ball's outline lie within the height that was asked for. */
  @Property(tries = 100)
  void distance_anywhereInThePicture_fillsTheHeightAskedFor(@ForAll Random random) {
    Gate gate = new Gate(between(random, 10, 100), between(random, 10, 100), 1, 3, -2);
    double up = gate.tanUp(50);
    double size = between(random, 0.05, 1.2);
    Vector3d own =
        new Framing(between(random, -0.5, 0.5), between(random, -0.5, 0.5)).direction(gate, 50);
    double distance = Framing.distanceM(own, 0.7, size, up);
    Vector3d centre = own.normalize(new Vector3d()).mul(distance);
    assertThat(Framing.sizeOf(centre, 0.7, up)).isCloseTo(size, within(1e-9));
    double low = Double.POSITIVE_INFINITY;
    double high = Double.NEGATIVE_INFINITY;
    for (int i = 0; i < 20_000; i++) {
      Vector3d point =
          new Vector3d(random.nextGaussian(), random.nextGaussian(), random.nextGaussian())
              .normalize(0.7)
              .add(centre);
      double y = point.y / -point.z / (2 * up);
      low = Math.min(low, y);
      high = Math.max(high, y);
    }
    assertThat(high - low).isLessThan(size + 1e-9).isGreaterThan(size * 0.97);
  }

  /**
   * Wherever it sits and however large: a size that a lens gives is found, on very wide ones too.
   */
  @Property(tries = 200)
  void focalLength_isFoundForEverySizeThatALensGives(@ForAll Random random) {
    Gate gate = shifted(random);
    Framing framing = new Framing(between(random, -0.5, 0.5), between(random, -0.5, 0.5));
    double focal = Math.exp(between(random, Math.log(8), Math.log(1000)));
    double size = between(random, 0.05, 0.9);
    double distance =
        Framing.distanceM(framing.direction(gate, focal), 0.7, size, gate.tanUp(focal));
    double found = framing.focalMm(gate, distance, 0.7, size).orElseThrow();
    Vector3d own = framing.direction(gate, found);
    assertThat(Framing.sizeOf(own.normalize(distance), 0.7, gate.tanUp(found)))
        .isCloseTo(size, within(1e-8));
  }

  /** What a round lens uses of its sensor, off its axis by a third of that at most. */
  private static Gate shifted(Random random) {
    Gate gate = Lens.PLAIN.lens().gate(16.0 / 9, 1);
    return gate.shifted(between(random, -8, 8), between(random, -4, 4));
  }

  @Property(tries = 300)
  void turn_bringsAnyDirectionThere_withTheRollAskedFor(@ForAll Random random) {
    Vector3d own =
        new Framing(between(random, -0.5, 0.5), between(random, -0.5, 0.5))
            .direction(new Gate(70, 40, 1, 0, 0), 50);
    Vector3d to =
        new Vector3d(random.nextGaussian(), random.nextGaussian() * 0.4, random.nextGaussian());
    double roll = between(random, -1, 1);
    Quaterniond turn = Framing.turned(own, to, roll).orElse(null);
    if (turn == null) {
      assertThat(Math.abs(to.y) / to.length()).isGreaterThan(0.8);
      return;
    }
    Vector3d seen = own.normalize(new Vector3d()).rotate(turn);
    assertThat(seen.distance(to.normalize(new Vector3d()))).isLessThan(EXACT);
    if (Math.abs(Turns.panTiltRoll(turn)[1]) < 1.5) {
      double off = Turns.panTiltRoll(turn, new double[] {0, 0, roll})[2] - roll;
      assertThat(Math.abs(Math.IEEEremainder(off, Math.PI))).isLessThan(1e-6);
    }
  }

  private static double[] inPicture(Shot shot, double frame, Subject subject) {
    Evaluation now = Evaluation.at(shot, frame);
    LensTrack lens = now.of("cam").lens().orElseThrow();
    Sight sight = lens.sight(0, now.pose("cam", 0));
    Subject.Ball ball = subject.at(now, 0);
    Vector3d seen = sight.seen(ball.centre());
    double[] at = sight.inPicture(seen);
    return new double[] {
      at[0], at[1] / sight.height(), Framing.sizeOf(seen, ball.radius(), sight.up())
    };
  }

  private static FrameSubject edit(FrameUp.Way way, int from, int to, String... subjects) {
    OptionalDouble size =
        way == FrameUp.Way.TURN ? OptionalDouble.empty() : OptionalDouble.of(0.35);
    return new FrameSubject(
        "cam", List.of(subjects), new Framing(-0.17, 0.1), size, way, from, to, Keying.TOUCHED);
  }

  @Test
  void subject_onACameraThatIsCarriedAndKeyed_sitsWhereItWasAskedTo() {
    Shot rig = Sets.rig();
    for (List<String> subjects : List.of(List.of("crate"), List.of("crate", "row"))) {
      Subject subject = new Subject(rig, subjects);
      for (FrameUp.Way way : FrameUp.Way.values()) {
        if (way == FrameUp.Way.ZOOM && subjects.size() > 1) {
          continue; // the camera stands among them
        }
        Shot framed = edit(way, 17, 17, subjects.toArray(String[]::new)).apply(rig);
        double[] at = inPicture(framed, 17, subject);
        assertThat(at[0]).as("%s", way).isCloseTo(-0.17, within(EXACT));
        assertThat(at[1]).as("%s", way).isCloseTo(0.1, within(EXACT));
        if (way != FrameUp.Way.TURN) {
          assertThat(at[2]).as("%s", way).isCloseTo(0.35, within(1e-8));
        }
      }
    }
  }

  @Test
  void subject_overAStretch_staysThere_andWhatIsOutsideOfItStaysAsItWas() {
    Shot rig = Sets.rig();
    Subject subject = new Subject(rig, List.of("crate"));
    Shot framed = edit(FrameUp.Way.TURN, 12, 30, "crate").apply(rig);
    for (double frame = 12; frame <= 30; frame += 0.5) {
      double[] at = inPicture(framed, frame, subject);
      assertThat(at[0]).isCloseTo(-0.17, within(2e-4));
      assertThat(at[1]).isCloseTo(0.1, within(2e-4));
    }
    for (double frame : new double[] {1, 6, 11, 31, 40, 50}) {
      RigidPose was = Evaluation.at(rig, frame).pose("cam", 0);
      RigidPose is = Evaluation.at(framed, frame).pose("cam", 0);
      assertThat(Turns.angleBetween(was.turn(), is.turn())).isLessThan(1e-9);
    }
  }

  @Test
  void subject_keptLive_sitsThereOnEveryFrameOfTheWindow_alsoBetweenFrames() {
    Shot rig = Sets.rig();
    for (double frame = 15; frame <= 35; frame += 1.25) {
      Evaluation now = Evaluation.at(rig, frame);
      LensTrack lens = now.of("framer").lens().orElseThrow();
      RigidPose pose = now.pose("framer", 0);
      Sight sight = lens.sight(0, pose);
      Vector3d centre = now.pose("crate", 0).apply(new Vector3d(0, 0.5, 0));
      Vector3d seen = sight.seen(centre);
      double across = now.of("framer").values(new Path("frame-a", "across"))[0] / 100;
      double size = now.of("framer").values(new Path("frame-a", "size"))[0] / 100;
      assertThat(sight.inPicture(seen)[0]).isCloseTo(across, within(EXACT));
      assertThat(sight.inPicture(seen)[1]).isCloseTo(0, within(EXACT));
      assertThat(Framing.sizeOf(seen, 0.87, sight.up())).isCloseTo(size, within(EXACT));
    }
  }

  private static Shot kept(Shot shot, FrameUp.Way way, String... subjects) {
    OptionalDouble size =
        way == FrameUp.Way.TURN ? OptionalDouble.empty() : OptionalDouble.of(0.35);
    return new KeepFramed("cam", "kept", List.of(subjects), new Framing(-0.17, 0.1), size, way)
        .apply(shot);
  }

  /** The rig, with a barrel far behind it that moves and grows, and a cask beside that. */
  private static Shot withBarrels() {
    List<Part> parts =
        new ArrayList<>(
            Chain.pose()
                .restingAt(2, 0, -30, 30, 0, 0)
                .with(Path.X, Sets.keyed(1, 2, 50, 5))
                .parts());
    parts.add(Look.USUAL);
    Chain chain =
        new Chain(parts).with(new Path("look", "size"), Sets.keyed(1, 1, 50, 2).withRest(1));
    List<Node> nodes = new ArrayList<>(Sets.rig().nodes());
    nodes.add(barrel("barrel", chain));
    nodes.add(barrel("cask", Chain.pose().restingAt(-1, 0.4, -33, 0, 20, 0)));
    return Sets.rig().withNodes(nodes);
  }

  private static Node barrel(String id, Chain chain) {
    return new Node.Piece(
        new NodeBody(id, id, false, chain, TakesKeys.ALL),
        new Shape.Cylinder(0.4, 0.3, 1.2),
        Finish.matt("#8a6a45"));
  }

  /** One or several, whatever they do and however large they get: as it would be keyed there. */
  @Test
  void whatIsKeptLive_isOnEveryFrame_whereFramingUpWouldPutIt() {
    Shot rig = withBarrels();
    for (List<String> subjects : List.of(List.of("barrel"), List.of("cask", "barrel"))) {
      Subject subject = new Subject(rig, subjects);
      for (FrameUp.Way way : FrameUp.Way.values()) {
        Shot live = kept(rig, way, subjects.toArray(String[]::new));
        for (double frame : new double[] {1, 9.5, 17, 33, 60}) {
          double[] at = inPicture(live, frame, subject);
          assertThat(at[0])
              .as("%s of %s at %s", way, subjects, frame)
              .isCloseTo(-0.17, within(EXACT));
          assertThat(at[1])
              .as("%s of %s at %s", way, subjects, frame)
              .isCloseTo(0.1, within(EXACT));
          if (way != FrameUp.Way.TURN) {
            assertThat(at[2])
                .as("%s of %s at %s", way, subjects, frame)
                .isCloseTo(0.35, within(1e-8));
          }
        }
      }
    }
  }

  /** From nearer than any lens allows, that is taken which allows to be nearest. */
  @Property(tries = 60)
  void aZoomThatCannotBe_takesTheLensThatComesNearest(@ForAll Random random) {
    Gate gate = shifted(random);
    Framing framing = new Framing(between(random, -0.5, 0.5), between(random, -0.5, 0.5));
    double size = between(random, 0.05, 0.5);
    double nearest = framing.nearestFocalMm(gate, 0.1, 0.7, size);
    for (double focal = 1; focal < 5000; focal *= 1.3) {
      assertThat(distance(gate, framing, nearest, size))
          .isLessThanOrEqualTo(distance(gate, framing, focal, size) + 1e-9);
    }
    assertThat(framing.nearestFocalMm(gate, 1e9, 0.7, size)).isEqualTo(5000);
  }

  private static double distance(Gate gate, Framing framing, double focal, double size) {
    return Framing.distanceM(framing.direction(gate, focal), 0.7, size, gate.tanUp(focal));
  }

  /** Turning behind a card that zooms goes by the focal length that the zoom has left. */
  @Test
  void cardsOneAfterAnother_goByWhatIsLeftOfTheLens_andAWeightOfHalfZoomsHalfWay() {
    Shot zooming = kept(Sets.rig(), FrameUp.Way.ZOOM, "crate");
    Shot both =
        new KeepFramed(
                "cam",
                "then",
                List.of("other"),
                new Framing(0.2, 0),
                OptionalDouble.empty(),
                FrameUp.Way.TURN)
            .apply(zooming);
    Evaluation now = Evaluation.at(both, 12);
    LensTrack lens = now.of("cam").lens().orElseThrow();
    assertThat(lens.focalMm()[0])
        .isEqualTo(Evaluation.at(zooming, 12).of("cam").lens().orElseThrow().focalMm()[0]);
    Sight sight = lens.sight(0, now.pose("cam", 0));
    Vector3d other = sight.seen(new Subject(both, List.of("other")).at(now, 0).centre());
    assertThat(sight.inPicture(other)[0]).isCloseTo(0.2, within(EXACT));
    Node cam = zooming.node("cam");
    Path weight = new Path("kept", "weight");
    Shot half = zooming.withNode(cam.withChain(cam.chain().with(weight, Curve.still(0.5))));
    double whole = focal(zooming);
    assertThat(focal(half)).isCloseTo((focal(Sets.rig()) + whole) / 2, within(1e-9));
    assertThat(whole).isNotCloseTo(focal(Sets.rig()), within(1.0));
  }

  private static double focal(Shot shot) {
    return Evaluation.at(shot, 12).of("cam").lens().orElseThrow().focalMm()[0];
  }

  /** An edit takes over what it does not change, and makes anew what follows the zoom. */
  @Test
  void aZoomThatIsKept_isMadeAnewWithItsSubjectOnly() {
    Shot zooming = kept(Sets.rig(), FrameUp.Way.ZOOM, "crate");
    Evaluation first = Evaluation.of(zooming);
    Node keeper = zooming.node("other");
    Shot apart = zooming.withNode(keeper.withBody(keeper.body().withName("Elsewhere")));
    Evaluation second = Evaluation.of(apart, first.grid(), first);
    assertThat(second.shares("cam", first)).isTrue();
    Node crate = zooming.node("crate");
    Path z = Path.Z;
    Curve moved = Curve.still(crate.chain().curve(z).at(1) - 3);
    Shot away = zooming.withNode(crate.withChain(crate.chain().with(z, moved)));
    Evaluation third = Evaluation.of(away, first.grid(), first);
    assertThat(third.shares("cam", first)).isFalse();
    double[] fresh = Evaluation.of(away).of("cam").lens().orElseThrow().focalMm();
    assertThat(third.of("cam").lens().orElseThrow().focalMm()).isEqualTo(fresh);
  }

  @Test
  void whatCannotBeKept_isRefusedWithTheReason() {
    assertThatThrownBy(() -> kept(Sets.rig(), FrameUp.Way.DOLLY, "other-child"))
        .hasMessageContaining("size is of what has none");
    assertThatThrownBy(() -> kept(Sets.rig(), FrameUp.Way.TURN, "cam"))
        .hasMessageContaining("which moves with the camera");
  }

  @Test
  void whatCannotBe_isRefusedWithTheReason() {
    Shot rig = Sets.rig();
    assertThatThrownBy(() -> edit(FrameUp.Way.ZOOM, 3, 3, "other").apply(rig))
        .isInstanceOf(RefusedException.class)
        .hasMessageContaining("size is of what has none");
    assertThatThrownBy(() -> edit(FrameUp.Way.TURN, 3, 3, "cam").apply(rig))
        .hasMessageContaining("which moves with the camera");
    assertThatThrownBy(
            () ->
                new FrameSubject(
                    "cam",
                    List.of("crate"),
                    new Framing(0, 0),
                    OptionalDouble.of(1),
                    FrameUp.Way.TURN,
                    1,
                    1,
                    Keying.TOUCHED))
        .hasMessageContaining("a size with dolly or zoom, none with turn");
  }
}

package idlelens.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Beyond;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.edit.CloseSeam;
import idlelens.core.edit.Sets;
import idlelens.core.edit.SwitchPart;
import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.Look;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.part.Shine;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.scene.TakesKeys;
import idlelens.core.set.Drift;
import idlelens.core.set.Finish;
import idlelens.core.set.Pictures;
import idlelens.core.set.Repetition;
import idlelens.core.set.Shape;
import idlelens.core.set.Still;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class SeamTest {
  private static final double ROUNDING = 1e-9;
  private static final double RADIUS = 3;

  /** Straight from a value to another in so many frames, and on like that. */
  private static Curve running(double from, double to, double frames) {
    List<Key> keys =
        List.of(
            new Key(1, from, Tangent.Kind.STRAIGHT),
            new Key(1 + frames, to, Tangent.Kind.STRAIGHT));
    return new Curve(from, keys, Beyond.CYCLE_AND_CARRY, Beyond.CYCLE_AND_CARRY);
  }

  private static NodeBody body(String id, String by, Chain chain) {
    return by.isEmpty()
        ? new NodeBody(id, id, false, chain, TakesKeys.ALL)
        : new NodeBody(id, id, false, new Carriage(by, RigidPose.IDENTITY), chain);
  }

  private static Shot shot(int out, Node... nodes) {
    ShotHeader header =
        new ShotHeader(
            "Loop", FrameRate.of(24), new FrameRange(1, out), 8, 1.5, 1, Tangent.Kind.SETTLE);
    return new Shot(header, List.of(nodes));
  }

  /** A turntable of 240 frames with a camera at its rim. */
  private static Shot turntable(int out) {
    Chain table = Chain.pose().with(Path.PAN, running(0, 360, 240));
    return shot(
        out,
        new Node.Null(body("table", "", table)),
        new Node.Camera(
            body("cam", "table", Chain.poseAndLens().restingAt(0, 1, RADIUS, 0, 0, 0))));
  }

  private static Seam seam(Shot shot, String repeat) {
    return new Seam.Sides(shot, repeat, 1).of("cam");
  }

  @Test
  void turntable_ofItsPeriod_closes() {
    assertThat(seam(turntable(240), "").closes(ROUNDING)).isTrue();
  }

  /** Frame 242 is one step of 1.5 degrees beyond the round. */
  @Test
  void turntable_withOneFrameTooMany_isOffByExactlyAStep() {
    Seam seam = seam(turntable(241), "");
    assertThat(seam.placeM())
        .isCloseTo(2 * RADIUS * Math.sin(Math.toRadians(0.75)), within(ROUNDING));
    assertThat(seam.turnDeg()).isCloseTo(1.5, within(ROUNDING));
    double speed = RADIUS * Math.toRadians(1.5) * 24;
    assertThat(seam.speedM())
        .isCloseTo(2 * speed * Math.sin(Math.toRadians(0.75)), within(ROUNDING));
    assertThat(seam.turnSpeedDeg()).isCloseTo(0, within(ROUNDING));
    assertThat(seam.lens().orElseThrow().focalMm()).isZero();
    assertThat(seam.lens().orElseThrow().widths()).isGreaterThan(0.01);
  }

  /** Rises 1.35 m and turns a sixth in 96 frames, through a stair that repeats like that. */
  private static Shot stair(int out) {
    Chain lift = Chain.pose().with(Path.PAN, running(0, 60, 96)).with(Path.Y, running(0, 1.35, 96));
    return shot(
        out,
        new Node.Repeat(
            body("stair", "", Chain.pose().restingAt(2, 0, -5, 40, 0, 0)),
            new Repetition(-3, 12, 0, 1.35, 0, 60, 0, 0, 0, 0, 1)),
        new Node.Null(body("place", "", Chain.pose().restingAt(2, 0, -5, 0, 0, 0))),
        new Node.Null(body("lift", "place", lift)),
        new Node.Camera(
            body("cam", "lift", Chain.poseAndLens().restingAt(0, 1.6, 2.2, 70, -5, 0))));
  }

  @Test
  void stair_movedOnByItsStep_closes_withoutItDoesNot() {
    assertThat(seam(stair(96), "stair").closes(ROUNDING)).isTrue();
    Seam without = seam(stair(96), "");
    assertThat(without.turnDeg()).isCloseTo(60, within(ROUNDING));
    assertThat(without.placeM()).isCloseTo(Math.hypot(1.35, 2.2), within(ROUNDING));
  }

  @Test
  void stair_withOneFrameTooMany_isOffByExactlyAStep() {
    Seam seam = seam(stair(97), "stair");
    double chord = 2 * 2.2 * Math.sin(Math.toRadians(60.0 / 96 / 2));
    assertThat(seam.placeM()).isCloseTo(Math.hypot(1.35 / 96, chord), within(ROUNDING));
    assertThat(seam.turnDeg()).isCloseTo(60.0 / 96, within(ROUNDING));
  }

  @Test
  void whatDoesNotDivideTheLoop_isNamedWithThePeriodThatWould() {
    Chain spinning = Chain.pose().with(Path.PAN, running(0, 360, 70));
    Chain dividing = Chain.pose().with(Path.PAN, running(0, 360, 60));
    Chain leaving = Chain.pose().with(Path.X, Sets.keyed(1, 0, 200, 5));
    Shot shot =
        shot(
            240,
            new Node.Null(body("vane", "", spinning)),
            new Node.Null(body("on-vane", "vane", Chain.pose().restingAt(1, 0, 0, 0, 0, 0))),
            new Node.Null(body("wheel", "", dividing)),
            new Node.Null(body("ferry", "", leaving)),
            new Node.Null(body("quay", "", Chain.pose())));
    List<OpenAtSeam> open = OpenAtSeam.find(shot, new Seam.Sides(shot, "", 1), 1e-6);
    assertThat(open).extracting(OpenAtSeam::nodeId).containsExactly("vane", "ferry");
    assertThat(open.get(0).period()).hasValue(70);
    assertThat(open.get(0).would()).hasValue(80);
    assertThat(open.get(1).period()).isEmpty();
    assertThat(open.get(1).seam().placeM()).isCloseTo(5, within(ROUNDING));
  }

  private static Node.Mist mist(double metresPerSecond, boolean loops) {
    Drift drift = new Drift(90, 5, 30, 4, 20, 1, metresPerSecond, 0, 0.31, "#ffffff", 0.2, loops);
    return new Node.Mist(body("mist", "", Chain.pose()), drift);
  }

  @Test
  void mist_thatDoesNotComeBack_isNamedWithItsPeriod_oneThatLoopsIsNot() {
    Shot drifting = shot(240, mist(2.9, false));
    OpenAtSeam open = OpenAtSeam.find(drifting, new Seam.Sides(drifting, "", 1), 1e-6).get(0);
    assertThat(open.nodeId()).isEqualTo("mist");
    assertThat(open.period().orElseThrow()).isCloseTo(20 / 0.31 * 24, within(ROUNDING));
    Shot looping = shot(240, mist(2.9, true));
    assertThat(OpenAtSeam.find(looping, new Seam.Sides(looping, "", 1), 1e-6)).isEmpty();
  }

  /**
   * After a round every puff stands where one stood at the start, at nearly the speed asked for.
   */
  @Property(tries = 40)
  void mist_thatLoops_isTheSameAfterARound(@ForAll Random random) {
    Drift drift = mist((random.nextDouble() - 0.5) * 12, true).drift();
    ShotHeader header = shot(40 + random.nextInt(300)).header();
    float[] places = drift.places(header.rate(), header.range());
    double[] velocity = drift.velocity(header.rate(), header.range());
    double seconds = header.range().length() / 24.0;
    for (int i = 0; i < places.length; i += 3) {
      double nearest = Double.POSITIVE_INFINITY;
      for (int k = 0; k < places.length; k += 3) {
        double off = 0;
        for (int axis = 0; axis < 3; axis++) {
          double way = places[i + axis] + velocity[axis] * seconds - places[k + axis];
          off = Math.max(off, Math.abs(Math.IEEEremainder(way, drift.box()[axis])));
        }
        nearest = Math.min(nearest, off);
      }
      assertThat(nearest).isLessThan(1e-4);
    }
    double asked = Math.hypot(drift.x(), drift.z());
    double is = Math.hypot(velocity[0], velocity[2]);
    assertThat(is).isCloseTo(asked, within(1.0 + 0.5 * asked));
  }

  /** A fixed sun shines from elsewhere once the camera has gone up the stair. */
  @Test
  void lightThatStays_isNamedInALoopThatTurns_oneThatRidesAlongIsNot() {
    Shot stair = stair(96);
    Node.Sun fixed = new Node.Sun(body("sun", "", Chain.pose()), "#ffffff", 1);
    Node.Sun riding = new Node.Sun(body("sun", "lift", Chain.pose()), "#ffffff", 1);
    assertThat(open(stair, fixed)).containsExactly("sun");
    assertThat(open(stair, riding)).isEmpty();
  }

  private static Node.Piece glowing(String by, Curve glow, Finish finish) {
    List<Part> parts = new ArrayList<>(Chain.pose().parts());
    parts.add(Look.USUAL);
    Chain chain = new Chain(parts).with(new Path("look", "glow"), glow);
    return new Node.Piece(body("lamp", by, chain), new Shape.Card(1, 1), finish);
  }

  private static Curve pulse(double frames, Beyond beyond) {
    return new Curve(
        0,
        List.of(
            new Key(1, 0, Tangent.Kind.SETTLE),
            new Key(1 + frames / 2, 3, Tangent.Kind.SETTLE),
            new Key(1 + frames, 0, Tangent.Kind.SETTLE)),
        beyond,
        beyond);
  }

  private static final Finish GLOW = new Finish("#ffd878", Finish.Kind.GLOW);

  @Test
  void glowThatDoesNotComeBack_isNamedWithItsPeriod_andHowFarItIsOff() {
    Shot shot = shot(240, glowing("", pulse(70, Beyond.CYCLE), GLOW));
    OpenAtSeam open = OpenAtSeam.find(shot, new Seam.Sides(shot, "", 1), 1e-6).get(0);
    assertThat(open.seam().comesBack(ROUNDING)).isTrue();
    assertThat(open.period()).hasValue(70);
    assertThat(open.would()).hasValue(80);
    Curve glow = pulse(70, Beyond.CYCLE);
    Seam.OfLook look = open.seam().looks().get(0);
    assertThat(look.name()).isEqualTo("look.glow");
    assertThat(look.off()).isCloseTo(Math.abs(glow.at(241) - glow.at(1)), within(ROUNDING));
    double slope = (glow.at(241 + 1e-4) - glow.at(241 - 1e-4)) / 2e-4 * 24;
    assertThat(look.speed()).as("it sets off from rest").isCloseTo(Math.abs(slope), within(1e-5));
    Shot dividing = shot(240, glowing("", pulse(60, Beyond.CYCLE), GLOW));
    assertThat(OpenAtSeam.find(dividing, new Seam.Sides(dividing, "", 1), 1e-6)).isEmpty();
  }

  /** A size that comes back in time is neither named nor does it hide the period of the glow. */
  @Test
  void ofTwoLooks_onlyTheOneThatIsOffIsNamed_withItsOwnPeriod() {
    Node.Piece lamp = glowing("", pulse(70, Beyond.CYCLE), GLOW);
    Curve size =
        new Curve(
            1,
            List.of(
                new Key(1, 1, Tangent.Kind.SETTLE),
                new Key(61, 2, Tangent.Kind.SETTLE),
                new Key(121, 1, Tangent.Kind.SETTLE)),
            Beyond.CYCLE,
            Beyond.CYCLE);
    Node both = lamp.withChain(lamp.chain().with(new Path("look", "size"), size));
    OpenAtSeam open = open(both).get(0);
    assertThat(open.seam().looks()).extracting(Seam.OfLook::name).containsExactly("look.glow");
    assertThat(open.period()).hasValue(70);
    assertThat(open.would()).hasValue(80);
  }

  /** Its pose comes back already, and so is left alone; the glow comes back with its speed. */
  @Test
  void closeSeam_ofAGlow_closesItAndKeepsThePose() {
    Chain table = Chain.pose().with(Path.PAN, running(0, 360, 240));
    Shot shot =
        shot(
            240,
            new Node.Null(body("table", "", table)),
            glowing("table", Sets.keyed(1, 0, 100, 2, 230, 1), GLOW));
    Shot closed = new CloseSeam(List.of("lamp"), "", 1).apply(shot);
    assertThat(OpenAtSeam.find(closed, new Seam.Sides(closed, "", 1), 1e-9)).isEmpty();
    Chain is = closed.node("lamp").chain();
    assertThat(is.keyFrames(Path.POSE)).isEmpty();
    assertThat(is.curve(new Path("look", "glow")).keys())
        .extracting(Key::frame)
        .containsExactly(1.0, 100.0, 241.0);
    assertThat(new CloseSeam(List.of("lamp"), "", 1).apply(closed)).isEqualTo(closed);
  }

  @Test
  void glowOfACardThatIsOff_opensNothing_andIsNotClosed() {
    Shot shot = shot(240, glowing("", Sets.keyed(1, 0, 200, 2), GLOW));
    Shot off = new SwitchPart("lamp", "look", false).apply(shot);
    assertThat(OpenAtSeam.find(off, new Seam.Sides(off, "", 1), 1e-9)).isEmpty();
    assertThat(new CloseSeam(List.of("lamp"), "", 1).apply(off)).isEqualTo(off);
  }

  @Test
  void brightnessOfASun_isJudgedToo_wherePoseAndCarrierClose() {
    List<Part> parts = new ArrayList<>(Chain.pose().parts());
    parts.add(Shine.USUAL);
    Chain chain = new Chain(parts).with(new Path("shine", "stops"), Sets.keyed(1, 0, 241, 2));
    Shot shot = shot(240, new Node.Sun(body("sun", "", chain), "#ffffff", 1));
    OpenAtSeam open = OpenAtSeam.find(shot, new Seam.Sides(shot, "", 1), 1e-6).get(0);
    assertThat(open.seam().comesBack(ROUNDING)).isTrue();
    assertThat(open.seam().looks().get(0).off()).isCloseTo(2, within(ROUNDING));
  }

  private static Node.Piece playing(FrameRate rate, Pictures.After after, int count) {
    List<Still> stills = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      stills.add(new Still(String.format("%064x", i), 8, 8, 1));
    }
    return glowing("", Curve.still(0), GLOW.withPictures(new Pictures(stills, rate, 7, after)));
  }

  private static List<OpenAtSeam> open(Node node) {
    Shot shot = shot(240, node);
    return OpenAtSeam.find(shot, new Seam.Sides(shot, "", 1), 1e-6);
  }

  @Test
  void picturesThatDoNotComeBack_areNamed_andDoAtTheRateThatIsOffered() {
    FrameRate ten = FrameRate.of(10);
    OpenAtSeam open = open(playing(ten, Pictures.After.CYCLE, 7)).get(0);
    assertThat(open.period().orElseThrow()).isCloseTo(16.8, within(ROUNDING));
    assertThat(open.would().orElseThrow()).isCloseTo(240.0 / 14, within(ROUNDING));
    assertThat(open.seam().looks().get(0).off()).isCloseTo(2, within(ROUNDING));
    Pictures pictures = playing(ten, Pictures.After.CYCLE, 7).finish().pictures().orElseThrow();
    FrameRate closing = pictures.closing(new FrameRange(1, 240), FrameRate.of(24)).orElseThrow();
    assertThat(closing).isEqualTo(new FrameRate(49, 5));
    assertThat(open(playing(closing, Pictures.After.CYCLE, 7))).isEmpty();
    assertThat(open(playing(ten, Pictures.After.CYCLE, 1))).isEmpty();
    assertThat(open(playing(ten, Pictures.After.HOLD, 7)).get(0).period()).isEmpty();
    assertThat(open(playing(ten, Pictures.After.HOLD, 200))).as("still running").hasSize(1);
  }

  /**
   * Whatever rate and length: at the rate offered it shows at every frame what it did a loop ago.
   */
  @Property(tries = 100)
  void closingRate_bringsBackEveryPicture(@ForAll Random random) {
    FrameRate shot =
        random.nextBoolean() ? FrameRate.of(1 + random.nextInt(60)) : new FrameRate(24000, 1001);
    FrameRange loop = new FrameRange(1, 1 + random.nextInt(400));
    FrameRate rate = FrameRate.of(1 + random.nextInt(60));
    Pictures pictures =
        playing(rate, Pictures.After.CYCLE, 2 + random.nextInt(20)).finish().pictures().get();
    pictures
        .closing(loop, shot)
        .ifPresent(
            closing -> {
              Pictures is = pictures.cycling(closing);
              assertThat(is.offAfter(loop, shot)).isZero();
              for (int frame = loop.in(); frame <= loop.out(); frame += 1 + random.nextInt(9)) {
                assertThat(is.at(frame + 0.1 + loop.length(), shot))
                    .isEqualTo(is.at(frame + 0.1, shot));
              }
            });
  }

  private static List<String> open(Shot shot, Node more) {
    List<Node> nodes = new ArrayList<>(shot.nodes());
    nodes.add(more);
    Shot with = new Shot(shot.header(), nodes);
    return OpenAtSeam.find(with, new Seam.Sides(with, "stair", 1), 1e-6).stream()
        .map(OpenAtSeam::nodeId)
        .toList();
  }

  /** Whatever a camera and its carrier do, with and without a step: the cure closes the loop. */
  @Property(tries = 40)
  void closeSeam_onAnyRig_closesWithItsSpeed_andKeepsTheMotionToTheLastKey(@ForAll Random random) {
    Chain lift = Chain.pose();
    Chain camera = Chain.poseAndLens().restingAt(0, 1, 2, 10, -5, 2);
    for (Path path : Path.POSE) {
      lift = random.nextBoolean() ? lift.with(path, any(random)) : lift;
      camera = random.nextBoolean() ? camera.with(path, any(random)) : camera;
    }
    lift = lift.with(Path.X, any(random)); // what has no key at all would drift from the start
    camera = camera.with(Path.Y, any(random));
    camera = camera.with(Path.FOCAL, Sets.keyed(1, 35, 30, 50).withRest(35));
    Repetition row = new Repetition(0, 5, 0.5, 1, -2, 30, 0, 0, 0, 0, 1);
    Shot shot =
        shot(
            60,
            new Node.Repeat(body("row", "", Chain.pose().restingAt(1, 0, 0, 20, 0, 0)), row),
            new Node.Null(body("lift", "", lift)),
            new Node.Camera(body("cam", "lift", camera)));
    for (String repeat : List.of("", "row")) {
      Shot closed = new CloseSeam(List.of("lift", "cam"), repeat, 1).apply(shot);
      Seam seam = seam(closed, repeat);
      assertThat(seam.placeM()).isLessThan(ROUNDING);
      assertThat(seam.turnDeg()).isLessThan(ROUNDING);
      assertThat(seam.speedM()).isLessThan(1e-5);
      assertThat(seam.turnSpeedDeg()).isLessThan(1e-4);
      assertThat(seam.lens().orElseThrow().focalMm()).isZero();
      Evaluation was = Evaluation.of(shot);
      Evaluation is = Evaluation.of(closed);
      for (int frame = 1; frame <= 20; frame++) { // all keys but the last are before frame 21
        RigidPose a = was.pose("cam", frame + 7);
        assertThat(is.pose("cam", frame + 7).place().distance(a.place())).isLessThan(ROUNDING);
      }
      assertThat(new CloseSeam(List.of("lift", "cam"), repeat, 1).apply(closed))
          .as("closed already")
          .satisfies(again -> assertThat(seam(again, repeat).placeM()).isLessThan(ROUNDING));
    }
  }

  @Test
  void closeSeam_ofARoundThatEndsWithAKeyOnTheLastFrame_letsThatGiveWay() {
    Chain camera =
        Chain.poseAndLens()
            .with(Path.X, Sets.keyed(1, 0, 20, 2, 60, 0.1))
            .with(Path.PAN, Sets.keyed(1, 5, 30, 40, 60, 362));
    Shot shot = shot(60, new Node.Camera(body("cam", "", camera)));
    Shot closed = new CloseSeam(List.of("cam"), "", 1).apply(shot);
    assertThat(seam(closed, "").closes(ROUNDING)).isTrue();
    Chain is = closed.node("cam").chain();
    assertThat(is.curve(Path.X).keys()).extracting(Key::frame).containsExactly(1.0, 20.0, 61.0);
    assertThat(is.curve(Path.PAN).keys()).extracting(Key::value).containsExactly(5.0, 40.0, 365.0);
    assertThat(is.curve(Path.X).after()).isEqualTo(Beyond.CYCLE_AND_CARRY);
  }

  /** Four keys; behind the third, at frame 21, tangents may change. */
  private static Curve any(Random random) {
    return Sets.keyed(
        1, random.nextDouble(), 8, random.nextDouble(), 21, random.nextDouble() * 5, 40, 1);
  }
}

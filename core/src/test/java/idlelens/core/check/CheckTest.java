package idlelens.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Beyond;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Curves;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.edit.ConvertRate;
import idlelens.core.edit.Edit;
import idlelens.core.edit.HoldUntil;
import idlelens.core.edit.Keying;
import idlelens.core.edit.Picks;
import idlelens.core.edit.SetValues;
import idlelens.core.edit.Sets;
import idlelens.core.lens.SensorFormat;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Lens;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;

class CheckTest {
  private static final Shot RIG = Sets.rig();

  private static Shot with(String id, Path channel, Curve curve) {
    Node node = RIG.node(id);
    return RIG.withNode(node.withChain(node.chain().with(channel, curve)));
  }

  /** Place keyed at 1, 20, 40; tilt at 1 and 40 only: it sets off too early. */
  private static Shot creeping() {
    Shot shot = with("cam", Path.Y, Sets.keyed(1, 0, 20, 1, 40, 0));
    Node node = shot.node("cam");
    return shot.withNode(node.withChain(node.chain().with(Path.X, Sets.keyed(1, 0, 20, 0, 40, 1))));
  }

  @Test
  void creep_channelNotKeyedAtAPoseKey_isFoundWithItsAmount() {
    Node node = creeping().node("cam");
    double moved = node.chain().curve(Path.TILT).at(20);
    assertThat(Creep.find(creeping(), node)).containsExactly(new Creep(Path.TILT, 1, 20, moved));
  }

  @Test
  void creep_onceHeld_isGone_andTheMoveStartsAtThePoseKey() {
    Edit cure = new HoldUntil(Picks.of("cam", List.of(Path.TILT), List.of(20.0)));
    Shot cured = cure.apply(creeping());
    Curve tilt = cured.node("cam").chain().curve(Path.TILT);
    assertThat(Creep.find(cured, cured.node("cam"))).isEmpty();
    for (double frame = 1; frame <= 20; frame += 0.5) {
      assertThat(tilt.at(frame)).isEqualTo(0);
    }
    assertThat(tilt.at(40)).isEqualTo(-30);
    assertThat(tilt.at(25)).isNegative();
  }

  @Test
  void creep_forwardThenTurn_isFoundThoughTheTurnHasTwoKeysOnly() {
    Node cam = keyed("cam", Path.Z, Sets.keyed(1, 0, 20, -4, 40, -4));
    cam = cam.withChain(cam.chain().with(Path.X, Curve.still(0)));
    double moved = cam.chain().curve(Path.TILT).at(20);
    assertThat(Creep.find(RIG, cam)).containsExactly(new Creep(Path.TILT, 1, 20, moved));
  }

  @Test
  void creep_whereTheOtherMotionGoesOn_isNone() {
    Node cam = keyed("cam", Path.Z, Sets.keyed(1, 0, 20, -4, 40, -6));
    cam = cam.withChain(cam.chain().with(Path.X, Curve.still(0)));
    assertThat(Creep.find(RIG, cam)).isEmpty();
  }

  @Test
  void creep_besideAMotionThatCyclesOn_isNone() {
    Curve rolling = Sets.keyed(1, 0, 10, 1, 20, 0).withBeyond(Beyond.CYCLE, Beyond.CYCLE);
    Node cam = keyed("cam", Path.ROLL, rolling);
    cam = cam.withChain(cam.chain().with(Path.X, Curve.still(0)));
    assertThat(Creep.find(RIG, cam)).isEmpty();
  }

  @Test
  void creep_belowACarrier_isFoundWhereThatComesToRest_notWhereItSetsOffOrGoesOn() {
    Map<Curve, List<Double>> missing =
        Map.of(
            Sets.keyed(1, 0, 20, -4, 40, -4), List.of(20.0),
            Sets.keyed(1, 0, 20, 0, 40, -4), List.of(),
            Sets.keyed(1, 0, 20, -2, 40, -4), List.of());
    missing.forEach(
        (z, frames) -> {
          Node cam = RIG.node("cam");
          Node arm = RIG.node("arm");
          Map<Path, Curve> rolling =
              Map.of(Path.Z, z, Path.PAN, Curve.still(0), Path.Y, Curve.still(0));
          Shot shot =
              RIG.withNode(arm.withChain(arm.chain().with(rolling)))
                  .withNode(cam.withChain(cam.chain().with(Path.X, Curve.still(0))));
          assertThat(Creep.find(shot, shot.node("cam")))
              .extracting(Creep::missing)
              .isEqualTo(frames);
        });
  }

  private static Node keyed(String id, Path path, Curve curve) {
    return with(id, path, curve).node(id);
  }

  @Test
  void creep_stillOrWhollyKeyed_isNone() {
    assertThat(Creep.find(RIG, RIG.node("crate"))).isEmpty();
    assertThat(Creep.find(RIG, RIG.node("base"))).isEmpty();
  }

  @Test
  void pace_evenMove_isTheSpeedEverywhere() {
    // 3 m and 4 m in 10 frames at 24 a second: 0.5 m a frame, 12 m/s
    Curve x = Curves.of(Tangent.Kind.STRAIGHT, 1, 0, 11, 3);
    Shot shot = with("crate", Path.X, x);
    Node node = shot.node("crate");
    shot =
        shot.withNode(
            node.withChain(
                node.chain().with(Path.Z, Curves.of(Tangent.Kind.STRAIGHT, 1, 0, 11, 4))));
    Evaluation motion = Evaluation.of(shot);
    double[] speed =
        Pace.metresPerSecond(motion.of("crate").world(), FrameRate.of(24), new TreeSet<>());
    int at = (int) (5 - motion.grid().first());
    assertThat(speed[at]).isCloseTo(12, within(1e-9));
    assertThat(Pace.metresPerSecond(motion.of("other").world(), FrameRate.of(24), new TreeSet<>()))
        .containsExactly(0);
  }

  @Test
  void difference_knownShiftAndTurn_areMeasuredWithTheirFrames() {
    Shot moved = with("crate", Path.X, Curves.of(Tangent.Kind.HOLD, 1, 1, 30, 1.25, 31, 1));
    Node node = moved.node("crate");
    moved = moved.withNode(node.withChain(node.chain().with(Path.PAN, Curve.still(15))));
    Difference between = Difference.between(Evaluation.of(RIG), Evaluation.of(moved), "crate");
    assertThat(between.place().amount()).isCloseTo(0.25, within(1e-12));
    assertThat(between.place().frame()).isEqualTo(30);
    assertThat(between.turn().amount()).isCloseTo(3, within(1e-9));
    assertThat(between.focal()).isEmpty();
  }

  @Test
  void difference_lens_isMeasuredInItsUnits() {
    Shot longer = with("cam", Path.FOCAL, Curve.still(50));
    Difference between = Difference.between(Evaluation.of(RIG), Evaluation.of(longer), "cam");
    assertThat(between.focal().orElseThrow().amount()).isCloseTo(15, within(1e-12));
    assertThat(between.place().amount()).isZero();
  }

  @Test
  void difference_atAnotherRate_withTimeKept_isNoneAtTheSameMoments() {
    Shot fast = new ConvertRate(FrameRate.of(30), ConvertRate.Keep.TIME, false).apply(RIG);
    Evaluation now = Evaluation.of(fast);
    Evaluation before = Evaluation.of(RIG, now.grid().moments(1, 1, 24 / 30.0), null);
    assertThat(Difference.between(before, now, "cam").place().amount()).isLessThan(1e-9);
    assertThat(Difference.between(before, now, "cam").turn().amount()).isLessThan(1e-6);
    // frame by frame they are not the same at all
    assertThat(Difference.between(Evaluation.of(RIG), now, "cam").place().amount())
        .isGreaterThan(0.1);
  }

  @Test
  void difference_isToldAtTheFrameWhereItIsLargest_ofTheFramesThatBothHave() {
    Shot later = RIG.withHeader(RIG.header().withTime(FrameRate.of(24), new FrameRange(21, 60), 0));
    Shot moved = new SetValues("crate", 40, Map.of(Path.Y, 0.75), Keying.STILL).apply(later);
    Difference.Peak still =
        Difference.between(Evaluation.of(RIG), Evaluation.of(moved), "crate").place();
    assertThat(still.amount()).isCloseTo(0.75, within(1e-12));
    assertThat(still.frame()).as("the first frame that both have").isEqualTo(21);
    Node node = later.node("cam");
    Curve bump = Sets.keyed(1, 0, 20, 2, 33, 4, 40, 1);
    Shot bumped = later.withNode(node.withChain(node.chain().with(Path.X, bump)));
    assertThat(Difference.between(Evaluation.of(RIG), Evaluation.of(bumped), "cam").place().frame())
        .isBetween(30.0, 36.0);
  }

  @Test
  void difference_anotherSensor_isSeenInTheFieldOfView() {
    Node.Camera camera = (Node.Camera) RIG.node("cam");
    Lens wide = camera.lens().withSensor(SensorFormat.FULL_FRAME.back());
    Shot changed = RIG.withNode(new Node.Camera(camera.body(), wide));
    Difference between = Difference.between(Evaluation.of(RIG), Evaluation.of(changed), "cam");
    assertThat(between.isAny()).isTrue();
    assertThat(between.view().orElseThrow().amount()).isGreaterThan(5);
    assertThat(between.focal().orElseThrow().amount()).isZero();
  }

  @Test
  void creep_betweenEqualKeys_isFoundWhereTheCurveSwings() {
    Curve swinging =
        new Curve(
            0,
            List.of(
                new Key(1, 2, Curves.free(5, 0, 5, 3)), new Key(40, 2, Curves.free(5, 0, 5, 0))));
    Node node = creeping().node("cam");
    Node tilted = node.withChain(node.chain().with(Path.TILT, swinging));
    assertThat(Creep.find(RIG, tilted)).extracting(Creep::path).contains(Path.TILT);
  }
}

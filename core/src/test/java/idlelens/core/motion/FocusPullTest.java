package idlelens.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.part.Chain;
import idlelens.core.part.Ease;
import idlelens.core.part.FocusMark;
import idlelens.core.part.FocusRule;
import idlelens.core.part.FocusRule.Along;
import idlelens.core.part.Hunt;
import idlelens.core.part.Lens;
import idlelens.core.part.Path;
import idlelens.core.part.Pull;
import idlelens.core.part.Target;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.SmallShots;
import idlelens.core.scene.TakesKeys;
import idlelens.core.shake.Ring;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Where focus is while it is pulled, hunts, or comes after what it follows. 24 frames a second. */
class FocusPullTest {
  private static final FocusMark LANTERN = at("lantern", 2);
  private static final FocusMark FERRY = at("ferry", 20);
  private static final Ease NONE = new Ease(0, 0, 0);

  private static FocusMark at(String id, double metres) {
    return new FocusMark(id, id, Optional.empty(), metres);
  }

  private static FocusMark on(String id, String node, double offsetM) {
    return new FocusMark(id, id, Optional.of(Target.OfNode.origin(node)), offsetM);
  }

  private static Pull pull(String id, double frame, double frames, String mark) {
    return new Pull(id, frame, frames, mark, NONE, Hunt.NONE);
  }

  private static FocusRule.Pulls pulls(Along along, List<FocusMark> marks, Pull... by) {
    return new FocusRule.Pulls(along, marks, List.of(by));
  }

  /** A camera at the origin, and a crate that goes away from it by 10 cm a frame, 4 m off at 0. */
  private static Shot shot(FocusRule rule) {
    Node camera =
        new Node.Camera(body("cam", Chain.poseAndLens().with(Lens.PLAIN.withFocus(rule))));
    Curve away = new Curve(0, List.of(straight(-100, 6), straight(300, -34)));
    Node crate = new Node.Null(body("crate", Chain.pose().with(Map.of(Path.Z, away))));
    return SmallShots.until(100, camera, crate);
  }

  private static Key straight(double frame, double value) {
    return new Key(frame, value, Tangent.Kind.STRAIGHT);
  }

  private static NodeBody body(String id, Chain chain) {
    return new NodeBody(id, id, false, chain, TakesKeys.ALL);
  }

  private static double focus(FocusRule rule, double frame) {
    return Evaluation.at(shot(rule), frame).of("cam").lens().orElseThrow().focusM()[0];
  }

  @Test
  void pull_isEvenInMetresOrAlongTheRing() {
    List<FocusMark> marks = List.of(LANTERN, FERRY);
    FocusRule metres = pulls(Along.METRES, marks, pull("a", 24, 24, "ferry"));
    FocusRule ring = pulls(Along.RING, marks, pull("a", 24, 24, "ferry"));

    assertThat(focus(metres, 10)).isEqualTo(2);
    assertThat(focus(metres, 30)).isCloseTo(2 + 18 / 4.0, within(1e-12));
    assertThat(focus(metres, 47.9)).isCloseTo(2 + 18 * 23.9 / 24, within(1e-12));
    assertThat(focus(metres, 60)).isEqualTo(20);
    assertThat(1 / focus(ring, 36)).isCloseTo((1 / 2.0 + 1 / 20.0) / 2, within(1e-12));
    assertThat(focus(ring, 60)).isEqualTo(20);
  }

  @Test
  void ease_goesOverAThirdFirst_asAMoveDoes() {
    Pull eased = new Pull("a", 0, 30, "ferry", new Ease(10, 10, 0), Hunt.NONE);
    FocusRule rule = pulls(Along.METRES, List.of(LANTERN, FERRY), eased);

    // speed rises for 10 frames, is even for 10: a quarter of the way, then a half more
    assertThat(focus(rule, 10)).isCloseTo(2 + 18 * 0.25, within(1e-12));
    assertThat(focus(rule, 15)).isCloseTo(11, within(1e-12));
    assertThat(focus(rule, 20)).isCloseTo(2 + 18 * 0.75, within(1e-12));
  }

  @Test
  void hunt_swingsAboutTheMark_andSettlesOnIt() {
    Hunt hunt = new Hunt(0.2, new Ring(2, 0.25));
    Pull pull = new Pull("a", 0, 12, "ferry", NONE, hunt);
    FocusRule rule = pulls(Along.METRES, List.of(LANTERN, FERRY), pull);

    for (double frame : new double[] {12, 13.5, 18, 30, 47}) {
      double s = (frame - 12) / 24;
      double w = 2 * Math.PI * 2;
      double swing = 0.2 * Math.exp(-0.25 * w * s) * Math.sin(w * Math.sqrt(1 - 0.0625) * s);
      assertThat(focus(rule, frame)).isCloseTo(20 + 18 * swing, within(1e-9));
    }
    assertThat(focus(rule, 15)).isGreaterThan(20);
    assertThat(focus(rule, 21)).isLessThan(20);
    assertThat(focus(rule, 12 + 24 * 8)).isEqualTo(20);
  }

  @Test
  void markOnSomethingThatMoves_isWhereThatIsNow() {
    List<FocusMark> marks = List.of(LANTERN, on("crate", "crate", -0.5));
    FocusRule rule = pulls(Along.METRES, marks, pull("a", 10, 20, "crate"));

    double crate = 4 + 0.1 * 25 - 0.5;
    assertThat(focus(rule, 25)).isCloseTo(2 + 0.75 * (crate - 2), within(1e-12));
    assertThat(focus(rule, 50)).isCloseTo(4 + 5 - 0.5, within(1e-12));
  }

  @Test
  void pullThatBeginsEarly_takesOverWhereFocusIs() {
    List<FocusMark> marks = List.of(LANTERN, FERRY);
    FocusRule rule =
        pulls(Along.METRES, marks, pull("back", 18, 12, "lantern"), pull("there", 0, 24, "ferry"));

    assertThat(focus(rule, 18)).isCloseTo(2 + 18 * 0.75, within(1e-12));
    double there = 2 + 18 * 21 / 24.0;
    assertThat(focus(rule, 21)).isCloseTo(there + 0.25 * (2 - there), within(1e-12));
    assertThat(focus(rule, 30)).isEqualTo(2);
  }

  @Test
  void pullOfNoFrames_jumps() {
    FocusRule rule = pulls(Along.RING, List.of(LANTERN, FERRY), pull("a", 24, 0, "ferry"));

    assertThat(focus(rule, Math.nextDown(24.0))).isEqualTo(2);
    assertThat(focus(rule, 24)).isEqualTo(20);
  }

  @Test
  void lag_isWhatWasSoManyFramesAgo_alsoBeforeTheFirstFrame() {
    FocusRule rule = new FocusRule.Follow(Target.OfNode.origin("crate"), 0.25, 12);

    assertThat(focus(rule, 40)).isCloseTo(4 + 2.8 + 0.25, within(1e-12));
    assertThat(focus(rule, 3)).isCloseTo(4 - 0.9 + 0.25, within(1e-12));
  }

  @Test
  void wholeShot_isWhatEachFrameIsAlone() {
    Pull hunting = new Pull("b", 60, 10, "ferry", Ease.thirds(10), new Hunt(0.3, new Ring(3, 0.2)));
    List<FocusMark> marks = List.of(on("crate", "crate", 0), FERRY);
    List<FocusRule> rules =
        List.of(
            new FocusRule.Follow(Target.OfNode.origin("crate"), 0, 7),
            pulls(
                Along.RING, marks, pull("a", 20, 30, "ferry"), pull("c", 55, 9, "crate"), hunting));
    for (FocusRule rule : rules) {
      Evaluation whole = Evaluation.of(shot(rule));
      double[] metres = whole.of("cam").lens().orElseThrow().focusM();
      for (int i = 0; i < metres.length; i++) {
        assertThat(metres[i]).isCloseTo(focus(rule, whole.grid().frame(i)), within(1e-12));
      }
    }
  }

  @Test
  void farthestMarks_areReachedWithoutPassingInfinity() {
    Pull hunting = new Pull("a", 0, 10, "far", NONE, new Hunt(1, new Ring(1, 0.05)));
    FocusRule rule = pulls(Along.RING, List.of(LANTERN, at("far", 1e5)), hunting);

    assertThat(focus(rule, 16)).isCloseTo(1e5, within(1e-6));
    assertThat(focus(rule, 28)).isBetween(2.0, 1e5);
  }

  @Test
  void whatIsNoPull_isRefused() {
    assertThatThrownBy(() -> pulls(Along.RING, List.of(LANTERN), pull("a", 0, 1, "ferry")))
        .isInstanceOf(RefusedException.class)
        .hasMessage("pulls.a.mark is 'ferry'; allowed: lantern");
    assertThatThrownBy(() -> pulls(Along.RING, List.of()))
        .hasMessage("pulls.marks.count is 0; allowed: 1 to 100");
    assertThatThrownBy(() -> new FocusRule.Follow(Target.OfNode.origin("crate"), 0, 241))
        .hasMessage("focus.lag is 241; allowed: 0 to 240");
    assertThatThrownBy(
            () ->
                pulls(
                    Along.RING,
                    List.of(LANTERN),
                    pull("a", 0, 1, "lantern"),
                    pull("a", 9, 1, "lantern")))
        .hasMessage("pulls.id is 'a' twice; allowed: each id once");
  }
}

package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Path;
import idlelens.core.part.Recorded;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.scene.TakesKeys;
import idlelens.core.take.Take;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TakeEditsTest {
  private static final Take TAKE = Sets.take(24);
  private static final double START = 5;

  private static RigidPose taken(Shot shot, double frame) {
    return TAKE.pose(shot.header().rate().seconds(frame - START));
  }

  private static void assertThere(RigidPose is, RigidPose wanted, double metres, double degrees) {
    assertThat(is.place().distance(wanted.place())).isLessThan(metres);
    assertThat(Math.toDegrees(Turns.angleBetween(is.turn(), wanted.turn()))).isLessThan(degrees);
  }

  /**
   * On nodes in the world, on carriers, on a rail, with moves: before what is done in the world.
   */
  @ParameterizedTest
  @ValueSource(strings = {"cam", "base", "crate", "shaker", "mover", "rider"})
  void keyed_everyNodeIsWhereTheTakeWas_onEachFrameOfTheStretch_andAsBeforeOutside(String id) {
    Shot shot = Sets.rig();
    if (shot.find(id).isEmpty()) {
      throw new AssertionError("no node " + id);
    }
    Evaluation was = Evaluation.of(shot);
    Shot keyed =
        new TakeToKeys(id, TAKE, START, new Punch(8, 20, 0), Keep.EVERY_FRAME, 1).apply(shot);
    Evaluation is = Evaluation.of(keyed);
    for (int frame = 8; frame <= 20; frame++) {
      int i = is.grid().sampleAt(frame);
      assertThere(is.carriedPose(id, i), taken(shot, frame), 1e-7, 1e-6);
    }
    for (int i = 0; i < is.grid().count(); i++) {
      double frame = is.grid().frame(i);
      if (frame < 8 || frame > 20) {
        assertThere(is.carriedPose(id, i), was.carriedPose(id, i), 1e-9, 1e-6);
      }
    }
  }

  @Test
  void fitted_itIsWithinItsTolerance_withFewKeys() {
    Shot shot = Sets.rig();
    TakeToKeys edit = new TakeToKeys("cam", TAKE, START, new Punch(5, 30, 0), Keep.FITTED, 5);
    Shot fitted = edit.apply(shot);
    Evaluation is = Evaluation.of(fitted);
    for (int frame = 5; frame <= 30; frame++) {
      RigidPose pose = is.carriedPose("cam", is.grid().sampleAt(frame));
      assertThere(pose, taken(shot, frame), 0.02, 0.3);
    }
    assertThat(fitted.node("cam").chain().curve(Path.X).keys().size()).isLessThan(12);
  }

  /** Half way through the blend it is half way between both. */
  @Test
  void blended_itGoesOverFromWhatWasThere() {
    Shot shot = Sets.rig();
    Punch punch = new Punch(8, 20, 4);
    Evaluation was = Evaluation.of(shot);
    Evaluation is =
        Evaluation.of(new TakeToKeys("cam", TAKE, START, punch, Keep.EVERY_FRAME, 1).apply(shot));
    int in = is.grid().sampleAt(8);
    assertThere(is.carriedPose("cam", in), was.carriedPose("cam", in), 1e-9, 1e-6);
    int half = is.grid().sampleAt(10);
    RigidPose middle = is.carriedPose("cam", half);
    assertThat(middle.place().distance(was.carriedPose("cam", half).place()))
        .isCloseTo(middle.place().distance(taken(shot, 10).place()), within(1e-7));
    assertThere(is.carriedPose("cam", is.grid().sampleAt(12)), taken(shot, 12), 1e-7, 1e-6);
  }

  @Test
  void theLensIsKeyedToo_whereTheTakeTellsIt() {
    Shot keyed =
        new TakeToKeys("cam", TAKE, START, new Punch(8, 20, 0), Keep.EVERY_FRAME, 1)
            .apply(Sets.rig());
    double told = TAKE.lens(Take.FOCAL, 7 / 24.0).orElseThrow();
    assertThat(keyed.node("cam").chain().curve(Path.FOCAL).at(12)).isCloseTo(told, within(1e-7));
  }

  @Test
  void curvesThatTakeNoKeys_stay() {
    Shot shot = Sets.rig();
    Node cam = shot.node("cam");
    Set<Path> out = Set.of(Path.Y, Path.ROLL, Path.FOCAL);
    Shot asked = new SetTakesKeys("cam", new TakesKeys(out, Set.of())).apply(shot);
    Shot keyed =
        new TakeToKeys("cam", TAKE, START, new Punch(8, 20, 0), Keep.EVERY_FRAME, 1).apply(asked);
    out.forEach(
        path ->
            assertThat(keyed.node("cam").chain().curve(path)).isEqualTo(cam.chain().curve(path)));
    assertThat(keyed.node("cam").chain().curve(Path.X)).isNotEqualTo(cam.chain().curve(Path.X));
  }

  /** As a recording, the node is there exactly, behind shake, smoothing and aim; keys stay. */
  @ParameterizedTest
  @ValueSource(strings = {"cam", "crate", "shaker", "settler"})
  void laidOn_theNodeDoesWhatTheTakeDid_andItsKeysStay(String id) {
    Shot shot = Sets.rig();
    Shot laid =
        new TakeToRecording(id, TAKE, START, new Punch(8, 20, 0), "taken", "Take 1").apply(shot);
    Evaluation is = Evaluation.of(laid);
    for (int frame = 8; frame <= 20; frame++) {
      RigidPose pose = is.pose(id, is.grid().sampleAt(frame));
      assertThere(pose, taken(shot, frame), 1e-7, 1e-6);
    }
    assertThat(laid.node(id).chain().curve(Path.X)).isEqualTo(shot.node(id).chain().curve(Path.X));
    Recorded card = (Recorded) laid.node(id).chain().part("taken");
    assertThat(card.body().window().from()).hasValue(8);
    assertThat(card.recording().length()).isEqualTo(13);
  }

  /** A take that is faster than the shot loses nothing between its frames. */
  @Test
  void laidOn_aFasterTake_isThereBetweenFramesToo() {
    Shot shot = Sets.rig();
    Take fast = Sets.take(60);
    Shot laid =
        new TakeToRecording("crate", fast, START, new Punch(6, 20, 0), "taken", "T").apply(shot);
    Recorded card = (Recorded) laid.node("crate").chain().part("taken");
    assertThat(card.recording().rateHz()).isEqualTo(72);
    Evaluation is = Evaluation.at(laid, 10 + 1 / 3.0);
    RigidPose wanted = fast.pose((10 + 1 / 3.0 - START) / 24);
    assertThere(is.pose("crate", 0), wanted, 1e-6, 1e-5);
  }

  @Test
  void framesOfWhichItSaysNothing_areRefused() {
    Shot shot = Sets.rig();
    TakeToKeys early = new TakeToKeys("cam", TAKE, START, new Punch(4, 20, 0), Keep.EVERY_FRAME, 1);
    assertThatThrownBy(() -> early.apply(shot))
        .isInstanceOf(RefusedException.class)
        .hasMessage("from is 4 to 20; allowed: frames of the take, 5.0 to 44.0");
    TakeToRecording late =
        new TakeToRecording("cam", Sets.take(1), 5, new Punch(30, 60, 0), "taken", "T");
    assertThatThrownBy(() -> late.apply(shot))
        .hasMessage("from is 30 to 60; allowed: frames of the shot with its handles, -3.0 to 54.0");
    assertThatThrownBy(() -> new Punch(7, 7, 0)).hasMessageContaining("to is 7; allowed: 8 to");
  }

  /** The pose in the world is met whatever carries the node and whatever its moves add. */
  @ParameterizedTest
  @ValueSource(strings = {"cam", "crate", "mover", "rider"})
  void stoodSomewhere_theNodeIsThere(String id) {
    PoseInWorld edit = new PoseInWorld(id, 12, 1, 2, 3, 200, -35, 4, Keying.WHOLE_POSE);
    Evaluation is = Evaluation.at(edit.apply(Sets.rig()), 12);
    RigidPose wanted =
        RigidPose.of(1, 2, 3, Math.toRadians(200), Math.toRadians(-35), Math.toRadians(4));
    assertThere(is.carriedPose(id, 0), wanted, 1e-9, 1e-6);
  }
}

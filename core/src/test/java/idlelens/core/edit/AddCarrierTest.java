package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.SampleGrid;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Ready carriers: nothing moves as they come, and each turns what it is there to turn. */
class AddCarrierTest {
  private static final Shot RIG = Sets.rig();
  private static final List<Double> CENTRE = List.of(1.0, 0.5, -9.0);

  private static AddCarrier made(CarrierKind kind, String order, String... ids) {
    List<Double> centre = kind == CarrierKind.TURNTABLE ? CENTRE : List.of();
    return new AddCarrier(kind, List.of(ids), 12, "new", "Cam", centre, 2.5, order);
  }

  private static void assertNothingMoves(Shot after) {
    SampleGrid grid = new SampleGrid(-10.5, 160, 2);
    Evaluation then = Evaluation.of(RIG, grid, null);
    Evaluation now = Evaluation.of(after, grid, null);
    for (Node node : RIG.nodes()) {
      for (int i = 0; i < grid.count(); i++) {
        RigidPose was = then.pose(node.id(), i);
        RigidPose is = now.pose(node.id(), i);
        assertThat(was.place().distance(is.place())).as(node.id()).isLessThan(1e-9);
        assertThat(Math.toDegrees(Turns.angleBetween(was.turn(), is.turn()))).isLessThan(1e-9);
      }
    }
  }

  @ParameterizedTest
  @EnumSource(CarrierKind.class)
  void anyKind_movesNothing_keyedOrNot(CarrierKind kind) {
    assertNothingMoves(made(kind, "ptr", "cam").apply(RIG));
    assertNothingMoves(made(kind, "ptr", "crate").apply(RIG));
    assertNothingMoves(made(kind, "ptr", "walker").apply(RIG));
    assertNothingMoves(made(kind, "ptr", "other-child", "pointer").apply(RIG));
  }

  @ParameterizedTest
  @ValueSource(strings = {"ptr", "prt", "tpr", "trp", "rpt", "rtp"})
  void gimbal_hasItsTurnsOneInAnother_inTheOrderChosen(String order) {
    Shot after = made(CarrierKind.GIMBAL, order, "cam").apply(RIG);
    assertNothingMoves(after);
    List<String> names = after.carriersOf("cam").stream().map(Node::name).toList();
    List<String> words =
        order
            .chars()
            .mapToObj(c -> c == 'p' ? "Cam pan" : c == 't' ? "Cam tilt" : "Cam roll")
            .toList();
    assertThat(names).containsExactly("base", "arm", words.get(0), words.get(1), words.get(2));
    Node inner = after.node("new-2");
    assertThat(Path.TURN.stream().filter(inner.takesKeys()::passes)).hasSize(1);
  }

  @Test
  void gimbal_takesTheKeysOfTheCamera_eachToItsNull() {
    Shot after = made(CarrierKind.GIMBAL, "ptr", "cam").apply(RIG);
    assertThat(after.node("new").chain().curve(Path.X))
        .isEqualTo(RIG.node("cam").chain().curve(Path.X));
    assertThat(after.node("new-1").chain().curve(Path.TILT))
        .isEqualTo(RIG.node("cam").chain().curve(Path.TILT));
    assertThat(after.node("cam").chain().isKeyed(Path.POSE)).isFalse();
  }

  @Test
  void turntable_turnsAboutTheCentreOfItsSubject() {
    Shot after = made(CarrierKind.TURNTABLE, "ptr", "crate").apply(RIG);
    Shot turned = new SetValues("new", 1, Map.of(Path.PAN, 180.0), Keying.STILL).apply(after);
    RigidPose was = Evaluation.at(RIG, 1).pose("crate", 0);
    RigidPose is = Evaluation.at(turned, 1).pose("crate", 0);
    assertThat(is.place().distance(2 * 1.0 - was.x(), was.y(), 2 * -9.0 - was.z()))
        .isLessThan(1e-9);
  }

  @Test
  void boom_liftsAtTheEndOfItsArm() {
    Shot after = made(CarrierKind.BOOM, "ptr", "crate").apply(RIG);
    assertThat(after.node("new-2").chain().curve(Path.Z).rest()).isEqualTo(-2.5);
    for (String id : List.of("new", "new-1")) { // each has one axis to turn about
      assertThat(Path.TURN.stream().filter(after.node(id).takesKeys()::passes)).hasSize(1);
    }
    Shot lifted = new SetValues("new-1", 1, Map.of(Path.TILT, 90.0), Keying.STILL).apply(after);
    double was = Evaluation.at(RIG, 1).pose("crate", 0).y();
    assertThat(Evaluation.at(lifted, 1).pose("crate", 0).y()).isCloseTo(was + 2.5, within(1e-9));
  }

  @Test
  void dolly_standsOnTheGround_underTheCamera_alongItsView() {
    Shot still = new Carry("cam", "", 1, Keep.EVERY_FRAME).apply(RIG);
    Shot after = made(CarrierKind.DOLLY, "ptr", "cam").apply(still);
    RigidPose dolly = Evaluation.at(after, 12).pose("new", 0);
    RigidPose cam = Evaluation.at(after, 12).pose("cam", 0);
    assertThat(dolly.y()).isZero();
    assertThat(dolly.x()).isCloseTo(cam.x(), within(1e-9));
    assertThat(Turns.panTiltRoll(dolly.turn())[0])
        .isCloseTo(Turns.panTiltRoll(cam.turn())[0], within(1e-9));
  }

  @Test
  void wrongOnes_areRefused() {
    assertThatThrownBy(() -> made(CarrierKind.GIMBAL, "pt", "cam"))
        .hasMessage("order is 'pt'; allowed: ptr, prt, tpr, trp, rpt or rtp");
    assertThatThrownBy(
            () ->
                new AddCarrier(
                    CarrierKind.TURNTABLE, List.of("cam"), 1, "n", "A", List.of(), 0, "ptr"))
        .hasMessageStartingWith("centre.count is 0");
    assertThatThrownBy(() -> made(CarrierKind.BOOM, "ptr", "ghost").apply(RIG))
        .hasMessageContaining("the id of a node of this shot");
  }
}

package idlelens.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.edit.Carry;
import idlelens.core.edit.Keep;
import idlelens.core.edit.Sets;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.scene.Shot;
import org.junit.jupiter.api.Test;

class LocalTrackTest {

  @Test
  void local_underItsCarrier_isTheWorldAgain() {
    Shot shot = new Carry("cam", "other", 23, Keep.PLACE).apply(Sets.rig());
    Evaluation motion = Evaluation.of(shot);
    PoseTrack local = motion.local("cam");
    for (int i = 0; i < motion.grid().count(); i++) {
      RigidPose composed = motion.pose("other", i).times(local.pose(i));
      RigidPose world = motion.pose("cam", i);
      assertThat(composed.place().distance(world.place())).isLessThan(1e-12);
      assertThat(Turns.angleBetween(composed.turn(), world.turn())).isLessThan(1e-12);
    }
  }

  @Test
  void letGo_keyedCamera_standsInTheWorldWithItsOffset() {
    Shot rig = Sets.rig();
    Shot shot = new Carry("cam", "", 23, Keep.PLACE).apply(rig);
    RigidPose before = Evaluation.at(rig, 23).pose("cam", 0);
    assertThat(Evaluation.at(shot, 23).pose("cam", 0).place().distance(before.place()))
        .isLessThan(1e-12);
    // the arm does not move it any more: only its own keys do
    Evaluation motion = Evaluation.of(shot);
    assertThat(motion.local("cam").x()[30]).isCloseTo(motion.pose("cam", 30).x(), within(1e-12));
  }

  @Test
  void ownSpace_withoutCarrier_isTheWorld() {
    assertThat(Evaluation.at(Sets.rig(), 5).ownSpace("crate", 0)).isEqualTo(RigidPose.IDENTITY);
  }

  @Test
  void unknownNode_isRefused() {
    org.assertj.core.api.Assertions.assertThatThrownBy(() -> Evaluation.of(Sets.rig()).of("nobody"))
        .hasMessage("node is 'nobody'; allowed: the id of a node of this shot");
  }
}

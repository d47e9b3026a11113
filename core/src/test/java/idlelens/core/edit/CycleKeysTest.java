package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Beyond;
import idlelens.core.curve.Curve;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Keys set where a curve repeats its keys. */
class CycleKeysTest {
  private static Shot cycling(Beyond beyond, double... keys) {
    Shot shot = Sets.rig();
    Node node = shot.node("cam");
    Curve curve = Sets.keyed(keys).withBeyond(beyond, beyond);
    return shot.withNode(node.withChain(node.chain().with(Path.X, curve)));
  }

  private static Curve x(Shot shot) {
    return shot.node("cam").chain().curve(Path.X);
  }

  @Test
  void keyPose_outsideTheKeys_keysTheRound_whichStaysAsLongAsItWas() {
    for (Beyond beyond : List.of(Beyond.CYCLE, Beyond.CYCLE_AND_CARRY)) {
      Shot shot = cycling(beyond, 1, 0, 9, 4, 17, beyond == Beyond.CYCLE ? 0 : 6);
      Shot keyed = new KeyPose("cam", 38, List.of(Path.X)).apply(shot);
      assertThat(x(keyed).keys()).extracting(k -> k.frame()).containsExactly(1.0, 6.0, 9.0, 17.0);
      for (double frame = 38 - 64; frame < 200; frame += 16) {
        assertThat(x(keyed).at(frame)).isCloseTo(x(shot).at(frame), within(1e-9));
      }
    }
  }

  @Test
  void setValues_outsideTheKeys_showsTheValueThere() {
    Shot shot = cycling(Beyond.CYCLE_AND_CARRY, 1, 0, 9, 4, 17, 6);
    Shot set = new SetValues("cam", 38, Map.of(Path.X, 20.0), Keying.TOUCHED).apply(shot);
    assertThat(x(set).at(38)).isCloseTo(20, within(1e-9));
    assertThat(x(set).keys()).hasSize(4);
  }

  @Test
  void setValues_whereRoundsMeet_movesBothEnds() {
    Shot shot = cycling(Beyond.CYCLE, 1, 0, 9, 4, 17, 0);
    Shot set = new SetValues("cam", 33, Map.of(Path.X, 3.0), Keying.TOUCHED).apply(shot);
    assertThat(x(set).at(33)).isEqualTo(3);
    assertThat(x(set).at(1)).isEqualTo(3);
    assertThat(x(set).at(17)).isEqualTo(3);
    Shot carrying = cycling(Beyond.CYCLE_AND_CARRY, 1, 0, 9, 4, 17, 6);
    Shot moved = new SetValues("cam", 33, Map.of(Path.X, 13.0), Keying.TOUCHED).apply(carrying);
    assertThat(x(moved).at(33)).isEqualTo(13);
    assertThat(x(moved).at(1)).isEqualTo(1);
    assertThat(x(moved).at(17)).isEqualTo(7);
  }
}

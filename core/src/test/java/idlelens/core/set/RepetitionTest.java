package idlelens.core.set;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.geometry.RigidPose;
import org.junit.jupiter.api.Test;

class RepetitionTest {
  private static Repetition stair(int first, int count, double later, double spread) {
    return new Repetition(first, count, 0, 1.35, 0, 60, 0, 0, later, spread, 5);
  }

  @Test
  void copies_ofASixthOfATurn_standWhereSixMakeARound() {
    RigidPose sixth = stair(0, 7, 0, 0).at(6);
    assertThat(sixth.y()).isCloseTo(6 * 1.35, within(1e-12));
    assertThat(Math.abs(sixth.qw())).isCloseTo(1, within(1e-12));
    RigidPose back = stair(-3, 7, 0, 0).at(-3).times(stair(0, 7, 0, 0).at(3));
    assertThat(back.y()).isCloseTo(0, within(1e-12));
  }

  @Test
  void delays_areTheThingItselfAt0_andTheSameForASeed() {
    Repetition all = stair(-2, 900, 2, 10);
    assertThat(all.delay(0)).isZero();
    double sum = 0;
    for (int k = 1; k <= all.last(); k++) {
      double share = (all.delay(k) - 2 * k) / 10;
      assertThat(share).isBetween(0.0, 1.0);
      sum += share;
    }
    assertThat(sum / all.last()).isCloseTo(0.5, within(0.03));
    // once given out, a seed means this for ever
    assertThat(stair(0, 2, 0, 1).delay(1)).isEqualTo(0.5504925956377772);
  }

  @Test
  void whatIsOutOfRange_isRefusedWithWhatIsAllowed() {
    assertThatThrownBy(() -> Repetition.row(0, 1, 0, 0)).hasMessageContaining("1 to 2000");
    assertThatThrownBy(() -> stair(-7, 7, 0, 0)).hasMessageContaining("-6 to 0");
    assertThatThrownBy(() -> stair(1, 7, 0, 0)).hasMessageContaining("-6 to 0");
    assertThatThrownBy(() -> stair(0, 2000, 11, 0)).hasMessageContaining("at most 20,000 frames");
    assertThatThrownBy(() -> stair(0, 2, Double.NaN, 0)).hasMessageContaining("repeat.later");
  }
}

package idlelens.core.curve;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import net.jqwik.api.Assume;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;

class HoldingTest {
  @Property(tries = 2000)
  void until_onEveryKindThereIs_holds_andChangesNothingElse(@ForAll @LongRange(min = 0) long seed) {
    Random random = new Random(seed);
    Curve curve = Curves.any(random);
    Assume.that(curve.keys().size() > 1);
    int i = random.nextInt(curve.keys().size() - 1);
    double left = curve.keys().get(i).frame();
    double right = curve.keys().get(i + 1).frame();
    double frame = left + (right - left) * (0.1 + 0.8 * random.nextDouble());
    Curve held = Holding.until(curve, List.of(frame));
    double value = curve.keys().get(i).value();
    for (int k = 0; k <= 50; k++) {
      assertThat(held.at(left + (frame - left) * k / 50)).isCloseTo(value, within(1e-9));
    }
    double last = curve.keys().get(curve.keys().size() - 1).frame();
    for (double f = curve.keys().get(0).frame() + 1e-6; f <= last; f += 0.171) {
      if (f < left || f >= right) {
        double steep = Math.abs(curve.at(f + 1e-10) - curve.at(f - 1e-10));
        assertThat(held.at(f)).as("at %s", f).isCloseTo(curve.at(f), within(1e-9 + steep));
      }
    }
  }

  @Test
  void until_betweenFlowKeys_leavesTheMoveBefore() {
    Curve curve = Curves.of(Tangent.Kind.FLOW, 0, 0, 10, 5, 30, 10, 40, 10);
    Curve held = Holding.until(curve, List.of(20.0));
    assertThat(held.at(15)).isEqualTo(5);
    assertThat(held.at(5)).isCloseTo(curve.at(5), within(1e-12));
    assertThat(held.handles(1).joined()).isFalse();
  }

  @Test
  void until_manyFrames_holdsEach() {
    Curve curve = Curves.of(Tangent.Kind.FLOW, 0, 0, 10, 5, 20, 9, 30, 2);
    Curve held = Holding.until(curve, List.of(4.0, 7.0, 20.0, 26.0));
    assertThat(held.at(7)).isZero();
    assertThat(held.at(15)).isEqualTo(5);
    assertThat(held.at(26)).isEqualTo(5);
  }
}

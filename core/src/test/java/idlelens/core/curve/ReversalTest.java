package idlelens.core.curve;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;

class ReversalTest {
  @Property(tries = 2000)
  void of_everyKindThereIs_runsBackwards(@ForAll @LongRange(min = 0) long seed) {
    Curve curve = Curves.any(new Random(seed));
    List<Key> keys = curve.keys();
    double first = keys.get(0).frame();
    double last = keys.get(keys.size() - 1).frame();
    Curve back = new Curve(0, Reversal.of(keys, first + last));
    for (double t = first; t <= last; t += 0.0937) {
      double forward = curve.at(t);
      double jump = Curves.jump(curve, t); // what is held jumps an instant later
      assertThat(back.at(first + last - t))
          .as("at %s", t)
          .isCloseTo(forward, within(1e-7 * (1 + Math.abs(forward)) + jump));
    }
  }

  @Test
  void of_heldKeys_showsOnEveryFrameWhatWasThere() {
    Curve held = Curves.of(Tangent.Kind.HOLD, 0, 3, 1, 5, 4, 1, 10, 7);
    Curve back = new Curve(0, Reversal.of(held.keys(), 10));
    List<Double> forward = new ArrayList<>();
    List<Double> backward = new ArrayList<>();
    for (int f = 0; f <= 10; f++) {
      forward.add(held.at(f));
      backward.add(back.at(10 - f));
    }
    assertThat(backward).isEqualTo(forward);
  }
}

package idlelens.core.curve;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.time.FrameSpan;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.Assume;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;

class BakingTest {
  @Property(tries = 2000)
  void of_everyKindThereIs_leavesWhatIsOutside(@ForAll @LongRange(min = 0) long seed) {
    Random random = new Random(seed);
    Curve curve = Curves.any(random);
    int from = random.nextInt(80) - 20;
    int to = from + 1 + random.nextInt(60);
    List<Double> frames = new ArrayList<>();
    for (int f = from; f <= to; f++) {
      frames.add((double) f);
    }
    double period = curve.keys().get(curve.keys().size() - 1).frame() - curve.keys().get(0).frame();
    Assume.that(period == 0 || period > 1);
    Curve baked = Baking.of(curve, frames, new FrameSpan(-100, 200));
    for (double f = -100; f < 200; f += 0.1371) {
      if (f < from || f > to) {
        double steep = Curves.jump(curve, f); // a jump takes an instant
        double near = 1e-8 * (1 + Math.abs(curve.at(f)));
        assertThat(baked.at(f)).as("at %s", f).isCloseTo(curve.at(f), within(near + steep));
      }
    }
    for (double f : frames) {
      // where rounds meet within rounding of a frame, it is left open which one is shown there
      boolean open = period != Math.rint(period);
      double jump = open ? Math.abs(curve.at(f + 1e-9) - curve.at(f - 1e-9)) : 0;
      assertThat(baked.at(f))
          .as("at %s", f)
          .isCloseTo(curve.at(f), within(1e-8 * (1 + Math.abs(curve.at(f))) + jump));
    }
  }

  @Example
  void of_aFrameWithinAnInstantOfAJump_showsWhatTheCurveShowsThere() {
    Key low = new Key(0, 0, Tangent.Kind.STRAIGHT);
    Key high = new Key(1.9997, 3, Tangent.Kind.STRAIGHT);
    Curve saw = new Curve(0, List.of(low, high), Beyond.HOLD, Beyond.CYCLE);
    // the third round ends at 5.9991, so 5.999 is 0.0001 before its top
    Curve baked = Baking.of(saw, List.of(3.0, 5.999), new FrameSpan(0, 20));
    assertThat(baked.at(5.999)).isCloseTo(3 * (1 - 0.0001 / 1.9997), within(1e-9));
  }

  /** A round of 1.1 frames ends at 6.6 - 0.6, which is 6 but for rounding; there it falls to 0. */
  @Example
  void of_aLastFrameOnAJumpButForRounding_goesOnBehindItAsTheCurve() {
    Key low = new Key(-0.6, 0, Tangent.Kind.STRAIGHT);
    Key high = new Key(0.5, 3, Tangent.Kind.STRAIGHT);
    Curve saw = new Curve(0, List.of(low, high), Beyond.HOLD, Beyond.CYCLE);
    Curve baked = Baking.of(saw, List.of(4.0, 5.0, 6.0), new FrameSpan(0, 20));
    for (double f = 6.01; f < 7; f += 0.01) {
      assertThat(baked.at(f)).as("at %s", f).isCloseTo(saw.at(f), within(1e-8));
    }
  }
}

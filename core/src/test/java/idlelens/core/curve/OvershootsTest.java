package idlelens.core.curve;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;

class OvershootsTest {

  /** How far the curve leaves the range of the keys of a segment, by dense sampling. */
  private static double sampled(Curve curve, int segment) {
    Segment s = curve.segment(segment);
    double high = Math.max(s.v0(), s.v3());
    double low = Math.min(s.v0(), s.v3());
    double worst = 0;
    for (int k = 0; k <= 4000; k++) {
      double value = s.valueAt(k / 4000.0);
      worst = Math.max(worst, Math.max(value - high, low - value));
    }
    return worst;
  }

  private static double found(Curve curve, int segment) {
    return Overshoots.find(curve, 0).stream()
        .filter(o -> o.segment() == segment)
        .mapToDouble(o -> Math.abs(o.amount()))
        .max()
        .orElse(0);
  }

  @Test
  void find_flatKeysWithASlope_givesTheHandComputedExtreme() {
    // v(u) = 3 u (1-u)^2 * 9: greatest at u = 1/3, where it is 3 * 1/3 * 4/9 * 9 = 4
    Curve curve =
        new Curve(
            0,
            List.of(
                new Key(0, 0, Curves.free(10, 9, 10, 9)),
                new Key(30, 0, Curves.free(10, 0, 10, 0))));
    assertThat(Overshoots.find(curve, 0))
        .singleElement()
        .satisfies(
            o -> {
              assertThat(o.segment()).isZero();
              assertThat(o.frame()).isCloseTo(10, within(1e-12));
              assertThat(o.value()).isCloseTo(4, within(1e-12));
              assertThat(o.amount()).isCloseTo(4, within(1e-12));
            });
    assertThat(Overshoots.find(curve, 4.1)).isEmpty();
  }

  @Property(tries = 500)
  void find_anyCurve_agreesWithDenseSampling(@ForAll @LongRange(min = 0) long seed) {
    Curve curve = Curves.any(new Random(seed));
    for (int i = 0; i + 1 < curve.keys().size(); i++) {
      double sampled = sampled(curve, i); // between two samples a peak is this much higher
      assertThat(found(curve, i)).isCloseTo(sampled, within(2e-5 + 1e-6 * sampled));
    }
  }

  @Property(tries = 500)
  void remove_all_leavesNoneAboveTheTolerance_andMovesNoKey(
      @ForAll @LongRange(min = 0) long seed,
      @ForAll @DoubleRange(min = 0, max = 1) double tolerance,
      @ForAll boolean keepJoined) {
    Curve curve = Curves.any(new Random(seed));
    Curve cured = Overshoots.remove(curve, tolerance, i -> true, keepJoined);
    assertThat(Overshoots.find(cured, tolerance + 1e-9)).isEmpty();
    for (int i = 0; i < curve.keys().size(); i++) {
      assertThat(cured.keys().get(i).frame()).isEqualTo(curve.keys().get(i).frame());
      assertThat(cured.keys().get(i).value()).isEqualTo(curve.keys().get(i).value());
    }
  }

  @Property(tries = 3000)
  void remove_some_makesNoOtherSegmentSwingFarther(
      @ForAll @LongRange(min = 0) long seed, @ForAll boolean keepJoined) {
    Random random = new Random(seed);
    Curve curve = Curves.any(random);
    int which = random.nextInt();
    Curve cured = Overshoots.remove(curve, 0.01, i -> (which >> i & 1) == 1, keepJoined);
    for (int i = 0; i + 1 < curve.keys().size(); i++) {
      double before = found(curve, i);
      double allowed = (which >> i & 1) == 1 ? Math.min(before, 0.01) : before;
      assertThat(found(cured, i)).as("segment %s", i).isLessThanOrEqualTo(allowed + 1e-8);
    }
  }

  @Test
  void remove_oneSegment_leavesTheOthersAndTheInnocentSideAlone() {
    Curve curve = Curves.of(Tangent.Kind.FLOW, 0, 0, 10, 10, 20, 10, 30, 0, 40, 0);
    assertThat(found(curve, 1)).isPositive();
    Curve cured = Overshoots.remove(curve, 0, i -> i == 1, false);
    assertThat(found(cured, 1)).isZero();
    assertThat(cured.segment(0)).isEqualTo(curve.segment(0));
    assertThat(cured.segment(3)).isEqualTo(curve.segment(3));
    assertThat(cured.handles(1).joined()).isFalse();
  }

  @Test
  void remove_keepingTangentsJoined_turnsBothSides() {
    Curve curve = Curves.of(Tangent.Kind.FLOW, 0, 0, 10, 10, 20, 10.5);
    Curve cured = Overshoots.remove(curve, 0, i -> true, true);
    Tangent.Free free = cured.handles(1);
    assertThat(free.joined()).isTrue();
    assertThat(free.in().slope()).isCloseTo(free.out().slope(), within(1e-12));
    assertThat(free.out().slope()).isPositive().isLessThan(curve.handles(1).out().slope());
  }

  @Test
  void remove_turnsNoFurtherThanNeeded() {
    Curve curve = Curves.of(Tangent.Kind.FLOW, 0, 0, 10, 10, 20, 10.5);
    Curve cured = Overshoots.remove(curve, 0.05, i -> true, false);
    assertThat(found(cured, 1)).isCloseTo(0.05, within(1e-6));
  }

  @Test
  void settleStraightAndHeldKeys_neverSwing() {
    for (Tangent.Kind kind :
        List.of(Tangent.Kind.SETTLE, Tangent.Kind.STRAIGHT, Tangent.Kind.HOLD)) {
      assertThat(Overshoots.find(Curves.of(kind, 0, 0, 3, 9, 20, 8, 21, -4), 0)).isEmpty();
    }
  }
}

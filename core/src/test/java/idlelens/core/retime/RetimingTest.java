package idlelens.core.retime;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Curves;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.rule.RefusedException;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;

class RetimingTest {
  private static final Tangent.Kind SETTLE = Tangent.Kind.SETTLE;

  private static List<Double> frames(Curve curve) {
    return curve.keys().stream().map(Key::frame).toList();
  }

  private static Ramp ramp(boolean keepLength, List<Double> hits, double... framesAndSpeeds) {
    List<Ramp.Point> points = new ArrayList<>();
    for (int i = 0; i < framesAndSpeeds.length; i += 2) {
      points.add(new Ramp.Point(framesAndSpeeds[i], framesAndSpeeds[i + 1]));
    }
    return new Ramp(points, keepLength, hits);
  }

  @Property(tries = 300)
  void stretchOfAll_playsTheSameCurveAtAnotherPace(
      @ForAll @LongRange(min = 0) long seed,
      @ForAll @DoubleRange(min = 0.3, max = 3) double factor) {
    Curve curve = Curves.random(new Random(seed));
    Curve slow = Retiming.apply(curve, TimeMap.Stretch.all(12, factor), Landing.REFUSE);
    for (double frame = -20.05; frame < 200; frame += 0.9) { // never on a key, where it may jump
      double before = curve.at(frame);
      assertThat(slow.at(12 + (frame - 12) * factor))
          .isCloseTo(before, within(1e-8 * (1 + Math.abs(before))));
    }
  }

  @Test
  void stretch_aRange_scalesItAboutAFrame_andRippleMovesWhatComesLater() {
    Curve curve = Curves.of(SETTLE, 0, 0, 10, 1, 20, 2, 30, 3);
    TimeMap plain = new TimeMap.Stretch(0, 20, 0, 1.2, false);
    assertThat(frames(Retiming.apply(curve, plain, Landing.REFUSE)))
        .containsExactly(0.0, 12.0, 24.0, 30.0);
    TimeMap ripple = new TimeMap.Stretch(0, 20, 0, 2, true);
    assertThat(ripple.growth()).isEqualTo(20);
    assertThat(frames(Retiming.apply(curve, ripple, Landing.REFUSE)))
        .containsExactly(0.0, 20.0, 40.0, 50.0);
  }

  @Test
  void ripple_movesAllFromAFrameOn() {
    Curve curve = Curves.of(SETTLE, 0, 0, 10, 1, 20, 2);
    Curve later = Retiming.apply(curve, new TimeMap.Ripple(10, 7), Landing.REFUSE);
    assertThat(frames(later)).containsExactly(0.0, 17.0, 27.0);
  }

  @Test
  void landing_onAnotherKey_isRefusedOrMerged() {
    Curve curve = Curves.of(SETTLE, 0, 0, 10, 1, 20, 2);
    TimeMap onto = new TimeMap.Ripple(20, -10);
    assertThatThrownBy(() -> Retiming.apply(curve, onto, Landing.REFUSE))
        .isInstanceOf(RefusedException.class)
        .hasMessage("keys is two at frame 10.0; allowed: one key at a frame");
    Curve merged = Retiming.apply(curve, onto, Landing.MERGE);
    assertThat(frames(merged)).containsExactly(0.0, 10.0);
    assertThat(merged.at(10)).isEqualTo(2);
  }

  @Test
  void ramp_constantSpeed_isAPlainStretch() {
    Ramp half = ramp(false, List.of(), 0, 0.5, 40, 0.5);
    assertThat(half.at(10)).isCloseTo(20, within(1e-12));
    assertThat(half.growth()).isCloseTo(40, within(1e-12));
    assertThat(half.at(50)).isCloseTo(90, within(1e-12));
    Ramp kept = ramp(true, List.of(), 0, 0.5, 40, 0.5);
    assertThat(kept.at(10)).isCloseTo(10, within(1e-12));
    assertThat(kept.growth()).isZero();
  }

  @Test
  void ramp_fromOneSpeedToAnother_takesTheTimeOfTheIntegral() {
    // 1 / (1 + 3 p^2 - 2 p^3) over [0, 1] by the midpoint rule in 200,000 steps
    Ramp ramp = ramp(false, List.of(), 0, 1, 100, 2);
    double sum = 0;
    int n = 200_000;
    for (int i = 0; i < n; i++) {
      double p = (i + 0.5) / n;
      sum += 1 / (1 + 3 * p * p - 2 * p * p * p) / n;
    }
    assertThat(ramp.at(100)).isCloseTo(100 * sum, within(1e-8));
  }

  @Property(tries = 200)
  void ramp_withHits_keepsThePosesThereExactly_andStaysInOrder(
      @ForAll @LongRange(min = 0) long seed) {
    Random random = new Random(seed);
    Curve curve = Curves.random(random);
    List<Double> hits = List.of(20.0, 35.0, 61.0);
    Ramp ramp =
        ramp(
            true,
            hits,
            0,
            0.2 + random.nextDouble() * 3,
            30,
            0.2 + random.nextDouble() * 3,
            90,
            0.2 + random.nextDouble() * 3);
    Curve retimed = Retiming.apply(curve, ramp, Landing.REFUSE);
    for (double hit : hits) {
      assertThat(ramp.at(hit)).isEqualTo(hit);
      double before = curve.at(hit);
      assertThat(retimed.at(hit)).isCloseTo(before, within(1e-9 * (1 + Math.abs(before))));
    }
    double last = -1;
    for (double frame = 0; frame <= 95; frame += 0.5) {
      assertThat(ramp.at(frame)).isGreaterThan(last);
      last = ramp.at(frame);
    }
  }

  @Test
  void ramp_playsTheMoveAtTheSpeedDrawn() {
    Curve curve = Curves.of(SETTLE, 0, 0, 50, 10, 100, 4);
    Ramp ramp = ramp(true, List.of(), 0, 2, 50, 0.5, 100, 2);
    Curve retimed = Retiming.apply(curve, ramp, Landing.REFUSE);
    for (double frame = 0; frame <= 100; frame += 2.5) {
      assertThat(retimed.at(ramp.at(frame))).isCloseTo(curve.at(frame), within(0.15));
    }
  }

  @Test
  void ramp_badNumbers_areRefused() {
    assertThatThrownBy(() -> ramp(true, List.of(), 0, 0.01, 10, 1))
        .hasMessage("speed is 0.01; allowed: 0.05 to 20");
    assertThatThrownBy(() -> ramp(false, List.of(5.0), 0, 1, 10, 1))
        .hasMessageContaining("keepLength is false");
    assertThatThrownBy(() -> ramp(true, List.of(), 0, 1)).hasMessageContaining("points.count is 1");
    assertThatThrownBy(() -> ramp(true, List.of(), 5, 1, 5, 2))
        .hasMessageContaining("keys[1].frame is 5.0");
  }

  @Test
  void ramp_ofOneSpeed_isAStretch() {
    Ramp twice = ramp(false, List.of(), 100, 2, 300, 2);
    assertThat(twice.at(250)).isCloseTo(175, within(1e-9));
    assertThat(twice.growth()).isCloseTo(-100, within(1e-9));
  }

  @Property(tries = 100)
  void ramp_isTheSameAtEveryLength_andCostsTheSame(
      @ForAll @DoubleRange(min = 0.05, max = 20) double first,
      @ForAll @DoubleRange(min = 0.05, max = 20) double second) {
    Ramp near = ramp(true, List.of(), 0, first, 40, second, 100, 1);
    Ramp far = ramp(true, List.of(), 0, first, 400_000, second, 1_000_000, 1);
    for (double part = 0; part <= 1; part += 0.037) {
      assertThat(far.at(part * 1e6) / 1e4).isCloseTo(near.at(part * 100), within(1e-7));
    }
  }

  @Property(tries = 60)
  void ramp_isTheIntegralOfItsSlowness(
      @ForAll @DoubleRange(min = 0.05, max = 20) double first,
      @ForAll @DoubleRange(min = 0.05, max = 20) double second) {
    Ramp ramp = ramp(false, List.of(), 0, first, 60, second);
    Curve speed = Curves.of(SETTLE, 0, first, 60, second);
    int parts = 60_000; // the midpoint rule, fine enough to be no matter
    double sum = 0;
    for (int i = 0; i < parts; i++) {
      sum += 60.0 / parts / speed.at((i + 0.5) * 60 / parts);
      if (i + 1 == parts / 3 || i + 1 == parts) {
        assertThat(ramp.at((i + 1) * 60.0 / parts)).isCloseTo(sum, within(1e-6 * (1 + sum)));
      }
    }
  }

  @Test
  void ramp_overLongerThanAnyShot_isRefused() {
    assertThatThrownBy(() -> ramp(true, List.of(), 0, 1, 2e6, 2))
        .hasMessageContaining("points.range is 2000000.0; allowed: 0 to 1100000");
  }
}

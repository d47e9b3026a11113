package idlelens.core.retime;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Beyond;
import idlelens.core.curve.Curve;
import idlelens.core.curve.CurvePlayer;
import idlelens.core.curve.Curves;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.rule.RefusedException;
import idlelens.core.time.FrameSpan;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.Assume;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;

class RetimingTest {
  private static final Tangent.Kind SETTLE = Tangent.Kind.SETTLE;
  private static final FrameSpan SEEN = new FrameSpan(-60, 260);

  private static List<Double> frames(Curve curve) {
    return curve.keys().stream().map(Key::frame).toList();
  }

  private static Ramp ramp(boolean keepLength, List<Double> hits, double... framesAndSpeeds) {
    List<Ramp.Point> points = new ArrayList<>();
    for (int i = 0; i < framesAndSpeeds.length; i += 2) {
      points.add(new Ramp.Point(framesAndSpeeds[i], framesAndSpeeds[i + 1]));
    }
    return new Ramp(points, keepLength, hits, Ramp.USUAL_TOLERANCE);
  }

  @Property(tries = 300)
  void stretchOfAll_playsTheSameCurveAtAnotherPace(
      @ForAll @LongRange(min = 0) long seed,
      @ForAll @DoubleRange(min = 0.3, max = 3) double factor) {
    Curve curve = Curves.random(new Random(seed));
    Curve slow = Retiming.apply(curve, TimeMap.Stretch.all(12, factor), Landing.REFUSE, SEEN);
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
    assertThat(frames(Retiming.apply(curve, plain, Landing.REFUSE, SEEN)))
        .containsExactly(0.0, 12.0, 24.0, 30.0);
    TimeMap ripple = new TimeMap.Stretch(0, 20, 0, 2, true);
    assertThat(frames(Retiming.apply(curve, ripple, Landing.REFUSE, SEEN)))
        .containsExactly(0.0, 20.0, 40.0, 50.0);
  }

  @Test
  void ripple_movesAllFromAFrameOn() {
    Curve curve = Curves.of(SETTLE, 0, 0, 10, 1, 20, 2);
    Curve later = Retiming.apply(curve, new TimeMap.Ripple(10, 7), Landing.REFUSE, SEEN);
    assertThat(frames(later)).containsExactly(0.0, 17.0, 27.0);
  }

  @Test
  void landing_onAnotherKey_isRefusedOrMerged() {
    Curve curve = Curves.of(SETTLE, 0, 0, 10, 1, 20, 2);
    TimeMap onto = new TimeMap.Ripple(20, -10);
    assertThatThrownBy(() -> Retiming.apply(curve, onto, Landing.REFUSE, SEEN))
        .isInstanceOf(RefusedException.class)
        .hasMessage("keys is two at frame 10.0; allowed: one key at a frame");
    Curve merged = Retiming.apply(curve, onto, Landing.MERGE, SEEN);
    assertThat(frames(merged)).containsExactly(0.0, 10.0);
    assertThat(merged.at(10)).isEqualTo(2);
  }

  @Test
  void ramp_constantSpeed_isAPlainStretch() {
    Ramp half = ramp(false, List.of(), 0, 0.5, 40, 0.5);
    assertThat(half.at(10)).isCloseTo(20, within(1e-12));
    assertThat(half.at(50)).isCloseTo(90, within(1e-12));
    Ramp kept = ramp(true, List.of(), 0, 0.5, 40, 0.5);
    assertThat(kept.at(10)).isCloseTo(10, within(1e-12));
    assertThat(kept.at(50)).isEqualTo(50);
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
    Curve retimed = Retiming.apply(curve, ramp, Landing.REFUSE, SEEN);
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
  void ramp_onStraightKeys_ramps() {
    Curve line = Curves.of(Tangent.Kind.STRAIGHT, 0, 0, 100, 50);
    Ramp ramp = ramp(true, List.of(), 0, 1, 100, 4);
    Curve retimed = Retiming.apply(line, ramp, Landing.REFUSE, SEEN);
    for (double t = 0; t <= 100; t += 0.5) {
      assertThat(retimed.at(ramp.at(t))).isCloseTo(t / 2, within(0.05));
    }
    double early = retimed.at(11) - retimed.at(10);
    double late = retimed.at(99) - retimed.at(98);
    assertThat(late / early).isBetween(3.4, 4.2);
    assertThat(retimed.keys().size()).isLessThanOrEqualTo(6);
  }

  @Test
  void ramp_thatIsFastAndThenSlow_soThatTheLengthStaysByItself_stillRamps() {
    double low = 0.3;
    double high = 1;
    for (int i = 0; i < 60; i++) { // the slow half takes as long as the fast one saves
      double middle = (low + high) / 2;
      boolean tooLong = fastAndSlow(false, middle).at(100) > 100;
      low = tooLong ? middle : low;
      high = tooLong ? high : middle;
    }
    Ramp ramp = fastAndSlow(true, low);
    Curve line = Curves.of(Tangent.Kind.STRAIGHT, 0, 0, 100, 50);
    Curve retimed = Retiming.apply(line, ramp, Landing.REFUSE, SEEN);
    assertThat(ramp.at(50)).isLessThan(45);
    for (double t = 0; t <= 100; t += 0.5) {
      assertThat(retimed.at(ramp.at(t))).isCloseTo(t / 2, within(0.05));
    }
  }

  private static Ramp fastAndSlow(boolean keepLength, double slow) {
    return ramp(keepLength, List.of(), 0, 1, 25, 2, 50, 1, 75, slow, 100, 1);
  }

  @Test
  void ramp_whereACurveRunsOnLevelByAHandleOfNoLength_leavesItLevel() {
    Tangent none = Curves.free(0, 0, 0, 0);
    // settling is steep enough there for its handle to end level with the one of no length
    List<Key> keys =
        List.of(new Key(10, -16, none), new Key(28, -15, SETTLE), new Key(34, -9, SETTLE));
    Curve early = new Curve(0, keys, Beyond.RUN_ON, Beyond.HOLD);
    assertThat(early.at(-60)).isEqualTo(-16);
    Curve began =
        Retiming.apply(early, ramp(true, List.of(), 2, 3, 16, 0.25, 31, 0.3), Landing.REFUSE, SEEN);
    assertThat(began.at(-60)).isCloseTo(-16, within(1e-9));
    List<Key> mirrored =
        List.of(new Key(0, 9, SETTLE), new Key(6, 15, SETTLE), new Key(24, 16, none));
    Curve late = new Curve(0, mirrored, Beyond.HOLD, Beyond.RUN_ON);
    assertThat(late.at(90)).isEqualTo(16);
    Curve ran =
        Retiming.apply(late, ramp(true, List.of(), 3, 0.3, 18, 0.25, 32, 3), Landing.REFUSE, SEEN);
    assertThat(ran.at(90)).isCloseTo(16, within(1e-9));
  }

  @Test
  void ramp_toleranceIsAPartOfWhatTheCurveDoesWhileItLasts_notBeforeOrAfter() {
    Curve cliff = Curves.of(SETTLE, 0, 1e6, 20, 0, 60, 10, 100, 1e6);
    Ramp ramp = ramp(false, List.of(), 15, 1, 40, 3, 65, 1);
    Curve retimed = Retiming.apply(cliff, ramp, Landing.REFUSE, SEEN);
    double height = height(cliff, 15, 65);
    assertThat(height).isLessThan(2e5);
    for (double t = 15; t <= 65; t += 0.1) {
      assertThat(retimed.at(ramp.at(t))).isCloseTo(cliff.at(t), within(1.1e-3 * height));
    }
  }

  @Test
  void ramp_leavesHeldKeysAsPlainAsTheyWere() {
    Curve held = Curves.of(Tangent.Kind.HOLD, 0, 1, 50, 3, 100, 2);
    Curve retimed = Retiming.apply(held, ramp(true, List.of(), 10, 1, 90, 3), Landing.REFUSE, SEEN);
    assertThat(retimed.keys()).allMatch(k -> k.tangent() == Tangent.Kind.HOLD);
  }

  @Test
  void ramp_putsNoKeysIntoWhatIsHeldOrLevel() {
    Curve held = Curves.of(Tangent.Kind.HOLD, 0, 1, 50, 3, 100, 2);
    Curve level = Curves.of(SETTLE, 0, 1, 50, 1, 100, 4);
    Ramp ramp = ramp(true, List.of(20.0), 10, 1, 40, 3);
    for (Curve curve : List.of(held, level)) {
      assertThat(Retiming.apply(curve, ramp, Landing.REFUSE, SEEN).keys()).hasSize(3);
    }
  }

  @Test
  void ramp_ofOnePace_putsInNoKeys() {
    Curve curve = Curves.of(SETTLE, 0, 0, 40, 10, 100, 4);
    Ramp twice = ramp(false, List.of(), 0, 2, 100, 2);
    assertThat(frames(Retiming.apply(curve, twice, Landing.REFUSE, SEEN)))
        .containsExactly(0.0, 20.0, 50.0);
  }

  @Property(tries = 1500)
  void ramp_onEveryKindThereIs_followsWithinItsTolerance_andOutsideNothingChanges(
      @ForAll @LongRange(min = 0) long seed, @ForAll boolean keepLength) {
    Random random = new Random(seed);
    Curve curve = Curves.any(random);
    double from = random.nextInt(60) - 10;
    double to = from + 1 + random.nextInt(100);
    List<Double> hits =
        keepLength && random.nextBoolean() ? List.of(from + 0.4, to - 0.3) : List.of();
    Ramp ramp =
        ramp(
            keepLength,
            hits,
            from,
            speed(random),
            (from + to) / 2,
            speed(random),
            to,
            speed(random));
    Assume.that(period(curve) > 0.5 || !curve.before().cycles() && !curve.after().cycles());
    Curve retimed = Retiming.apply(curve, ramp, Landing.REFUSE, SEEN);
    double height = height(curve, from, to);
    for (double t = SEEN.from(); t <= SEEN.to(); t += 0.171) {
      double before = curve.at(t);
      boolean inside = t > from && t < to;
      double steep = Curves.jump(curve, t); // a jump, or all but one
      double allowed = 1e-6 * (1 + Math.abs(before)) + steep + (inside ? 1.1e-3 * height : 0);
      assertThat(retimed.at(ramp.at(t))).as("at %s", t).isCloseTo(before, within(allowed));
    }
  }

  /** Rounds shorter than that are too many to be written out, and are refused. */
  private static double period(Curve curve) {
    List<Key> keys = curve.keys();
    return keys.size() == 1 ? 1 : keys.get(keys.size() - 1).frame() - keys.get(0).frame();
  }

  private static double speed(Random random) {
    return Math.pow(2, random.nextDouble() * 4 - 2);
  }

  private static double height(Curve curve, double from, double to) {
    double low = curve.at(from);
    double high = low;
    for (int i = 0; i <= 5000; i++) {
      double value = curve.at(from + (to - from) * i / 5000);
      low = Math.min(low, value);
      high = Math.max(high, value);
    }
    for (Key key : curve.keys()) { // shown on one frame alone, where a cycle jumps behind it
      boolean inside = key.frame() >= from && key.frame() <= to;
      low = inside ? Math.min(low, key.value()) : low;
      high = inside ? Math.max(high, key.value()) : high;
    }
    return high - low;
  }

  @Property(tries = 60)
  void ramp_map_isTheIntegral_toAMillionthOfAFrame_andContinuous(
      @ForAll @LongRange(min = 0) long seed) {
    Random random = new Random(seed);
    double first = random.nextBoolean() ? 0.05 : 20;
    Ramp ramp = ramp(false, List.of(), 0, first, 300, 20.05 - first, 1200, first);
    Curve speed = Curves.of(SETTLE, 0, first, 300, 20.05 - first, 1200, first);
    int parts = 1_200_000; // Simpson's rule
    double h = 1200.0 / parts;
    double sum = 0;
    CurvePlayer player = speed.player();
    for (int i = 0; i < parts; i += 2) {
      double t = i * h;
      sum += h / 3 * (1 / player.at(t) + 4 / player.at(t + h) + 1 / player.at(t + 2 * h));
      if ((i + 2) % 100_000 == 0) {
        assertThat(ramp.at(t + 2 * h)).isCloseTo(sum, within(1e-6));
      }
    }
    for (int frame = 1; frame < 1200; frame++) {
      assertThat(ramp.at(frame + 1e-7)).isCloseTo(ramp.at(frame - 1e-7), within(1e-5));
    }
  }

  @Test
  void stretch_thereAndBack_leavesHeldKeysOnTheirFrames() {
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i <= 2000; i++) {
      keys.add(new Key(i, i, Tangent.Kind.HOLD));
    }
    Curve held = new Curve(0, keys);
    for (double factor : new double[] {25 / 24.0, 0.55, 1001 / 1000.0, 24 / 30.0, 1 / 3.0}) {
      Curve there = Retiming.apply(held, TimeMap.Stretch.all(0, factor), Landing.REFUSE, SEEN);
      Curve back = Retiming.apply(there, TimeMap.Stretch.all(0, 1 / factor), Landing.REFUSE, SEEN);
      for (int frame = 0; frame <= 2000; frame++) {
        assertThat(back.at(frame)).isEqualTo(frame);
      }
    }
    assertThat(TimeMap.Stretch.all(0, 0.55).at(100)).isEqualTo(55);
  }

  @Test
  void mapsThatWouldChangeTheOrderOfKeys_areRefused() {
    Curve curve = Curves.of(SETTLE, 0, 0, 10, 1, 20, 2, 24, 3);
    for (TimeMap map :
        List.of(new TimeMap.Ripple(20, -15), new TimeMap.Stretch(0, 20, 0, 1.5, false))) {
      assertThatThrownBy(() -> Retiming.apply(curve, map, Landing.REFUSE, SEEN))
          .isInstanceOf(RefusedException.class)
          .hasMessageContaining("allowed: keys in the order they had");
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
    assertThat(twice.at(310)).isCloseTo(210, within(1e-9));
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

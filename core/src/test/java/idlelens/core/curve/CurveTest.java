package idlelens.core.curve;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.rule.RefusedException;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;

class CurveTest {
  private static final Tangent.Kind SETTLE = Tangent.Kind.SETTLE;

  @Test
  void noKeys_restAlways_oneKey_itsValueAlways() {
    assertThat(Curve.still(3).at(-500)).isEqualTo(3);
    Curve one = Curves.of(SETTLE, 10, 7);
    assertThat(one.at(-1e6)).isEqualTo(7);
    assertThat(one.at(1e6)).isEqualTo(7);
    assertThat(one.isConstant()).isTrue();
  }

  @Test
  void straight_isLinear_hold_isConstantUntilTheNextKey() {
    assertThat(Curves.of(Tangent.Kind.STRAIGHT, 0, 0, 10, 5).at(3)).isCloseTo(1.5, within(1e-15));
    Curve held = Curves.of(Tangent.Kind.HOLD, 0, 1, 10, 5);
    assertThat(held.at(9.999999)).isEqualTo(1);
    assertThat(held.at(10)).isEqualTo(5);
  }

  @Test
  void settle_twoKeys_startsAndEndsAtRest() {
    // the cubic 3p^2 - 2p^3: a quarter of the way it has gone 5/32
    Curve curve = Curves.of(SETTLE, 0, 0, 100, 1);
    assertThat(curve.at(25)).isCloseTo(5 / 32.0, within(1e-15));
    assertThat(curve.at(50)).isCloseTo(0.5, within(1e-15));
  }

  @Test
  void settle_threeRisingKeys_hasTheMeanSlopeInTheMiddle() {
    // secants 1 and 3, mean 2, within three times the lesser: Hermite by hand at p = 1/2
    Curve curve = Curves.of(SETTLE, 0, 0, 1, 1, 2, 4);
    assertThat(curve.at(0.5)).isCloseTo(0.5 * 1 - 0.125 * 2, within(1e-15));
    assertThat(curve.at(1.5)).isCloseTo(0.5 + 2 + 0.125 * 2, within(1e-15));
  }

  @Property
  void settle_anyKeys_neverLeavesTheRangeOfItsTwoKeys(
      @ForAll @Size(min = 2, max = 12) List<@DoubleRange(min = -50, max = 50) Double> values,
      @ForAll Random random) {
    double frame = 0;
    double[] all = new double[values.size() * 2];
    for (int i = 0; i < values.size(); i++) {
      all[2 * i] = frame;
      all[2 * i + 1] = values.get(i);
      frame += 0.1 + random.nextDouble() * 30;
    }
    Curve curve = Curves.of(SETTLE, all);
    for (int i = 0; i + 1 < values.size(); i++) {
      double low = Math.min(values.get(i), values.get(i + 1));
      double high = Math.max(values.get(i), values.get(i + 1));
      for (int k = 0; k <= 40; k++) {
        double t = all[2 * i] + (all[2 * i + 2] - all[2 * i]) * k / 40;
        assertThat(curve.at(t)).isBetween(low - 1e-9, high + 1e-9);
      }
    }
  }

  /** Fritsch and Carlson 1980, lemma 2: with slopes in [0, 3] secants, a stretch is monotone. */
  @Property
  void settle_anyKeys_meetsTheConditionsOfFritschAndCarlson(
      @ForAll @Size(min = 2, max = 12) List<@DoubleRange(min = -50, max = 50) Double> values,
      @ForAll Random random) {
    double[] all = new double[values.size() * 2];
    for (int i = 0; i < values.size(); i++) {
      all[2 * i] = i == 0 ? 0 : all[2 * i - 2] + 0.1 + random.nextDouble() * 30;
      all[2 * i + 1] = values.get(i);
    }
    for (Segment s : Curves.of(SETTLE, all).segments()) {
      double secant = (s.v3() - s.v0()) / s.width();
      for (double slope : new double[] {s.out().slope(), s.in().slope()}) {
        if (Math.abs(secant) < 1e-9) {
          assertThat(slope).isCloseTo(0, within(1e-8));
        } else {
          assertThat(slope / secant).isBetween(-1e-9, 3 + 1e-6);
        }
      }
    }
  }

  @Property
  void free_bezier_agreesWithDeCasteljau(
      @ForAll @DoubleRange(min = 0, max = 60) double outFrames,
      @ForAll @DoubleRange(min = 0, max = 60) double inFrames,
      @ForAll @DoubleRange(min = -9, max = 9) double outValue,
      @ForAll @DoubleRange(min = -9, max = 9) double inValue) {
    double width = 50;
    Curve curve =
        new Curve(
            0,
            List.of(
                new Key(0, 1, Curves.free(0, 0, outFrames, outValue)),
                new Key(width, 4, Curves.free(inFrames, inValue, 0, 0))));
    double scale = Math.min(1, width / Math.max(1e-300, outFrames + inFrames));
    double[] t = {0, outFrames * scale, width - inFrames * scale, width};
    double[] v = {1, 1 + outValue * scale, 4 - inValue * scale, 4};
    for (int k = 0; k <= 20; k++) {
      double u = k / 20.0;
      assertThat(curve.at(deCasteljau(t, u))).isCloseTo(deCasteljau(v, u), within(2e-5));
    }
  }

  private static double deCasteljau(double[] points, double u) {
    double[] p = points.clone();
    for (int n = 3; n > 0; n--) {
      for (int i = 0; i < n; i++) {
        p[i] += (p[i + 1] - p[i]) * u;
      }
    }
    return p[0];
  }

  @Test
  void flow_onAParabola_isExactInside() {
    // the slopes of non-uniform Catmull-Rom are exact for parabolas, and so is the cubic
    Curve curve = Curves.of(Tangent.Kind.FLOW, 0, 0, 1, 1, 3, 9, 4, 16);
    assertThat(curve.at(2)).isCloseTo(4, within(1e-12));
  }

  @Test
  void cycleAndCarry_addsTheDifferenceEachRound() {
    Curve base = Curves.of(Tangent.Kind.STRAIGHT, 0, 10, 10, 13);
    Curve carried = base.withBeyond(Beyond.CYCLE_AND_CARRY, Beyond.CYCLE_AND_CARRY);
    assertThat(carried.at(25)).isCloseTo(10 + 2 * 3 + 1.5, within(1e-12));
    assertThat(carried.at(-5)).isCloseTo(10 - 3 + 1.5, within(1e-12));
    Curve cycled = base.withBeyond(Beyond.CYCLE, Beyond.CYCLE);
    assertThat(cycled.at(25)).isCloseTo(11.5, within(1e-12));
    Curve running = base.withBeyond(Beyond.RUN_ON, Beyond.RUN_ON);
    assertThat(running.at(20)).isCloseTo(16, within(1e-12));
    assertThat(running.at(-10)).isCloseTo(7, within(1e-12));
    assertThat(base.at(99)).isEqualTo(13);
  }

  @Test
  void player_inAnyOrder_givesTheSameAsRandomAccess() {
    Random random = new Random(4);
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i < 40; i++) {
      double w = random.nextDouble() * 6;
      keys.add(
          new Key(i * 9, random.nextGaussian(), Curves.free(w, random.nextGaussian(), 9 - w, 1)));
    }
    Curve curve = new Curve(0, keys, Beyond.CYCLE, Beyond.RUN_ON);
    CurvePlayer player = curve.player();
    for (int i = 0; i < 3000; i++) {
      double frame = i < 1500 ? i * 0.3 - 20 : random.nextDouble() * 500 - 50;
      assertThat(player.at(frame)).isEqualTo(curve.at(frame));
    }
  }

  @Test
  void keysAtEqualFrames_areRefusedByName() {
    assertThatThrownBy(() -> Curves.of(SETTLE, 5, 1, 12, 2, 12, 3))
        .hasMessage("keys[2].frame is 12.0; allowed: greater than keys[1].frame (12.0)");
  }

  @Test
  void withoutKeys_theLastOne_leavesItsValueAtRest() {
    Curve curve = Curves.of(SETTLE, 5, 1, 12, 2);
    assertThat(curve.withoutKeys(5, 12)).isEqualTo(Curve.still(2));
    assertThat(curve.withoutKeys(5).keys()).hasSize(1);
  }

  @Test
  void runOn_fromHandlesOfNoLength_goesOnAlongTheCurve() {
    Tangent.Free none = Curves.free(0, 0, 0, 0);
    Curve line =
        new Curve(0, List.of(new Key(0, 0, none), new Key(10, 5, none)))
            .withBeyond(Beyond.RUN_ON, Beyond.RUN_ON);
    assertThat(line.at(30)).isCloseTo(15, within(1e-9));
    assertThat(line.at(-10)).isCloseTo(-5, within(1e-9));
    Curve bent =
        new Curve(0, List.of(new Key(0, 0, Curves.free(0, 0, 4, 1)), new Key(10, 5, none)))
            .withBeyond(Beyond.HOLD, Beyond.RUN_ON);
    assertThat(bent.at(16)).isCloseTo(5 + 6 * (5 - 1) / 6.0, within(1e-9));
  }

  @Test
  void keysCloserThanAMillionthOfAFrame_areRefused() {
    assertThatThrownBy(
            () ->
                new Curve(
                    0,
                    List.of(
                        new Key(5, 0, Tangent.Kind.HOLD), new Key(5 + 4e-7, 1, Tangent.Kind.HOLD))))
        .isInstanceOf(RefusedException.class)
        .hasMessageContaining("allowed: at least 1e-6 of a frame after keys[0].frame (5.0)");
  }
}

package idlelens.core.curve;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.StoppedException;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;

class CurveFitTest {
  private static final int FRAMES = 240;

  private static double[] frames() {
    double[] t = new double[FRAMES];
    for (int i = 0; i < FRAMES; i++) {
      t[i] = 1001 + i;
    }
    return t;
  }

  /** A sum of three swings, none shorter than two seconds. */
  private static double[] smooth(Random random) {
    double[] v = new double[FRAMES];
    for (int k = 0; k < 3; k++) {
      double period = 48 + random.nextInt(200);
      double phase = random.nextDouble() * 6.3;
      double size = random.nextDouble() * 2;
      for (int i = 0; i < FRAMES; i++) {
        v[i] += size * Math.sin(2 * Math.PI * i / period + phase);
      }
    }
    return v;
  }

  private static double deviation(Curve curve, double[] t, double[] v) {
    double worst = 0;
    for (int i = 0; i < t.length; i++) {
      worst = Math.max(worst, Math.abs(curve.at(t[i]) - v[i]));
    }
    return worst;
  }

  @Property(tries = 200)
  void fit_randomSmoothMoves_stayWithinTolerance_onAThirdOfTheSamples(
      @ForAll @LongRange(min = 0) long seed) {
    double[] t = frames();
    double[] v = smooth(new Random(seed));
    Curve curve = new Curve(0, CurveFit.fit(t, v, 0.001));
    assertThat(deviation(curve, t, v)).isLessThanOrEqualTo(0.001);
    assertThat(curve.keys().size()).isLessThanOrEqualTo(FRAMES / 3);
  }

  @Property(tries = 50)
  void fit_roughTracks_staysWithinToleranceWhateverItCosts(@ForAll @LongRange(min = 0) long seed) {
    Random random = new Random(seed);
    double[] t = frames();
    double[] v = random.doubles(FRAMES, -1, 1).toArray();
    Curve curve = new Curve(0, CurveFit.fit(t, v, 0.01));
    assertThat(deviation(curve, t, v)).isLessThanOrEqualTo(0.01);
  }

  @Test
  void fit_aSampledSettleMove_findsItsTwoKeys() {
    Curve move = Curves.of(Tangent.Kind.SETTLE, 1001, 0, 1240, 5);
    double[] t = frames();
    double[] v = new double[FRAMES];
    move.player().fill(1001, 1, v);
    List<Key> keys = CurveFit.fit(t, v, 0.002);
    assertThat(keys).hasSize(2);
    assertThat(new Curve(0, keys).at(1100)).isCloseTo(move.at(1100), within(0.002));
  }

  @Test
  void fit_aTrackThatStandsStill_isOneKey() {
    assertThat(CurveFit.fit(frames(), new double[FRAMES], 0.001)).hasSize(1);
  }

  @Test
  void fit_badInput_isRefused() {
    assertThatThrownBy(() -> CurveFit.fit(frames(), new double[FRAMES], 0))
        .isInstanceOf(RefusedException.class)
        .hasMessage("tolerance is 0.0; allowed: greater than 0");
    assertThatThrownBy(() -> CurveFit.fit(frames(), new double[3], 1))
        .hasMessageContaining("values.count is 3");
  }

  private static Curve baked(double[] v, Tangent.Kind tangent) {
    List<Key> keys = new ArrayList<>();
    double[] t = frames();
    for (int i = 0; i < t.length; i++) {
      keys.add(new Key(t[i], v[i], tangent));
    }
    return new Curve(0, keys);
  }

  @Property(tries = 100)
  void reduce_bakedMoves_useAThirdOfTheKeys_andStayWithinTolerance(
      @ForAll @LongRange(min = 0) long seed, @ForAll boolean straight) {
    Curve full =
        baked(smooth(new Random(seed)), straight ? Tangent.Kind.STRAIGHT : Tangent.Kind.FLOW);
    Curve few = KeyReduction.reduce(full, 0.01);
    assertThat(few.keys().size()).isLessThanOrEqualTo(FRAMES / 3);
    for (double frame = 1001; frame <= 1240; frame += 0.25) {
      assertThat(few.at(frame)).isCloseTo(full.at(frame), within(0.01 * (1 + 1e-9)));
    }
    // keys that stay are where they were
    few.keys().forEach(k -> assertThat(full.at(k.frame())).isEqualTo(k.value()));
  }

  @Property(tries = 200)
  void reduce_anyCurve_staysWithinTolerance(@ForAll @LongRange(min = 0) long seed) {
    Curve curve = Curves.random(new Random(seed));
    Curve fewer = KeyReduction.reduce(curve, 0.5);
    double first = curve.keys().get(0).frame();
    double last = curve.keys().get(curve.keys().size() - 1).frame();
    for (double frame = first; frame <= last; frame += 0.25) {
      assertThat(fewer.at(frame)).isCloseTo(curve.at(frame), within(0.5 + 1e-6));
    }
  }

  @Test
  void reduce_keysThatAKeyInsertionMade_takesThemAwayAgain() {
    Curve curve = Curves.of(Tangent.Kind.SETTLE, 0, 0, 100, 8);
    Curve more = KeyInsertion.insert(curve, 40, Tangent.Kind.SETTLE);
    assertThat(KeyReduction.reduce(more, 0.01).keys()).hasSize(2);
  }

  @Test
  void reduce_heldKeys_stay() {
    Curve curve = Curves.of(Tangent.Kind.HOLD, 0, 0, 10, 4, 20, 1);
    assertThat(KeyReduction.reduce(curve, 0.1)).isSameAs(curve);
  }

  @Test
  void reduce_muchNoise_endsSoon_andStaysWithinTolerance() {
    Curve noise = Curves.noise(60_000, Tangent.Kind.FLOW);
    Curve fewer = KeyReduction.reduce(noise, 1);
    assertThat(fewer.keys().size()).isLessThan(50_000);
    for (int frame = 20_000; frame < 20_200; frame++) {
      assertThat(fewer.at(frame)).isCloseTo(noise.at(frame), within(1.0 + 1e-9));
    }
  }

  @Test
  void reduce_isStoppedOnTheWay() {
    Curve noise = Curves.noise(2_000, Tangent.Kind.FLOW);
    Thread.currentThread().interrupt();
    try {
      assertThatThrownBy(() -> KeyReduction.reduce(noise, 1)).isInstanceOf(StoppedException.class);
    } finally {
      assertThat(Thread.interrupted()).isTrue();
    }
  }

  @Test
  void oneValue_isTheSameBeforeAndAfterAllSegmentsAreMade() {
    for (int seed = 0; seed < 300; seed++) {
      Curve curve = Curves.random(new Random(seed));
      for (double frame = -30; frame < 300; frame += 0.83) {
        double alone = new Curve(0, curve.keys(), curve.before(), curve.after()).at(frame);
        assertThat(alone).isEqualTo(curve.player().at(frame));
      }
    }
  }
}

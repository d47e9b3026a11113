package idlelens.core.curve;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;

class KeyReductionTest {
  private static double first(Curve curve) {
    return curve.keys().get(0).frame();
  }

  private static double last(Curve curve) {
    return curve.keys().get(curve.keys().size() - 1).frame();
  }

  /** A curve with more keys than it needs: keys put in without a change, then shaken a little. */
  private static Curve crowded(Random random) {
    Curve curve = Curves.any(random);
    List<Double> frames = new ArrayList<>();
    for (double f = Math.ceil(first(curve)); f < last(curve); f += 1 + random.nextInt(3)) {
      frames.add(f);
    }
    Curve full = KeyInsertion.insertAll(curve, frames, Tangent.Kind.SETTLE);
    double shake = random.nextInt(3) * 0.02;
    return full.withKeys(
        full.keys().stream()
            .map(k -> k.withValue(k.value() + shake * (random.nextDouble() - 0.5)))
            .toList());
  }

  @Property(tries = 1500)
  void reduce_anyCurve_staysWithinItsTolerance_betweenFramesToo(
      @ForAll @LongRange(min = 0) long seed,
      @ForAll @DoubleRange(min = 0.01, max = 2) double tolerance) {
    Curve curve = crowded(new Random(seed));
    Curve reduced = KeyReduction.reduce(curve, tolerance);
    assertThat(reduced.keys().size()).isLessThanOrEqualTo(curve.keys().size());
    double step = (last(curve) - first(curve)) / 6007;
    for (int i = 0; i <= 6007; i++) {
      double frame = first(curve) + i * step;
      assertThat(Math.abs(reduced.at(frame) - curve.at(frame)))
          .as("at %s", frame)
          .isLessThanOrEqualTo(tolerance * (1 + 1e-6) + 1e-9);
    }
  }

  @Property(tries = 1500)
  void reduce_anyCurve_keepsToItsToleranceOutsideTheKeys(
      @ForAll @LongRange(min = 0) long seed,
      @ForAll @DoubleRange(min = 0.01, max = 2) double tolerance) {
    Curve curve = crowded(new Random(seed));
    Curve reduced = KeyReduction.reduce(curve, tolerance);
    for (double away = 0.31; away < 900; away *= 1.7) {
      for (double frame : new double[] {first(curve) - away, last(curve) + away}) {
        double before = curve.at(frame);
        assertThat(reduced.at(frame))
            .as("at %s", frame)
            .isCloseTo(before, within(tolerance * (1 + 1e-6) + 1e-9 * (1 + Math.abs(before))));
      }
    }
  }

  @Test
  void reduce_aCrowdedMove_findsTheKeysItWasMadeOf() {
    Curve move = Curves.of(Tangent.Kind.SETTLE, 0, 0, 40, 5, 100, -2);
    List<Double> frames = new ArrayList<>();
    for (double f = 1; f < 100; f++) {
      frames.add(f);
    }
    Curve full = KeyInsertion.insertAll(move, frames, Tangent.Kind.SETTLE);
    assertThat(KeyReduction.reduce(full, 0.01).keys().size()).isLessThanOrEqualTo(4);
  }

  @Test
  void reduce_nearlyLevelKeysThatRunOn_keepTheirSlope() {
    Curve rising =
        Curves.of(Tangent.Kind.STRAIGHT, 0, 0, 10, 0.004, 20, 0.009)
            .withBeyond(Beyond.HOLD, Beyond.RUN_ON);
    assertThat(KeyReduction.reduce(rising, 0.01).at(1020)).isCloseTo(0.509, within(1e-9));
  }

  @Test
  void reduce_farApartKeys_takesNoMoreRoomThanTheyAre() {
    Curve far = Curves.of(Tangent.Kind.FLOW, -9e6, 0, 0, 1, 9e6, 2);
    assertThat(KeyReduction.reduce(far, 0.01).keys()).hasSize(2);
  }
}

package idlelens.core.curve;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.rule.RefusedException;
import java.util.List;
import java.util.Random;
import java.util.TreeSet;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;

class KeyInsertionTest {
  private static final Tangent.Kind SETTLE = Tangent.Kind.SETTLE;

  private static void assertSame(Curve before, Curve after, double from, double to) {
    for (double frame = from; frame <= to; frame += 0.37) {
      double value = before.at(frame);
      double steep = Math.abs(before.at(frame + 1e-12) - before.at(frame - 1e-12));
      assertThat(after.at(frame))
          .as("at %s of %s", frame, before)
          .isCloseTo(value, within(1e-9 * (1 + Math.abs(value)) + steep));
    }
  }

  @Property(tries = 2000)
  void insert_anywhereOnAnyCurve_changesNothing(
      @ForAll @LongRange(min = 0) long seed,
      @ForAll @DoubleRange(min = -0.6, max = 1.6) double at) {
    Curve curve = Curves.random(new Random(seed));
    double first = curve.keys().get(0).frame();
    double last = curve.keys().get(curve.keys().size() - 1).frame();
    double frame = first + (last - first) * at;
    Curve with = KeyInsertion.insert(curve, frame, SETTLE);
    assertThat(with.indexOf(frame)).isNotNegative();
    assertSame(curve, with, first - 100, last + 100);
  }

  @Property(tries = 3000)
  void insert_onEveryKindThereIs_changesNothingOrIsRefused(
      @ForAll @LongRange(min = 0) long seed,
      @ForAll @DoubleRange(min = -0.6, max = 1.6) double at) {
    Curve curve = Curves.any(new Random(seed));
    double first = curve.keys().get(0).frame();
    double last = curve.keys().get(curve.keys().size() - 1).frame();
    double frame = first + (last - first + 1) * at;
    try {
      Curve with = KeyInsertion.insert(curve, frame, SETTLE);
      assertThat(with.indexOf(frame)).isNotNegative();
      assertSame(curve, with, first - 100, last + 100);
    } catch (RefusedException e) { // a cycle that jumps, or cycles on the other side only
      assertThat(e.where()).isIn("cycle", "frame");
      assertThat(frame < first || frame > last).isTrue();
    }
  }

  @Test
  void insert_justBeyondALongCycle_unrollsARound() {
    Curve cycle =
        Curves.of(SETTLE, 0, 0, 500_000, 1, 1_000_000, 0).withBeyond(Beyond.CYCLE, Beyond.CYCLE);
    Curve with = KeyInsertion.insert(cycle, 1_000_000.0004, SETTLE);
    assertThat(with.indexOf(1_000_000.0004)).isNotNegative();
    assertSame(cycle, with, 999_990, 1_000_010);
  }

  @Property(tries = 1000)
  void insertAll_isAsOneAfterAnother_inTheOrderOfTheFrames(@ForAll @LongRange(min = 0) long seed) {
    Random random = new Random(seed);
    Curve curve = Curves.random(random);
    double first = curve.keys().get(0).frame();
    double last = curve.keys().get(curve.keys().size() - 1).frame();
    TreeSet<Double> frames = new TreeSet<>();
    for (int i = 0; i < 1 + random.nextInt(12); i++) {
      double frame = first + (last - first) * (random.nextDouble() * 2 - 0.4);
      frames.add(random.nextBoolean() ? Math.rint(frame) : frame);
    }
    Curve one = curve;
    try {
      for (double frame : frames) {
        one = KeyInsertion.insert(one, frame, SETTLE);
      }
    } catch (RefusedException e) {
      assertThatThrownBy(() -> KeyInsertion.insertAll(curve, frames, SETTLE))
          .isInstanceOf(RefusedException.class);
      return;
    }
    assertThat(KeyInsertion.insertAll(curve, frames, SETTLE)).isEqualTo(one);
  }

  @Test
  void insertAll_ofManyIntoMany_endsSoon() {
    Curve curve = Curves.noise(60_000, SETTLE);
    List<Double> frames =
        IntStream.range(0, 20_000).mapToObj(i -> i * 2.9 + 0.33).toList(); // inside and behind
    Curve with = KeyInsertion.insertAll(curve, frames, SETTLE);
    assertThat(with.keys()).hasSize(80_000);
    assertSame(curve, with, 30_000, 30_050);
  }

  @Property(tries = 300)
  void insert_manyInARow_changesNothing(@ForAll @LongRange(min = 0) long seed) {
    Random random = new Random(seed);
    Curve curve = Curves.random(random);
    Curve with = curve;
    for (int i = 0; i < 12; i++) {
      with = KeyInsertion.insert(with, random.nextInt(300) - 50, SETTLE);
    }
    assertSame(curve, with, -60, 260);
  }

  @Test
  void insert_whereAKeyStands_givesTheSameCurve() {
    Curve curve = Curves.of(SETTLE, 0, 1, 10, 2);
    assertThat(KeyInsertion.insert(curve, 10, SETTLE)).isSameAs(curve);
  }

  @Test
  void insert_intoAStillChannel_keysItsValue() {
    Curve keyed = KeyInsertion.insert(Curve.still(3), 12, Tangent.Kind.FLOW);
    assertThat(keyed.keys()).containsExactly(new Key(12, 3, Tangent.Kind.FLOW));
    assertThat(KeyInsertion.insert(keyed, 40, SETTLE).at(25)).isEqualTo(3);
  }

  @Test
  void insert_beyondACycleThatJumps_isRefusedWithBothValues() {
    Curve jump = new Curve(0, Curves.of(SETTLE, 0, 1, 10, 2).keys(), Beyond.HOLD, Beyond.CYCLE);
    assertThatThrownBy(() -> KeyInsertion.insert(jump, 25, SETTLE))
        .isInstanceOf(RefusedException.class)
        .hasMessageContaining("from 2.0 back to 1.0");
  }

  @Test
  void insert_besideACycleOfTheOtherSide_isRefused() {
    Curve curve = new Curve(0, Curves.of(SETTLE, 0, 1, 10, 1).keys(), Beyond.CYCLE, Beyond.HOLD);
    assertThatThrownBy(() -> KeyInsertion.insert(curve, 25, SETTLE))
        .isInstanceOf(RefusedException.class)
        .hasMessageContaining("cycles on its other side only");
  }

  @Test
  void handles_takenByHand_leaveTheCurveAsItIs() {
    for (long seed = 0; seed < 200; seed++) {
      Curve curve = Curves.random(new Random(seed));
      Curve frozen = curve;
      for (int i = 0; i < curve.keys().size(); i++) {
        Key key = curve.keys().get(i);
        if (key.tangent().leavesBending()) {
          frozen = frozen.withKeyAt(i, key.withTangent(curve.handles(i)));
        }
      }
      double first = curve.keys().get(0).frame();
      assertSame(curve, frozen, first, curve.keys().get(curve.keys().size() - 1).frame());
    }
  }

  @Test
  void unweightedHandle_keepsItsSlopeWhereverTheNextKeyIs() {
    List<Key> keys =
        List.of(new Key(0, 0, Tangent.Free.sloped(0.5)), new Key(30, 3, Tangent.Free.sloped(0)));
    Segment near = new Curve(0, keys).segment(0);
    assertThat(near.t1()).isEqualTo(10);
    assertThat(near.v1()).isEqualTo(5);
    Segment far = new Curve(0, List.of(keys.get(0), keys.get(1).withFrame(60))).segment(0);
    assertThat(far.t1()).isEqualTo(20);
    assertThat(far.v1()).isEqualTo(10);
  }

  @Property(tries = 300)
  void slopeAndBend_agreeWithDifferenceQuotients(@ForAll @LongRange(min = 0) long seed) {
    Curve curve = Curves.random(new Random(seed));
    Segment s = curve.segment(0);
    if (s.out().frames() < 1 || s.in().frames() < 1) {
      return; // as good as vertical at its ends: a quotient says little
    }
    CurvePlayer player = curve.player();
    double frame = s.t0() + s.width() * 0.43;
    double h = 1e-4 * s.width();
    double slope = (curve.at(frame + h) - curve.at(frame - h)) / (2 * h);
    double bend = (curve.at(frame + h) - 2 * curve.at(frame) + curve.at(frame - h)) / (h * h);
    double size = 20 / s.width() + Math.abs(slope) + Math.abs(bend) * s.width();
    assertThat(player.slope(frame)).isCloseTo(slope, within(1e-3 * size));
    assertThat(player.bend(frame)).isCloseTo(bend, within(1e-2 * size / s.width() + 1e-4));
  }
}

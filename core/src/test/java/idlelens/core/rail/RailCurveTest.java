package idlelens.core.rail;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import org.joml.Quaterniond;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;

/** Lengths against closed forms, even steps, and frames that turn as little as they can. */
class RailCurveTest {
  private static final int CHORDS = 2000;

  /** Any shape: smooth anchors, corners, long and short tangents, anchors close together. */
  static Rail random(long seed) {
    Random random = new Random(seed);
    List<Anchor> anchors = new ArrayList<>();
    int count = 3 + random.nextInt(7);
    for (int i = 0; i < count; i++) {
      double spread = random.nextInt(8) == 0 ? 1e-3 : 5;
      Anchor plain =
          Anchor.smooth(
              "a" + i,
              i * 2 + random.nextGaussian() * spread,
              random.nextGaussian(),
              random.nextGaussian() * spread);
      anchors.add(
          switch (random.nextInt(4)) {
            case 0 -> Anchor.corner(plain.id(), plain.x(), plain.y(), plain.z());
            case 1 -> plain.withTangents(offset(random), offset(random));
            default -> plain;
          });
    }
    return new Rail(anchors, random.nextInt(3) == 0);
  }

  private static Offset offset(Random random) {
    double size = random.nextInt(4) == 0 ? 0 : 2;
    return new Offset(
        random.nextGaussian() * size, random.nextGaussian() * size, random.nextGaussian() * size);
  }

  private static Rail smooth(long seed, boolean closed) {
    return random(seed).mapped(a -> Anchor.smooth(a.id(), a.x(), a.y(), a.z())).withClosed(closed);
  }

  @Test
  void line_isAsLongAsItIs_andEven() {
    RailCurve line = ReadyRails.line(7.25).curve();
    assertThat(line.length()).isCloseTo(7.25, within(1e-12));
    assertThat(line.place(line.parameterAt(2.5)).distance(0, 0, -2.5)).isLessThan(1e-11);
    assertThat(line.direction(0.3).distance(0, 0, -1)).isLessThan(1e-12);
  }

  @Test
  void circle_isRound_withinTheErrorOfItsBeziers() {
    RailCurve circle = ReadyRails.circle(3).curve();
    assertThat(circle.length()).isCloseTo(2 * Math.PI * 3, within(1e-4));
    for (double s = 0; s < circle.length(); s += 0.1) {
      Vector3d at = circle.place(circle.parameterAt(s));
      assertThat(Math.hypot(at.x, at.z)).isCloseTo(3, within(3 * 5e-6));
      assertThat(circle.curvature(circle.parameterAt(s)).length()).isCloseTo(1.0 / 3, within(1e-2));
    }
  }

  @Test
  void helix_isAsLongAsItsFormulaSays() {
    RailCurve helix = ReadyRails.helix(2, 720, 5).curve();
    assertThat(helix.length()).isCloseTo(Math.hypot(4 * Math.PI * 2, 5), within(2e-4));
    Vector3d end = helix.place(helix.parameterAt(helix.length()));
    assertThat(end.distance(2, 5, 0)).isLessThan(1e-9);
  }

  /** {@code P(u) = (u, u^2)}, whose length has a closed form. */
  @Test
  void parabola_againstItsClosedForm_toTenDigits() {
    Anchor from = Anchor.smooth("a", 0, 0, 0).withTangents(Offset.NONE, new Offset(1.0 / 3, 0, 0));
    Anchor to =
        Anchor.smooth("b", 1, 1, 0).withTangents(new Offset(-1.0 / 3, -2.0 / 3, 0), Offset.NONE);
    RailCurve curve = (new Rail(List.of(from, to), false)).curve();
    double exact = Math.sqrt(5) / 2 + Math.log(2 + Math.sqrt(5)) / 4;
    assertThat(curve.length()).isCloseTo(exact, within(1e-10));
    double half = Math.sqrt(2) / 4 + Math.log(1 + Math.sqrt(2)) / 4;
    assertThat(curve.parameterAt(half)).isCloseTo(0.5, within(1e-10));
  }

  @Property(tries = 120)
  void evenPace_isEven_onAnyShape(@ForAll @LongRange(min = 0) long seed) {
    RailCurve curve = random(seed).curve();
    int steps = 400;
    double step = curve.length() / steps;
    for (int i = (int) (seed % 13); i < steps; i += 13) {
      double from = curve.parameterAt(step * i);
      double to = i + 1 == steps ? curve.rail().spans() : curve.parameterAt(step * (i + 1));
      assertThat(lengthBetween(curve, from, to)).isCloseTo(step, within(1e-4 * step));
    }
  }

  /** Measured by many short chords in each span, not by the curve's own table. */
  private static double lengthBetween(RailCurve curve, double from, double to) {
    double sum = 0;
    for (double start = from; start < to; start = Math.floor(start) + 1) {
      double end = Math.min(to, Math.floor(start) + 1);
      Vector3d last = curve.place(start);
      for (int i = 1; i <= CHORDS; i++) {
        Vector3d next = curve.place(i == CHORDS ? end : start + (end - start) * i / CHORDS);
        sum += next.distance(last);
        last = next;
      }
    }
    return sum;
  }

  @Property(tries = 60)
  void frames_turnAsAFineReferenceDoes_andStandAcross(@ForAll @LongRange(min = 0) long seed) {
    RailCurve curve = smooth(seed, false).curve();
    int spans = curve.rail().spans();
    Vector3d up = curve.up(0);
    int steps = spans * 4000;
    Vector3d before = curve.direction(0);
    for (int i = 1; i <= steps; i++) { // the least turn from one direction to the next
      double at = (double) i / steps * spans;
      Vector3d ahead = curve.direction(at);
      new Quaterniond().rotationTo(before, ahead).transform(up);
      before = ahead;
      if (i % 997 == 0 || i == steps) {
        Vector3d frame = curve.up(at);
        assertThat(frame.dot(ahead)).isCloseTo(0, within(1e-9));
        assertThat(frame.angle(up)).isLessThan(1e-3);
      }
    }
  }

  @Property(tries = 60)
  void closedRails_comeBackAsTheyWere(@ForAll @LongRange(min = 0) long seed) {
    RailCurve curve = smooth(seed, true).curve();
    double end = curve.rail().spans();
    assertThat(curve.up(0).distance(curve.up(end - 1e-12))).isLessThan(1e-6);
    assertThat(curve.place(0).distance(curve.place(end))).isLessThan(1e-12);
    double length = curve.length();
    Vector3d there = curve.place(curve.parameterAt(length * 0.25));
    assertThat(curve.place(curve.parameterAt(length * 3.25)).distance(there)).isLessThan(1e-9);
  }

  @Property(tries = 60)
  void anAnchorMore_changesNothing(@ForAll @LongRange(min = 0) long seed) {
    Rail rail = random(seed);
    RailCurve before = rail.curve();
    int span = (int) Math.floorMod(seed, (long) rail.spans());
    RailCurve after = rail.split(span, 0.37, "new").curve();
    assertThat(after.length()).isCloseTo(before.length(), within(1e-9 * before.length()));
    for (int i = 0; i <= 100; i++) {
      double s = before.length() * i / 100;
      Vector3d was = before.place(before.parameterAt(s));
      assertThat(after.place(after.parameterAt(s)).distance(was)).isLessThan(1e-7);
    }
  }

  @Property(tries = 40)
  void nearest_isNoFartherThanAnyPlaceLookedAt(@ForAll @LongRange(min = 0) long seed) {
    RailCurve curve = smooth(seed, seed % 2 == 0).curve();
    Random random = new Random(seed);
    Vector3d from = curve.place(random.nextDouble() * curve.rail().spans());
    double found = curve.nearest(from, 0, curve.length());
    assertThat(curve.place(curve.parameterAt(found)).distance(from)).isLessThan(1e-6);
    Vector3d off = new Vector3d(from).add(random.nextGaussian(), 1, random.nextGaussian());
    double far =
        curve.place(curve.parameterAt(curve.nearest(off, 0, curve.length()))).distance(off);
    for (int i = 0; i <= 2000; i++) {
      double other = curve.place(curve.parameterAt(curve.length() * i / 2000)).distance(off);
      assertThat(far).isLessThan(other + 1e-6);
    }
  }

  @Property(tries = 40)
  void reversed_goesTheSameWayBack(@ForAll @LongRange(min = 0) long seed) {
    Rail rail = random(seed);
    RailCurve there = rail.curve();
    RailCurve back = rail.reversed().curve();
    for (int i = 0; i <= 50; i++) {
      double s = there.length() * i / 50;
      Vector3d was = there.place(there.parameterAt(s));
      assertThat(back.place(back.parameterAt(there.length() - s)).distance(was)).isLessThan(1e-6);
    }
  }

  @Test
  void anchorsAtOnePlace_giveFiniteNumbers() {
    Rail dot = new Rail(List.of(Anchor.smooth("a", 1, 2, 3), Anchor.smooth("b", 1, 2, 3)), false);
    RailCurve curve = dot.curve();
    assertThat(curve.length()).isZero();
    assertThat(curve.place(curve.parameterAt(5)).distance(1, 2, 3)).isZero();
    assertThat(curve.direction(0).length()).isCloseTo(1, within(1e-12));
    assertThat(curve.up(0.5).isFinite()).isTrue();
  }

  @Test
  void wrongRails_areRefused() {
    assertThatThrownBy(() -> new Rail(List.of(Anchor.smooth("a", 0, 0, 0)), false))
        .hasMessage("rail.anchors.count is 1; allowed: 2 to 2000");
    assertThatThrownBy(
            () ->
                new Rail(List.of(Anchor.smooth("a", 0, 0, 0), Anchor.smooth("a", 1, 0, 0)), false))
        .hasMessage("anchor.id is 'a' twice; allowed: each id once");
    assertThatThrownBy(() -> Anchor.smooth("A b", 0, 0, 0)).hasMessageStartingWith("anchor.id");
    assertThatThrownBy(() -> Anchor.smooth("a", Double.NaN, 0, 0))
        .hasMessageStartingWith("anchor.x is NaN");
    assertThatThrownBy(() -> ReadyRails.line(1).index("zz"))
        .hasMessage("anchor is 'zz'; allowed: a1, a2");
  }
}

package idlelens.core.rail;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.LongRange;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;

class StrokeFitTest {
  private static final double STEP = 0.004;

  private static double farthest(Rail rail, List<Vector3d> points) {
    return points.stream().mapToDouble(point -> distance(rail, point)).max().orElseThrow();
  }

  /** From the nearest of many places along it, narrowed in thirds to the nearest of all. */
  private static double distance(Rail rail, Vector3d point) {
    RailCurve curve = rail.curve();
    double nearest = 0;
    for (double u = 0; u <= rail.spans(); u += STEP) {
      if (curve.place(u).distance(point) < curve.place(nearest).distance(point)) {
        nearest = u;
      }
    }
    double low = Math.max(0, nearest - STEP);
    double high = Math.min(rail.spans(), nearest + STEP);
    while (high - low > 1e-9) {
      double third = (high - low) / 3;
      boolean before =
          curve.place(low + third).distance(point) < curve.place(high - third).distance(point);
      low = before ? low : low + third;
      high = before ? high - third : high;
    }
    return curve.place(low).distance(point);
  }

  private static List<Vector3d> stroke(long seed, int count) {
    Random random = new Random(seed);
    double[] a = random.doubles(6, 0.3, 3).toArray();
    List<Vector3d> points = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      double t = (double) i / count * 6;
      double tremble = random.nextGaussian() * 0.002;
      points.add(
          new Vector3d(
              t * a[0] + Math.sin(t * a[1]),
              0.3 * Math.sin(a[2] * t),
              Math.cos(t * a[3]) * a[4] + tremble));
    }
    return points;
  }

  @Property(tries = 40)
  void anyStroke_isPassedWithinTheTolerance(
      @ForAll @LongRange(min = 0) long seed,
      @ForAll @DoubleRange(min = 0.01, max = 0.3) double tolerance) {
    List<Vector3d> points = stroke(seed, 150);
    Rail rail = StrokeFit.fit(points, tolerance, false);
    assertThat(farthest(rail, points)).isLessThan(tolerance + 1e-6);
    assertThat(rail.anchors().get(0).place()).isEqualTo(points.get(0));
    assertThat(rail.anchors().size()).isLessThan(points.size() / 2);
  }

  @Test
  void aCoarserTolerance_takesFewerAnchors() {
    List<Vector3d> points = stroke(5, 400);
    assertThat(StrokeFit.fit(points, 0.5, false).anchors().size())
        .isLessThan(StrokeFit.fit(points, 0.01, false).anchors().size());
  }

  @Test
  void aLoop_closesSmoothly_howeverFewAnchorsItTakes() {
    for (double tolerance : new double[] {0.01, 0.3, 5}) {
      List<Vector3d> points = new ArrayList<>();
      for (int i = 0; i < 200; i++) {
        double t = 2 * Math.PI * i / 200;
        points.add(new Vector3d(3 * Math.cos(t), 0, 2 * Math.sin(t)));
      }
      Rail rail = StrokeFit.fit(points, tolerance, true);
      assertThat(rail.closed()).isTrue();
      assertThat(rail.anchors().size()).isGreaterThanOrEqualTo(3);
      RailCurve curve = rail.curve();
      assertThat(curve.direction(0).angle(curve.direction(rail.spans()))).isLessThan(1e-6);
    }
  }

  @Test
  void hundredThousandPoints_areFitted_andOnePlaceIsRefused() {
    assertThat(StrokeFit.fit(stroke(3, 100_000), 0.02, false).anchors().size()).isLessThan(200);
    List<Vector3d> dot = List.of(new Vector3d(1, 1, 1), new Vector3d(1, 1, 1));
    assertThatThrownBy(() -> StrokeFit.fit(dot, 0.1, false))
        .hasMessage("points is all at one place; allowed: at least two places apart");
    assertThatThrownBy(() -> StrokeFit.fit(stroke(1, 20), 0, false))
        .hasMessageStartingWith("tolerance is 0");
  }

  /** Worst right behind the start, again and again: halves would be as long as the whole. */
  @Test
  void aStrokeThatIsWorstAtItsEdge_isFittedInNoMoreThanItTakes() {
    List<Vector3d> points = new ArrayList<>();
    for (int i = 0; i < 100_000; i++) {
      points.add(new Vector3d(i * 1e-3, 0, 5 * Math.pow(0.99, i) * (i % 2 == 0 ? 1 : -1)));
    }
    assertThat(StrokeFit.fit(points, 0.01, false).anchors()).hasSizeLessThanOrEqualTo(Rail.MOST);
  }

  @Test
  void twoPoints_areALine() {
    Rail rail = StrokeFit.fit(List.of(new Vector3d(), new Vector3d(0, 0, -3)), 0.1, false);
    assertThat(rail.curve().length()).isCloseTo(3, within(1e-12));
  }
}

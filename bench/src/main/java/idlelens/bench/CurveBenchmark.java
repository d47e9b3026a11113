package idlelens.bench;

import idlelens.core.curve.Curve;
import idlelens.core.curve.CurvePlayer;
import idlelens.core.curve.Key;
import idlelens.core.curve.Segment;
import idlelens.core.curve.Tangent;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.hipparchus.analysis.polynomials.PolynomialFunction;
import org.hipparchus.analysis.polynomials.PolynomialSplineFunction;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * A column of 10,000 frames of one channel with 64 keys: with handles of uneven length, for which
 * time has to be solved, and with smooth tangents, for which it does not. Beside them linear
 * interpolation over the same keys, a naive solve without memory, and the smooth curve as a spline
 * of an independent library.
 */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(2)
public class CurveBenchmark {
  private static final int KEYS = 64;
  private static final int SAMPLES = 10_000;
  private static final double APART = 158.7;

  private final double[] out = new double[SAMPLES];
  private double first;
  private CurvePlayer uneven;
  private CurvePlayer smooth;
  private List<Segment> segments;
  private PolynomialSplineFunction spline;
  private double[] frames;
  private double[] values;

  /** Makes the curves, and sees that all ways agree. */
  @Setup
  public void prepare() {
    Curve free = curve(true);
    Curve flow = curve(false);
    uneven = free.player();
    smooth = flow.player();
    segments = free.segments();
    spline = spline(flow.segments());
    frames = flow.keys().stream().mapToDouble(Key::frame).toArray();
    values = flow.keys().stream().mapToDouble(Key::value).toArray();
    first = frames[0];
    agree(unevenColumn().clone(), naiveSolve().clone(), 1e-6);
    agree(smoothColumn().clone(), librarySpline().clone(), 1e-9);
  }

  private static Curve curve(boolean free) {
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i < KEYS; i++) {
      double value = 3 * Math.sin(i * 1.7) + 0.1 * i;
      Tangent.Handle in = new Tangent.Handle(40 + 5 * (i % 7), Math.cos(i) / 2);
      Tangent.Handle on = new Tangent.Handle(70 - 4 * (i % 5), Math.cos(i));
      Tangent tangent = free ? new Tangent.Free(in, on, false, true) : Tangent.Kind.FLOW;
      keys.add(new Key(1001 + i * APART, value, tangent));
    }
    return new Curve(0, keys);
  }

  private static PolynomialSplineFunction spline(List<Segment> segments) {
    double[] knots = new double[segments.size() + 1];
    PolynomialFunction[] pieces = new PolynomialFunction[segments.size()];
    for (int i = 0; i < pieces.length; i++) {
      Segment s = segments.get(i);
      double w = s.width();
      knots[i] = s.t0();
      knots[i + 1] = s.t3();
      pieces[i] =
          new PolynomialFunction(
              s.v0(),
              3 * (s.v1() - s.v0()) / w,
              3 * (s.v0() - 2 * s.v1() + s.v2()) / (w * w),
              (s.v3() - s.v0() + 3 * (s.v1() - s.v2())) / (w * w * w));
    }
    return new PolynomialSplineFunction(knots, pieces);
  }

  private static void agree(double[] one, double[] other, double tolerance) {
    for (int i = 0; i < SAMPLES; i++) {
      if (!(Math.abs(one[i] - other[i]) < tolerance)) {
        throw new IllegalStateException(one[i] + " and " + other[i] + " at sample " + i);
      }
    }
  }

  /** Ours, with handles for which time has to be solved. */
  @Benchmark
  public double[] unevenColumn() {
    uneven.fill(first, 0.9999, out);
    return out;
  }

  /** Ours, with smooth tangents. */
  @Benchmark
  public double[] smoothColumn() {
    smooth.fill(first, 0.9999, out);
    return out;
  }

  /** Straight lines between the same keys, walking along with the frames. */
  @Benchmark
  public double[] linear() {
    int key = 0;
    for (int i = 0; i < SAMPLES; i++) {
      double frame = first + i * 0.9999;
      while (key + 2 < KEYS && frame >= frames[key + 1]) {
        key++;
      }
      double part = (frame - frames[key]) / (frames[key + 1] - frames[key]);
      out[i] = values[key] + (values[key + 1] - values[key]) * part;
    }
    return out;
  }

  /** The uneven curve, every frame searched from the first key and halved down to its time. */
  @Benchmark
  public double[] naiveSolve() {
    for (int i = 0; i < SAMPLES; i++) {
      out[i] = naive(first + i * 0.9999);
    }
    return out;
  }

  private double naive(double frame) {
    Segment found = segments.get(segments.size() - 1);
    for (Segment s : segments) {
      if (frame < s.t3()) {
        found = s;
        break;
      }
    }
    double low = 0;
    double high = 1;
    while (high - low > 1e-9) {
      double middle = (low + high) / 2;
      if (bezier(found.t0(), found.t1(), found.t2(), found.t3(), middle) < frame) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return bezier(found.v0(), found.v1(), found.v2(), found.v3(), low);
  }

  private static double bezier(double a, double b, double c, double d, double u) {
    double w = 1 - u;
    return w * w * w * a + 3 * w * w * u * b + 3 * w * u * u * c + u * u * u * d;
  }

  /** The smooth curve as a spline of Hipparchus. */
  @Benchmark
  public double[] librarySpline() {
    for (int i = 0; i < SAMPLES; i++) {
      out[i] = spline.value(first + i * 0.9999);
    }
    return out;
  }
}

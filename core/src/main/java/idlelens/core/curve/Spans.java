package idlelens.core.curve;

import java.util.List;

/**
 * The segments of a curve as flat numbers. Segment {@code i} runs from {@code frame[i]} to {@code
 * frame[i + 1]}; with {@code p} in [0, 1] along it, its value is the cubic {@code ((c3 p + c2) p +
 * c1) p + c0}. Where the handles are one third of the segment, p is time itself; otherwise time is
 * the cubic {@code ((d3 p + d2) p + d1) p} and p is solved for.
 */
final class Spans {
  private static final int STRIDE = 7;
  private static final int MOST_STEPS = 64;

  /** A Newton step as small as this squares the error away: what is left is below 1e-14. */
  private static final double LAST_STEP = 1e-8;

  private final double[] frame;
  private final double[] cubic;
  private final double lastValue;

  private Spans(double[] frame, double[] cubic, double lastValue) {
    this.frame = frame;
    this.cubic = cubic;
    this.lastValue = lastValue;
  }

  static Spans of(Curve curve) {
    List<Key> keys = curve.keys();
    Slopes slopes = new Slopes(keys);
    double[] frame = keys.stream().mapToDouble(Key::frame).toArray();
    double[] cubic = new double[(keys.size() - 1) * STRIDE];
    for (int i = 0; i < keys.size() - 1; i++) {
      fill(
          cubic,
          i * STRIDE,
          keys.get(i),
          keys.get(i + 1),
          slopes.leaving(i),
          slopes.reaching(i + 1));
    }
    return new Spans(frame, cubic, keys.get(keys.size() - 1).value());
  }

  private static void fill(
      double[] c, int at, Key left, Key right, double leaving, double reaching) {
    double width = right.frame() - left.frame();
    c[at] = left.value();
    c[at + 4] = 1; // time is p
    if (left.tangent() == Tangent.Kind.HOLD) {
      return;
    }
    if (left.tangent() == Tangent.Kind.STRAIGHT) {
      c[at + 1] = right.value() - left.value();
      return;
    }
    double outFrames = left.tangent() instanceof Tangent.Free f ? f.out().frames() : width / 3;
    double outValue =
        left.tangent() instanceof Tangent.Free f ? f.out().value() : leaving * width / 3;
    double inFrames = right.tangent() instanceof Tangent.Free f ? f.in().frames() : width / 3;
    double inValue =
        right.tangent() instanceof Tangent.Free f ? f.in().value() : reaching * width / 3;
    double total = outFrames + inFrames;
    if (total > width) { // time must not turn back
      double scale = width / total;
      outFrames *= scale;
      outValue *= scale;
      inFrames *= scale;
      inValue *= scale;
    }
    bezier(c, at, left.value(), left.value() + outValue, right.value() - inValue, right.value());
    double third = width / 3;
    if (Math.abs(outFrames - third) > 1e-12 * width || Math.abs(inFrames - third) > 1e-12 * width) {
      time(c, at + 4, outFrames / width, 1 - inFrames / width);
    }
  }

  private static void bezier(double[] c, int at, double p0, double p1, double p2, double p3) {
    c[at] = p0;
    c[at + 1] = 3 * (p1 - p0);
    c[at + 2] = 3 * (p0 - 2 * p1 + p2);
    c[at + 3] = p3 - p0 + 3 * (p1 - p2);
  }

  private static void time(double[] c, int at, double t1, double t2) {
    c[at] = 3 * t1;
    c[at + 1] = 3 * (t2 - 2 * t1);
    c[at + 2] = 1 + 3 * (t1 - t2);
  }

  int count() {
    return frame.length - 1;
  }

  double first() {
    return frame[0];
  }

  double last() {
    return frame[frame.length - 1];
  }

  /** The segment that holds {@code t} in [first, last], looked for from segment {@code near}. */
  int find(double t, int near) {
    int i = near;
    if (t >= frame[i] && t < frame[i + 1]) {
      return i;
    }
    if (i + 2 < frame.length && t >= frame[i + 1] && t < frame[i + 2]) {
      return i + 1;
    }
    int low = 0;
    int high = frame.length - 2;
    while (low < high) {
      int middle = (low + high + 1) >>> 1;
      if (frame[middle] <= t) {
        low = middle;
      } else {
        high = middle - 1;
      }
    }
    return low;
  }

  double value(int span, double t) {
    if (t >= frame[span + 1]) {
      return end(span);
    }
    int c = span * STRIDE;
    double p = parameter(c, (t - frame[span]) / (frame[span + 1] - frame[span]));
    return ((cubic[c + 3] * p + cubic[c + 2]) * p + cubic[c + 1]) * p + cubic[c];
  }

  /** The value of the key that ends a segment, which a held segment does not reach itself. */
  private double end(int span) {
    return span + 1 < count() ? cubic[(span + 1) * STRIDE] : lastValue;
  }

  /** Slope in value a frame at the very start ({@code end} false) or end of the curve. */
  double edgeSlope(boolean end) {
    int span = end ? count() - 1 : 0;
    int c = span * STRIDE;
    double width = frame[span + 1] - frame[span];
    double p = end ? 1 : 0;
    double rise = (3 * cubic[c + 3] * p + 2 * cubic[c + 2]) * p + cubic[c + 1];
    double run = (3 * cubic[c + 6] * p + 2 * cubic[c + 5]) * p + cubic[c + 4];
    return run > 1e-12 ? rise / run / width : 0;
  }

  /** Solves time(p) = t by Newton's method inside a shrinking bracket, to about 1e-14. */
  private double parameter(int c, double t) {
    double d1 = cubic[c + 4];
    double d2 = cubic[c + 5];
    double d3 = cubic[c + 6];
    if (d2 == 0 && d3 == 0 && d1 == 1) {
      return t;
    }
    double low = 0;
    double high = 1;
    double p = t;
    for (int step = 0; step < MOST_STEPS; step++) {
      double error = ((d3 * p + d2) * p + d1) * p - t;
      if (Math.abs(error) <= 1e-15) {
        return p;
      }
      if (error > 0) {
        high = p;
      } else {
        low = p;
      }
      double slope = (3 * d3 * p + 2 * d2) * p + d1;
      double next = slope > 0 ? p - error / slope : Double.NaN;
      if (next > low && next < high) {
        if (Math.abs(next - p) <= LAST_STEP) {
          return next;
        }
      } else {
        next = (low + high) / 2; // Newton left the bracket
      }
      p = next;
    }
    return p;
  }
}

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

  /** Where time all but stands still along p, slopes are taken across this many frames. */
  private static final double STEEP_FRAMES = 1e-3;

  private final double[] frame;
  private final double[] cubic;
  private final double lastValue;
  private final double firstSlope;
  private final double lastSlope;

  private Spans(
      double[] frame, double[] cubic, double lastValue, double firstSlope, double lastSlope) {
    this.frame = frame;
    this.cubic = cubic;
    this.lastValue = lastValue;
    this.firstSlope = firstSlope;
    this.lastSlope = lastSlope;
  }

  static Spans of(Curve curve) {
    List<Key> keys = curve.keys();
    double[] frame = keys.stream().mapToDouble(Key::frame).toArray();
    double[] cubic = new double[(keys.size() - 1) * STRIDE];
    Slopes slopes = new Slopes(keys);
    int last = keys.size() - 2;
    Segment segment = Segment.of(keys, slopes, 0);
    double firstSlope = segment.slopeAt(0);
    fill(cubic, 0, segment);
    for (int i = 1; i <= last; i++) {
      segment = Segment.of(keys, slopes, i);
      fill(cubic, i * STRIDE, segment);
    }
    double value = keys.get(keys.size() - 1).value();
    return new Spans(frame, cubic, value, firstSlope, segment.slopeAt(1));
  }

  /** The value of one segment at a frame in it, the same as with all segments made. */
  static double at(List<Key> keys, int segment, double frame) {
    double[] cubic = new double[STRIDE];
    fill(cubic, 0, Segment.of(keys, new Slopes(keys), segment));
    Key end = keys.get(segment + 1);
    double[] ends = {keys.get(segment).frame(), end.frame()};
    return new Spans(ends, cubic, end.value(), 0, 0).value(0, frame);
  }

  private static void fill(double[] c, int at, Segment s) {
    c[at] = s.v0();
    c[at + 4] = 1; // time is p
    if (s.held()) {
      return;
    }
    c[at + 1] = 3 * (s.v1() - s.v0());
    c[at + 2] = 3 * (s.v0() - 2 * s.v1() + s.v2());
    c[at + 3] = s.v3() - s.v0() + 3 * (s.v1() - s.v2());
    double width = s.width();
    double t1 = (s.t1() - s.t0()) / width;
    double t2 = (s.t2() - s.t0()) / width;
    if (Math.abs(t1 - 1 / 3.0) > 1e-12 || Math.abs(t2 - 2 / 3.0) > 1e-12) {
      c[at + 4] = 3 * t1;
      c[at + 5] = 3 * (t2 - 2 * t1);
      c[at + 6] = 1 + 3 * (t1 - t2);
    }
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

  /** The frame at which a segment starts; that of {@code count()} is the end of the last. */
  double start(int span) {
    return frame[span];
  }

  /** The frame at which a segment is at a parameter in [0, 1]. */
  double frameAt(int span, double p) {
    int c = span * STRIDE;
    double part = ((cubic[c + 6] * p + cubic[c + 5]) * p + cubic[c + 4]) * p;
    return frame[span] + part * (frame[span + 1] - frame[span]);
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

  /** First derivative, in value a frame. At a key, that of the segment given. */
  double slope(int span, double t) {
    int c = span * STRIDE;
    double width = frame[span + 1] - frame[span];
    double p = parameter(c, clamp((t - frame[span]) / width));
    double run = (3 * cubic[c + 6] * p + 2 * cubic[c + 5]) * p + cubic[c + 4];
    if (run < 1e-9) {
      return steep(span, t);
    }
    return ((3 * cubic[c + 3] * p + 2 * cubic[c + 2]) * p + cubic[c + 1]) / run / width;
  }

  /** Second derivative, in value a frame and frame. */
  double bend(int span, double t) {
    int c = span * STRIDE;
    double width = frame[span + 1] - frame[span];
    double p = parameter(c, clamp((t - frame[span]) / width));
    double run = (3 * cubic[c + 6] * p + 2 * cubic[c + 5]) * p + cubic[c + 4];
    if (run < 1e-6) {
      return 0;
    }
    double rise = (3 * cubic[c + 3] * p + 2 * cubic[c + 2]) * p + cubic[c + 1];
    double moreRise = 6 * cubic[c + 3] * p + 2 * cubic[c + 2];
    double moreRun = 6 * cubic[c + 6] * p + 2 * cubic[c + 5];
    return (moreRise * run - rise * moreRun) / (run * run * run) / (width * width);
  }

  private double steep(int span, double t) {
    double half = STEEP_FRAMES / 2 * Math.min(1, frame[span + 1] - frame[span]);
    double from = Math.max(frame[span], t - half);
    double to = Math.min(frame[span + 1], t + half);
    return (value(span, to) - value(span, from)) / (to - from);
  }

  private static double clamp(double p) {
    return p < 0 ? 0 : Math.min(p, 1);
  }

  /** Slope in value a frame at the very start ({@code end} false) or end of the curve. */
  double edgeSlope(boolean end) {
    return end ? lastSlope : firstSlope;
  }

  private double parameter(int c, double t) {
    return CubicTime.solve(cubic[c + 4], cubic[c + 5], cubic[c + 6], t);
  }
}

package idlelens.core.curve;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.rule.StoppedException;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;

/**
 * Few keys through a dense track. After Schneider, "An algorithm for automatically fitting
 * digitized curves", Graphics Gems I, 1990: one Bezier over all; where it is too far off, the track
 * is split at the worst sample and both halves are fitted, with one slope at the split. Here time
 * is the abscissa, so a sample is compared with the curve at its own frame.
 */
public final class CurveFit {
  private static final int LONG_RUN = 256;

  private final double[] frames;
  private final double[] values;
  private final double tolerance;
  private final List<Integer> at = new ArrayList<>();
  private final List<SpanFit> spans = new ArrayList<>();

  private CurveFit(double[] frames, double[] values, double tolerance) {
    this.frames = frames;
    this.values = values;
    this.tolerance = tolerance;
  }

  /**
   * @param frames strictly increasing
   * @param values one for each frame
   * @param tolerance greatest deviation at a sample, in the unit of the values, above 0
   * @return keys set by hand; the first and the last sample are keys
   */
  public static List<Key> fit(double[] frames, double[] values, double tolerance) {
    Require.positive(tolerance, "tolerance");
    if (frames.length != values.length || frames.length == 0) {
      throw new RefusedException("values.count", values.length, "as many as frames, at least 1");
    }
    if (frames.length == 1 || isFlat(values, tolerance)) {
      return List.of(new Key(frames[0], values[0], Tangent.Kind.SETTLE));
    }
    return new CurveFit(frames, values, tolerance).keys();
  }

  private static boolean isFlat(double[] values, double tolerance) {
    for (double value : values) {
      if (Math.abs(value - values[0]) > tolerance) {
        return false;
      }
    }
    return true;
  }

  private List<Key> keys() {
    at.add(0);
    split(0, frames.length - 1);
    List<Key> keys = new ArrayList<>();
    for (int k = 0; k < at.size(); k++) {
      int i = at.get(k);
      double slope = slope(i);
      double in = k == 0 ? spans.get(0).outFrames() : spans.get(k - 1).inFrames();
      double out = k == at.size() - 1 ? in : spans.get(k).outFrames();
      keys.add(
          new Key(
              frames[i],
              values[i],
              new Tangent.Free(
                  new Tangent.Handle(in, in * slope),
                  new Tangent.Handle(out, out * slope),
                  true,
                  true)));
    }
    return keys;
  }

  private void split(int first, int last) {
    Deque<int[]> open = new ArrayDeque<>();
    open.push(new int[] {first, last});
    while (!open.isEmpty()) {
      StoppedException.check();
      int[] ends = open.pop();
      SpanFit.Run run = new SpanFit.Run(frames, values, ends[0], ends[1]);
      SpanFit fit = SpanFit.of(run, slope(ends[0]), slope(ends[1]), tolerance);
      if (fit.error() > tolerance) {
        int middle = middle(ends[0], ends[1], fit.worst());
        open.push(new int[] {middle, ends[1]});
        open.push(new int[] {ends[0], middle});
      } else {
        spans.add(fit);
        at.add(ends[1]);
      }
    }
  }

  /** In a long run never near an end, so that the work grows with n log n. */
  private static int middle(int from, int to, int worst) {
    int margin = to - from > LONG_RUN ? (to - from) / 4 : 1;
    return Math.max(from + margin, Math.min(to - margin, worst));
  }

  private double slope(int i) {
    return slope(frames, values, i);
  }

  /** Slope at a sample: of the parabola through it and its neighbours, also at the ends. */
  static double slope(double[] frames, double[] values, int i) {
    int n = frames.length;
    if (n == 2) {
      return (values[1] - values[0]) / (frames[1] - frames[0]);
    }
    int middle = Math.max(1, Math.min(n - 2, i));
    double before = frames[middle] - frames[middle - 1];
    double after = frames[middle + 1] - frames[middle];
    double first = (values[middle] - values[middle - 1]) / before;
    double second = (values[middle + 1] - values[middle]) / after;
    double bend = (second - first) / (before + after);
    return first + bend * before + 2 * bend * (frames[i] - frames[middle]);
  }
}

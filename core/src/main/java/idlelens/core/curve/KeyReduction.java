package idlelens.core.curve;

import idlelens.core.rule.Require;
import idlelens.core.rule.StoppedException;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.List;

/**
 * Takes keys from a curve as long as what is left stays within a tolerance of what it was. Keys
 * that stay keep their frame and value; only their handles change. Where a curve is held or has a
 * corner, the key stays.
 */
public final class KeyReduction {
  private static final int STEPS_A_FRAME = 4;
  private static final int LEAST_STEPS = 4;

  /** Between two keys there is one cubic: more looks at it tell nothing new. */
  private static final int MOST_STEPS = 64;

  private static final int LONG_RUN = 64;

  private final Curve curve;
  private final Spans spans;
  private final List<Segment> segments;
  private final double tolerance;
  private final double[] frames;
  private final double[] values;

  private final double[] keyFrames;
  private final double[] keyValues;

  /** Index of each key among the samples. */
  private final int[] sampleOf;

  private final List<Integer> kept = new ArrayList<>();
  private final List<SpanFit> fits = new ArrayList<>();

  private KeyReduction(Curve curve, double tolerance) {
    this.curve = curve;
    this.spans = curve.spans();
    this.segments = curve.segments();
    this.tolerance = tolerance;
    List<Key> keys = curve.keys();
    this.keyFrames = keys.stream().mapToDouble(Key::frame).toArray();
    this.keyValues = keys.stream().mapToDouble(Key::value).toArray();
    this.sampleOf = new int[keys.size()];
    for (int i = 1; i < keys.size(); i++) {
      sampleOf[i] = sampleOf[i - 1] + steps(i - 1);
    }
    this.frames = new double[sampleOf[keys.size() - 1] + 1];
    this.values = new double[frames.length];
    for (int i = 0; i < spans.count(); i++) {
      for (int k = 0; k < steps(i); k++) {
        frames[sampleOf[i] + k] = keyFrames[i] + k * (keyFrames[i + 1] - keyFrames[i]) / steps(i);
      }
    }
    frames[frames.length - 1] = keyFrames[keys.size() - 1];
    CurvePlayer player = curve.player();
    for (int i = 0; i < frames.length; i++) {
      values[i] = player.at(frames[i]);
    }
  }

  private int steps(int span) {
    double wanted = Math.ceil((keyFrames[span + 1] - keyFrames[span]) * STEPS_A_FRAME);
    return (int) Math.max(LEAST_STEPS, Math.min(MOST_STEPS, wanted));
  }

  /**
   * @param tolerance greatest deviation in the unit of the curve, above 0: at every moment between
   *     the first and the last key, not only on frames. Outside them, a curve that runs on keeps
   *     its slope
   * @return a curve with as few of the keys as were found to do, or the same curve
   */
  public static Curve reduce(Curve curve, double tolerance) {
    Require.positive(tolerance, "tolerance");
    if (curve.keys().size() < 2) {
      return curve;
    }
    KeyReduction reduction = new KeyReduction(curve, tolerance);
    Curve reduced = reduction.isFlat() ? reduction.still() : reduction.reduced();
    return reduced.keys().size() < curve.keys().size() ? reduced : curve;
  }

  private boolean isFlat() {
    return staysFlat(curve.before(), false)
        && staysFlat(curve.after(), true)
        && Arrays.stream(keyValues).allMatch(this::isFlat)
        && segments.stream().allMatch(this::isFlat);
  }

  private boolean staysFlat(Beyond beyond, boolean end) {
    return beyond == Beyond.RUN_ON ? spans.edgeSlope(end) == 0 : beyond != Beyond.CYCLE_AND_CARRY;
  }

  private boolean isFlat(Segment s) {
    return Arrays.stream(s.turningPoints()).allMatch(u -> isFlat(s.valueAt(u)));
  }

  private boolean isFlat(double value) {
    return Math.abs(value - keyValues[0]) <= tolerance;
  }

  private Curve still() {
    return curve.withKeys(List.of(curve.keys().get(0).withTangent(Tangent.Kind.SETTLE)));
  }

  private Curve reduced() {
    kept.add(0);
    int from = 0;
    for (int i = 1; i < curve.keys().size(); i++) {
      if (i == curve.keys().size() - 1 || mustStay(i)) {
        split(from, i);
        from = i;
      }
    }
    List<Key> keys = new ArrayList<>();
    for (int k = 0; k < kept.size(); k++) {
      keys.add(curve.keys().get(kept.get(k)).withTangent(tangent(k)));
    }
    return curve.withKeys(keys);
  }

  private boolean mustStay(int i) {
    Tangent before = curve.keys().get(i - 1).tangent();
    Tangent here = curve.keys().get(i).tangent();
    if (before.leaves(Tangent.Kind.HOLD) || here.leaves(Tangent.Kind.HOLD)) {
      return true;
    }
    boolean bends = before.leavesBending() && here.leavesBending();
    return bends && isCorner(segments.get(i - 1).slopeAt(1), segments.get(i).slopeAt(0));
  }

  private static boolean isCorner(double in, double out) {
    return Math.abs(in - out) > 1e-6 * (1e-6 + Math.abs(in) + Math.abs(out));
  }

  /** From key to key as few stretches as will do, in their order. */
  private void split(int first, int last) {
    Deque<int[]> open = new ArrayDeque<>();
    open.push(new int[] {first, last});
    while (!open.isEmpty()) {
      StoppedException.check();
      int[] run = open.pop();
      int middle = run[1] - run[0] == 1 ? keep(run[1], null) : fitted(run[0], run[1]);
      if (middle > 0) {
        open.push(new int[] {middle, run[1]});
        open.push(new int[] {run[0], middle});
      }
    }
  }

  private int keep(int to, SpanFit fit) {
    fits.add(fit); // null: as it was
    kept.add(to);
    return 0;
  }

  /** Keeps the fit of a run if it is near enough; if not, the key at which to part the run. */
  private int fitted(int from, int to) {
    SpanFit.Run run = new SpanFit.Run(frames, values, sampleOf[from], sampleOf[to]);
    double out = slopeOut(from);
    double in = slopeIn(to);
    SpanFit fit = SpanFit.of(run, out, in, tolerance);
    if (fit.error() > tolerance) {
      return nearestKey(from, to, frames[fit.worst()]);
    }
    Deviation most = Deviation.of(fit.segment(run, out, in), spans, from, to - 1);
    return most.amount() > tolerance ? nearestKey(from, to, most.frame()) : keep(to, fit);
  }

  /**
   * The key between two that is nearest to a frame. In a long run it is never near an end, so that
   * halves get shorter by at least a quarter: the depth grows with the logarithm of the keys.
   */
  private int nearestKey(int from, int to, double frame) {
    int margin = to - from > LONG_RUN ? (to - from) / 4 : 1;
    int found = Arrays.binarySearch(keyFrames, from, to, frame);
    int after = found >= 0 ? found : -found - 1;
    boolean earlier = after > from && frame - keyFrames[after - 1] <= keyFrames[after] - frame;
    return Math.max(from + margin, Math.min(to - margin, earlier ? after - 1 : after));
  }

  /** Runs of straight keys are taken as points of something smooth, but not where they run on. */
  private double slopeOut(int i) {
    Tangent here = curve.keys().get(i).tangent();
    boolean runsOn = i == 0 && curve.before() == Beyond.RUN_ON;
    return here.leaves(Tangent.Kind.STRAIGHT) && !runsOn ? through(i) : segments.get(i).slopeAt(0);
  }

  private double slopeIn(int i) {
    Tangent before = curve.keys().get(i - 1).tangent();
    boolean runsOn = i == curve.keys().size() - 1 && curve.after() == Beyond.RUN_ON;
    return before.leaves(Tangent.Kind.STRAIGHT) && !runsOn
        ? through(i)
        : segments.get(i - 1).slopeAt(1);
  }

  private double through(int i) {
    return CurveFit.slope(keyFrames, keyValues, i);
  }

  private Tangent tangent(int k) {
    int i = kept.get(k);
    SpanFit left = k == 0 ? null : fits.get(k - 1);
    SpanFit right = k == kept.size() - 1 ? null : fits.get(k);
    Key key = curve.keys().get(i);
    if (left == null && right == null) { // both neighbours stayed
      return key.tangent();
    }
    Tangent.Free before = curve.handles(i);
    Tangent.Handle in = left == null ? before.in() : sloped(left.inFrames(), slopeIn(i));
    if (right == null && k < kept.size() - 1 && !key.tangent().leavesBending()) {
      return new Tangent.Reached(in, key.tangent().plain());
    }
    Tangent.Handle out = right == null ? before.out() : sloped(right.outFrames(), slopeOut(i));
    boolean joined = Math.abs(in.slope() - out.slope()) <= 1e-9 * (1 + Math.abs(in.slope()));
    return new Tangent.Free(in, out, joined, true);
  }

  private static Tangent.Handle sloped(double length, double slope) {
    return new Tangent.Handle(length, length * slope);
  }
}

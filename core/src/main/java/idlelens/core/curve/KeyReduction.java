package idlelens.core.curve;

import idlelens.core.rule.Require;
import idlelens.core.rule.StoppedException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Takes keys from a curve as long as what is left stays within a tolerance of what it was. Keys
 * that stay keep their frame and value; only their handles change. Where a curve is held or has a
 * corner, the key stays.
 */
public final class KeyReduction {
  private static final int STEPS_A_FRAME = 4;
  private static final int MOST_SAMPLES = 200_000;
  private static final int LONG_RUN = 64;

  private final Curve curve;
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
    this.tolerance = tolerance;
    List<Key> keys = curve.keys();
    this.keyFrames = keys.stream().mapToDouble(Key::frame).toArray();
    this.keyValues = keys.stream().mapToDouble(Key::value).toArray();
    double length = keys.get(keys.size() - 1).frame() - keys.get(0).frame();
    int steps = length * STEPS_A_FRAME > MOST_SAMPLES ? 1 : STEPS_A_FRAME;
    double[] t = new double[(int) Math.min(1e7, length * steps) + 2 * keys.size()];
    this.sampleOf = new int[keys.size()];
    int n = 0;
    for (int i = 0; i < keys.size(); i++) {
      sampleOf[i] = n;
      t[n++] = keys.get(i).frame();
      double end = i + 1 < keys.size() ? keys.get(i + 1).frame() : Double.NEGATIVE_INFINITY;
      int parts = (int) Math.ceil((end - keys.get(i).frame()) * steps - 1e-9);
      for (int k = 1; k < parts; k++) {
        t[n++] = keys.get(i).frame() + k * (end - keys.get(i).frame()) / parts;
      }
    }
    this.frames = Arrays.copyOf(t, n);
    this.values = new double[n];
    CurvePlayer player = curve.player();
    for (int i = 0; i < n; i++) {
      values[i] = player.at(frames[i]);
    }
  }

  /**
   * @param tolerance greatest deviation in the unit of the curve, above 0
   * @return a curve with as few of the keys as were found to do, or the same curve
   */
  public static Curve reduce(Curve curve, double tolerance) {
    Require.positive(tolerance, "tolerance");
    if (curve.keys().size() < 2) {
      return curve;
    }
    KeyReduction reduction = new KeyReduction(curve, tolerance);
    Curve reduced = reduction.isFlat() ? reduction.still() : reduction.reduced();
    boolean better = reduced.keys().size() < curve.keys().size();
    return better && reduction.deviation(reduced) <= tolerance * (1 + 1e-9) ? reduced : curve;
  }

  private boolean isFlat() {
    return Arrays.stream(values).allMatch(v -> Math.abs(v - values[0]) <= tolerance)
        && curve.before() != Beyond.CYCLE_AND_CARRY
        && curve.after() != Beyond.CYCLE_AND_CARRY;
  }

  private Curve still() {
    return curve.withKeys(List.of(curve.keys().get(0).withTangent(Tangent.Kind.SETTLE)));
  }

  private double deviation(Curve reduced) {
    CurvePlayer player = reduced.player();
    double worst = 0;
    for (int i = 0; i < frames.length; i++) {
      worst = Math.max(worst, Math.abs(player.at(frames[i]) - values[i]));
    }
    return worst;
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
    return bends && isCorner(curve.handles(i));
  }

  private static boolean isCorner(Tangent.Free free) {
    double in = free.in().slope();
    double out = free.out().slope();
    return Math.abs(in - out) > 1e-6 * (1e-6 + Math.abs(in) + Math.abs(out));
  }

  private void split(int from, int to) {
    StoppedException.check();
    SpanFit fit =
        SpanFit.of(
            new SpanFit.Run(frames, values, sampleOf[from], sampleOf[to]),
            slopeOut(from),
            slopeIn(to),
            tolerance);
    if (to - from == 1) {
      fits.add(null); // as it was
      kept.add(to);
    } else if (fit.error() <= tolerance) {
      fits.add(fit);
      kept.add(to);
    } else {
      int middle = nearestKey(from, to, fit.worst());
      split(from, middle);
      split(middle, to);
    }
  }

  /**
   * The key between two that is nearest to a sample. In a long run it is never near an end, so that
   * halves get shorter by at least a quarter: the depth grows with the logarithm of the keys.
   */
  private int nearestKey(int from, int to, int sample) {
    int margin = to - from > LONG_RUN ? (to - from) / 4 : 1;
    int found = Arrays.binarySearch(sampleOf, from, to, sample);
    int after = found >= 0 ? found : -found - 1;
    boolean earlier =
        after > from && frames[sample] - keyFrames[after - 1] <= keyFrames[after] - frames[sample];
    return Math.max(from + margin, Math.min(to - margin, earlier ? after - 1 : after));
  }

  /** Runs of straight keys are taken as points of something smooth. */
  private double slopeOut(int i) {
    Tangent here = curve.keys().get(i).tangent();
    return here.leaves(Tangent.Kind.STRAIGHT) ? through(i) : curve.handles(i).out().slope();
  }

  private double slopeIn(int i) {
    Tangent before = curve.keys().get(i - 1).tangent();
    return before.leaves(Tangent.Kind.STRAIGHT) ? through(i) : curve.handles(i).in().slope();
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

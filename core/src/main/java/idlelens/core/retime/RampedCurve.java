package idlelens.core.retime;

import idlelens.core.curve.Beyond;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.KeyInsertion;
import idlelens.core.curve.ParametricFit;
import idlelens.core.curve.Segment;
import idlelens.core.curve.Tangent;
import idlelens.core.curve.Unrolled;
import idlelens.core.time.FrameSpan;
import java.util.ArrayList;
import java.util.List;

/**
 * A curve that plays at the speeds of a ramp, within its tolerance; outside the range of the ramp
 * it is what it was, only later or earlier. Keys are put in where the range begins and ends, where
 * the pace jumps, and where one stretch alone would be too far off.
 */
final class RampedCurve {
  /** Of a stretch's height: the deviation for each part by which the pace changes, and to spare. */
  private static final double STEADY = 8;

  private final Ramp ramp;
  private final Curve base;
  private final double tolerance;
  private final List<Key> keys = new ArrayList<>();

  private RampedCurve(Curve base, Ramp ramp) {
    this.ramp = ramp;
    this.base = base;
    this.tolerance = Math.max(1e-12, ramp.tolerance() * height());
  }

  /**
   * @param curve two keys or more
   * @param seen the frames on which it shall be right; a cycle is written out over them
   */
  static List<Key> keys(Curve curve, Ramp ramp, FrameSpan seen) {
    if (curve.isConstant()) {
      return curve.keys().stream().map(k -> k.withFrame(ramp.at(k.frame()))).toList();
    }
    FrameSpan both =
        new FrameSpan(Math.min(seen.from(), ramp.from()), Math.max(seen.to(), ramp.to()));
    Curve written = Unrolled.over(curve, both);
    Curve base = KeyInsertion.insertAll(written, cuts(written, ramp), Tangent.Kind.SETTLE);
    return new RampedCurve(base, ramp).keys();
  }

  /**
   * Frames at which the pace jumps and the curve moves. Where it runs on from there, a frame more,
   * which keeps the slope it runs on with.
   */
  private static List<Double> cuts(Curve curve, Ramp ramp) {
    double first = curve.keys().get(0).frame();
    double last = curve.keys().get(curve.keys().size() - 1).frame();
    List<Segment> segments = curve.segments();
    Segment start = segments.get(0);
    Segment end = segments.get(segments.size() - 1);
    boolean leftByPoint = moves(start) && start.isPoint(start.out());
    boolean reachedByPoint = moves(end) && end.isPoint(end.in());
    boolean before = runsOn(curve.before(), curve, first - 1, leftByPoint);
    boolean after = runsOn(curve.after(), curve, last + 1, reachedByPoint);
    List<Double> cuts = new ArrayList<>();
    for (double frame : ramp.jumps()) {
      boolean inside = frame >= first && frame <= last;
      if (inside ? moves(curve.stretchOver(frame)) : frame < first ? before : after) {
        cuts.add(frame);
      }
    }
    if (before && ramp.from() <= first) {
      cuts.add(ramp.from() - 1);
    }
    if (after && ramp.to() >= last) {
      cuts.add(ramp.to() + 1);
    }
    return cuts;
  }

  private static boolean moves(Segment s) {
    return !s.held() && s.highest() > s.lowest();
  }

  /**
   * Whether a curve runs on with a slope, or runs on level only since the far handle of the stretch
   * happens to lie level with a handle of no length, which no longer holds when it is fitted anew.
   */
  private static boolean runsOn(Beyond beyond, Curve curve, double outside, boolean byPoint) {
    return beyond == Beyond.RUN_ON && (byPoint || curve.player().slope(outside) != 0);
  }

  /** From the lowest to the highest key of the curve and of its swings within the range. */
  private double height() {
    double low = Double.POSITIVE_INFINITY;
    double high = Double.NEGATIVE_INFINITY;
    for (Key key : base.keys()) {
      if (key.frame() >= ramp.from() && key.frame() <= ramp.to()) {
        low = Math.min(low, key.value());
        high = Math.max(high, key.value());
      }
    }
    for (Segment s : base.segments()) {
      if (isInside(s)) {
        Segment lasting = whileItLasts(s);
        low = Math.min(low, lasting.lowest());
        high = Math.max(high, lasting.highest());
      }
    }
    return high > low ? high - low : 0;
  }

  private Segment whileItLasts(Segment s) {
    if (s.held() || s.t0() >= ramp.from() && s.t3() <= ramp.to()) {
      return s;
    }
    double first = s.t0() < ramp.from() ? s.parameter(ramp.from()) : 0;
    double last = s.t3() > ramp.to() ? s.parameter(ramp.to()) : 1;
    return s.part(first, last);
  }

  private boolean isInside(Segment s) {
    return s.t3() > ramp.from() + Key.SAME_FRAME && s.t0() < ramp.to() - Key.SAME_FRAME;
  }

  private List<Key> keys() {
    List<Segment> segments = base.segments();
    Tangent.Handle reached = null; // by a stretch that was fitted anew
    for (int i = 0; i < base.keys().size(); i++) {
      Key key = base.keys().get(i);
      boolean last = i == segments.size();
      boolean anew = !last && isFitted(segments.get(i));
      List<Key> fitted = anew ? fitted(segments.get(i)) : List.of();
      Tangent.Handle out = anew ? free(fitted.get(0)).out() : null;
      double to = ramp.at(key.frame());
      keys.add(new Key(to, key.value(), tangent(i, reached, out)));
      for (int k = 1; k + 1 < fitted.size(); k++) {
        keys.add(fitted.get(k));
      }
      reached = anew ? free(fitted.get(fitted.size() - 1)).in() : null;
    }
    return keys;
  }

  private static Tangent.Free free(Key key) {
    return (Tangent.Free) key.tangent();
  }

  private boolean isFitted(Segment s) {
    return isInside(s) && moves(s);
  }

  /**
   * The tangent of a key of the base.
   *
   * @param in how it is reached if that is new, or null
   * @param out how it is left if that is new, or null
   */
  private Tangent tangent(int i, Tangent.Handle in, Tangent.Handle out) {
    Tangent old = base.keys().get(i).tangent();
    boolean touched = isTouched(i - 1) || isTouched(i);
    if (in == null && out == null && !touched) {
      return old;
    }
    boolean bentTo = in != null || i > 0 && base.keys().get(i - 1).tangent().leavesBending();
    if (out == null && !old.leavesBending() && !bentTo) {
      return old;
    }
    Tangent.Free was = base.handles(i);
    Tangent.Handle reached = in != null ? in : scaled(was.in(), i - 1);
    if (out == null && !old.leavesBending()) {
      return new Tangent.Reached(reached, old.plain());
    }
    Tangent.Handle left = out != null ? out : scaled(was.out(), i);
    return new Tangent.Free(reached, left, was.joined() && reached.isLineWith(left), true);
  }

  private boolean isTouched(int segment) {
    return segment >= 0 && segment + 1 < base.keys().size() && isInside(base.segment(segment));
  }

  /** A handle of a level stretch, as long as before in proportion. */
  private Tangent.Handle scaled(Tangent.Handle handle, int segment) {
    if (!isTouched(segment)) {
      return handle;
    }
    double t0 = base.keys().get(segment).frame();
    double t1 = base.keys().get(segment + 1).frame();
    return handle.times((ramp.at(t1) - ramp.at(t0)) / (t1 - t0), 1);
  }

  private List<Key> fitted(Segment stretch) {
    AtPace motion = new AtPace(stretch, ramp);
    return isSteady(stretch, motion)
        ? ParametricFit.whole(motion)
        : ParametricFit.fit(motion, tolerance);
  }

  /**
   * Whether the pace changes so little over a stretch that nothing has to be measured: if it stays
   * within a part d of its mean, a moment of a stretch of w frames comes at most d w / 2 too early
   * or too late, and with handles no shorter than a tenth nothing there is steeper than ten times
   * the height of its control points over w. Between two knots of the ramp the speed only rises or
   * only falls, so that its ends are its bounds.
   */
  private boolean isSteady(Segment s, AtPace motion) {
    if (ramp.turnsWithin(s.t0(), s.t3())) {
      return false;
    }
    double longer = (motion.frame(1) - motion.frame(0)) / s.width();
    double first = Math.abs(ramp.rateAt(s.t0(), false) / longer - 1);
    double last = Math.abs(ramp.rateAt(s.t3(), true) / longer - 1);
    double shortest = Math.min(s.t1() - s.t0(), s.t3() - s.t2());
    double high = Math.max(Math.max(s.v0(), s.v1()), Math.max(s.v2(), s.v3()));
    double low = Math.min(Math.min(s.v0(), s.v1()), Math.min(s.v2(), s.v3()));
    return shortest >= s.width() / 10 && STEADY * Math.max(first, last) * (high - low) <= tolerance;
  }

  /** A stretch at the pace of a ramp. */
  private record AtPace(Segment stretch, Ramp ramp) implements ParametricFit.Motion {
    @Override
    public double frame(double p) {
      return ramp.at(old(p));
    }

    private double old(double p) {
      return p == 0 ? stretch.t0() : p == 1 ? stretch.t3() : stretch.frameAt(p);
    }

    @Override
    public double value(double p) {
      return stretch.valueAt(p);
    }

    @Override
    public double slope(double p) {
      return stretch.slopeAt(p) / ramp.rateAt(old(p), p == 1);
    }

    /** As long as before in proportion, with the slope of the new pace. */
    @Override
    public ParametricFit.Ends ends(double from, double to) {
      Segment part = stretch.part(from, to);
      double longer = (frame(to) - frame(from)) / (old(to) - old(from));
      return new ParametricFit.Ends(
          part.out().times(longer, longer / ramp.rateAt(old(from), false)),
          part.in().times(longer, longer / ramp.rateAt(old(to), true)));
    }
  }
}

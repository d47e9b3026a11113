package idlelens.core.retime;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.time.Ratio;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/**
 * A speed ramp over a range: how fast the move plays at each of its moments, from 1 as it was. A
 * moment at frame t comes at {@code from + integral of 1 / speed} over [from, t]. With the length
 * kept, the integral is scaled so that the range ends where it did; between hit frames it is scaled
 * for each stretch, so that they stay put.
 */
public final class Ramp implements TimeMap {
  /** Slowest and fastest play. */
  public static final double SLOWEST = 0.05;

  public static final double FASTEST = 20;
  private static final int MOST_POINTS = 200;

  /** The longest range, in frames: more than twelve hours at 24 frames a second. */
  private static final double LONGEST = 1_100_000;

  private static final int MOST_HITS = 2000;

  /** Paces that differ by less than this part are one. */
  private static final double SAME_PACE = 1e-9;

  /** Deviation from the exact ramp that is allowed if none is given: 0.1 % of the range. */
  public static final double USUAL_TOLERANCE = 1e-3;

  private final List<Point> points;
  private final boolean keepLength;
  private final double tolerance;
  private final List<Double> hits;

  /** The frames between which the speed is integrated on its own: ends, points and hits. */
  private final double[] knots;

  private final double[] arrivals;
  private final double[] scales;
  private final Curve speed;
  private final Slowness[] pieces;

  /** A speed at a moment of the move. */
  public record Point(double frame, double speed) {
    public Point {
      Require.finite(frame, "frame");
      Require.within(speed, SLOWEST, FASTEST, "speed");
    }
  }

  /**
   * @param points two or more, in order of frame; the first and the last bound the range, and
   *     between them the speed settles from one to the next
   * @param keepLength whether the range stays as long as it was
   * @param hits frames that stay where they are; outside the range they say nothing. With them, the
   *     length has to be kept
   * @param tolerance how far a curve may be from the exact ramp, as a part of the range of its
   *     values while it lasts: 1e-6 to 0.5. More keys come in where it asks for them
   */
  public Ramp(List<Point> points, boolean keepLength, List<Double> hits, double tolerance) {
    this.tolerance = Require.within(tolerance, 1e-6, 0.5, "tolerance");
    Require.within(points.size(), 2, MOST_POINTS, "points.count");
    this.points = List.copyOf(points);
    this.keepLength = keepLength;
    double from = points.get(0).frame();
    double to = points.get(points.size() - 1).frame();
    this.hits = hits.stream().filter(h -> h > from && h < to).sorted().distinct().toList();
    Require.within(to - from, 0, LONGEST, "points.range");
    Require.within(this.hits.size(), 0, MOST_HITS, "hits.count");
    if (!this.hits.isEmpty() && !keepLength) {
      throw new RefusedException("keepLength", "false", "true where hit frames stay put");
    }
    this.speed =
        new Curve(
            1,
            points.stream().map(p -> new Key(p.frame(), p.speed(), Tangent.Kind.SETTLE)).toList());
    TreeSet<Double> all = new TreeSet<>(this.hits);
    points.forEach(p -> all.add(p.frame()));
    this.knots = all.stream().mapToDouble(Double::doubleValue).toArray();
    this.scales = new double[knots.length - 1];
    this.pieces = pieces();
    this.arrivals = arrive();
  }

  public List<Point> points() {
    return points;
  }

  public boolean keepLength() {
    return keepLength;
  }

  public List<Double> hits() {
    return hits;
  }

  public double tolerance() {
    return tolerance;
  }

  /** The first frame of the range. */
  double from() {
    return knots[0];
  }

  /** The last frame of the range. */
  double to() {
    return knots[knots.length - 1];
  }

  /** The frames at which the pace jumps: ends of the range, and hits. */
  List<Double> jumps() {
    List<Double> list = new ArrayList<>();
    for (double knot : knots) {
      double before = rateAt(knot, true);
      double after = rateAt(knot, false);
      if (Math.abs(before - after) > SAME_PACE * after) {
        list.add(knot);
      }
    }
    return list;
  }

  /** Whether one of the points or hits lies between two frames, where the speed may turn. */
  boolean turnsWithin(double from, double to) {
    int found = Arrays.binarySearch(knots, from);
    int next = found >= 0 ? found + 1 : -found - 1;
    return next < knots.length && knots[next] < to;
  }

  private double[] arrive() {
    double[] raw = new double[knots.length];
    for (int i = 1; i < knots.length; i++) {
      raw[i] = raw[i - 1] + pieces[i - 1].whole();
    }
    Set<Double> fixedHits = Set.copyOf(hits);
    double[] arrivals = new double[knots.length];
    arrivals[0] = knots[0];
    int start = 0;
    for (int i = 1; i < knots.length; i++) {
      boolean fixed = keepLength && (i == knots.length - 1 || fixedHits.contains(knots[i]));
      if (fixed || i == knots.length - 1) {
        double scale = fixed ? (knots[i] - knots[start]) / (raw[i] - raw[start]) : 1;
        for (int k = start + 1; k <= i; k++) {
          arrivals[k] = arrivals[start] + (raw[k] - raw[start]) * scale;
          scales[k - 1] = scale;
        }
        if (fixed) {
          arrivals[i] = knots[i]; // exactly
        }
        start = i;
      }
    }
    return arrivals;
  }

  private Slowness[] pieces() {
    Slowness[] all = new Slowness[knots.length - 1];
    for (int i = 0; i < all.length; i++) {
      all[i] = new Slowness(speed, knots[i], knots[i + 1]);
    }
    return all;
  }

  /** The stretch between two knots in which a frame of the range lies. */
  private int stretchOf(double frame) {
    int found = Arrays.binarySearch(knots, frame);
    int i = found >= 0 ? found : -found - 2;
    return Math.max(0, Math.min(scales.length - 1, i));
  }

  @Override
  public double at(double frame) {
    if (frame <= from()) {
      return frame;
    }
    if (frame >= to()) {
      return Ratio.onFrame(frame + growth());
    }
    int i = stretchOf(frame);
    return Ratio.onFrame(
        frame == knots[i] ? arrivals[i] : arrivals[i] + pieces[i].until(frame) * scales[i]);
  }

  /** How many frames longer the range gets. */
  private double growth() {
    int last = knots.length - 1;
    return arrivals[last] - knots[last];
  }

  /**
   * Frames that one frame of the move takes there; outside the range 1.
   *
   * @param before whether the stretch before a knot is meant, not the one after it
   */
  double rateAt(double frame, boolean before) {
    double end = knots[knots.length - 1];
    if (frame < knots[0] || frame > end || (before ? frame == knots[0] : frame == end)) {
      return 1;
    }
    int i = stretchOf(frame);
    if (before && i > 0 && frame == knots[i]) {
      i--;
    }
    return scales[Math.min(i, scales.length - 1)] / speed.at(frame);
  }
}

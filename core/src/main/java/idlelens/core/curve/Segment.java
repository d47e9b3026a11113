package idlelens.core.curve;

import java.util.Arrays;
import java.util.List;

/**
 * One stretch of a curve between two keys as a cubic Bezier through {@code (t0, v0) (t1, v1) (t2,
 * v2) (t3, v3)}; times in frames, never turning back. A held stretch keeps v0 until t3.
 */
public record Segment(
    boolean held,
    double t0,
    double v0,
    double t1,
    double v1,
    double t2,
    double v2,
    double t3,
    double v3) {

  /** A handle shorter than this part of its stretch has no direction of its own. */
  private static final double NO_LENGTH = 1e-9;

  /** The stretch that starts at key {@code i}, with the handles that the tangents of both give. */
  static Segment of(List<Key> keys, Slopes slopes, int i) {
    Key left = keys.get(i);
    Key right = keys.get(i + 1);
    if (left.tangent().leaves(Tangent.Kind.HOLD)) {
      return level(left, right);
    }
    if (left.tangent().leaves(Tangent.Kind.STRAIGHT)) {
      return straight(left, right);
    }
    return fitted(left, right, leaving(keys, slopes, i), reaching(keys, slopes, i + 1));
  }

  /** The handle with which key {@code i} is left, before it is cut to fit. */
  static Tangent.Handle leaving(List<Key> keys, Slopes slopes, int i) {
    if (keys.get(i).tangent() instanceof Tangent.Free free && free.ownLength()) {
      return free.out();
    }
    double third = (keys.get(i + 1).frame() - keys.get(i).frame()) / 3;
    return new Tangent.Handle(third, slopes.leaving(i) * third);
  }

  /** The handle with which key {@code i} is reached, before it is cut to fit. */
  static Tangent.Handle reaching(List<Key> keys, Slopes slopes, int i) {
    if (keys.get(i).tangent() instanceof Tangent.Free free && free.ownLength()) {
      return free.in();
    }
    if (keys.get(i).tangent() instanceof Tangent.Reached reached) {
      return reached.in();
    }
    double third = (keys.get(i).frame() - keys.get(i - 1).frame()) / 3;
    return new Tangent.Handle(third, slopes.reaching(i) * third);
  }

  private static Segment level(Key left, Key right) {
    double third = (right.frame() - left.frame()) / 3;
    double value = left.value();
    return new Segment(
        true,
        left.frame(),
        value,
        left.frame() + third,
        value,
        right.frame() - third,
        value,
        right.frame(),
        value);
  }

  private static Segment straight(Key left, Key right) {
    double third = (right.frame() - left.frame()) / 3;
    double rise = (right.value() - left.value()) / 3;
    return new Segment(
        false,
        left.frame(),
        left.value(),
        left.frame() + third,
        left.value() + rise,
        right.frame() - third,
        right.value() - rise,
        right.frame(),
        right.value());
  }

  private static Segment fitted(Key left, Key right, Tangent.Handle out, Tangent.Handle in) {
    double width = right.frame() - left.frame();
    double total = out.frames() + in.frames();
    double scale = total > width ? width / total : 1; // time must not turn back
    return new Segment(
        false,
        left.frame(),
        left.value(),
        left.frame() + out.frames() * scale,
        left.value() + out.value() * scale,
        right.frame() - in.frames() * scale,
        right.value() - in.value() * scale,
        right.frame(),
        right.value());
  }

  /** The value at a frame within the stretch. */
  public double at(double frame) {
    return held ? v0 : valueAt(parameter(frame));
  }

  /** The piece between two parameters, the same curve there: the blossom of the cubic. */
  public Segment part(double from, double to) {
    return new Segment(
        held,
        blossom(t0, t1, t2, t3, from, from, from),
        blossom(v0, v1, v2, v3, from, from, from),
        blossom(t0, t1, t2, t3, from, from, to),
        blossom(v0, v1, v2, v3, from, from, to),
        blossom(t0, t1, t2, t3, from, to, to),
        blossom(v0, v1, v2, v3, from, to, to),
        blossom(t0, t1, t2, t3, to, to, to),
        blossom(v0, v1, v2, v3, to, to, to));
  }

  private static double blossom(
      double p0, double p1, double p2, double p3, double u, double v, double w) {
    double a = p0 + (p1 - p0) * u;
    double b = p1 + (p2 - p1) * u;
    double c = p2 + (p3 - p2) * u;
    double d = a + (b - a) * v;
    double e = b + (c - b) * v;
    return d + (e - d) * w;
  }

  /** The handle with which the left key is left. */
  public Tangent.Handle out() {
    return new Tangent.Handle(Math.max(0, t1 - t0), v1 - v0);
  }

  /** The handle with which the right key is reached. */
  public Tangent.Handle in() {
    return new Tangent.Handle(Math.max(0, t3 - t2), v3 - v2);
  }

  /** Whether a handle is too short to have a direction of its own. */
  public boolean isPoint(Tangent.Handle handle) {
    return handle.frames() <= NO_LENGTH * width();
  }

  /** Whether handles of these lengths were cut, since together they are longer than the stretch. */
  boolean isCut(Tangent.Handle out, Tangent.Handle in) {
    return !held && out.frames() + in.frames() > width();
  }

  public double width() {
    return t3 - t0;
  }

  /** The frame at a parameter in [0, 1]. */
  public double frameAt(double u) {
    return bezier(t0, t1, t2, t3, u);
  }

  /** The value at a parameter in [0, 1]. */
  public double valueAt(double u) {
    return bezier(v0, v1, v2, v3, u);
  }

  /**
   * Value a frame at a parameter in [0, 1]; at an end, towards the first control point that lies
   * apart from it in time. 0 where the stretch stands straight up.
   */
  public double slopeAt(double u) {
    if (u == 0 || u == 1) {
      return endSlope(u == 1);
    }
    double rise = rate(v0, v1, v2, v3, u);
    double run = rate(t0, t1, t2, t3, u);
    return run > 1e-12 * width() ? rise / run : 0;
  }

  private double endSlope(boolean end) {
    double[] t = end ? new double[] {t3, t2, t1, t0} : new double[] {t0, t1, t2, t3};
    double[] v = end ? new double[] {v3, v2, v1, v0} : new double[] {v0, v1, v2, v3};
    for (int i = 1; i < t.length; i++) {
      if (Math.abs(t[i] - t[0]) > NO_LENGTH * width()) {
        return (v[i] - v[0]) / (t[i] - t[0]) + 0.0; // no minus zero
      }
      if (Math.abs(v[i] - v[0]) > NO_LENGTH * (1 + Math.abs(v[0]))) {
        return 0;
      }
    }
    return 0;
  }

  private static double rate(double p0, double p1, double p2, double p3, double u) {
    double w = 1 - u;
    return 3 * (w * w * (p1 - p0) + 2 * w * u * (p2 - p1) + u * u * (p3 - p2));
  }

  /** The lowest value of the stretch. */
  public double lowest() {
    return Math.min(
        Math.min(v0, v3), Arrays.stream(turningPoints()).map(this::valueAt).min().orElse(v0));
  }

  /** The highest value of the stretch. */
  public double highest() {
    return Math.max(
        Math.max(v0, v3), Arrays.stream(turningPoints()).map(this::valueAt).max().orElse(v0));
  }

  /**
   * Parameters in (0, 1) at which the value turns back: roots of its derivative {@code 3 (a u^2 + 2
   * b u + c)}, in stable form, in increasing order. None where the stretch is held.
   */
  public double[] turningPoints() {
    double a = v3 - v0 + 3 * (v1 - v2);
    double b = v0 - 2 * v1 + v2;
    double c = v1 - v0;
    double inside = b * b - a * c;
    if (held || inside < 0) {
      return new double[0];
    }
    double q = -(b + Math.copySign(Math.sqrt(inside), b));
    double[] roots = {q / a, q == 0 ? Double.NaN : c / q};
    return Arrays.stream(roots).filter(u -> u > 0 && u < 1).sorted().toArray();
  }

  static double bezier(double p0, double p1, double p2, double p3, double u) {
    double w = 1 - u;
    return w * w * w * p0 + 3 * w * w * u * p1 + 3 * w * u * u * p2 + u * u * u * p3;
  }

  /** The parameter at which the stretch is at a frame within it. */
  public double parameter(double frame) {
    double width = width();
    double a = (t1 - t0) / width;
    double b = (t2 - t0) / width;
    return CubicTime.solve(
        3 * a, 3 * (b - 2 * a), 1 + 3 * (a - b), Math.min(1, Math.max(0, (frame - t0) / width)));
  }
}

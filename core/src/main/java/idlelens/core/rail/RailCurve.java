package idlelens.core.rail;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import org.joml.Vector3d;

/**
 * A rail made ready to be read by distance: its spans as polynomials, a table of lengths, and
 * frames along it. Reading allocates nothing but its answer and shares no scratch.
 *
 * <p>Length is that of Gauss-Legendre quadrature over pieces that are halved until they agree; the
 * place at a distance is found by the table and Newton steps, guarded by bisection.
 */
public final class RailCurve {
  /** Pieces of a span in the table, at the least. */
  static final int PIECES = 32;

  private static final double LENGTH_ERROR = 1e-11; // of a piece, relative
  private static final int MOST_HALVINGS = 12;
  private static final int MOST_STEPS = 60;
  private static final int LOOKS = 64; // in the first round of looking for what is nearest
  private static final int ROUNDS = 9;
  private static final int WIDE_ROUNDS = 3;
  private static final double CLOSE = 1e-12; // of a piece

  // five-point Gauss-Legendre on [-1, 1]
  private static final double[] NODES = {
    0, 0.5384693101056831, -0.5384693101056831, 0.906179845938664, -0.906179845938664
  };
  private static final double[] WEIGHTS = {
    0.5688888888888889,
    0.47862867049936647,
    0.47862867049936647,
    0.23692688505618908,
    0.23692688505618908
  };

  private final Rail rail;
  private final double[] c; // 12 coefficients a span: x, y, z from the cubic down
  private final double[] s; // distance at each entry of the table
  private final boolean[] plain; // pieces whose length one quadrature gives
  private final double[] anchorsAt; // distance of each anchor; closed: and of the first again
  private final MinimalFrames frames;

  RailCurve(Rail rail) {
    this.rail = rail;
    this.c = coefficients(rail);
    this.plain = new boolean[rail.spans() * PIECES];
    this.s = table();
    this.anchorsAt = new double[rail.spans() + 1];
    for (int i = 0; i < anchorsAt.length; i++) {
      anchorsAt[i] = s[i * PIECES];
    }
    this.frames = new MinimalFrames(this, rail.closed());
  }

  private static double[] coefficients(Rail rail) {
    double[] all = new double[rail.spans() * 12];
    for (int span = 0; span < rail.spans(); span++) {
      Vector3d[] p = rail.points(span);
      for (int axis = 0; axis < 3; axis++) {
        double a = p[0].get(axis);
        double b = p[1].get(axis);
        double d = p[2].get(axis);
        double e = p[3].get(axis);
        int at = span * 12 + axis * 4;
        all[at] = e - 3 * d + 3 * b - a;
        all[at + 1] = 3 * (d - 2 * b + a);
        all[at + 2] = 3 * (b - a);
        all[at + 3] = a;
      }
    }
    return all;
  }

  private double[] table() {
    double[] all = new double[rail.spans() * PIECES + 1];
    for (int i = 1; i < all.length; i++) {
      int span = (i - 1) / PIECES;
      double from = (double) ((i - 1) % PIECES) / PIECES;
      double to = from + 1.0 / PIECES;
      double length = length(span, from, to);
      plain[i - 1] = Math.abs(length - gauss(span, from, to)) <= LENGTH_ERROR * length;
      all[i] = all[i - 1] + length;
    }
    return all;
  }

  /** The length of a part of a span. */
  double length(int span, double from, double to) {
    return adaptive(span, from, to, gauss(span, from, to), 0);
  }

  private double adaptive(int span, double from, double to, double whole, int halvings) {
    double middle = (from + to) / 2;
    double left = gauss(span, from, middle);
    double right = gauss(span, middle, to);
    boolean agree = Math.abs(left + right - whole) <= LENGTH_ERROR * Math.abs(whole);
    if (agree || halvings >= MOST_HALVINGS) {
      return left + right;
    }
    return adaptive(span, from, middle, left, halvings + 1)
        + adaptive(span, middle, to, right, halvings + 1);
  }

  private double gauss(int span, double from, double to) {
    double middle = (from + to) / 2;
    double half = (to - from) / 2;
    double sum = 0;
    for (int i = 0; i < NODES.length; i++) {
      sum += WEIGHTS[i] * speed(span, middle + half * NODES[i]);
    }
    return sum * half;
  }

  private double speed(int span, double u) {
    return Math.sqrt(
        square(slope(span, 0, u)) + square(slope(span, 1, u)) + square(slope(span, 2, u)));
  }

  private static double square(double v) {
    return v * v;
  }

  private double slope(int span, int axis, double u) {
    int at = span * 12 + axis * 4;
    return (3 * c[at] * u + 2 * c[at + 1]) * u + c[at + 2];
  }

  private double bend(int span, int axis, double u) {
    int at = span * 12 + axis * 4;
    return 6 * c[at] * u + 2 * c[at + 1];
  }

  public Rail rail() {
    return rail;
  }

  /** Its length in metres. */
  public double length() {
    return s[s.length - 1];
  }

  /** The distance of an anchor from the start, in metres. */
  public double distanceOf(int anchor) {
    return anchorsAt[anchor];
  }

  /** The distance of an entry of the table. */
  double distanceAt(int entry) {
    return s[entry];
  }

  /**
   * A distance within the rail: round and round on a closed one, held at the ends of an open one.
   */
  public double within(double distance) {
    double length = length();
    if (rail.closed() && length > 0) {
      double rest = distance % length;
      return rest < 0 ? rest + length : rest;
    }
    return Math.max(0, Math.min(length, distance));
  }

  /**
   * Where on the rail a distance is: the number of the span plus its parameter in [0, 1). At an
   * anchor it is the end of the span before.
   *
   * @param distance metres from the start; see {@link #within}
   */
  public double parameterAt(double distance) {
    double want = within(distance);
    int found = Arrays.binarySearch(s, want);
    if (found > 0 && found % PIECES == 0) {
      return Math.nextDown((double) (found / PIECES)); // at an anchor, what leads there counts
    }
    int piece = Math.max(0, Math.min(s.length - 2, found >= 0 ? found : -found - 2));
    int span = piece / PIECES;
    double from = (double) (piece % PIECES) / PIECES;
    double to = from + 1.0 / PIECES;
    double whole = s[piece + 1] - s[piece];
    if (whole <= 0) {
      return span + from;
    }
    return span + solve(piece, from, to, want - s[piece]);
  }

  /** The parameter within a piece of the table at which so many metres of it are gone. */
  private double solve(int piece, double start, double end, double rest) {
    int span = piece / PIECES;
    double whole = s[piece + 1] - s[piece];
    double from = start;
    double to = end;
    double u = guess(span, start, end, rest, whole);
    for (int step = 0; step < MOST_STEPS; step++) {
      double gone = plain[piece] ? gauss(span, start, u) : length(span, start, u);
      double error = gone - rest;
      if (Math.abs(error) <= CLOSE * whole) {
        break;
      }
      if (error > 0) {
        to = u;
      } else {
        from = u;
      }
      double speed = speed(span, u);
      double next = speed > 0 ? u - error / speed : Double.NaN;
      u = next > from && next < to ? next : (from + to) / 2;
    }
    return u;
  }

  /** By the cubic that has the right slopes at both ends of the piece. */
  private double guess(int span, double start, double end, double rest, double whole) {
    double first = speed(span, start);
    double last = speed(span, end);
    double t = rest / whole;
    double width = end - start;
    if (first * width < 0.1 * whole || last * width < 0.1 * whole) {
      return start + width * t;
    }
    double m0 = whole / first;
    double m1 = whole / last;
    double u = ((t - 2) * t + 1) * t * m0 + t * t * (3 - 2 * t) * width + t * t * (t - 1) * m1;
    return start + Math.max(0, Math.min(width, u));
  }

  /**
   * The distance, within a stretch of the rail, at which it is nearest to a place. Looked for in
   * steps, then in finer ones around each of them that may hold the nearest: within a step the way
   * to the place shortens by no more than the step.
   *
   * @param place metres in the rail's own space
   * @param from start of the stretch, in metres
   * @param to end of the stretch
   */
  public double nearest(Vector3d place, double from, double to) {
    double low = Math.max(0, from);
    double high = Math.min(length(), to);
    double share = length() > 0 ? Math.max(0, high - low) / length() : 0;
    int looks = LOOKS + (int) (share * rail.spans() * LOOKS / 4);
    Looking looking = new Looking(place, low, high);
    List<Double> around = looking.round(List.of((low + high) / 2), (high - low) / 2, looks, true);
    double step = (high - low) / looks;
    for (int round = 1; round < ROUNDS; round++) {
      around = looking.round(around, step, LOOKS / 4, round < WIDE_ROUNDS);
      step /= LOOKS / 8.0;
    }
    return looking.best;
  }

  /** What has been found so far of the place nearest to another one. */
  private final class Looking {
    private static final int MOST = 200; // places gone after, on rails that pass by again and again

    private final Vector3d place;
    private final double low;
    private final double high;
    private double best;
    private double least = Double.MAX_VALUE;

    Looking(Vector3d place, double low, double high) {
      this.place = place;
      this.low = low;
      this.high = high;
      this.best = low;
    }

    /**
     * Looks around some distances, and says around which to look closer.
     *
     * @param reach how far around each of them
     * @param looks how many steps
     * @param wide whether to look closer wherever it may be, or only where it is nearer than beside
     */
    List<Double> round(List<Double> middles, double reach, int looks, boolean wide) {
      List<double[]> lowest = new ArrayList<>();
      double step = 2 * reach / looks;
      for (double middle : middles) {
        double before = Double.MAX_VALUE;
        double now = take(middle - reach);
        for (int k = 0; k <= looks; k++) {
          double after = k == looks ? Double.MAX_VALUE : take(middle - reach + (k + 1) * step);
          if (wide || now <= before && now <= after) {
            lowest.add(new double[] {middle - reach + k * step, now});
          }
          before = now;
          now = after;
        }
      }
      return lowest.stream()
          .filter(each -> each[1] - step <= least)
          .sorted(Comparator.comparingDouble(each -> each[1]))
          .limit(MOST)
          .map(each -> each[0])
          .toList();
    }

    private double take(double distance) {
      double inside = Math.max(low, Math.min(high, distance));
      double far = farFrom(place, inside);
      if (far < least) {
        least = far;
        best = inside;
      }
      return far;
    }
  }

  private double farFrom(Vector3d place, double distance) {
    return place(parameterAt(distance)).distance(place);
  }

  int span(double parameter) {
    return Math.max(0, Math.min(rail.spans() - 1, (int) Math.floor(parameter)));
  }

  /** The place at a parameter, in metres. */
  public Vector3d place(double parameter) {
    int span = span(parameter);
    double u = parameter - span;
    Vector3d out = new Vector3d();
    for (int axis = 0; axis < 3; axis++) {
      int at = span * 12 + axis * 4;
      out.setComponent(axis, ((c[at] * u + c[at + 1]) * u + c[at + 2]) * u + c[at + 3]);
    }
    return out;
  }

  /** The direction ahead at a parameter, of length 1; -Z where the rail has no direction at all. */
  public Vector3d direction(double parameter) {
    int span = span(parameter);
    double u = parameter - span;
    Vector3d way = new Vector3d(slope(span, 0, u), slope(span, 1, u), slope(span, 2, u));
    if (way.length() > 1e-12) {
      return way.normalize();
    }
    // a tangent without length: the way the rail takes to or from there
    double inside = u < 0.5 ? 1e-4 : -1e-4;
    way = place(span + u + inside).sub(place(parameter)).mul(Math.signum(inside));
    return way.length() > 1e-15 ? way.normalize() : new Vector3d(0, 0, -1);
  }

  /** How the direction changes, as a vector in 1/m towards the inside of the bend. */
  public Vector3d curvature(double parameter) {
    int span = span(parameter);
    double u = parameter - span;
    Vector3d first = new Vector3d(slope(span, 0, u), slope(span, 1, u), slope(span, 2, u));
    Vector3d second = new Vector3d(bend(span, 0, u), bend(span, 1, u), bend(span, 2, u));
    double speed = first.lengthSquared();
    if (speed < 1e-18) {
      return new Vector3d();
    }
    double along = first.dot(second) / speed;
    return second.sub(first.mul(along)).div(speed);
  }

  /** Up, across the direction ahead, turned as little as can be since the start; of length 1. */
  public Vector3d up(double parameter) {
    return frames.up(parameter);
  }
}

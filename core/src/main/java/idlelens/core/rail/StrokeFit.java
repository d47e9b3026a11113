package idlelens.core.rail;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import org.joml.Vector3d;

/**
 * Few anchors for many points: least-squares Beziers with fixed tangents, split at the worst point
 * until each point is near enough. P. J. Schneider, "An algorithm for automatically fitting
 * digitized curves", Graphics Gems I, 1990, in space.
 */
public final class StrokeFit {
  /** The most points of one stroke. */
  public static final int MOST_POINTS = 100_000;

  private static final int REFINEMENTS = 6;
  private static final double WORTH_REFINING = 16; // squared errors up to this many times too large
  private static final double APART = 1e-9; // points closer than this, in metres, are one

  private final List<Vector3d> points;
  private final double tolerance;
  private final List<Vector3d[]> beziers = new ArrayList<>();

  private StrokeFit(List<Vector3d> points, double tolerance) {
    this.points = points;
    this.tolerance = tolerance;
  }

  private record Part(int first, int last, Vector3d out, Vector3d in) {}

  /**
   * A rail that passes each point within a tolerance.
   *
   * @param stroke places in metres, in order
   * @param toleranceM metres, at least 0.1 mm
   * @param closed whether it comes back to its start; the ends are joined
   */
  public static Rail fit(List<Vector3d> stroke, double toleranceM, boolean closed) {
    Require.within(stroke.size(), 2, MOST_POINTS, "points.count");
    Require.within(toleranceM, 1e-4, 1e3, "tolerance");
    List<Vector3d> apart = new ArrayList<>();
    for (Vector3d point : stroke) {
      if (apart.isEmpty() || apart.get(apart.size() - 1).distance(point) > APART) {
        apart.add(point);
      }
    }
    boolean comesBack = closed && apart.size() > 3;
    if (comesBack && apart.get(0).distance(apart.get(apart.size() - 1)) > APART) {
      apart.add(new Vector3d(apart.get(0)));
    }
    if (apart.size() < 2) {
      throw new RefusedException("points", "all at one place", "at least two places apart");
    }
    StrokeFit fit = new StrokeFit(apart, toleranceM);
    fit.run(comesBack);
    return fit.rail(comesBack);
  }

  private void run(boolean closed) {
    int last = points.size() - 1;
    Vector3d out = towards(0, 1);
    Vector3d in = towards(last, -1);
    if (closed) {
      out = new Vector3d(out).sub(in).normalize();
      in = new Vector3d(out).negate();
    }
    Deque<Part> open = new ArrayDeque<>(List.of(new Part(0, last, out, in)));
    while (!open.isEmpty()) {
      fit(open.removeFirst(), open);
    }
  }

  /** The direction from a point into the stroke, over as many points as it takes to leave noise. */
  private Vector3d towards(int i, int way) {
    int j = i + way;
    while (j + way >= 0
        && j + way < points.size()
        && points.get(j).distance(points.get(i)) < tolerance) {
      j += way;
    }
    return new Vector3d(points.get(j)).sub(points.get(i)).normalize();
  }

  private void fit(Part part, Deque<Part> open) {
    if (part.last - part.first == 1) {
      beziers.add(line(part));
      return;
    }
    double[] u = chordLengths(part);
    Vector3d[] bezier = leastSquares(part, u);
    Worst worst = worst(part, bezier, u);
    for (int i = 0;
        i < REFINEMENTS && !isNear(worst) && worst.error < limit() * WORTH_REFINING;
        i++) {
      refine(part, bezier, u);
      bezier = leastSquares(part, u);
      worst = worst(part, bezier, u);
    }
    if (isNear(worst)) {
      beziers.add(bezier);
      return;
    }
    int at = notAtTheEdge(part, worst.index);
    Vector3d through = through(at);
    open.addFirst(new Part(at, part.last, through, part.in));
    open.addFirst(new Part(part.first, at, part.out, new Vector3d(through).negate()));
  }

  /** Long parts are never split into a long and a tiny one, or this would take forever. */
  private static int notAtTheEdge(Part part, int index) {
    int least = (part.last - part.first) / 8;
    return Math.max(
        part.first + Math.max(1, least), Math.min(part.last - Math.max(1, least), index));
  }

  private double limit() {
    return tolerance * tolerance;
  }

  private boolean isNear(Worst worst) {
    return worst.error <= limit();
  }

  private Vector3d through(int i) {
    Vector3d way = towards(i, 1).sub(towards(i, -1));
    return way.length() > 1e-9 ? way.normalize() : towards(i, 1);
  }

  private Vector3d[] line(Part part) {
    Vector3d from = points.get(part.first);
    Vector3d to = points.get(part.last);
    double third = from.distance(to) / 3;
    return new Vector3d[] {
      from,
      new Vector3d(part.out).mul(third).add(from),
      new Vector3d(part.in).mul(third).add(to),
      to
    };
  }

  private double[] chordLengths(Part part) {
    double[] u = new double[part.last - part.first + 1];
    for (int i = 1; i < u.length; i++) {
      u[i] = u[i - 1] + points.get(part.first + i).distance(points.get(part.first + i - 1));
    }
    for (int i = 1; i < u.length; i++) {
      u[i] /= u[u.length - 1];
    }
    return u;
  }

  /** The lengths of both tangents that bring the Bezier nearest to the points. */
  private Vector3d[] leastSquares(Part part, double[] u) {
    Vector3d from = points.get(part.first);
    Vector3d to = points.get(part.last);
    double c00 = 0;
    double c01 = 0;
    double c11 = 0;
    double x0 = 0;
    double x1 = 0;
    double dot = part.out.dot(part.in);
    Vector3d rest = new Vector3d();
    for (int i = 0; i < u.length; i++) {
      double v = 1 - u[i];
      double b1 = 3 * u[i] * v * v;
      double b2 = 3 * u[i] * u[i] * v;
      double b01 = v * v * v + b1;
      double b23 = u[i] * u[i] * u[i] + b2;
      c00 += b1 * b1;
      c01 += b1 * b2 * dot;
      c11 += b2 * b2;
      rest.set(points.get(part.first + i)).fma(-b01, from).fma(-b23, to);
      x0 += b1 * part.out.dot(rest);
      x1 += b2 * part.in.dot(rest);
    }
    double det = c00 * c11 - c01 * c01;
    double chord = from.distance(to);
    double a = det == 0 ? 0 : (x0 * c11 - x1 * c01) / det;
    double b = det == 0 ? 0 : (c00 * x1 - c01 * x0) / det;
    double longest = wayOf(part); // a tangent longer than the stroke is none that was drawn
    boolean fails = !(a > 1e-6 * chord) || !(b > 1e-6 * chord) || a > longest || b > longest;
    if (fails) { // Wu and Barsky's rule
      return line(part);
    }
    return new Vector3d[] {
      from, new Vector3d(part.out).mul(a).add(from), new Vector3d(part.in).mul(b).add(to), to
    };
  }

  private double wayOf(Part part) {
    double way = 0;
    for (int i = part.first; i < part.last; i++) {
      way += points.get(i).distance(points.get(i + 1));
    }
    return way;
  }

  private record Worst(int index, double error) {}

  private Worst worst(Part part, Vector3d[] bezier, double[] u) {
    int at = (part.first + part.last) / 2;
    double most = -1;
    for (int i = 1; i < u.length - 1; i++) {
      double error = at(bezier, u[i]).distanceSquared(points.get(part.first + i));
      if (error > most) {
        most = error;
        at = part.first + i;
      }
    }
    return new Worst(at, most);
  }

  private static Vector3d at(Vector3d[] b, double u) {
    double v = 1 - u;
    return new Vector3d(b[0])
        .mul(v * v * v)
        .fma(3 * u * v * v, b[1])
        .fma(3 * u * u * v, b[2])
        .fma(u * u * u, b[3]);
  }

  /** One Newton step of each parameter towards the nearest place of the Bezier. */
  private void refine(Part part, Vector3d[] b, double[] u) {
    for (int i = 1; i < u.length - 1; i++) {
      double t = u[i];
      double v = 1 - t;
      Vector3d first =
          new Vector3d(b[1])
              .sub(b[0])
              .mul(3 * v * v)
              .fma(6 * t * v, new Vector3d(b[2]).sub(b[1]))
              .fma(3 * t * t, new Vector3d(b[3]).sub(b[2]));
      Vector3d second =
          new Vector3d(b[2])
              .fma(-2, b[1])
              .add(b[0])
              .mul(6 * v)
              .fma(6 * t, new Vector3d(b[3]).fma(-2, b[2]).add(b[1]));
      Vector3d off = at(b, t).sub(points.get(part.first + i));
      double slope = first.lengthSquared() + off.dot(second);
      if (slope > 0) {
        u[i] = Math.max(0, Math.min(1, t - off.dot(first) / slope));
      }
    }
  }

  private Rail rail(boolean closed) {
    List<Anchor> anchors = new ArrayList<>();
    int count = beziers.size();
    for (int i = 0; i <= (closed ? count - 1 : count); i++) {
      Vector3d at = i < count ? beziers.get(i)[0] : beziers.get(count - 1)[3];
      int before = i > 0 ? i - 1 : closed ? count - 1 : -1;
      Offset in = before < 0 ? Offset.NONE : step(beziers.get(before)[2], at);
      Offset out = i < count ? step(beziers.get(i)[1], at) : Offset.NONE;
      anchors.add(Anchor.smooth("a" + (i + 1), at.x, at.y, at.z).withTangents(in, out));
    }
    return closed && anchors.size() >= 3 ? new Rail(anchors, true) : opened(anchors, closed);
  }

  /** A loop of fewer than three anchors gets more of them where it is split in halves. */
  private Rail opened(List<Anchor> anchors, boolean closed) {
    if (!closed) {
      return new Rail(anchors, false);
    }
    Anchor first = anchors.get(0);
    List<Anchor> all = new ArrayList<>(anchors);
    all.add(first.withId("end"));
    Rail rail = new Rail(all, false);
    while (rail.anchors().size() < 4) {
      rail = rail.split(0, 0.5, "b" + rail.anchors().size());
    }
    Anchor last = rail.anchors().get(rail.anchors().size() - 1);
    Anchor start = rail.anchors().get(0);
    List<Anchor> round = new ArrayList<>(rail.anchors().subList(0, rail.anchors().size() - 1));
    round.set(0, start.withTangents(last.in(), start.out()));
    return new Rail(round, true);
  }

  private static Offset step(Vector3d end, Vector3d from) {
    return Offset.of(new Vector3d(end).sub(from));
  }
}

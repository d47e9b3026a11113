package idlelens.core.rail;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.joml.Vector3d;

/** A curve in space that nodes ride. Immutable; made ready to be read when it first is. */
public final class Rail {
  /** The most anchors of one rail. */
  public static final int MOST = 2000;

  /** How near to an anchor, as a share of a span, is on it. */
  private static final double ON_ANCHOR = 1e-6;

  private final List<Anchor> anchors;
  private final boolean closed;
  private RailCurve curve;

  /**
   * @param anchors the places it goes through, in their order
   * @param closed whether it comes back from the last anchor to the first
   */
  public Rail(List<Anchor> anchors, boolean closed) {
    this.anchors = List.copyOf(anchors);
    this.closed = closed;
    Require.within(anchors.size(), closed ? 3 : 2, MOST, "rail.anchors.count");
    Set<String> ids = new HashSet<>();
    for (Anchor anchor : anchors) {
      if (!ids.add(anchor.id())) {
        throw new RefusedException("anchor.id", "'" + anchor.id() + "' twice", "each id once");
      }
    }
  }

  public List<Anchor> anchors() {
    return anchors;
  }

  public boolean closed() {
    return closed;
  }

  /** This rail, to be read by distance. Made twice by two threads, it is equal. */
  public RailCurve curve() {
    RailCurve made = curve;
    if (made == null) {
      made = new RailCurve(this);
      curve = made;
    }
    return made;
  }

  /** Of an open rail the stretches between its anchors, of a closed one the way back too. */
  public int spans() {
    return closed ? anchors.size() : anchors.size() - 1;
  }

  /** The place of an anchor in the list. */
  public int index(String anchorId) {
    for (int i = 0; i < anchors.size(); i++) {
      if (anchors.get(i).id().equals(anchorId)) {
        return i;
      }
    }
    throw new RefusedException(
        "anchor",
        "'" + anchorId + "'",
        String.join(", ", anchors.stream().map(Anchor::id).toList()));
  }

  public boolean has(String anchorId) {
    return anchors.stream().anyMatch(a -> a.id().equals(anchorId));
  }

  /** The end of the tangent of an anchor towards the one before it, as a step from it. */
  public Offset in(int i) {
    return tangents(i)[0];
  }

  /** The end of the tangent of an anchor towards the one after it, as a step from it. */
  public Offset out(int i) {
    return tangents(i)[1];
  }

  /** Both tangents of an anchor, as they are drawn. */
  Offset[] tangents(int i) {
    Anchor anchor = anchors.get(i);
    return switch (anchor.kind()) {
      case FREE, BROKEN -> new Offset[] {anchor.in(), anchor.out()};
      case CORNER -> new Offset[] {third(i, i - 1), third(i, i + 1)};
      case SMOOTH -> smooth(i);
    };
  }

  /** A third of the way to another anchor; none beyond the ends. */
  private Offset third(int from, int to) {
    int other = wrapped(to);
    return other < 0 ? Offset.NONE : Offset.of(way(from, other).mul(1.0 / 3));
  }

  private int wrapped(int i) {
    if (closed) {
      return Math.floorMod(i, anchors.size());
    }
    return i < 0 || i >= anchors.size() ? -1 : i;
  }

  private Vector3d way(int from, int to) {
    return anchors.get(to).place().sub(anchors.get(from).place());
  }

  /**
   * Non-uniform Catmull-Rom over the lengths of the chords; at open ends the tangent that makes the
   * span a parabola.
   */
  private Offset[] smooth(int i) {
    int before = wrapped(i - 1);
    int after = wrapped(i + 1);
    if (before < 0) {
      return new Offset[] {Offset.NONE, Offset.of(end(i, after))};
    }
    if (after < 0) {
      return new Offset[] {Offset.of(end(i, before)), Offset.NONE};
    }
    Vector3d in = way(before, i);
    Vector3d out = way(i, after);
    double a = in.length();
    double b = out.length();
    if (a == 0 || b == 0) {
      return new Offset[] {third(i, i - 1), third(i, i + 1)};
    }
    Vector3d slope = in.mul(b / a, new Vector3d()).add(out.mul(a / b, new Vector3d())).div(a + b);
    return new Offset[] {Offset.of(new Vector3d(slope).mul(-a / 3)), Offset.of(slope.mul(b / 3))};
  }

  /** The tangent of an end anchor towards its neighbour, from that one's tangent back. */
  private Vector3d end(int i, int neighbour) {
    Vector3d chord = way(i, neighbour);
    boolean twoOnly = anchors.size() == 2 && anchors.get(neighbour).kind() == Anchor.Kind.SMOOTH;
    if (twoOnly) {
      return chord.mul(1.0 / 3);
    }
    Offset back = neighbour > i ? in(neighbour) : out(neighbour);
    return chord.mul(2.0 / 3).add(back.vector());
  }

  /** The four points of a span. */
  public Vector3d[] points(int span) {
    int next = (span + 1) % anchors.size();
    Vector3d from = anchors.get(span).place();
    Vector3d to = anchors.get(next).place();
    return new Vector3d[] {from, out(span).vector().add(from), in(next).vector().add(to), to};
  }

  public Rail withAnchors(List<Anchor> newAnchors) {
    return new Rail(newAnchors, closed);
  }

  public Rail withClosed(boolean newClosed) {
    return new Rail(anchors, newClosed);
  }

  public Rail mapped(UnaryOperator<Anchor> change) {
    return withAnchors(anchors.stream().map(change).toList());
  }

  /** Run through the other way. */
  public Rail reversed() {
    List<Anchor> back = new ArrayList<>(anchors.stream().map(Anchor::reversed).toList());
    Collections.reverse(back);
    if (closed) { // it still begins where it began
      Collections.rotate(back, 1);
    }
    return withAnchors(back);
  }

  /** The same curve, with an anchor more within a span; its tangents there are set by hand. */
  public Rail split(int span, double u, String newId) {
    Vector3d[] p = points(span);
    Vector3d[] left =
        new Vector3d[] {
          p[0].lerp(p[1], u, new Vector3d()),
          p[1].lerp(p[2], u, new Vector3d()),
          p[2].lerp(p[3], u, new Vector3d())
        };
    Vector3d in = left[0].lerp(left[1], u, new Vector3d());
    Vector3d out = left[1].lerp(left[2], u, new Vector3d());
    Vector3d at = in.lerp(out, u, new Vector3d());
    int next = (span + 1) % anchors.size();
    Anchor added =
        Anchor.smooth(newId, at.x, at.y, at.z)
            .withTangents(
                Offset.of(in.sub(at, new Vector3d())), Offset.of(out.sub(at, new Vector3d())));
    List<Anchor> all = new ArrayList<>(frozen().anchors);
    Anchor first = all.get(span);
    all.set(span, first.withTangents(first.in(), Offset.of(left[0].sub(p[0], new Vector3d()))));
    Anchor last = all.get(next);
    all.set(next, last.withTangents(Offset.of(left[2].sub(p[3], new Vector3d())), last.out()));
    List<Anchor> kept = new ArrayList<>();
    for (int i = 0; i < anchors.size(); i++) {
      kept.add(i == span || i == next ? all.get(i) : anchors.get(i));
    }
    kept.add(span + 1, added);
    return withAnchors(kept);
  }

  /** The same curve, with an anchor more at a distance from its start, in metres. */
  public Rail withAnchorAt(double distanceM, String newId) {
    double parameter = curve().parameterAt(distanceM);
    int span = Math.min(spans() - 1, (int) Math.floor(parameter));
    double u = parameter - span;
    if (u < ON_ANCHOR || u > 1 - ON_ANCHOR) {
      throw new RefusedException(
          "anchor", "at " + distanceM + " m, where there is one", "a place between two anchors");
    }
    return split(span, u, newId);
  }

  /** The same curve, all of its tangents set by hand. */
  public Rail frozen() {
    List<Anchor> all = new ArrayList<>();
    for (int i = 0; i < anchors.size(); i++) {
      Offset[] tangents = tangents(i);
      Anchor anchor = anchors.get(i);
      all.add(anchor.isSetByHand() ? anchor : anchor.withTangents(tangents[0], tangents[1]));
    }
    return withAnchors(all);
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Rail that && closed == that.closed && anchors.equals(that.anchors);
  }

  @Override
  public int hashCode() {
    return Objects.hash(anchors, closed);
  }

  @Override
  public String toString() {
    return "Rail" + anchors + (closed ? ", closed" : "");
  }
}

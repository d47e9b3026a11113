package idlelens.core.edit;

import idlelens.core.rail.Anchor;
import idlelens.core.rail.Offset;
import idlelens.core.rail.Rail;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.joml.Vector3d;

/** One change of a rail's shape, in the rail's own space. */
public sealed interface RailChange {
  Rail of(Rail rail);

  /** The anchors that it moves, or whose tangents it sets; those that it adds, too. */
  Set<String> touched();

  /** Whether it puts something behind the end. */
  default boolean extendsIt() {
    return false;
  }

  private static double step(double v, String where) {
    return Require.within(v, -1e5, 1e5, where);
  }

  /** Moves anchors, their tangents with them. */
  record Move(List<String> anchors, double dx, double dy, double dz) implements RailChange {
    public Move {
      anchors = List.copyOf(anchors);
      Require.within(anchors.size(), 1, Rail.MOST, "anchors.count");
      step(dx, "dx");
      step(dy, "dy");
      step(dz, "dz");
    }

    @Override
    public Rail of(Rail rail) {
      anchors.forEach(rail::index);
      Set<String> moved = touched();
      return rail.mapped(a -> moved.contains(a.id()) ? a.at(a.place().add(dx, dy, dz)) : a);
    }

    @Override
    public Set<String> touched() {
      return new HashSet<>(anchors);
    }
  }

  /**
   * Drags the end of a tangent.
   *
   * @param out the one towards the anchor after
   * @param alone whether the other one stays; else it turns along, its length as it was
   */
  record Turn(String anchor, boolean out, double dx, double dy, double dz, boolean alone)
      implements RailChange {
    public Turn {
      step(dx, "dx");
      step(dy, "dy");
      step(dz, "dz");
    }

    @Override
    public Rail of(Rail rail) {
      int i = rail.index(anchor);
      Offset held = out ? rail.in(i) : rail.out(i);
      Vector3d dragged = (out ? rail.out(i) : rail.in(i)).vector().add(dx, dy, dz);
      Offset moved = new Offset(dragged.x, dragged.y, dragged.z);
      boolean together = !alone && rail.anchors().get(i).kind() != Anchor.Kind.BROKEN;
      boolean turns = together && dragged.length() > 1e-9;
      Offset other = turns ? moved.opposite(held.vector().length()) : held;
      return rail.mapped(
          a ->
              !a.id().equals(anchor)
                  ? a
                  : out ? a.withTangents(other, moved) : a.withTangents(moved, other));
    }

    @Override
    public Set<String> touched() {
      return Set.of(anchor);
    }
  }

  /** Makes anchors smooth, corners, or free as they are drawn. */
  record Kinds(List<String> anchors, Anchor.Kind kind) implements RailChange {
    public Kinds {
      anchors = List.copyOf(anchors);
      Require.within(anchors.size(), 1, Rail.MOST, "anchors.count");
      Require.present(kind, "kind");
    }

    @Override
    public Rail of(Rail rail) {
      anchors.forEach(rail::index);
      Rail drawn = rail.frozen();
      return rail.mapped(
          a ->
              !anchors.contains(a.id())
                  ? a
                  : kind == Anchor.Kind.SMOOTH || kind == Anchor.Kind.CORNER
                      ? a.withKind(kind, Offset.NONE, Offset.NONE)
                      : a.withKind(
                          kind, drawn.in(rail.index(a.id())), drawn.out(rail.index(a.id()))));
    }

    @Override
    public Set<String> touched() {
      return new HashSet<>(anchors);
    }
  }

  /** Puts an anchor where the rail is nearest to a place; the rail stays as it is. */
  record Insert(double x, double y, double z, String newId) implements RailChange {
    public Insert {
      step(x, "x");
      step(y, "y");
      step(z, "z");
      Require.present(newId, "newId");
    }

    @Override
    public Rail of(Rail rail) {
      double distance = rail.curve().nearest(new Vector3d(x, y, z), 0, rail.curve().length());
      return rail.withAnchorAt(distance, newId);
    }

    @Override
    public Set<String> touched() {
      return Set.of();
    }
  }

  /** Goes on to a place from one of the ends. */
  record Extend(boolean atStart, double x, double y, double z, String newId) implements RailChange {
    @Override
    public Rail of(Rail rail) {
      if (rail.closed()) {
        throw new RefusedException("rail", "closed", "an open rail to extend");
      }
      List<Anchor> all = new ArrayList<>(rail.anchors());
      all.add(atStart ? 0 : all.size(), Anchor.smooth(newId, x, y, z));
      return rail.withAnchors(all);
    }

    @Override
    public Set<String> touched() {
      return Set.of(newId);
    }

    @Override
    public boolean extendsIt() {
      return true;
    }
  }

  /** Takes anchors away. */
  record Remove(List<String> anchors) implements RailChange {
    public Remove {
      anchors = List.copyOf(anchors);
      Require.within(anchors.size(), 1, Rail.MOST, "anchors.count");
    }

    @Override
    public Rail of(Rail rail) {
      anchors.forEach(rail::index);
      return rail.withAnchors(
          rail.anchors().stream().filter(a -> !anchors.contains(a.id())).toList());
    }

    @Override
    public Set<String> touched() {
      return new HashSet<>(anchors);
    }
  }

  /** Runs it through the other way. */
  record Reverse() implements RailChange {
    @Override
    public Rail of(Rail rail) {
      return rail.reversed();
    }

    @Override
    public Set<String> touched() {
      return Set.of();
    }
  }

  /** Joins its ends by a span more, or takes that away. */
  record Close(boolean closed) implements RailChange {
    @Override
    public Rail of(Rail rail) {
      if (rail.closed() == closed) {
        throw new RefusedException(
            "closed", closed, closed ? "an open rail to close" : "a closed rail to open");
      }
      return rail.withClosed(closed);
    }

    @Override
    public Set<String> touched() {
      return Set.of();
    }

    @Override
    public boolean extendsIt() {
      return closed;
    }
  }
}

package idlelens.core.edit;

import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Evaluation;
import idlelens.core.rail.Anchor;
import idlelens.core.rail.Offset;
import idlelens.core.rail.Rail;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.joml.Vector3d;

/**
 * Goes on from the end of a rail into another one, which is no more. Ends that lie on one another
 * become one anchor; else a span leads over. What rides the first goes no further than before.
 *
 * @param other the rail that is taken in; nothing may ride it
 * @param frame where both stand to one another
 */
public record JoinRails(String id, String other, double frame) implements Edit {
  private static final double SAME_M = 1e-4;

  public JoinRails {
    Require.present(id, "id");
    Require.present(other, "other");
    Require.finite(frame, "frame");
    if (id.equals(other)) {
      throw new RefusedException("other", "'" + other + "'", "another rail");
    }
  }

  @Override
  public Shot apply(Shot shot) {
    Node.Rail first = ShapeRail.rail(shot, id);
    Node.Rail second = ShapeRail.rail(shot, other);
    for (Node.Rail each : List.of(first, second)) {
      if (each.rail().closed()) {
        throw new RefusedException(each.name(), "closed", "open rails to join");
      }
    }
    refuseInUse(shot, second);
    Evaluation now = Evaluation.at(shot, frame);
    RigidPose step = now.pose(id, 0).inverse().times(now.pose(other, 0));
    Shot pinned = RailRiders.of(shot, id).pinnedAtEnd(new RailChange.Close(true));
    Rail joined = joined(first.rail(), moved(second.rail(), step));
    Shot after = pinned.withNode(first.withRail(joined));
    return after.withNodes(after.nodes().stream().filter(n -> !n.id().equals(other)).toList());
  }

  private static void refuseInUse(Shot shot, Node.Rail rail) {
    for (Node node : shot.nodes()) {
      boolean uses =
          node.chain().parts().stream()
              .flatMap(p -> p.leans().stream())
              .anyMatch(lean -> lean.nodeId().equals(rail.id()));
      if (uses) {
        throw new RefusedException(
            rail.name(), "ridden by " + node.name(), "a rail that nothing rides or looks at");
      }
    }
  }

  private static Rail moved(Rail rail, RigidPose step) {
    return rail.frozen()
        .mapped(
            a -> {
              Anchor there = a.at(step.apply(a.place()));
              return there.withTangents(turned(a.in(), step), turned(a.out(), step));
            });
  }

  private static Offset turned(Offset offset, RigidPose step) {
    Vector3d v = offset.vector().rotate(step.turn());
    return new Offset(v.x, v.y, v.z);
  }

  private static Rail joined(Rail first, Rail second) {
    Rail kept = first.frozen(); // the end of the first must not bend to what follows
    List<Anchor> all = new ArrayList<>(first.anchors());
    int last = all.size() - 1;
    all.set(last, kept.anchors().get(last));
    Set<String> ids = new HashSet<>(all.stream().map(Anchor::id).toList());
    List<Anchor> more = new ArrayList<>(second.anchors());
    Anchor start = more.get(0);
    if (start.place().distance(all.get(last).place()) < SAME_M) {
      Anchor end = all.get(last);
      all.set(last, end.withTangents(end.in(), start.out()));
      more.remove(0);
    } else {
      Anchor end = all.get(last);
      double third = end.place().distance(start.place()) / 3;
      all.set(last, end.withTangents(end.in(), end.in().opposite(third)));
      more.set(0, start.withTangents(start.out().opposite(third), start.out()));
    }
    for (Anchor anchor : more) {
      String free = anchor.id();
      for (int n = 2; !ids.add(free); n++) {
        free = "j" + n + "-" + anchor.id();
      }
      all.add(anchor.withId(free));
    }
    return new Rail(all, false);
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places =
        Footprint.of(shot)
            .changes(Place.rail(id), Place.node(other), Place.inOrder(other), Place.readers(other))
            .reliesOn(Place.there(id), Place.header("range"), Place.header("handles"))
            .reliesOnMotion(id)
            .reliesOnMotion(other);
    RailRiders.retimed(places, shot, id);
    shot.node(other)
        .chain()
        .carried()
        .carriers()
        .forEach(carrier -> places.changes(Place.carries(carrier, other)));
    shot.markers().stream()
        .filter(m -> m.nodeId().equals(other))
        .forEach(m -> places.changes(Place.marker(m.id())));
    return places.done();
  }

  @Override
  public String summary() {
    return "Join rails";
  }
}

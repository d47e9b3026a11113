package idlelens.core.edit;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.List;

/**
 * Changes the shape of a rail. Where it is pinned, the stretches between pins that the change does
 * not touch stay as they are, so that nothing timed there moves; what is put behind the end of a
 * rail that is ridden stays unridden, since its old end is pinned.
 */
public record ShapeRail(String id, RailChange change) implements Edit {
  public ShapeRail {
    Require.present(id, "id");
    Require.present(change, "change");
  }

  @Override
  public Shot apply(Shot shot) {
    Node.Rail rail = rail(shot, id);
    Shot ready = shot;
    if (change.extendsIt()) {
      ready = RailRiders.of(shot, id).pinnedAtEnd(change);
    }
    if (change instanceof RailChange.Reverse) {
      ready = RailRiders.of(shot, id).reversed();
    }
    try {
      return ready.withNode(rail.withRail(new StretchesKept(ready, rail, change).apply()));
    } catch (RefusedException e) {
      throw e.inside(rail.name());
    }
  }

  private boolean retimes() {
    return change.extendsIt() || change instanceof RailChange.Reverse;
  }

  /** The rail of that id. */
  static Node.Rail rail(Shot shot, String id) {
    if (shot.node(id) instanceof Node.Rail rail) {
      return rail;
    }
    throw new RefusedException("rail", "'" + shot.node(id).name() + "'", "a rail");
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places = Footprint.of(shot).changes(Place.rail(id)).reliesOn(Place.there(id));
    if (retimes()) {
      places.changes(Place.readers(id)); // who comes to ride it meanwhile is retimed too
    }
    for (Node node : shot.nodes()) {
      node.chain()
          .ride(id)
          .ifPresent(
              ride -> {
                if (retimes()) {
                  places.changes(Place.part(node.id(), ride.id()));
                  places.changes(node.id(), List.of(RailRiders.pace(ride)));
                } else {
                  places.reliesOn(Place.stamps(node.id(), ride.id()));
                }
              });
    }
    return places.reliesOn(Place.header("range"), Place.header("handles")).done();
  }

  @Override
  public String summary() {
    return "Shape a rail";
  }
}

package idlelens.core.edit;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;

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
    checked(rail);
    Shot ready = shot;
    if (change.extendsIt()) {
      ready = RailRiders.of(shot, id).pinnedAtEnd(change);
    }
    if (change instanceof RailChange.Reverse) {
      ready = RailRiders.of(shot, id).reversed();
    }
    return ready.withNode(rail.withRail(new StretchesKept(ready, rail, change).apply()));
  }

  /** Refused before anything is done to what rides it. */
  private void checked(Node.Rail rail) {
    try {
      change.of(rail.rail());
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
    Footprint.Builder places =
        Footprint.of(shot)
            .changes(Place.rail(id))
            .reliesOn(Place.there(id), Place.header("range"), Place.header("handles"));
    if (retimes()) {
      return RailRiders.retimed(places, shot, id).done();
    }
    for (Node node : shot.nodes()) { // what they have pinned stays as it is
      node.chain().ride(id).ifPresent(ride -> places.reliesOn(Place.stamps(node.id(), ride.id())));
    }
    return places.done();
  }

  @Override
  public String summary() {
    return "Shape a rail";
  }
}

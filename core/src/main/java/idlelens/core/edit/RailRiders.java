package idlelens.core.edit;

import idlelens.core.part.Path;
import idlelens.core.part.Ride;
import idlelens.core.rail.RailCurve;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;

/** All that ride a rail, and what becomes of their paces when it changes. */
final class RailRiders {
  private final Shot shot;
  private final Node.Rail rail;
  private final List<Node> riders;

  private RailRiders(Shot shot, Node.Rail rail, List<Node> riders) {
    this.shot = shot;
    this.rail = rail;
    this.riders = riders;
  }

  static RailRiders of(Shot shot, String railId) {
    List<Node> riders =
        shot.nodes().stream().filter(n -> n.chain().ride(railId).isPresent()).toList();
    return new RailRiders(shot, ShapeRail.rail(shot, railId), riders);
  }

  List<Node> list() {
    return riders;
  }

  static Path pace(Ride ride) {
    return new Path(ride.id(), Ride.PACE.id());
  }

  /** Says that all who ride a rail, or come to, are timed anew. */
  static Footprint.Builder retimed(Footprint.Builder places, Shot shot, String railId) {
    places.changes(Place.readers(railId));
    for (Node node : shot.nodes()) {
      node.chain()
          .ride(railId)
          .ifPresent(
              ride ->
                  places
                      .changes(Place.part(node.id(), ride.id()))
                      .changes(node.id(), List.of(pace(ride))));
    }
    return places;
  }

  private Shot changed(UnaryOperator<Ride> change) {
    Map<String, Node> next = new HashMap<>();
    for (Node node : riders) {
      Ride ride = node.chain().ride(rail.id()).orElseThrow();
      next.put(node.id(), node.withChain(node.chain().with(change.apply(ride))));
    }
    return shot.withChanged(next);
  }

  /** The old end is pinned, or at the other end the old start. */
  Shot pinnedAtEnd(RailChange change) {
    boolean atStart = change instanceof RailChange.Extend extend && extend.atStart();
    double after = shot.header().range().out() + (double) shot.header().handles();
    double before = shot.header().range().in() - (double) shot.header().handles();
    RailCurve curve = rail.rail().curve();
    return changed(
        ride -> {
          Pinning pinning = new Pinning(ride, curve);
          return atStart ? pinning.atStart(before) : pinning.atEnd(after);
        });
  }

  /**
   * The rail is about to end at one of its anchors: what goes no farther stays as it is, what goes
   * on stays there. Pins behind it go.
   */
  Shot endingAt(int anchor) {
    RailCurve curve = rail.rail().curve();
    return changed(ride -> new Pinning(ride, curve).endingAt(anchor));
  }

  /** The same places at the same frames on a rail that runs the other way. */
  Shot reversed() {
    return changed(
        ride -> {
          if (!ride.pins().isEmpty()) {
            throw new RefusedException(
                rail.name() + ".direction",
                "held by pins",
                "a rail without pins; take them away to reverse it");
          }
          return ride.withPace(Pinning.mirrored(ride.pace()));
        });
  }
}

package idlelens.core.edit;

import idlelens.core.motion.Riding;
import idlelens.core.part.Ride;
import idlelens.core.rail.Rail;
import idlelens.core.rail.RailCurve;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.List;
import java.util.Optional;

/**
 * Ties a place on a rail to a frame. Without an anchor it is the place where the node is at that
 * frame: nothing moves. With one, the node is there at that frame from now on.
 *
 * @param anchorId an anchor of the rail; the place at the frame gets one where there is none
 * @param newId id of the anchor that is made, if one is
 */
public record PinRide(
    String id, String railId, double frame, Optional<String> anchorId, String newId)
    implements Edit {
  private static final double ON_ANCHOR_M = 1e-6;

  public PinRide {
    Require.present(id, "id");
    Require.present(railId, "rail");
    Require.finite(frame, "frame");
    Require.present(anchorId, "anchor");
    Require.present(newId, "newId");
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    Node.Rail rail = ShapeRail.rail(shot, railId);
    Ride ride = ride(node, rail);
    RailCurve curve = rail.rail().curve();
    Rail ready = rail.rail();
    int anchor;
    if (anchorId.isPresent()) {
      anchor = ready.index(anchorId.get());
    } else {
      Riding riding = new Riding(ride, curve, shot.header().rate());
      double distance = curve.within(riding.distanceAt(frame));
      anchor = anchorAt(curve, distance);
      if (anchor < 0) {
        ready = ready.withAnchorAt(distance, newId);
        anchor = ready.index(newId);
      }
    }
    refuseTwice(node, ride, ready.anchors().get(anchor).id());
    Ride pinned;
    try {
      pinned = new Pinning(ride, ready.curve()).at(anchor, frame);
    } catch (RefusedException e) {
      throw e.inside(node.name() + "." + ride.id());
    }
    Shot shaped = ready == rail.rail() ? shot : shot.withNode(rail.withRail(ready));
    return shaped.withNode(node.withChain(node.chain().with(pinned)));
  }

  private static Ride ride(Node node, Node.Rail rail) {
    return node.chain()
        .ride(rail.id())
        .orElseThrow(
            () ->
                new RefusedException(
                    "rail", "'" + rail.name() + "'", "a rail that " + node.name() + " rides"));
  }

  private static int anchorAt(RailCurve curve, double distance) {
    for (int i = 0; i < curve.rail().anchors().size(); i++) {
      if (Math.abs(curve.distanceOf(i) - distance) < ON_ANCHOR_M) {
        return i;
      }
    }
    return -1;
  }

  private static void refuseTwice(Node node, Ride ride, String anchor) {
    ride.pins().stream()
        .filter(p -> p.anchorId().equals(anchor))
        .findFirst()
        .ifPresent(
            p -> {
              throw new RefusedException(
                  node.name() + "." + ride.id() + ".pin",
                  "at a place that is pinned to frame " + p.frame(),
                  "another place, or to move that pin");
            });
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places = Footprint.of(shot).changes(Place.rail(railId));
    places.reliesOn(Place.there(railId));
    shot.node(id)
        .chain()
        .ride(railId)
        .ifPresent(
            ride -> {
              places.changes(Place.part(id, ride.id()));
              places.changes(id, List.of(RailRiders.pace(ride)));
            });
    return places.done();
  }

  @Override
  public String summary() {
    return "Set a timing pin";
  }
}

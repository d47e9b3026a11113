package idlelens.core.edit;

import idlelens.core.part.Part;
import idlelens.core.part.Ride;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.List;

/**
 * Takes away a frame that a part holds, such as a hand-over.
 *
 * @param part id of the part
 * @param stamp id of what goes
 */
public record RemoveStamp(String id, String part, String stamp) implements Edit {
  public RemoveStamp {
    Require.present(id, "id");
    Require.present(part, "part");
    Require.present(stamp, "stamp");
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    Part old = node.chain().part(part);
    StampOf.find(node, old, stamp);
    Part next =
        old instanceof Ride ride
            ? new Pinning(ride, ShapeRail.rail(shot, ride.railId()).rail().curve()).without(stamp)
            : old.withoutStamp(stamp);
    return shot.withNode(node.withChain(node.chain().with(next)));
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places = Footprint.of(shot);
    if (shot.node(id).chain().find(part).orElse(null) instanceof Ride ride) {
      places.changes(id, List.of(RailRiders.pace(ride))).reliesOn(Place.rail(ride.railId()));
    }
    return places
        .changes(Place.stamps(id, part), Place.leans(id))
        .reliesOn(Place.there(id), Place.takesKeys(id))
        .done();
  }

  @Override
  public String summary() {
    return "Take away a frame of " + PartWords.of(part);
  }
}

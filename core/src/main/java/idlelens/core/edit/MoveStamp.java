package idlelens.core.edit;

import idlelens.core.part.HandOver;
import idlelens.core.part.Hit;
import idlelens.core.part.Part;
import idlelens.core.part.Pin;
import idlelens.core.part.Pull;
import idlelens.core.part.Ride;
import idlelens.core.part.Stamp;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.List;

/**
 * Moves a frame that a part holds, such as a hand-over, to another one.
 *
 * @param part id of the part
 * @param stamp id of what is moved
 * @param frame where to
 */
public record MoveStamp(String id, String part, String stamp, double frame) implements Edit {
  public MoveStamp {
    Require.present(id, "id");
    Require.present(part, "part");
    Require.present(stamp, "stamp");
    Require.finite(frame, "frame");
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    Part old = node.chain().part(part);
    Part next = old.withStamp(moved(node, StampOf.find(node, old, stamp)));
    return shot.withNode(node.withChain(node.chain().with(next)));
  }

  private Stamp moved(Node node, Stamp old) {
    if (old instanceof HandOver handOver) {
      return handOver.at(frame);
    }
    if (old instanceof Pin pin) {
      return pin.at(frame);
    }
    if (old instanceof Hit hit) {
      return new Hit(hit.id(), frame);
    }
    if (old instanceof Pull pull) {
      return pull.at(frame);
    }
    throw new RefusedException(
        node.name() + "." + part + ".stamp",
        "'" + stamp + "', which has two ends",
        "a stamp of one frame; use set-stamp for a window");
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places = Footprint.of(shot);
    if (shot.node(id).chain().find(part).orElse(null) instanceof Ride ride) {
      places.changes(id, List.of(RailRiders.pace(ride)));
    }
    return places
        .changes(Place.stamps(id, part))
        .reliesOn(Place.there(id), Place.takesKeys(id))
        .done();
  }

  @Override
  public String summary() {
    return "Move a frame of " + PartWords.of(part);
  }
}

package idlelens.core.edit;

import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Carriage;
import idlelens.core.part.Carried;
import idlelens.core.part.Path;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.Map;
import java.util.Optional;

/**
 * Gives a node to a carrier, or to the world. With its place kept, the node stays where it is at
 * the given frame and rides along from there: {@code W(t) = Q(t) [Q(f)^-1 P(f)] L(t)}. A node
 * without keys gets new numbers of its own; the keys of a keyed one stay as they are, and the
 * constant in brackets becomes the offset of its carriage. With its motion kept, it goes on as it
 * went: where the carriers move to one another, its motion is written into its own keys, and the
 * new carrier has it for all frames. Else a node with hand-overs changes its carrier between the
 * two on both sides of the frame.
 *
 * @param id the node
 * @param carrierId a null, a piece, a rail or a repeat, or "" for the world
 * @param frame the frame f at which the place is kept
 * @param keep what stays of it
 */
public record Carry(String id, String carrierId, double frame, Keep keep) implements Edit {
  public Carry {
    Require.present(id, "id");
    Require.present(carrierId, "carrier");
    Require.finite(frame, "frame");
    Require.present(keep, "keep");
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    CarrierLoop.refuse(shot, node, carrierId);
    Carried carried = node.chain().carried();
    if (!carried.later().isEmpty() && !keep.isMotion()) {
      return inStretch(shot, node, carried);
    }
    Shot plain = shot.withNode(node.withCarriage(Carriage.by(carrierId)));
    return keep == Keep.NUMBERS
        ? plain
        : new Recarrying(shot, Map.of(id, carrierId), frame, keep).apply();
  }

  /** With another carrier between the hand-overs on both sides of the frame. */
  private Shot inStretch(Shot shot, Node node, Carried carried) {
    int stretch = carried.stretchAt(frame);
    Evaluation now = Evaluation.at(shot, frame);
    RigidPose carrier =
        carrierId.isEmpty() ? RigidPose.IDENTITY : now.carrierPose(id, carrierId, 0);
    RigidPose offset =
        keep == Keep.NUMBERS ? RigidPose.IDENTITY : carrier.inverse().times(now.ownSpace(id, 0));
    Carried next =
        stretch == 0
            ? carried.withFirst(new Carriage(carrierId, offset))
            : carried.with(carried.later().get(stretch - 1).to(carrierId, Optional.of(offset)));
    return shot.withNode(node.withChain(node.chain().with(next)));
  }

  @Override
  public boolean writesMotion() {
    return keep.isMotion();
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places =
        Footprint.of(shot)
            .changes(Place.leans(id), Place.settings(id, Carried.ID), Place.stamps(id, Carried.ID))
            .reliesOn(Place.there(id));
    Carried carried = shot.node(id).chain().carried();
    carried.carriers().forEach(carrier -> places.changes(Place.carries(carrier, id)));
    if (!carrierId.isEmpty()) {
      places.changes(Place.carries(carrierId, id));
    }
    if (!carrierId.isEmpty()) {
      places.leansOn(carrierId);
    }
    if (keep != Keep.NUMBERS) {
      places.changes(id, Path.POSE).reliesOnMotion(id);
      if (keep.isMotion()) {
        places.writesMotion();
      }
      shot.find(carrierId).ifPresent(c -> places.reliesOnMotion(carrierId));
    }
    return places.done();
  }

  @Override
  public String summary() {
    return carrierId.isEmpty() ? "Let go of a carrier" : "Carry a node";
  }
}

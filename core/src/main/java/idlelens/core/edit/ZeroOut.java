package idlelens.core.edit;

import idlelens.core.geometry.RigidPose;
import idlelens.core.part.Carriage;
import idlelens.core.part.Carried;
import idlelens.core.part.Keys;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;

/**
 * Works the still pose of a node into the null that carries it: the node's own numbers become 0,
 * the null takes its place, and nothing moves at any frame.
 *
 * @param keep how the null's motion is written where it turns; see {@link Rebase}
 */
public record ZeroOut(String id, Keep keep) implements Edit {
  public ZeroOut {
    Require.present(id, "id");
    Require.present(keep, "keep");
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    Carried carried = node.chain().carried();
    refuse(node, carried);
    RigidPose own = OwnNumbers.pose(node.chain(), shot.header().range().in());
    RigidPose inner = carried.by().offset().times(own);
    String carrier = carried.by().carrierId();
    Shot after = new Rebasing(shot, carrier, inner, keep).apply();
    Node zero = after.node(id).withCarriage(Carriage.by(carrier));
    return after.withNode(zero.withChain(zero.chain().restingAt(0, 0, 0, 0, 0, 0)));
  }

  private static void refuse(Node node, Carried carried) {
    WithoutMoves.refuse(node, "keys");
    for (Path path : Path.POSE) {
      if (node.chain().curve(path).isKeyed()) {
        throw new RefusedException(
            node.name() + "." + path, "keyed", "a still channel; its carrier can take no keys");
      }
    }
    if (!carried.by().isCarried() || !carried.later().isEmpty()) {
      throw new RefusedException(
          node.name() + ".carrier",
          carried.later().isEmpty() ? "the world" : "another one after a hand-over",
          "one null for all frames");
    }
    if (!node.chain().part(Keys.ID).isOn() || !carried.isOn()) {
      throw new RefusedException(
          node.name() + ".keys", "switched off", "Keys and Carried by switched on");
    }
  }

  @Override
  public boolean writesMotion() {
    return keep.isMotion();
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places = Footprint.of(shot).changesChain(id).reliesOnMotion(id);
    String carrier = shot.node(id).carriage().carrierId();
    if (carrier.isEmpty()) {
      return places.done();
    }
    return places.done().and(Rebase.rebased(shot, carrier).done());
  }

  @Override
  public String summary() {
    return "Zero out";
  }
}

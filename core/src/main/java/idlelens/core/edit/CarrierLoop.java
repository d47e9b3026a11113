package idlelens.core.edit;

import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;

/** Refuses a carrier that the node carries itself, with the way on which it does. */
final class CarrierLoop {
  private CarrierLoop() {}

  static void refuse(Shot shot, Node node, String carrierId) {
    String id = node.id();
    if (shot.family(id).stream().noneMatch(n -> n.id().equals(carrierId))) {
      return;
    }
    StringBuilder loop = new StringBuilder(node.name());
    shot.carriersOf(carrierId).stream()
        .dropWhile(n -> !n.id().equals(id))
        .skip(1)
        .forEach(n -> loop.append(" > ").append(n.name()));
    loop.append(" > ").append(shot.node(carrierId).name());
    if (!carrierId.equals(id)) {
      loop.append(" > ").append(node.name());
    }
    throw new RefusedException(
        node.name() + ".carrier",
        "a loop (" + loop + ")",
        "a null or a piece that this node does not carry itself");
  }
}

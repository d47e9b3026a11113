package idlelens.core.edit;

import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Refuses a carrier that the node carries itself, with a way on which it does. */
final class CarrierLoop {
  private CarrierLoop() {}

  static void refuse(Shot shot, Node node, String carrierId) {
    if (shot.family(node.id()).stream().noneMatch(n -> n.id().equals(carrierId))) {
      return;
    }
    List<String> names = new ArrayList<>();
    way(shot, node.id(), carrierId).forEach(id -> names.add(shot.node(id).name()));
    names.add(0, node.name());
    String loop = String.join(" > ", names);
    throw new RefusedException(
        node.name() + ".carrier",
        "a loop (" + loop + ")",
        "a null or a piece that this node does not carry itself");
  }

  /** From what a node carries down to the carrier that is asked for, and back to the node. */
  private static List<String> way(Shot shot, String id, String carrierId) {
    Map<String, String> above = new HashMap<>();
    Deque<String> open = new ArrayDeque<>(List.of(id));
    while (!above.containsKey(carrierId) && !open.isEmpty()) {
      String carrier = open.remove();
      for (Node child : shot.carriedBy(carrier)) {
        if (!child.id().equals(id) && above.putIfAbsent(child.id(), carrier) == null) {
          open.add(child.id());
        }
      }
    }
    List<String> way = new ArrayList<>(List.of(id));
    for (String at = carrierId; !at.equals(id); at = above.get(at)) {
      way.add(0, at);
    }
    return way;
  }
}

package idlelens.core.edit;

import idlelens.core.part.Chain;
import idlelens.core.part.Move;
import idlelens.core.part.Part;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.TakesKeys;
import java.util.ArrayList;
import java.util.List;

/** Nodes whose moves have been worked into their keys, or stand in the way. */
final class WithoutMoves {
  private WithoutMoves() {}

  static boolean has(Node node) {
    return node.chain().parts().stream().anyMatch(Move.class::isInstance);
  }

  /** The node with another chain, and without the moves of that. */
  static Node of(Node node, Chain chain) {
    TakesKeys takesKeys = node.takesKeys();
    List<Part> kept = new ArrayList<>();
    for (Part part : chain.parts()) {
      if (part instanceof Move move && move.way() != Move.Way.ZOOM) {
        takesKeys = takesKeys.withoutPart(part.id());
      } else {
        kept.add(part);
      }
    }
    if (kept.size() == chain.parts().size()) {
      return node.withChain(chain);
    }
    return node.withBody(
        new NodeBody(node.id(), node.name(), node.hidden(), new Chain(kept), takesKeys));
  }

  /** Refuses what moves add to, where the keys alone are meant. */
  static void refuse(Node node, String field) {
    if (has(node)) {
      throw new RefusedException(
          node.name() + "." + field, "moved by blocks", "a node whose moves are keys");
    }
  }
}

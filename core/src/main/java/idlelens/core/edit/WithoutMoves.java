package idlelens.core.edit;

import idlelens.core.part.Chain;
import idlelens.core.part.Move;
import idlelens.core.part.Part;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;

/** Nodes whose moves have been worked into their keys, or stand in the way. */
final class WithoutMoves {
  private WithoutMoves() {}

  /** Whether moves add to the pose of a node. */
  static boolean has(Node node) {
    return node.chain().parts().stream().anyMatch(WithoutMoves::addsToPose);
  }

  private static boolean addsToPose(Part part) {
    return part instanceof Move move && move.isOn() && move.way() != Move.Way.ZOOM;
  }

  /** For what depends on no move adding to the pose of a node, as now none does. */
  static Footprint.Builder relyOnNone(Footprint.Builder places, Node node) {
    places.reliesOn(Place.parts(node.id()));
    for (Part part : node.chain().parts()) {
      if (part instanceof Move) {
        places.reliesOn(Place.on(node.id(), part.id()), Place.settings(node.id(), part.id()));
      }
    }
    return places;
  }

  /** The node with another chain, and without the moves that are in the keys of that now. */
  static Node of(Node node, Chain chain) {
    return node.withChain(chain).withoutParts(WithoutMoves::addsToPose);
  }

  /** Refuses what moves add to, where the keys alone are meant. */
  static void refuse(Node node, String field) {
    if (has(node)) {
      throw new RefusedException(
          node.name() + "." + field, "moved by blocks", "a node whose moves are keys");
    }
  }
}

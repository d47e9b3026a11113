package idlelens.core.edit;

import idlelens.core.part.Chain;
import idlelens.core.part.Part;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.HashSet;
import java.util.List;

/**
 * Puts the parts of a node's chain into another order; each stays in its slot.
 *
 * @param parts ids of all parts of the chain, in their new order
 */
public record OrderParts(String id, List<String> parts) implements Edit {
  public OrderParts {
    Require.present(id, "id");
    parts = List.copyOf(parts);
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    List<String> now = node.chain().parts().stream().map(Part::id).toList();
    if (parts.size() != now.size() || !new HashSet<>(now).equals(new HashSet<>(parts))) {
      throw new RefusedException(
          "parts", parts, "each of " + String.join(", ", now) + " once, in any order");
    }
    return shot.withNode(
        node.withChain(new Chain(parts.stream().map(node.chain()::part).toList())));
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).changes(Place.parts(id)).reliesOn(Place.there(id)).done();
  }

  @Override
  public String summary() {
    return "Order the chain";
  }
}

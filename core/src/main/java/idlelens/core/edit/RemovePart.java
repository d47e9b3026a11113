package idlelens.core.edit;

import idlelens.core.part.Part;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;

/**
 * Takes a part out of a node's chain.
 *
 * @param part id of the part
 */
public record RemovePart(String id, String part) implements Edit {
  public RemovePart {
    Require.present(id, "id");
    Require.present(part, "part");
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    Part gone = node.chain().part(part);
    if (gone.kind().isAlways()) {
      throw new RefusedException("part", "'" + part + "', which every chain has", "another part");
    }
    return shot.withNode(node.withoutParts(p -> p.id().equals(part)));
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot)
        .changes(Place.part(id, part), Place.parts(id), Place.leans(id), Place.takesKeys(id))
        .reliesOn(Place.there(id))
        .done();
  }

  @Override
  public String summary() {
    return "Remove " + PartWords.of(part) + " from the chain";
  }
}

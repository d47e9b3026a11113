package idlelens.core.edit;

import idlelens.core.part.Chain;
import idlelens.core.part.Part;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.List;

/** Puts a part into a node's chain, behind the others of its slot. */
public record AddPart(String id, Part part) implements Edit {
  public AddPart {
    Require.present(id, "id");
    Require.present(part, "part");
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    if (part.kind().isAlways()) {
      throw new RefusedException("part", "'" + part.kind().word() + "'", "a part of several");
    }
    List<Part> parts = new ArrayList<>(node.chain().parts());
    int at = 0;
    while (at < parts.size()
        && parts.get(at).kind().slot().ordinal() <= part.kind().slot().ordinal()) {
      at++;
    }
    parts.add(at, part);
    return shot.withNode(node.withChain(new Chain(parts)));
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places =
        Footprint.of(shot)
            .changes(Place.part(id, part.id()), Place.parts(id), Place.leans(id))
            .reliesOn(Place.there(id));
    part.leans().forEach(lean -> places.leansOn(lean.nodeId()));
    return places.done();
  }

  @Override
  public String summary() {
    return "Add " + part.kind().label() + " to the chain";
  }
}

package idlelens.core.edit;

import idlelens.core.part.Lean;
import idlelens.core.part.Part;
import idlelens.core.part.Shake;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.HashSet;
import java.util.Set;

/**
 * Changes what a part is set to: all that is neither a curve nor a frame that it holds, nor whether
 * it is on.
 *
 * @param part the part as it is to be; its curves, its window and its switch say nothing
 */
public record SetPart(String id, Part part) implements Edit {
  public SetPart {
    Require.present(id, "id");
    Require.present(part, "part");
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    Part old = node.chain().part(part.id());
    if (!old.kind().equals(part.kind())) {
      throw new RefusedException(
          "part", "'" + part.kind().word() + "'", "'" + old.kind().word() + "', as it is");
    }
    return shot.withNode(node.withChain(node.chain().with(part.withBody(old.body()))));
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places =
        Footprint.of(shot)
            .changes(Place.settings(id, part.id()))
            .reliesOn(Place.there(id), Place.takesKeys(id));
    if (part instanceof Shake) { // its hits are among its settings
      places.changes(Place.stamps(id, part.id()));
    }
    Set<Lean> leans = new HashSet<>(part.leans());
    Set<Lean> old = new HashSet<>();
    shot.node(id).chain().find(part.id()).ifPresent(p -> old.addAll(p.leans()));
    if (!leans.equals(old)) {
      places.changes(Place.leans(id));
    }
    leans.forEach(lean -> places.leansOn(lean.nodeId()));
    return places.done();
  }

  @Override
  public String summary() {
    return "Change " + part.kind().label();
  }
}

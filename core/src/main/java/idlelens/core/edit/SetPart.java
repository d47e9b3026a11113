package idlelens.core.edit;

import idlelens.core.part.Chain;
import idlelens.core.part.Lean;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.part.Shake;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/**
 * Changes what a part is set to: all that is neither a frame that it holds nor whether it is on,
 * and those of its curves that are named.
 *
 * @param part the part as it is to be; its window, its switch and its other curves say nothing
 * @param with ids of the parameters whose curves it gets as well
 */
public record SetPart(String id, Part part, Set<String> with) implements Edit {
  public SetPart {
    Require.present(id, "id");
    Require.present(part, "part");
    with = Collections.unmodifiableSet(new TreeSet<>(with));
  }

  /** Changes its settings alone. */
  public SetPart(String id, Part part) {
    this(id, part, Set.of());
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    Part old = node.chain().part(part.id());
    if (!old.kind().equals(part.kind())) {
      throw new RefusedException(
          "part", "'" + part.kind().word() + "'", "'" + old.kind().word() + "', as it is");
    }
    Part set = part.withBody(old.body());
    Chain chain = node.chain().with(set);
    for (Path path : paths()) {
      chain = chain.with(path, part.curves().get(chain.parameter(path)));
    }
    return shot.withNode(node.withChain(chain));
  }

  private List<Path> paths() {
    return with.stream().map(parameter -> new Path(part.id(), parameter)).toList();
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places =
        Footprint.of(shot)
            .changes(Place.settings(id, part.id()))
            .changes(id, paths())
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

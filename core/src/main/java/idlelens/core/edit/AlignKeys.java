package idlelens.core.edit;

import idlelens.core.part.Keys;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;

/**
 * Gives the whole rig of a node a whole-pose key at every frame at which one of them has a key. The
 * motion stays as it is. Chain that their filter leaves out are passed over.
 *
 * @param id a node of the rig, see {@link Shot#rigOf}
 */
public record AlignKeys(String id) implements Edit {
  public AlignKeys {
    Require.present(id, "id");
  }

  @Override
  public Shot apply(Shot shot) {
    List<Node> rig = shot.rigOf(id);
    TreeSet<Double> frames = new TreeSet<>();
    rig.forEach(n -> frames.addAll(n.chain().keyFrames(Path.POSE)));
    if (frames.isEmpty()) {
      throw new RefusedException("rig", "without keys", "a rig with at least one key");
    }
    List<KeyPick> picks = new ArrayList<>();
    for (Node node : rig) {
      List<Path> paths = Path.POSE.stream().filter(c -> node.takesKeys().passes(c)).toList();
      if (!paths.isEmpty()) {
        picks.add(new KeyPick(node.id(), paths, List.copyOf(frames)));
      }
    }
    return new InsertKeys(new Picks(picks)).apply(shot);
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places = Footprint.of(shot);
    for (Node node : shot.rigOf(id)) {
      places
          .keys(node.id(), Path.POSE)
          .reliesOn(
              Place.leans(node.id()), Place.part(node.id(), Keys.ID), Place.carried(node.id()));
    }
    return places.done();
  }

  @Override
  public String summary() {
    return "Align keys of the rig";
  }
}

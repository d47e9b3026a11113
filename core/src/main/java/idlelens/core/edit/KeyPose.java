package idlelens.core.edit;

import idlelens.core.part.Chain;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Keys channels at a frame with the values they have there; those that the node's filter leaves out
 * are passed over.
 *
 * @param paths the paths; the six of the pose make a whole-pose key
 */
public record KeyPose(String id, double frame, List<Path> paths) implements Edit {
  public KeyPose {
    Require.finite(frame, "frame");
    paths = List.copyOf(paths);
    if (paths.isEmpty()) {
      throw new RefusedException("channels", "empty", "at least one channel");
    }
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    Chain now = node.chain();
    Map<Path, Double> values = new LinkedHashMap<>();
    paths.stream()
        .filter(node.takesKeys()::passes)
        .forEach(c -> values.put(c, now.curve(c).at(frame)));
    if (values.isEmpty()) {
      throw new RefusedException(
          node.name() + ".channels", "all left out or locked", "a channel that takes keys");
    }
    return Keyed.write(shot, id, frame, values, Keying.TOUCHED);
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).keys(id, paths).done();
  }

  @Override
  public String summary() {
    return paths.containsAll(Path.POSE) ? "Key the pose" : "Key " + paths.size() + " channels";
  }
}

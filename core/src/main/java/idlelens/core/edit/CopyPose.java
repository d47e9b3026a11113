package idlelens.core.edit;

import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Path;
import idlelens.core.rule.Require;
import idlelens.core.scene.Shot;
import java.util.Map;

/**
 * Brings a node to where another one is in the world, at one frame, whatever carries it; what is
 * done to it in the world comes on top.
 *
 * @param from the node whose pose is taken
 */
public record CopyPose(String id, String from, double frame, Keying keying) implements Edit {
  public CopyPose {
    Require.present(id, "id");
    Require.present(from, "from");
    Require.finite(frame, "frame");
    Require.present(keying, "keying");
  }

  @Override
  public Shot apply(Shot shot) {
    shot.node(id);
    shot.node(from);
    Evaluation now = Evaluation.at(shot, frame);
    RigidPose pose = now.pose(from, 0);
    Map<Path, Double> changed = OwnNumbers.of(now, id, frame, pose, true);
    return changed.isEmpty() ? shot : Keyed.write(shot, id, frame, changed, keying);
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Keyed.footprint(shot, id, Path.POSE, keying)
        .keys(id, Path.POSE)
        .reliesOnMotion(id)
        .reliesOnMotion(from)
        .done();
  }

  @Override
  public String summary() {
    return "Copy a pose";
  }
}

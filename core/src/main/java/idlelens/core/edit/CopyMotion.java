package idlelens.core.edit;

import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.HashSet;
import java.util.Set;

/**
 * Writes the motion that another node has in the world into a node's own keys, over the shot and
 * its handles, whatever carries it; what is done to it in the world comes on top.
 *
 * @param from the node whose motion is taken, as it is now
 * @param keep {@link Keep#EVERY_FRAME} or {@link Keep#FITTED}
 */
public record CopyMotion(String id, String from, Keep keep) implements Edit {
  public CopyMotion {
    Require.present(id, "id");
    Require.present(from, "from");
    if (!keep.isMotion()) {
      throw new RefusedException("keep", keep, "every-frame or fitted");
    }
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    Set<String> needed = new HashSet<>(shot.reachedFrom(id));
    needed.addAll(shot.reachedFrom(from));
    MotionFrames frames = MotionFrames.of(shot);
    MotionFrames.Sampled now = frames.sampled(shot, needed);
    return shot.withNode(
        WithoutMoves.of(
            node,
            new WrittenMotion(frames, keep)
                .into(node.chain(), i -> now.ownSpace(id, i).inverse().times(now.pose(from, i)))));
  }

  @Override
  public boolean writesMotion() {
    return true;
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot)
        .keys(id, Path.POSE)
        .writesMotion()
        .reliesOnMotion(id)
        .reliesOnMotion(from)
        .done();
  }

  @Override
  public String summary() {
    return "Copy a motion";
  }
}

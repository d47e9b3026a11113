package idlelens.core.edit;

import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.Set;

/**
 * Works the moves of a node into its own keys, over the shot and its handles; zooms stay.
 *
 * @param keep {@link Keep#EVERY_FRAME} or {@link Keep#FITTED}
 */
public record MovesToKeys(String id, Keep keep) implements Edit {
  public MovesToKeys {
    Require.present(id, "id");
    if (!keep.isMotion()) {
      throw new RefusedException("keep", keep, "every-frame or fitted");
    }
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    if (!WithoutMoves.has(node)) {
      throw new RefusedException(node.name() + ".moves", "none", "a node with moves");
    }
    MotionFrames frames = MotionFrames.of(shot);
    Set<String> needed = shot.reachedFrom(id);
    MotionFrames.Sampled now = frames.sampled(shot, needed);
    return shot.withNode(
        WithoutMoves.of(
            node,
            new WrittenMotion(frames, keep)
                .into(
                    node.chain(),
                    i -> now.ownSpace(id, i).inverse().times(now.carriedPose(id, i)))));
  }

  @Override
  public boolean writesMotion() {
    return true;
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot)
        .changesChain(id)
        .changes(id, Path.POSE)
        .writesMotion()
        .reliesOnMotion(id)
        .done();
  }

  @Override
  public String summary() {
    return "Moves to keys";
  }
}

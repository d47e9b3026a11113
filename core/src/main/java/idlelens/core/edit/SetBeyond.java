package idlelens.core.edit;

import idlelens.core.curve.Beyond;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.List;
import java.util.Optional;

/** Sets what curves do before their first key, after their last, or both. */
public record SetBeyond(
    String id, List<Path> paths, Optional<Beyond> before, Optional<Beyond> after) implements Edit {
  public SetBeyond {
    paths = List.copyOf(paths);
    if (before.isEmpty() && after.isEmpty()) {
      throw new RefusedException("before", "missing", "before, after, or both");
    }
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    return shot.withNode(
        node.withChain(
            node.chain()
                .map(
                    paths, c -> c.withBeyond(before.orElse(c.before()), after.orElse(c.after())))));
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).changes(id, paths).done();
  }

  @Override
  public String summary() {
    return "Set what curves do outside their keys";
  }
}

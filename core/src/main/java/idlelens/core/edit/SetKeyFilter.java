package idlelens.core.edit;

import idlelens.core.rule.Require;
import idlelens.core.scene.KeyFilter;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.Set;

/** Says which channels of a node take keys, and which are locked. */
public record SetKeyFilter(String id, KeyFilter filter) implements Edit {
  public SetKeyFilter {
    Require.present(filter, "filter");
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    return shot.withNode(node.withBody(node.body().withFilter(filter)));
  }

  @Override
  public Set<String> touches() {
    return Set.of(id + "/*"); // what every keying edit of the node goes by
  }

  @Override
  public String summary() {
    return "Set which channels take keys";
  }
}

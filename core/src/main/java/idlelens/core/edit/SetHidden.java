package idlelens.core.edit;

import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.Set;

/** Hides a node from picture and plan, or shows it. */
public record SetHidden(String id, boolean hidden) implements Edit {
  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    return shot.withNode(node.withBody(node.body().withHidden(hidden)));
  }

  @Override
  public Set<String> touches() {
    return Set.of(id + "/hidden");
  }

  @Override
  public String summary() {
    return hidden ? "Hide a node" : "Show a node";
  }
}

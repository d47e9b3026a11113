package idlelens.core.edit;

import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.Set;

/** Gives a node another name. */
public record Rename(String id, String name) implements Edit {
  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    return shot.withNode(node.withBody(node.body().withName(name)));
  }

  @Override
  public Set<String> touches() {
    return Set.of(id + "/name");
  }

  @Override
  public String summary() {
    return "Rename to " + name;
  }
}

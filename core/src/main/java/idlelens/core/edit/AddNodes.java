package idlelens.core.edit;

import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Puts new nodes at the end of the list of what is on set. */
public record AddNodes(List<Node> nodes) implements Edit {
  public AddNodes {
    nodes = List.copyOf(nodes);
    Require.within(nodes.size(), 1, Shot.MOST_NODES, "nodes.count");
  }

  @Override
  public Shot apply(Shot shot) {
    List<Node> all = new ArrayList<>(shot.nodes());
    all.addAll(nodes);
    return shot.withNodes(all);
  }

  @Override
  public Set<String> touches() {
    Set<String> touched = new HashSet<>();
    for (Node node : nodes) {
      touched.add(node.id() + "/*");
      if (node.carriage().isCarried()) {
        touched.add(node.carriage().carrierId() + "/carries");
      }
    }
    return touched;
  }

  @Override
  public String summary() {
    return nodes.size() == 1 ? "Add " + nodes.get(0).name() : "Add " + nodes.size() + " nodes";
  }
}

package idlelens.core.edit;

import idlelens.core.lens.FocusRule;
import idlelens.core.scene.Carriage;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Copies a node with all that it carries, and puts the copy after the original.
 *
 * @param id the original
 * @param newId id of the copy; what it carries gets this id with a number behind
 * @param newName name of the copy
 */
public record Duplicate(String id, String newId, String newName) implements Edit {
  @Override
  public Shot apply(Shot shot) {
    List<Node> family = shot.family(id);
    Map<String, String> ids = new HashMap<>();
    family.forEach(n -> ids.put(n.id(), ids.isEmpty() ? newId : newId + "-" + ids.size()));
    List<Node> nodes = new ArrayList<>(shot.nodes());
    int after = nodes.stream().map(Node::id).toList().indexOf(id) + 1;
    nodes.addAll(after, family.stream().map(n -> copy(n, ids)).toList());
    return shot.withNodes(nodes);
  }

  private Node copy(Node node, Map<String, String> ids) {
    Carriage carriage = node.carriage();
    String carrier = ids.getOrDefault(carriage.carrierId(), carriage.carrierId());
    Node copy =
        node.withBody(
            new NodeBody(
                ids.get(node.id()),
                node.id().equals(id) ? newName : node.name(),
                node.hidden(),
                new Carriage(carrier, carriage.offset()),
                node.channels(),
                node.filter(),
                node.body().off()));
    if (copy instanceof Node.Camera camera
        && camera.lens().focus() instanceof FocusRule.Follow follow
        && ids.containsKey(follow.nodeId())) {
      FocusRule inside = new FocusRule.Follow(ids.get(follow.nodeId()), follow.offsetM());
      return camera.withLens(camera.lens().withFocus(inside));
    }
    return copy;
  }

  @Override
  public Set<String> touches() {
    return Set.of(id + "/*", newId + "/*");
  }

  @Override
  public String summary() {
    return "Duplicate as " + newName;
  }
}

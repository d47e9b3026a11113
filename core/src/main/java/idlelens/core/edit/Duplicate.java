package idlelens.core.edit;

import idlelens.core.part.Part;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

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
    Map<String, String> ids = ids(family);
    List<Node> nodes = new ArrayList<>(shot.nodes());
    int after = nodes.stream().map(Node::id).toList().indexOf(id) + 1;
    nodes.addAll(after, family.stream().map(n -> copy(n, ids)).toList());
    return shot.withNodes(nodes);
  }

  private Map<String, String> ids(List<Node> family) {
    Map<String, String> ids = new HashMap<>();
    family.forEach(n -> ids.put(n.id(), ids.isEmpty() ? newId : newId + "-" + ids.size()));
    return ids;
  }

  /** A copy whose parts read the copies of what is copied along. */
  private Node copy(Node node, Map<String, String> ids) {
    return node.withBody(
        new NodeBody(
            ids.get(node.id()),
            node.id().equals(id) ? newName : node.name(),
            node.hidden(),
            node.chain().mapped(p -> p.withNodes(other -> ids.getOrDefault(other, other))),
            node.takesKeys()));
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places = Footprint.of(shot);
    List<Node> family = shot.family(id);
    Map<String, String> ids = ids(family);
    for (Node node : family) {
      String copy = ids.get(node.id());
      places.reliesOn(Place.node(node.id())).changes(Place.node(copy), Place.inOrder(copy));
      places.handsOver(node.chain().carried().later());
      for (Part part : node.chain().parts()) {
        part.leans().forEach(lean -> places.leansOn(lean.nodeId()));
      }
    }
    for (String carrier : shot.node(id).chain().carried().carriers()) {
      places.changes(Place.carries(carrier, newId));
    }
    return places.done();
  }

  @Override
  public String summary() {
    return "Duplicate as " + newName;
  }
}

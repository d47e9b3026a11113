package idlelens.core.edit;

import idlelens.core.part.Part;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.List;

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
  public Footprint footprint(Shot shot) {
    Footprint.Builder places = Footprint.of(shot);
    for (Node node : nodes) {
      places.changes(Place.node(node.id()), Place.inOrder(node.id()));
      for (Part part : node.chain().parts()) {
        part.leans().forEach(lean -> places.leansOn(lean.nodeId()));
      }
      places.handsOver(node.chain().carried().later());
      for (String carrier : node.chain().carried().carriers()) {
        places.changes(Place.carries(carrier, node.id()));
      }
    }
    return places.done();
  }

  @Override
  public String summary() {
    return nodes.size() == 1 ? "Add " + nodes.get(0).name() : "Add " + nodes.size() + " nodes";
  }
}

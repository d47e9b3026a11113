package idlelens.core.edit;

import idlelens.core.rail.Anchor;
import idlelens.core.rail.Rail;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.List;

/**
 * Cuts a rail in two at an anchor; what is behind becomes a rail of its own, standing as the first
 * one does. What rides the first ends at the cut.
 */
public record SplitRail(String id, String anchorId, String newId, String newName) implements Edit {
  public SplitRail {
    Require.present(id, "id");
    Require.present(anchorId, "anchor");
    Require.present(newId, "newId");
    Require.present(newName, "newName");
  }

  @Override
  public Shot apply(Shot shot) {
    Node.Rail node = ShapeRail.rail(shot, id);
    Rail rail = node.rail();
    int at = rail.index(anchorId);
    if (rail.closed() || at == 0 || at == rail.anchors().size() - 1) {
      throw new RefusedException(
          node.name() + ".anchor",
          rail.closed() ? "on a closed rail" : "at an end",
          "an anchor between the ends of an open rail");
    }
    List<Anchor> drawn = rail.frozen().anchors();
    List<Anchor> first = new ArrayList<>(rail.anchors().subList(0, at + 1));
    first.set(at, drawn.get(at));
    List<Anchor> second = new ArrayList<>(rail.anchors().subList(at, rail.anchors().size()));
    second.set(0, drawn.get(at));
    Shot cut = RailRiders.of(shot, id).endingAt(at);
    List<Node> all = new ArrayList<>(cut.withNode(node.withRail(new Rail(first, false))).nodes());
    NodeBody body = new NodeBody(newId, newName, node.hidden(), node.chain(), node.takesKeys());
    int behind = all.stream().map(Node::id).toList().indexOf(id) + 1;
    all.add(behind, new Node.Rail(body, new Rail(second, false)));
    return cut.withNodes(all);
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places =
        Footprint.of(shot)
            .changes(Place.rail(id), Place.node(newId), Place.inOrder(newId))
            .reliesOn(Place.node(id));
    RailRiders.retimed(places, shot, id);
    for (String carrier : shot.node(id).chain().carried().carriers()) {
      places.changes(Place.carries(carrier, newId)).leansOn(carrier);
    }
    return places.done();
  }

  @Override
  public String summary() {
    return "Split a rail";
  }
}

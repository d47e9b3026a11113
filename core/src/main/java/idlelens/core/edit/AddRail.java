package idlelens.core.edit;

import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.List;

/**
 * Puts a new rail on set, standing in the world.
 *
 * @param x place of its origin, in metres
 * @param pan degrees about the vertical
 */
public record AddRail(
    String newId, String name, double x, double y, double z, double pan, RailSource source)
    implements Edit {
  public AddRail {
    Require.present(newId, "newId");
    Require.present(name, "name");
    Require.within(x, -1e5, 1e5, "x");
    Require.within(y, -1e5, 1e5, "y");
    Require.within(z, -1e5, 1e5, "z");
    Require.within(pan, -1e6, 1e6, "pan");
    Require.present(source, "source");
  }

  @Override
  public Shot apply(Shot shot) {
    Chain chain = Chain.pose().restingAt(x, y, z, pan, 0, 0);
    NodeBody body = new NodeBody(newId, name, false, Carriage.WORLD, chain);
    List<Node> all = new ArrayList<>(shot.nodes());
    all.add(new Node.Rail(body, source.rail()));
    return shot.withNodes(all);
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).changes(Place.node(newId), Place.inOrder(newId)).done();
  }

  @Override
  public String summary() {
    return "Add " + name;
  }
}

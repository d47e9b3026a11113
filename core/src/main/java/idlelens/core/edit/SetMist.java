package idlelens.core.edit;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.set.Drift;

/** Changes a mist. */
public record SetMist(String id, Drift drift) implements Edit {
  public SetMist {
    Require.present(id, "id");
    Require.present(drift, "mist");
  }

  @Override
  public Shot apply(Shot shot) {
    if (shot.node(id) instanceof Node.Mist node) {
      return shot.withNode(new Node.Mist(node.body(), drift));
    }
    throw new RefusedException("mist", "'" + shot.node(id).name() + "'", "a mist");
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).changes(Place.look(id)).reliesOn(Place.there(id)).done();
  }

  @Override
  public String summary() {
    return "Change a mist";
  }
}

package idlelens.core.edit;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.set.Lamp;

/** Changes a light. */
public record SetLight(String id, Lamp lamp) implements Edit {
  public SetLight {
    Require.present(id, "id");
    Require.present(lamp, "light");
  }

  @Override
  public Shot apply(Shot shot) {
    if (shot.node(id) instanceof Node.Light node) {
      return shot.withNode(new Node.Light(node.body(), lamp));
    }
    throw new RefusedException("light", "'" + shot.node(id).name() + "'", "a light");
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).changes(Place.look(id)).reliesOn(Place.there(id)).done();
  }

  @Override
  public String summary() {
    return "Change a light";
  }
}

package idlelens.core.edit;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.set.Haze;

/** Changes a haze. */
public record SetHaze(String id, Haze haze) implements Edit {
  public SetHaze {
    Require.present(id, "id");
    Require.present(haze, "haze");
  }

  @Override
  public Shot apply(Shot shot) {
    if (shot.node(id) instanceof Node.Hazy node) {
      return shot.withNode(new Node.Hazy(node.body(), haze));
    }
    throw new RefusedException("haze", "'" + shot.node(id).name() + "'", "a haze");
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).changes(Place.look(id)).reliesOn(Place.there(id)).done();
  }

  @Override
  public String summary() {
    return "Change a haze";
  }
}

package idlelens.core.edit;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.set.Repetition;

/** Changes how often, at which step and when something is repeated. */
public record SetRepeat(String id, Repetition repetition) implements Edit {
  public SetRepeat {
    Require.present(id, "id");
    Require.present(repetition, "repeat");
  }

  @Override
  public Shot apply(Shot shot) {
    if (shot.node(id) instanceof Node.Repeat repeat) {
      return shot.withNode(new Node.Repeat(repeat.body(), repetition));
    }
    throw new RefusedException("repeat", "'" + shot.node(id).name() + "'", "a repeat");
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).changes(Place.look(id)).reliesOn(Place.there(id)).done();
  }

  @Override
  public String summary() {
    return "Change a repeat";
  }
}

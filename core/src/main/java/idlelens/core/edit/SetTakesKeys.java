package idlelens.core.edit;

import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.scene.TakesKeys;

/** Says which channels of a node take keys, and which are locked. */
public record SetTakesKeys(String id, TakesKeys takesKeys) implements Edit {
  public SetTakesKeys {
    Require.present(takesKeys, "takesKeys");
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    return shot.withNode(node.withBody(node.body().withTakesKeys(takesKeys)));
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot)
        .changes(Place.takesKeys(id))
        .reliesOn(Place.there(id), Place.parts(id))
        .done();
  }

  @Override
  public String summary() {
    return "Set which channels take keys";
  }
}

package idlelens.core.edit;

import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;

/** Gives a node another name. */
public record Rename(String id, String name) implements Edit {
  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    return shot.withNode(node.withBody(node.body().withName(name)));
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).changes(Place.node(id).in("name")).reliesOn(Place.there(id)).done();
  }

  @Override
  public String summary() {
    return "Rename to " + name;
  }
}

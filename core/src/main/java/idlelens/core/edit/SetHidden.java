package idlelens.core.edit;

import idlelens.core.scene.Hidden;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;

/** Hides a node, or shows it: in views, in pictures, in files. */
public record SetHidden(String id, Hidden hidden) implements Edit {
  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    return shot.withNode(node.withBody(node.body().withHidden(hidden)));
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).changes(Place.node(id).in("hidden")).reliesOn(Place.there(id)).done();
  }

  @Override
  public String summary() {
    return hidden.equals(Hidden.NOWHERE) ? "Show a node" : "Hide a node";
  }
}

package idlelens.core.edit;

import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;

/** Changes the colour and strength of the sun. */
public record SetSun(String id, String colour, double strength) implements Edit {
  @Override
  public Shot apply(Shot shot) {
    if (shot.node(id) instanceof Node.Sun sun) {
      return shot.withNode(new Node.Sun(sun.body(), colour, strength));
    }
    throw new RefusedException("sun", "'" + shot.node(id).name() + "'", "a sun");
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).changes(Place.look(id)).reliesOn(Place.there(id)).done();
  }

  @Override
  public String summary() {
    return "Change the light";
  }
}

package idlelens.core.edit;

import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.set.Finish;
import idlelens.core.set.Shape;

/** Changes the shape, sizes or colour of a piece. */
public record SetPiece(String id, Shape shape, Finish finish) implements Edit {
  @Override
  public Shot apply(Shot shot) {
    if (shot.node(id) instanceof Node.Piece piece) {
      return shot.withNode(new Node.Piece(piece.body(), shape, finish));
    }
    throw new RefusedException("piece", "'" + shot.node(id).name() + "'", "a piece of the set");
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).changes(Place.look(id)).reliesOn(Place.there(id)).done();
  }

  @Override
  public String summary() {
    return "Change a piece";
  }
}

package idlelens.core.edit;

import idlelens.core.curve.KeyInsertion;
import idlelens.core.curve.Kindred;
import idlelens.core.curve.Tangent;
import idlelens.core.scene.Shot;

/** Puts keys on curves without changing the curves. */
public record InsertKeys(Picks picks) implements Edit {
  @Override
  public Shot apply(Shot shot) {
    Tangent.Kind usual = shot.header().newKeys();
    return picks.change(
        shot,
        (curve, pick) -> Kindred.of(curve, KeyInsertion.insertAll(curve, pick.frames(), usual)));
  }

  @Override
  public Footprint footprint(Shot shot) {
    return picks.footprint(shot).reliesOn(Place.header("newKeys")).done();
  }

  @Override
  public String summary() {
    return "Insert " + picks.words();
  }
}

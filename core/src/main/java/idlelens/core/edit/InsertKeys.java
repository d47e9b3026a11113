package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.KeyInsertion;
import idlelens.core.scene.Shot;

/** Puts keys on curves without changing the curves. */
public record InsertKeys(Picks picks) implements Edit {
  @Override
  public Shot apply(Shot shot) {
    return picks.change(
        shot,
        (curve, pick) -> {
          Curve next = curve;
          for (double frame : pick.frames()) {
            next = KeyInsertion.insert(next, frame, shot.header().newKeys());
          }
          return next;
        });
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

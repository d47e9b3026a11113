package idlelens.core.edit;

import idlelens.core.scene.Shot;

/** Exchanges the cameras before and behind a cut of the program. */
public record SwapCut(int frame) implements Edit {
  @Override
  public Shot apply(Shot shot) {
    return ProgramCheck.with(shot, shot.program().swapped(frame));
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).changes(Place.PROGRAM).done();
  }

  @Override
  public String summary() {
    return "Swap the cameras of a cut";
  }
}

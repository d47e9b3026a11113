package idlelens.core.edit;

import idlelens.core.scene.Shot;

/**
 * Slides a cut of the program.
 *
 * @param ripple whether all later ones go along
 */
public record MoveCut(int frame, int to, boolean ripple) implements Edit {
  @Override
  public Shot apply(Shot shot) {
    return ProgramCheck.with(shot, shot.program().moved(frame, to, ripple));
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).changes(Place.PROGRAM).done();
  }

  @Override
  public String summary() {
    return ripple ? "Slide a cut and all later ones" : "Slide a cut";
  }
}

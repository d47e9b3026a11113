package idlelens.core.edit;

import idlelens.core.scene.Shot;

/** Takes a cut out of the program: what is seen before it goes on. */
public record RemoveCut(int frame) implements Edit {
  @Override
  public Shot apply(Shot shot) {
    return shot.withProgram(shot.program().without(frame));
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).changes(Place.PROGRAM).done();
  }

  @Override
  public String summary() {
    return "Remove a cut";
  }
}

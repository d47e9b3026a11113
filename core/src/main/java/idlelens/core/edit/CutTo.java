package idlelens.core.edit;

import idlelens.core.cut.Cut;
import idlelens.core.scene.Shot;

/**
 * Puts a cut into the program, in place of one at the same frame.
 *
 * @param dissolve over how many frames from there on the camera fades in
 */
public record CutTo(int frame, String camera, int dissolve) implements Edit {
  @Override
  public Shot apply(Shot shot) {
    return ProgramCheck.with(
        shot, shot.program().with(new Cut(frame, shot.camera(camera).id(), dissolve)));
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).changes(Place.PROGRAM).reliesOn(Place.there(camera)).done();
  }

  @Override
  public String summary() {
    return dissolve > 0 ? "Dissolve to another camera" : "Cut to another camera";
  }
}

package idlelens.core.edit;

import idlelens.core.rule.Require;
import idlelens.core.scene.PictureFrame;
import idlelens.core.scene.Shot;

/** Lays the picture out: its size, its guides, its mask. */
public record SetPicture(PictureFrame picture) implements Edit {
  public SetPicture {
    Require.present(picture, "picture");
  }

  @Override
  public Shot apply(Shot shot) {
    return shot.withPicture(picture);
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).changes(Place.PICTURE).done();
  }

  @Override
  public String summary() {
    return "Lay out the picture";
  }
}

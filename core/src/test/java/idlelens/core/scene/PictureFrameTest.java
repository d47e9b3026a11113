package idlelens.core.scene;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.edit.ChangeHeader;
import idlelens.core.edit.Edit;
import idlelens.core.edit.SetPicture;
import idlelens.core.scene.PictureFrame.Guide;
import idlelens.core.scene.PictureFrame.Mask;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** The size of the picture, and what of a shot keeps how it is laid out. */
class PictureFrameTest {
  private static final PictureFrame WIDE =
      new PictureFrame(
          2048, 2, Set.of(Guide.LEVEL, Guide.CENTRE), Optional.of(new Mask(2.39, 0.75)), 8, 5);

  @Test
  void height_isThatOfTheAspect_withPixelsAsTheyAre() {
    assertThat(PictureFrame.USUAL.heightPx(16.0 / 9)).isEqualTo(1080);
    assertThat(PictureFrame.USUAL.heightPx(2.39)).isEqualTo(803);
    assertThat(WIDE.heightPx(2.39)).isEqualTo(1714);
    assertThat(new PictureFrame(16, 0.1, Set.of(), Optional.empty(), 1, 1).heightPx(10))
        .isEqualTo(1);
  }

  @Test
  void guides_standInTheirOwnOrder() {
    assertThat(WIDE.guides()).containsExactly(Guide.CENTRE, Guide.LEVEL);
  }

  @Test
  void shot_keepsItThroughOtherEdits_andPutsItBack() {
    Shot shot = SmallShots.until(20);
    Shot laid = new SetPicture(WIDE).apply(shot);
    assertThat(laid.picture()).isEqualTo(WIDE);
    assertThat(ChangeHeader.named("Other").apply(laid).picture()).isEqualTo(WIDE);
    assertThat(laid.withMarkers(List.of()).withNodes(List.of()).picture()).isEqualTo(WIDE);
    assertThat(Edit.between(laid, shot).apply(laid)).isEqualTo(shot);
    assertThat(Edit.between(shot, laid).apply(shot)).isEqualTo(laid);
  }

  @Test
  void whatIsNoPicture_isRefused() {
    assertThatThrownBy(() -> new PictureFrame(15, 1, Set.of(), Optional.empty(), 6, 4))
        .hasMessage("picture.widthPx is 15; allowed: 16 to 16384");
    assertThatThrownBy(() -> new Mask(2.39, 1.1))
        .hasMessage("mask.opacity is 1.1; allowed: 0 to 1");
  }
}

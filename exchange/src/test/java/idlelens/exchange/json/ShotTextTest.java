package idlelens.exchange.json;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.core.edit.Duplicate;
import idlelens.core.edit.Edit;
import idlelens.core.edit.Keep;
import idlelens.core.edit.Keying;
import idlelens.core.edit.RemoveMarkers;
import idlelens.core.edit.RemoveNodes;
import idlelens.core.edit.Rename;
import idlelens.core.edit.SetValues;
import idlelens.core.part.Path;
import idlelens.core.scene.Shot;
import idlelens.exchange.Rigs;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class ShotTextTest {
  private static final List<Edit> EDITS =
      List.of(
          new SetValues("cam", 1010, Map.of(Path.X, 1.5), Keying.WHOLE_POSE),
          new Rename("crate", "Crate \"of\" salt, ünder a tarpaulin"),
          new Duplicate("head", "new", "New"),
          new RemoveNodes(List.of("dolly"), 1001, false, Keep.PLACE),
          new RemoveMarkers(List.of("door")),
          new SetValues("new", 1020, Map.of(Path.PAN, -3.25), Keying.TOUCHED));

  @Test
  void next_afterEveryEdit_isTheTextWrittenFromTheStart() throws Exception {
    Shot shot = Rigs.everything();
    ShotText text = ShotText.of(shot);
    for (Edit edit : EDITS) {
      shot = edit.apply(shot);
      text = text.next(shot);
      assertThat(text.octets()).isEqualTo(ShotText.of(shot).octets());
      assertThat(ShotJson.read(text.octets())).isEqualTo(shot);
    }
  }

  @Test
  void octets_areTheDocumentAsATree() {
    Shot shot = Rigs.everything();
    assertThat(JsonPlace.mapper().readTree(ShotText.of(shot).octets()))
        .isEqualTo(JsonPlace.mapper().readTree(ShotJson.write(shot).toString()));
  }
}

package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.curve.Curves;
import idlelens.core.curve.Tangent;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class EditCostTest {
  private static final Path X = new Path("keys", "x");
  private static final Edit KEY = new SetValues("noisy", 3, Map.of(X, 1.0), Keying.TOUCHED);

  private static Node node(String id, int keys) {
    Chain chain =
        keys == 0 ? Chain.pose() : Chain.pose().with(X, Curves.noise(keys, Tangent.Kind.SETTLE));
    return new Node.Null(new NodeBody(id, id, false, Carriage.WORLD, chain));
  }

  private final Shot shot =
      new Shot(
          new ShotHeader(
              "S", FrameRate.of(24), new FrameRange(1, 10), 0, 1.5, 1, Tangent.Kind.SETTLE),
          List.of(node("noisy", 90_000), node("still", 0)));

  @Test
  void anEdit_costsTheKeysOfTheNodesThatItChanges() {
    assertThat(EditCost.of(shot, List.of(KEY)).steps()).isEqualTo(90_002);
    assertThat(EditCost.of(shot, List.of(new Rename("still", "Still"))).steps()).isEqualTo(2);
    assertThat(EditCost.of(shot, List.of(KEY)).takesLong()).isFalse();
    assertThat(EditCost.of(shot, Collections.nCopies(10, KEY)).takesLong()).isTrue();
  }

  @Test
  void tooMuch_isRefusedBeforeAnythingIsDone() {
    EditCost cost = EditCost.of(shot, Collections.nCopies(700, KEY));
    assertThatThrownBy(cost::requireBearable)
        .hasMessageContaining("at most 60000000 in one request");
  }

  @Test
  void editOfWhatIsNotThere_costsNothingYet() {
    assertThat(EditCost.of(shot, List.of(new Rename("not-yet", "N"))).steps()).isEqualTo(2);
  }
}

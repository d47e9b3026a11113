package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.curve.Curves;
import idlelens.core.curve.Tangent;
import idlelens.core.lens.Framing;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.FrameUp;
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
import java.util.OptionalDouble;
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

  /**
   * Framing over a stretch solves every frame for all that the camera reads; one frame does not.
   */
  @Test
  void framingOverAStretch_takesLong_oneFrameDoesNot() {
    Shot rig = Sets.rig();
    FrameSubject one =
        new FrameSubject(
            "cam",
            List.of("crate"),
            new Framing(0, 0),
            OptionalDouble.empty(),
            FrameUp.Way.TURN,
            1,
            1,
            Keying.TOUCHED);
    FrameSubject long5000 =
        new FrameSubject(
            "cam", List.of("crate"), one.framing(), one.size(), one.way(), 1, 5001, one.keying());
    long reached = rig.reachedFrom("cam").size();
    long difference =
        EditCost.of(rig, List.of(long5000)).steps() - EditCost.of(rig, List.of(one)).steps();
    assertThat(difference).isEqualTo(5000 * 6 * reached);
    CloseSeam all = new CloseSeam(List.of("arm", "cam"), "", 1);
    assertThat(EditCost.of(rig, List.of(all)).steps())
        .isGreaterThanOrEqualTo(2L * 10 * rig.nodes().size());
  }
}

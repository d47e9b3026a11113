package idlelens.core.motion;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.core.edit.AlignKeys;
import idlelens.core.edit.SetHandle;
import idlelens.core.edit.Sets;
import idlelens.core.edit.TurnTangent;
import idlelens.core.part.Path;
import idlelens.core.scene.Shot;
import java.util.List;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PathTangentTest {
  private static final Shot RIG = Sets.rig();

  private static List<PathTangent> tangents(Shot shot) {
    return PathTangent.of(Evaluation.of(shot), "cam");
  }

  @Test
  void of_everyKeyOfPlace_standsOnThePath_andTheHandleTouchesIt() {
    Evaluation motion = Evaluation.of(RIG);
    List<PathTangent> all = tangents(RIG);
    assertThat(all)
        .extracting(PathTangent::frame)
        .containsExactlyElementsOf(
            RIG.node("cam").chain().keyFrames(List.of(Path.X, Path.Y, Path.Z)));
    for (PathTangent tangent : all) {
      int sample = (int) Math.rint(tangent.frame() - motion.grid().first());
      assertThat(tangent.key().distance(motion.pose("cam", sample).place())).isLessThan(1e-9);
    }
  }

  @Test
  void of_anEndOfThePath_hasNoHandleThere() {
    List<PathTangent> all = tangents(RIG);
    assertThat(all.get(0).in()).isEqualTo(all.get(0).key());
    PathTangent last = all.get(all.size() - 1);
    assertThat(last.out()).isEqualTo(last.key());
  }

  @ParameterizedTest
  @CsvSource({"cam, OUT", "cam, IN", "mover, OUT", "mover, IN"})
  void of_aTurnedTangent_endsWhereItWasDragged(String id, SetHandle.Side side) {
    Shot aligned = new AlignKeys(id).apply(RIG); // so that x, y and z all have a key there
    boolean in = side == SetHandle.Side.IN;
    List<PathTangent> before = PathTangent.of(Evaluation.of(aligned), id);
    int i = in ? before.size() - 1 : 0;
    double frame = before.get(i).frame();
    Shot after = new TurnTangent(id, frame, side, 0.3, 0.1, -0.2, false).apply(aligned);
    PathTangent now = PathTangent.of(Evaluation.of(after), id).get(i);
    Vector3d expected = in ? before.get(i).in() : before.get(i).out();
    assertThat((in ? now.in() : now.out()).distance(expected.add(0.3, 0.1, -0.2, new Vector3d())))
        .isLessThan(1e-9);
  }
}

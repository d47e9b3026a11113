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

  @Test
  void of_aTurnedTangent_endsWhereItWasDragged() {
    Shot aligned = new AlignKeys("cam").apply(RIG); // so that x, y and z all have a key there
    List<PathTangent> before = tangents(aligned);
    double frame = before.get(0).frame();
    Shot after =
        new TurnTangent("cam", frame, SetHandle.Side.OUT, 0.3, 0.1, -0.2, false).apply(aligned);
    Vector3d expected = new Vector3d(before.get(0).out()).add(0.3, 0.1, -0.2);
    assertThat(tangents(after).get(0).out().distance(expected)).isLessThan(1e-9);
  }
}

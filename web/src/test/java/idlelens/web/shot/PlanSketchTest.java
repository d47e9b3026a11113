package idlelens.web.shot;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Tangent;
import idlelens.core.lens.Projection;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Lens;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import java.util.List;
import org.junit.jupiter.api.Test;

class PlanSketchTest {
  private static final ShotHeader HEADER =
      new ShotHeader(
          "New", FrameRate.of(24), new FrameRange(1, 10), 0, 16.0 / 9, 1, Tangent.Kind.SETTLE);

  private static PlanSketch sketch(Shot shot) {
    return PlanSketch.of(shot, Evaluation.of(shot));
  }

  @Test
  void newShot_showsTheKeeperTheGroundAndTheCamera() {
    PlanSketch plan = sketch(NewShot.with(HEADER));
    assertThat(plan.wedges()).hasSize(1);
    assertThat(plan.wedges().get(0)).startsWith("M0.000 6.000L"); // the camera's place
    assertThat(plan.pieces()).extracting(PlanSketch.Outline::colour).contains("#3b6b80");
    assertThat(plan.paths()).containsExactly("M0.000 6.000");
  }

  /** Two metres to each side of it, five ahead. */
  @Test
  void orthographicCamera_hasAStripInPlaceOfAWedge() {
    Shot shot = NewShot.with(HEADER);
    Node.Camera camera = shot.cameras().get(0);
    Lens lens = camera.lens();
    lens = lens.withLens(lens.lens().withProjection(Projection.ORTHOGRAPHIC));
    Node parallel = new Node.Camera(camera.body(), lens);
    Node wide =
        parallel.withChain(
            parallel.chain().with(new Path(Lens.ID, Lens.WIDTH.id()), Curve.still(4)));
    assertThat(sketch(shot.withNode(wide)).wedges())
        .containsExactly("M-2.000 6.000L-2.000 1.000L2.000 1.000L2.000 6.000Z");
  }

  @Test
  void viewBox_isTwiceAsWideAsDeep_andHoldsTheCamera() {
    String[] box = sketch(NewShot.with(HEADER)).viewBox().split(" ");
    double x = Double.parseDouble(box[0]);
    double z = Double.parseDouble(box[1]);
    double width = Double.parseDouble(box[2]);
    double depth = Double.parseDouble(box[3]);
    assertThat(width).isEqualTo(2 * depth);
    assertThat(0.0).isBetween(x, x + width);
    assertThat(6.0).isBetween(z, z + depth);
  }

  @Test
  void emptyShot_hasAPlanAllTheSame() {
    PlanSketch plan = sketch(new Shot(HEADER, List.of()));
    assertThat(plan.viewBox()).isEqualTo("-10 -5 20 10");
    assertThat(plan.pieces()).isEmpty();
  }
}

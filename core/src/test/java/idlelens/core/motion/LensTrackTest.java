package idlelens.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.Projection;
import idlelens.core.lens.Sight;
import idlelens.core.part.Chain;
import idlelens.core.part.Lens;
import idlelens.core.part.Parameter;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.SmallShots;
import idlelens.core.scene.TakesKeys;
import java.util.List;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What squeeze, overscan, shift and blur factor change of a picture, and what they leave alone. */
class LensTrackTest {
  private static final double EXACT = 1e-12;
  private static final Vector3d POINT = new Vector3d(0.7, -0.4, -6);

  private static Shot with(Parameter parameter, Curve curve) {
    Chain chain = Chain.poseAndLens().with(new Path(Lens.ID, parameter.id()), curve);
    NodeBody body = new NodeBody("cam", "cam", false, chain, TakesKeys.ALL);
    return SmallShots.until(9, new Node.Camera(body));
  }

  private static LensTrack at(Shot shot, double frame) {
    return Evaluation.at(shot, frame).of("cam").lens().orElseThrow();
  }

  private static LensTrack still(Parameter parameter, double value) {
    return at(with(parameter, Curve.still(value)), 1);
  }

  private static double[] seen(Shot shot) {
    Evaluation now = Evaluation.at(shot, 1);
    Sight sight = now.of("cam").lens().orElseThrow().sight(0, now.pose("cam", 0));
    return sight.inPicture(sight.seen(POINT));
  }

  private static final LensTrack PLAIN = still(Lens.BLUR, 1);

  @Test
  void overscan_growsBothSides_andNothingElse() {
    LensTrack more = still(Lens.OVERSCAN, 25);
    assertThat(Math.tan(more.horizontalRad()[0] / 2))
        .isCloseTo(1.25 * Math.tan(PLAIN.horizontalRad()[0] / 2), within(EXACT));
    assertThat(Math.tan(more.verticalRad()[0] / 2))
        .isCloseTo(1.25 * Math.tan(PLAIN.verticalRad()[0] / 2), within(EXACT));
    assertThat(more.focalMm()).isEqualTo(PLAIN.focalMm());
    assertThat(more.circleMm()).isEqualTo(PLAIN.circleMm());
    assertThat(more.nearM()).isEqualTo(PLAIN.nearM());
    assertThat(more.farM()).isEqualTo(PLAIN.farM());
    double[] plain = seen(with(Lens.OVERSCAN, Curve.still(0)));
    double[] wide = seen(with(Lens.OVERSCAN, Curve.still(25)));
    assertThat(wide[0]).isCloseTo(plain[0] / 1.25, within(EXACT));
    assertThat(wide[1]).isCloseTo(plain[1] / 1.25, within(EXACT));
  }

  @Test
  void shift_movesAllOfThePictureAlike_andNothingElse() {
    double[] plain = seen(with(Lens.SHIFT_RIGHT, Curve.still(0)));
    double[] right = seen(with(Lens.SHIFT_RIGHT, Curve.still(2.489)));
    // a tenth of the 24.89 mm of the sensor: what is seen lies a tenth of the picture to the left
    assertThat(right[0]).isCloseTo(plain[0] - 0.1, within(EXACT));
    assertThat(right[1]).isCloseTo(plain[1], within(EXACT));
    double[] up = seen(with(Lens.SHIFT_UP, Curve.still(2.489)));
    assertThat(up[0]).isCloseTo(plain[0], within(EXACT));
    assertThat(up[1]).isCloseTo(plain[1] - 0.1, within(EXACT));
    LensTrack shifted = still(Lens.SHIFT_UP, 2.489);
    assertThat(shifted.horizontalRad()).isEqualTo(PLAIN.horizontalRad());
    assertThat(shifted.nearM()).isEqualTo(PLAIN.nearM());
  }

  @ParameterizedTest
  @EnumSource(Projection.class)
  void shiftedSight_leadsToThePointsOfThePictureAndBack(Projection projection) {
    Sight sight = new Sight(RigidPose.of(1, 2, 3, 0.4, 0.5, 0.6), projection, 0.5, 0.3, 0.2, -0.1);
    double[] back = sight.inPicture(sight.seen(sight.world(0.3, -0.2, 7)));
    assertThat(back).containsExactly(new double[] {0.3, -0.2}, within(EXACT));
  }

  @Test
  void blurFactor_isAnOpeningSoManyTimesAsWide() {
    LensTrack soft = still(Lens.BLUR, 4);
    LensTrack open = still(Lens.F_STOP, 0.7);
    assertThat(soft.nearM()[0]).isCloseTo(open.nearM()[0], within(EXACT));
    assertThat(soft.farM()[0]).isCloseTo(open.farM()[0], within(EXACT));
    assertThat(soft.fStop()[0]).isEqualTo(2.8);
    assertThat(soft.depth(0).blurMm(5, 10))
        .isCloseTo(4 * PLAIN.depth(0).blurMm(5, 10), within(EXACT));
  }

  @Test
  void squeeze_keyed_widensWhatIsSeen_frameByFrame() {
    Curve curve =
        new Curve(
            1, List.of(new Key(1, 1, Tangent.Kind.STRAIGHT), new Key(9, 2, Tangent.Kind.STRAIGHT)));
    Shot shot = with(Lens.SQUEEZE, curve);
    LensTrack all = Evaluation.of(shot).of("cam").lens().orElseThrow();
    for (int i = 0; i < 9; i++) {
      double squeeze = 1 + i / 8.0;
      // fitted by width: the sensor's 24.89 mm are seen S times as wide; the height follows
      double tangent = squeeze * 24.89 / (2 * 35);
      assertThat(Math.tan(all.horizontalRad()[i] / 2)).isCloseTo(tangent, within(EXACT));
      assertThat(Math.tan(all.verticalRad()[i] / 2)).isCloseTo(tangent * 9 / 16, within(EXACT));
      assertThat(at(shot, 1 + i).horizontalRad()[0]).isEqualTo(all.horizontalRad()[i]);
    }
  }

  @Test
  void lensThatIsOff_keepsAllAsAtTheFirstFrame() {
    Curve curve =
        new Curve(
            0,
            List.of(new Key(1, 10, Tangent.Kind.STRAIGHT), new Key(9, 90, Tangent.Kind.STRAIGHT)));
    Shot shot = with(Lens.OVERSCAN, curve);
    Shot off = shot.withNode(shot.node("cam").withPartOn(Lens.ID, false));
    assertThat(at(off, 9).horizontalRad()[0]).isEqualTo(at(shot, 1).horizontalRad()[0]);
    assertThat(at(off, 9).gate(0)).isEqualTo(at(shot, 1).gate(0));
  }
}

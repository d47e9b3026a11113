package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.check.Views;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.edit.HoldSize.Way;
import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.Sight;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.Path;
import idlelens.core.part.Target;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.SmallShots;
import idlelens.core.scene.TakesKeys;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** A pole of 1.72 m that keeps its height in the picture, in picture widths. */
class HoldSizeTest {
  private static final Target POLE = Target.OfNode.origin("pole");
  private static final double HIGH_M = 1.72;

  private static Curve keyed(double... numbers) {
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i < numbers.length; i += 2) {
      keys.add(new Key(numbers[i], numbers[i + 1], Tangent.Kind.SETTLE));
    }
    return new Curve(keys.get(0).value(), keys);
  }

  private static NodeBody body(String id, Chain chain) {
    return new NodeBody(id, id, false, chain, TakesKeys.ALL);
  }

  /** On a dolly that is turned, the camera comes nearer, or zooms; it looks a little aside. */
  private static Shot shot(boolean zooms) {
    Map<Path, Curve> moving =
        zooms
            ? Map.of(Path.Z, Curve.still(8), Path.FOCAL, keyed(1, 28, 49, 80))
            : Map.of(Path.Z, keyed(1, 8, 30, 3.5, 49, 2.5), Path.FOCAL, Curve.still(35));
    Chain camera =
        Chain.poseAndLens()
            .with(moving)
            .with(Path.PAN, Curve.still(7))
            .carriedBy(new Carriage("dolly", RigidPose.IDENTITY));
    return SmallShots.until(
        49,
        new Node.Null(body("dolly", Chain.pose().restingAt(1, 0, 0, 40, 0, 0))),
        new Node.Camera(body("cam", camera)),
        new Node.Null(body("pole", Chain.pose().restingAt(1.2, -0.4, -0.3, 0, 0, 0))));
  }

  private static HoldSize hold(Way way, double at, int from, int to) {
    return new HoldSize("cam", POLE, way, at, OptionalDouble.empty(), from, to, Keying.TOUCHED);
  }

  /** How high the pole stands in the picture, upright to the axis at its distance. */
  private static double height(Shot shot, double frame) {
    Evaluation now = Evaluation.at(shot, frame);
    Sight sight = new Views(now, "cam").at(0);
    Vector3d foot = sight.seen(now.pose("pole", 0).place());
    double[] low = sight.inPicture(new Vector3d(foot));
    double[] high = sight.inPicture(new Vector3d(foot).add(0, HIGH_M, 0));
    return high[1] - low[1];
  }

  @ParameterizedTest
  @EnumSource(
      value = Way.class,
      names = {"LENS", "DOLLY"})
  void dollyZoom_keepsTheHeight_onEveryFrame(Way way) {
    Shot shot = shot(way == Way.DOLLY);
    double wanted = height(shot, 20);
    assertThat(height(shot, 45)).isNotCloseTo(wanted, within(0.05));
    Shot held = hold(way, 20, 1, 49).apply(shot);
    for (int frame = 1; frame <= 49; frame++) {
      assertThat(height(held, frame)).isCloseTo(wanted, within(1e-6));
    }
    Path moved = way == Way.LENS ? Path.FOCAL : Path.Z;
    assertThat(held.node("cam").chain().curve(moved).keys().size()).isLessThan(49);
    Path kept = way == Way.LENS ? Path.Z : Path.FOCAL;
    assertThat(held.node("cam").chain().curve(kept))
        .isEqualTo(shot.node("cam").chain().curve(kept));
  }

  @Test
  void focalLength_isThatOfTheFormula() {
    Shot shot = shot(false);
    Shot held = hold(Way.LENS, 1, 1, 49).apply(shot);
    double first = distance(shot, 1);
    for (int frame : new int[] {1, 17, 30, 49}) {
      double focal = Evaluation.at(held, frame).of("cam").lens().orElseThrow().focalMm()[0];
      assertThat(focal).isCloseTo(35 * distance(shot, frame) / first, within(1e-4));
    }
  }

  private static double distance(Shot shot, double frame) {
    Evaluation now = Evaluation.at(shot, frame);
    return -new Views(now, "cam").at(0).seen(now.pose("pole", 0).place()).z;
  }

  @Test
  void otherLens_sameSize_atOneFrameOrOverAll() {
    Shot shot = shot(false);
    OptionalDouble longer = OptionalDouble.of(85);
    HoldSize one = new HoldSize("cam", POLE, Way.OTHER_LENS, 1, longer, 1, 1, Keying.TOUCHED);
    HoldSize all = new HoldSize("cam", POLE, Way.OTHER_LENS, 1, longer, 1, 49, Keying.TOUCHED);
    Shot changed = one.apply(shot);
    assertThat(height(changed, 1)).isCloseTo(height(shot, 1), within(1e-9));
    assertThat(distance(changed, 1)).isCloseTo(distance(shot, 1) * 85 / 35, within(1e-9));
    Shot whole = all.apply(shot);
    for (int frame = 1; frame <= 49; frame += 6) {
      assertThat(height(whole, frame))
          .as("frame " + frame)
          .isCloseTo(height(shot, frame), within(1e-6));
      Evaluation now = Evaluation.at(whole, frame);
      assertThat(now.of("cam").lens().orElseThrow().focalMm()[0]).isCloseTo(85, within(1e-9));
    }
  }

  @Test
  void whatNoLensHolds_isRefusedWithItsFrame() {
    Node camera = shot(false).node("cam");
    Shot through =
        shot(false).withNode(camera.withChain(camera.chain().with(Path.Z, keyed(1, 8, 30, -4))));
    assertThatThrownBy(() -> hold(Way.LENS, 1, 1, 40).apply(through))
        .hasMessageContaining("m before the camera at frame")
        .hasMessageContaining("allowed: 0.001 m or more");
    Shot near =
        shot(false).withNode(camera.withChain(camera.chain().with(Path.FOCAL, Curve.still(1.5))));
    assertThatThrownBy(() -> hold(Way.LENS, 1, 1, 49).apply(near))
        .hasMessageContaining("mm at frame")
        .hasMessageContaining("allowed: 1 to 5000 mm");
    assertThatThrownBy(
            () ->
                new HoldSize(
                    "cam", POLE, Way.OTHER_LENS, 1, OptionalDouble.empty(), 1, 1, Keying.STILL))
        .hasMessage("focal is missing; allowed: a focal length with another lens, none else");
  }
}

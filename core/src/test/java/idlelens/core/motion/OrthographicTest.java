package idlelens.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.check.LookedAt;
import idlelens.core.check.Sharpness;
import idlelens.core.check.Sightline;
import idlelens.core.check.Views;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.edit.AddPart;
import idlelens.core.edit.HoldSize;
import idlelens.core.edit.Keying;
import idlelens.core.edit.SetFieldOfView;
import idlelens.core.exposure.Exposure;
import idlelens.core.lens.LensBody;
import idlelens.core.lens.Projection;
import idlelens.core.lens.Sight;
import idlelens.core.part.Chain;
import idlelens.core.part.FrameUp;
import idlelens.core.part.Lens;
import idlelens.core.part.Parameter;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.part.Target;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.SmallShots;
import idlelens.core.scene.TakesKeys;
import idlelens.core.set.Finish;
import idlelens.core.set.Mesher;
import idlelens.core.set.Shape;
import idlelens.core.time.SampleGrid;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * A camera that sees in parallel: so many metres over the width of its picture, all of it sharp.
 */
class OrthographicTest {
  private static final double EXACT = 1e-12;
  private static final LensBody PARALLEL = LensBody.PLAIN.withProjection(Projection.ORTHOGRAPHIC);

  private static Path lens(Parameter parameter) {
    return new Path(Lens.ID, parameter.id());
  }

  private static Key key(double frame, double value) {
    return new Key(frame, value, Tangent.Kind.STRAIGHT);
  }

  private static Node.Camera camera(Map<Path, Curve> set) {
    List<Part> parts = new ArrayList<>(Chain.poseAndLens().with(set).parts());
    parts.replaceAll(part -> part instanceof Lens lens ? lens.withLens(PARALLEL) : part);
    return new Node.Camera(new NodeBody("cam", "Cam", false, new Chain(parts), TakesKeys.ALL));
  }

  private static Shot shot(Map<Path, Curve> set) {
    return SmallShots.until(20, camera(set));
  }

  private static Sight sight(Shot shot, double frame) {
    return new Views(Evaluation.at(shot, frame), "cam").at(0);
  }

  private static double[] seen(Shot shot, double frame, double x, double y, double metres) {
    Sight sight = sight(shot, frame);
    return sight.inPicture(sight.seen(new Vector3d(x, y, -metres)));
  }

  @ParameterizedTest
  @ValueSource(doubles = {0.001, 1, 7, 5000})
  void aMetre_isAsLargeAtAnyDistance(double metres) {
    Shot shot = shot(Map.of(lens(Lens.WIDTH), Curve.still(8)));
    assertThat(seen(shot, 1, 1, -0.5, metres))
        .containsExactly(new double[] {1 / 8.0, -0.5 / 8}, within(EXACT));
  }

  @Test
  void width_isKeyed_andNoFocalLengthMatters() {
    Curve wider = new Curve(4, List.of(key(1, 4), key(11, 8)));
    Shot shot = shot(Map.of(lens(Lens.WIDTH), wider, Path.FOCAL, Curve.still(200)));
    assertThat(seen(shot, 1, 1, 0, 3)[0]).isCloseTo(1 / 4.0, within(EXACT));
    assertThat(seen(shot, 8.5, 1, 0, 3)[0]).isCloseTo(1 / 7.0, within(EXACT));
    assertThat(seen(shot, 20, 1, 0, 3)[0]).isCloseTo(1 / 8.0, within(EXACT));
    assertThat(sight(shot, 1).height()).isCloseTo(1 / SmallShots.ASPECT, within(EXACT));
  }

  @Test
  void overscanAndShift_changeWhatTheyShould() {
    Map<Path, Curve> set = Map.of(lens(Lens.WIDTH), Curve.still(8));
    Shot more = shot(set).withNode(camera(with(set, Lens.OVERSCAN, 50)));
    assertThat(seen(more, 1, 3, 1.5, 4))
        .containsExactly(new double[] {3 / 12.0, 1.5 / 12}, within(EXACT));
    Shot right = shot(with(set, Lens.SHIFT_RIGHT, 2.489));
    assertThat(seen(right, 1, 3, 1.5, 4))
        .as("a tenth of the sensor")
        .containsExactly(new double[] {3 / 8.0 - 0.1, 1.5 / 8}, within(EXACT));
    Shot squeezed = shot(with(set, Lens.SQUEEZE, 2));
    assertThat(seen(squeezed, 1, 3, 1.5, 4))
        .as("the picture keeps its aspect and its metres")
        .containsExactly(new double[] {3 / 8.0, 1.5 / 8}, within(EXACT));
  }

  private static Map<Path, Curve> with(Map<Path, Curve> set, Parameter more, double value) {
    Map<Path, Curve> all = new HashMap<>(set);
    all.put(lens(more), Curve.still(value));
    return all;
  }

  @Test
  void allIsSharp_alsoWideOpen_inEveryPassOfThePicture() {
    Shot shot = shot(Map.of(Path.F_STOP, Curve.still(0.5)));
    LensTrack lens = Evaluation.at(shot, 1).of("cam").lens().orElseThrow();
    assertThat(lens.nearM()[0]).isZero();
    assertThat(lens.farM()[0]).isInfinite();
    assertThat(lens.blurMm(0, 0.1)).isZero();
    Exposure exposure = new Exposure(shot, "cam", 5, 16);
    for (int pass = 0; pass < 16; pass++) {
      assertThat(exposure.sight(pass)).isEqualTo(sight(shot, 5));
    }
    SampleGrid grid = SampleGrid.over(shot.header().range(), 1);
    Sharpness of =
        Sharpness.of(
            Evaluation.of(shot, grid, null),
            "cam",
            new Target.Place(0, 0, -0.01),
            LookedAt.all(shot.header().range()));
    assertThat(of.soft()).isEmpty();
    assertThat(of.blur()).containsOnly(0);
  }

  /** A ball beside the axis, met where it is under the place of the picture, not on a ray. */
  @Test
  void whatIsPressed_liesStraightAhead() {
    Chain chain = Chain.pose().restingAt(2, 0, -10, 0, 0, 0);
    Node ball =
        new Node.Piece(
            new NodeBody("ball", "Ball", false, chain, TakesKeys.ALL),
            new Shape.Box(2, 2, 2),
            Finish.matt("#808080"));
    Shot shot = SmallShots.until(20, camera(Map.of(lens(Lens.WIDTH), Curve.still(8))), ball);
    Sightline met = Sightline.of(shot, "cam", 1, 0.2, 0.05, Mesher::mesh).orElseThrow();
    assertThat(met.distanceM()).isCloseTo(9, within(1e-6));
    assertThat(met.place().distance(new Vector3d(1.6, 0.4, -9))).isLessThan(1e-6);
    assertThat(Sightline.of(shot, "cam", 1, 0.1, 0.05, Mesher::mesh))
        .as("it begins a metre from the axis")
        .isEmpty();
  }

  @Test
  void whatGoesByTheFieldOfView_isRefused() {
    Shot shot = shot(Map.of());
    Keying keying = Keying.STILL;
    SetFieldOfView view = new SetFieldOfView("cam", 1, SetFieldOfView.Side.HORIZONTAL, 40, keying);
    HoldSize hold =
        new HoldSize(
            "cam",
            new Target.Place(0, 0, -5),
            HoldSize.Way.LENS,
            1,
            OptionalDouble.empty(),
            1,
            10,
            keying);
    for (var edit : List.of(view, hold)) {
      assertThatThrownBy(() -> edit.apply(shot))
          .isInstanceOf(RefusedException.class)
          .hasMessage("camera is 'Cam', which is orthographic; allowed: a camera in perspective");
    }
    Part frameUp = FrameUp.on("frame-1", new Target.Place(0, 0, -5));
    assertThatThrownBy(() -> new AddPart("cam", frameUp).apply(shot))
        .hasMessageContaining("lens.projection is orthographic, with Frame up in the chain");
  }
}

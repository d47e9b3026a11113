package idlelens.core.exposure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Beyond;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.lens.DepthOfField;
import idlelens.core.lens.Iris;
import idlelens.core.lens.LensBody;
import idlelens.core.lens.Projection;
import idlelens.core.lens.ShutterOpens;
import idlelens.core.lens.Sight;
import idlelens.core.part.Chain;
import idlelens.core.part.FocusRule;
import idlelens.core.part.Lens;
import idlelens.core.part.Parameter;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.SmallShots;
import idlelens.core.scene.TakesKeys;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What the passes of a frame see, against the formulas of blur discs and streaks. */
class ExposureTest {
  private static final double WIDTH_PX = 1920;
  private static final int PASSES = 1024;
  private static final double FOCUS_M = 4;

  private static Curve keyed(double... framesAndValues) {
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i < framesAndValues.length; i += 2) {
      keys.add(new Key(framesAndValues[i], framesAndValues[i + 1], Tangent.Kind.STRAIGHT));
    }
    return new Curve(framesAndValues[1], keys);
  }

  private static Node camera(LensBody body, Map<Path, Curve> curves) {
    Map<Path, Curve> all = new HashMap<>(curves);
    all.putIfAbsent(Path.FOCAL, Curve.still(50));
    all.putIfAbsent(Path.F_STOP, Curve.still(1.4));
    all.putIfAbsent(Path.FOCUS, Curve.still(FOCUS_M));
    Lens lens = new Lens(Lens.PLAIN.body(), body, new FocusRule.Distance());
    Chain chain = Chain.poseAndLens().with(lens).with(all);
    return new Node.Camera(new NodeBody("cam", "cam", false, chain, TakesKeys.ALL));
  }

  private static Shot shot(Node... nodes) {
    return SmallShots.until(48, nodes);
  }

  private static Path lens(Parameter parameter) {
    return new Path(Lens.ID, parameter.id());
  }

  /**
   * Left, right, bottom, top of what a point becomes, the mean of both and how wide and high an
   * ellipse of equal brightness would be, by the variance, in pixels.
   */
  private static double[] seen(Exposure exposure, Vector3d point) {
    double[] out = {1e9, -1e9, 1e9, -1e9, 0, 0, 0, 0};
    double n = exposure.passes().count();
    for (int k = 0; k < exposure.passes().count(); k++) {
      Sight sight = exposure.sight(k);
      double[] at = sight.inPicture(sight.seen(point));
      out[0] = Math.min(out[0], at[0] * WIDTH_PX);
      out[1] = Math.max(out[1], at[0] * WIDTH_PX);
      out[2] = Math.min(out[2], at[1] * WIDTH_PX);
      out[3] = Math.max(out[3], at[1] * WIDTH_PX);
      for (int c = 0; c < 2; c++) {
        double px = at[c] * WIDTH_PX;
        out[4 + c] += px / n;
        out[6 + c] += px * px / n;
      }
    }
    for (int c = 0; c < 2; c++) {
      out[6 + c] = 4 * Math.sqrt(Math.max(0, out[6 + c] - out[4 + c] * out[4 + c]));
    }
    return out;
  }

  @ParameterizedTest
  @ValueSource(doubles = {0.5, 1, 2, 8, 40, 1e6})
  void point_becomesTheDiscOfTheFormula_whereItIs(double distance) {
    Exposure exposure = new Exposure(shot(camera(LensBody.PLAIN, Map.of())), "cam", 5, PASSES);
    Vector3d point = new Vector3d(0.02 * distance, -0.01 * distance, -distance);
    double[] seen = seen(exposure, point);
    double circle = LensBody.PLAIN.circleMm(16.0 / 9, 1);
    double blur = new DepthOfField(50, 1.4, circle).blurMm(FOCUS_M, distance) / 24.89 * WIDTH_PX;
    assertThat(seen[6]).isCloseTo(blur, within(0.001 * blur));
    assertThat(seen[7]).isCloseTo(blur, within(0.001 * blur));
    assertThat(seen[1] - seen[0]).isBetween(0.985 * blur, blur);
    assertThat(seen[3] - seen[2]).isBetween(0.985 * blur, blur);
    double tangent = 24.89 / 100;
    assertThat(seen[4]).isCloseTo(0.02 / (2 * tangent) * WIDTH_PX, within(0.001 + 0.002 * blur));
    assertThat(seen[5]).isCloseTo(-0.01 / (2 * tangent) * WIDTH_PX, within(0.001 + 0.002 * blur));
  }

  /** With as many passes as a picture has, the disc is no longer or shorter one way. */
  @Test
  void sixtyFourPasses_makeARoundDisc() {
    Exposure exposure = new Exposure(shot(camera(LensBody.PLAIN, Map.of())), "cam", 5, 64);
    double[] seen = seen(exposure, new Vector3d(0, 0, -1));
    assertThat(seen[6] / seen[7]).isCloseTo(1, within(0.01));
  }

  @Test
  void whatIsInFocus_standsStillInAllPasses_alsoThroughAShiftedLens() {
    Map<Path, Curve> shifted = Map.of(lens(Lens.SHIFT_RIGHT), Curve.still(3));
    Exposure exposure = new Exposure(shot(camera(LensBody.PLAIN, shifted)), "cam", 5, PASSES);
    double[] seen = seen(exposure, new Vector3d(0.4, 0.3, -FOCUS_M));
    assertThat(seen[1] - seen[0]).isLessThan(1e-9);
    assertThat(seen[3] - seen[2]).isLessThan(1e-9);
    // 0.4 m of the 1.9912 m across at 4 m, less 3 mm of the 24.89 of the sensor
    assertThat(seen[4]).isCloseTo((0.4 / 1.9912 - 3 / 24.89) * WIDTH_PX, within(1e-6));
  }

  @Test
  void squeezedLens_makesDiscsThatAreAsManyTimesTallerThanWide() {
    Map<Path, Curve> squeezed = Map.of(Path.SQUEEZE, Curve.still(2));
    Exposure exposure = new Exposure(shot(camera(LensBody.PLAIN, squeezed)), "cam", 5, PASSES);
    double[] seen = seen(exposure, new Vector3d(0, 0, -1));
    assertThat(seen[7] / seen[6]).isCloseTo(2, within(0.003));
  }

  @Test
  void blurFactor_andTurnedBlades_showInTheDisc() {
    LensBody four =
        new LensBody(
            LensBody.PLAIN.sensor(),
            LensBody.PLAIN.fit(),
            0.45,
            LensBody.PLAIN.circleMm(),
            new Iris(4, 0),
            ShutterOpens.CENTRED,
            Projection.PERSPECTIVE);
    Vector3d point = new Vector3d(0, 0, -2);
    double[] upright = seen(new Exposure(shot(camera(four, Map.of())), "cam", 5, PASSES), point);
    Map<Path, Curve> turned =
        Map.of(lens(Lens.IRIS_TURN), Curve.still(45), lens(Lens.BLUR), Curve.still(3));
    double[] lying = seen(new Exposure(shot(camera(four, turned)), "cam", 5, PASSES), point);
    // from corner to corner it is sqrt(2) times as wide as from edge to edge
    double across = (lying[1] - lying[0]) / (upright[1] - upright[0]);
    assertThat(across).isCloseTo(3 / Math.sqrt(2), within(0.12));
  }

  /** Half of a frame of a truck of 0.1 m: at the focus, that is all that is seen of the passes. */
  @ParameterizedTest
  @ValueSource(strings = {"CENTRED", "FORWARD"})
  void streak_isTheSpeedTimesTheOpenPartOfTheFrame(String opens) {
    LensBody body =
        new LensBody(
            LensBody.PLAIN.sensor(),
            LensBody.PLAIN.fit(),
            0.45,
            LensBody.PLAIN.circleMm(),
            Iris.ROUND,
            ShutterOpens.valueOf(opens),
            Projection.PERSPECTIVE);
    Map<Path, Curve> truck =
        Map.of(Path.X, keyed(1, 0, 48, 4.7), lens(Lens.SHUTTER), Curve.still(144));
    Exposure exposure = new Exposure(shot(camera(body, truck)), "cam", 10, PASSES);
    double[] seen = seen(exposure, new Vector3d(0.9, 0, -FOCUS_M));
    double pxPerFrame = 0.1 / (2 * FOCUS_M * 24.89 / 100) * WIDTH_PX;
    double streak = pxPerFrame * 144 / 360;
    assertThat(seen[1] - seen[0]).isCloseTo(streak, within(0.002 * streak));
    double late = opens.equals("FORWARD") ? streak / 2 : 0;
    assertThat(seen[4]).isCloseTo(-late, within(0.01));
  }

  @Test
  void aTurnOf40DegreesAFrame_isFollowedAtEveryMoment() {
    Map<Path, Curve> whip = Map.of(Path.PAN, keyed(1, 0, 48, 47 * 40));
    Exposure exposure = new Exposure(shot(camera(LensBody.PLAIN, whip)), "cam", 10, 64);
    for (int k = 0; k < 64; k++) {
      double pan = (exposure.moment(k) - 1) * 40;
      Vector3d ahead = exposure.pose("cam", k).turn().transform(new Vector3d(0, 0, -1));
      double is = Math.toDegrees(Math.atan2(-ahead.x, -ahead.z));
      assertThat(Math.IEEEremainder(is - pan, 360)).isCloseTo(0, within(1e-9));
    }
    assertThat(exposure.shutter()).isEqualTo(new OpenShutter(9.75, 10.25));
  }

  @Test
  void aJump_splitsTheShutter_onlyTheSideOfTheFrameIsSeen() {
    List<Key> keys = List.of(new Key(1, 0, Tangent.Kind.HOLD), new Key(10.1, 5, Tangent.Kind.HOLD));
    Map<Path, Curve> jump = Map.of(Path.X, new Curve(0, keys));
    Shot shot = shot(camera(LensBody.PLAIN, jump));
    Exposure before = new Exposure(shot, "cam", 10, 32);
    assertThat(before.shutter().from()).isEqualTo(9.75);
    assertThat(before.shutter().to()).isLessThan(10.1).isCloseTo(10.1, within(1e-9));
    Exposure after = new Exposure(shot, "cam", 10.2, 32);
    assertThat(after.shutter()).isEqualTo(new OpenShutter(10.1, 10.45));
    for (int k = 0; k < 32; k++) {
      assertThat(before.pose("cam", k).x()).isEqualTo(0);
      assertThat(after.pose("cam", k).x()).isEqualTo(5);
    }
  }

  /** A crate that is put elsewhere has its own split; the camera beside it its whole time. */
  @Test
  void aPieceThatJumps_isSplitByItself() {
    List<Key> keys = List.of(new Key(1, 0, Tangent.Kind.HOLD), new Key(10, 5, Tangent.Kind.HOLD));
    Chain chain = Chain.pose().with(Map.of(Path.X, new Curve(0, keys)));
    Node crate = new Node.Null(new NodeBody("crate", "crate", false, chain, TakesKeys.ALL));
    Shot shot = shot(camera(LensBody.PLAIN, Map.of()), crate);
    Exposure exposure = new Exposure(shot, "cam", 10, 32);
    assertThat(exposure.shutter()).isEqualTo(new OpenShutter(9.75, 10.25));
    for (int k = 0; k < 32; k++) {
      assertThat(exposure.pose("crate", k).x()).isEqualTo(5);
    }
  }

  /** The first frame has the blur of what the curve does before its first key. */
  @Test
  void firstFrame_hasTheMotionOfItsHandle() {
    Curve running = keyed(1, 0, 48, 4.7).withBeyond(Beyond.RUN_ON, Beyond.HOLD);
    Exposure exposure =
        new Exposure(shot(camera(LensBody.PLAIN, Map.of(Path.X, running))), "cam", 1, PASSES);
    double[] seen = seen(exposure, new Vector3d(0, 0, -FOCUS_M));
    double streak = 0.5 * 0.1 / (2 * FOCUS_M * 24.89 / 100) * WIDTH_PX;
    assertThat(seen[1] - seen[0]).isCloseTo(streak, within(0.002 * streak));
  }

  @Test
  void shutterThatStaysShut_isOneMoment() {
    OpenShutter shut = OpenShutter.at(7, 0, ShutterOpens.CENTRED);
    assertThat(shut.moment(0.3)).isEqualTo(7);
    assertThat(OpenShutter.at(7, 720, ShutterOpens.FORWARD)).isEqualTo(new OpenShutter(7, 9));
    assertThat(shut.without(new TreeSet<>(List.of(7.0)), 7)).isEqualTo(shut);
  }
}

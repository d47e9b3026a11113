package idlelens.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.check.Sharpness.How;
import idlelens.core.check.Sharpness.Soft;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.lens.DepthOfField;
import idlelens.core.lens.Stops;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Chain;
import idlelens.core.part.Path;
import idlelens.core.part.Target;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.SmallShots;
import idlelens.core.scene.TakesKeys;
import idlelens.core.time.SampleGrid;
import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;

/** A subject that goes from 2 m to 22 m away by a metre a frame, before a lens of 50 mm at 10 m. */
class SharpnessTest {
  private static final Target SUBJECT = Target.OfNode.origin("boat");

  private static Key straight(double frame, double value) {
    return new Key(frame, value, Tangent.Kind.STRAIGHT);
  }

  private static Node node(String id, Chain chain) {
    NodeBody body = new NodeBody(id, id, false, chain, TakesKeys.ALL);
    return id.equals("cam") ? new Node.Camera(body) : new Node.Null(body);
  }

  private static Sharpness sharpness(double fStop, double x, double blurFactor) {
    Chain camera =
        Chain.poseAndLens()
            .with(Path.FOCAL, Curve.still(50))
            .with(Path.F_STOP, Curve.still(fStop))
            .with(Path.parse("blur"), Curve.still(blurFactor))
            .with(Path.FOCUS, Curve.still(10));
    Curve away = new Curve(0, List.of(straight(0, -1), straight(24, -25)));
    Map<Path, Curve> moving = Map.of(Path.X, Curve.still(x), Path.Z, away);
    Shot shot = SmallShots.until(21, node("cam", camera), node("boat", Chain.pose().with(moving)));
    return of(shot);
  }

  private static Sharpness of(Shot shot) {
    return of(shot, LookedAt.all(shot.header().range()));
  }

  private static Sharpness of(Shot shot, LookedAt lookedAt) {
    SampleGrid grid = SampleGrid.over(shot.header().range(), 1);
    return Sharpness.of(Evaluation.of(shot, grid, null), "cam", SUBJECT, lookedAt);
  }

  @Test
  void distanceAndBlur_areThoseOfTheFormula() {
    Sharpness found = sharpness(2.8, 1, 1);
    for (int i = 0; i < 21; i++) {
      double d = 2 + i;
      assertThat(found.metres()[i]).isCloseTo(d, within(1e-12));
      // (f / N) f / (s - f) |d - s| / d, on a sensor 24.89 mm wide
      double disc = 50 / 2.8 * 0.05 / 9.95 * Math.abs(d - 10) / d;
      assertThat(found.blur()[i]).isCloseTo(disc / 24.89, within(1e-12));
    }
    assertThat(found.blur()[8]).isZero();
  }

  @Test
  void softStretches_tellWhatWouldHoldThem() {
    Sharpness found = sharpness(2.8, 0, 1);
    assertThat(found.soft()).extracting(Soft::how).containsExactly(How.NEARER, How.FARTHER);
    Soft near = found.soft().get(0);
    Soft far = found.soft().get(1);
    double circle = Math.hypot(24.89, 24.89 * 9 / 16) / 1500;
    DepthOfField depth = new DepthOfField(50, 2.8, circle);
    assertThat(near.from()).isEqualTo(1);
    assertThat(near.to()).isEqualTo((int) Math.ceil(depth.nearM(10)) - 2);
    assertThat(far.from()).isEqualTo((int) Math.floor(depth.farM(10)));
    assertThat(far.to()).isEqualTo(21);
    assertThat(near.worst()).isEqualTo(1);
    assertThat(near.moreM()).isNegative().isEqualTo(near.focusM() - 10);
    assertThat(depth.nearM(near.focusM())).isCloseTo(2, within(1e-9));
    assertThat(far.worst()).isEqualTo(21);
    assertThat(depth.farM(far.focusM())).isCloseTo(22, within(1e-9));
    double held = far.fStop().orElseThrow();
    assertThat(new DepthOfField(50, held, circle).farM(10)).isGreaterThanOrEqualTo(22);
    assertThat(new DepthOfField(50, held / 1.13, circle).farM(10)).isLessThan(22);
  }

  @Test
  void blurFactor_asksForAsMuchMoreStoppingDown() {
    double plain = sharpness(2.8, 0, 1).soft().get(1).fStop().orElseThrow();
    double twice = sharpness(2.8, 0, 2).soft().get(1).fStop().orElseThrow();
    assertThat(twice / plain).isBetween(1.88, 2.12);
  }

  @Test
  void streak_isTheWayInThePictureWhileTheShutterIsOpen() {
    Sharpness found = sharpness(2.8, 1, 1);
    // half of the way from one frame before to one behind, half of a frame open
    double before = 1 / 6.0;
    double after = 1 / 8.0;
    double perMetre = 50 / 24.89;
    assertThat(found.streak()[5]).isCloseTo(perMetre * (before - after) / 2 / 2, within(1e-12));
  }

  @Test
  void behindTheCamera_nothingHoldsIt() {
    Chain turned = Chain.poseAndLens().with(Path.PAN, Curve.still(180));
    Shot shot =
        SmallShots.until(
            3, node("cam", turned), node("boat", Chain.pose().restingAt(0, 0, -4, 0, 0, 0)));
    Sharpness found = of(shot);
    assertThat(found.metres()).containsOnly(new double[] {-4}, within(1e-9));
    assertThat(found.blur()).containsOnly(Double.NaN);
    assertThat(found.soft()).hasSize(1);
    assertThat(found.soft().get(0).how()).isEqualTo(How.BEHIND);
    assertThat(found.soft().get(0).fStop()).isEmpty();
  }

  @Property
  void focusAndStopThatHoldAPoint_putItOnTheEdgeOfTheZone(
      @ForAll @DoubleRange(min = 14, max = 200) double focal,
      @ForAll @DoubleRange(min = 0.7, max = 22) double stop,
      @ForAll @DoubleRange(min = 0.5, max = 100) double focus,
      @ForAll @DoubleRange(min = 0.5, max = 100) double distance) {
    DepthOfField depth = new DepthOfField(focal, stop, 0.02);
    double held = depth.focusHolding(focus, distance);
    if (distance > depth.farM(focus)) {
      assertThat(depth.farM(held)).isCloseTo(distance, within(1e-6 * distance));
      assertThat(held).isBetween(focus, distance + 1e-9);
    } else if (distance < depth.nearM(focus)) {
      assertThat(depth.nearM(held)).isCloseTo(distance, within(1e-6 * distance));
    } else {
      assertThat(held).isEqualTo(focus);
      return;
    }
    DepthOfField stopped = new DepthOfField(focal, depth.stopHolding(focus, distance), 0.02);
    double edge = distance > focus ? stopped.farM(focus) : stopped.nearM(focus);
    assertThat(edge).isCloseTo(distance, within(1e-6 * distance));
  }

  @Test
  void stops_areTheMarkedOnes() {
    assertThat(Stops.from(2.81)).hasValue(3.2);
    assertThat(Stops.from(2.8)).hasValue(2.8);
    assertThat(Stops.from(0.3)).hasValue(1);
    assertThat(Stops.from(129)).isEmpty();
  }
}

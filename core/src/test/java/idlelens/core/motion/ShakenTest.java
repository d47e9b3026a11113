package idlelens.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.geometry.RigidPose;
import idlelens.core.part.Chain;
import idlelens.core.part.FocusRule;
import idlelens.core.part.Hit;
import idlelens.core.part.Lens;
import idlelens.core.part.Part;
import idlelens.core.part.PartBody;
import idlelens.core.part.Path;
import idlelens.core.part.Shake;
import idlelens.core.part.ShakeWay;
import idlelens.core.part.Target;
import idlelens.core.part.Window;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.scene.TakesKeys;
import idlelens.core.set.Finish;
import idlelens.core.set.Shape;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.core.time.SampleGrid;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class ShakenTest {
  private static final List<ShakeWay> WAYS =
      List.of(
          ShakeWay.Handheld.USUAL,
          new ShakeWay.Swell(ShakeWay.Swell.USUAL.phasesDeg(), 0.21, 0.6),
          ShakeWay.Jolt.USUAL,
          new ShakeWay.Jolt(0.2, List.of(new Hit("a", 10.25), new Hit("b", 40)), Optional.empty()));

  static List<ShakeWay> ways() {
    return WAYS;
  }

  private static Shake layer(ShakeWay way, boolean loops) {
    Shake of = Shake.of("shake-a", way, 3, 1);
    return new Shake(of.body(), way, 3, loops, 1);
  }

  /** A camera at rest at the origin with layers of shake, looking along -Z. */
  private static Shot shot(FrameRate rate, FrameRange range, Chain chain) {
    return new Shot(
        new ShotHeader("Shaken", rate, range, 4, 16.0 / 9, 1, Tangent.Kind.SETTLE),
        List.of(
            new Node.Piece(
                new NodeBody("crate", "crate", false, Chain.pose(), TakesKeys.ALL),
                new Shape.Box(1, 1, 1),
                Finish.matt("#a9834c")),
            new Node.Camera(
                new NodeBody("cam", "cam", false, chain, TakesKeys.ALL),
                chain.lens().orElseThrow())));
  }

  private static Chain chain(Map<String, Curve> curves, Part... layers) {
    List<Part> parts = new ArrayList<>(Chain.poseAndLens().parts());
    parts.addAll(parts.size() - 1, List.of(layers));
    Chain chain = new Chain(parts);
    for (Map.Entry<String, Curve> each : curves.entrySet()) {
      chain = chain.with(Path.parse(each.getKey()), each.getValue());
    }
    return chain;
  }

  private static Shot still(ShakeWay way, boolean loops, FrameRate rate, int frames) {
    return shot(
        rate,
        new FrameRange(1, frames),
        chain(
            Map.of(
                "shake-a.x", Curve.still(5),
                "shake-a.xHz", Curve.still(1.3),
                "shake-a.tilt", Curve.still(2),
                "shake-a.tiltHz", Curve.still(2.7)),
            layer(way, loops)));
  }

  @Property(tries = 40)
  void handheld_neverGoesBeyondItsAmplitude(@ForAll @IntRange(min = 0, max = 100_000) int seed) {
    Shake layer = Shake.of("shake-a", ShakeWay.Handheld.USUAL, seed, 1);
    Shot shot =
        shot(
            FrameRate.of(24),
            new FrameRange(1, 400),
            chain(Map.of("shake-a.x", Curve.still(5), "shake-a.xHz", Curve.still(2)), layer));
    PoseTrack world = Evaluation.of(shot).of("cam").world();
    for (double x : world.x()) {
      assertThat(Math.abs(x)).isLessThanOrEqualTo(0.05);
    }
  }

  @Test
  void swell_isTheSine_inTheCamerasOwnSpace() {
    Shake layer = layer(ShakeWay.Swell.USUAL, false);
    Chain chain =
        chain(Map.of("shake-a.z", Curve.still(30), "shake-a.zHz", Curve.still(0.5)), layer)
            .restingAt(1, 2, 3, 90, 0, 0);
    Shot shot = shot(FrameRate.of(25), new FrameRange(1, 100), chain);
    for (double frame : new double[] {1, 7.5, 26, 90}) {
      double z = 0.3 * Math.sin(2 * Math.PI * 0.5 * (frame - 1) / 25 + Math.toRadians(200));
      RigidPose pose = Evaluation.at(shot, frame).pose("cam", 0);
      Vector3d turned = new Vector3d(1 + z, 2, 3); // the own Z points along X when panned 90°
      assertThat(pose.place().distance(turned)).isLessThan(1e-12);
    }
  }

  @Test
  void jolt_ringsAsTheFormulaSays_fromItsHitOn() {
    Shake layer = layer(new ShakeWay.Jolt(0.2, List.of(new Hit("a", 13)), Optional.empty()), false);
    Shot shot =
        shot(
            FrameRate.of(24),
            new FrameRange(1, 100),
            chain(Map.of("shake-a.y", Curve.still(-8), "shake-a.yHz", Curve.still(4)), layer));
    PoseTrack world = Evaluation.of(shot).of("cam").world();
    double w = 2 * Math.PI * 4;
    for (int i = 0; i < world.y().length; i++) {
      double t = (world.grid().frame(i) - 13) / 24;
      double y = t < 0 ? 0 : Math.exp(-0.2 * w * t) * Math.sin(w * Math.sqrt(0.96) * t);
      assertThat(world.y()[i]).isCloseTo(-0.08 * y, within(1e-9));
    }
  }

  @ParameterizedTest
  @MethodSource("ways")
  void equalTimes_giveEqualShake_atEveryRate(ShakeWay way) {
    List<FrameRate> rates =
        List.of(FrameRate.of(24), FrameRate.of(25), FrameRate.of(30), new FrameRate(24_000, 1001));
    ShakeWay timed =
        way instanceof ShakeWay.Jolt jolt ? new ShakeWay.Jolt(0.2, List.of(), jolt.strewn()) : way;
    for (double seconds : new double[] {0, 1, 2, 3.003}) {
      RigidPose first = null;
      for (FrameRate rate : rates) {
        Shot shot = still(timed, false, rate, 200);
        RigidPose pose = Evaluation.at(shot, 1 + rate.frames(seconds)).pose("cam", 0);
        first = first == null ? pose : first;
        assertThat(pose.x()).isCloseTo(first.x(), within(1e-12));
        assertThat(pose.qx()).isCloseTo(first.qx(), within(1e-12));
      }
    }
  }

  @ParameterizedTest
  @MethodSource("ways")
  void loop_closesInPlaceAndSpeed_alsoWithKeyedFrequency(ShakeWay way) {
    int length = 73;
    for (Curve hz : List.of(Curve.still(1.3), keyed(1, 0.5, 40, 3, 73, 1))) {
      Shot shot =
          shot(
              FrameRate.of(24),
              new FrameRange(1, length),
              chain(
                  Map.of(
                      "shake-a.x", Curve.still(5),
                      "shake-a.xHz", hz,
                      "shake-a.roll", Curve.still(5),
                      "shake-a.rollHz", Curve.still(0.4)),
                  layer(way, true)));
      Evaluation all = Evaluation.of(shot, new SampleGrid(0, length + 10, 1), null);
      PoseTrack world = all.of("cam").world();
      for (int i = 0; i < 9; i++) {
        assertThat(world.x()[i + length]).isCloseTo(world.x()[i], within(1e-9));
        assertThat(world.qz()[i + length]).isCloseTo(world.qz()[i], within(1e-9));
      }
    }
  }

  private static Curve keyed(double... framesAndValues) {
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i < framesAndValues.length; i += 2) {
      keys.add(new Key(framesAndValues[i], framesAndValues[i + 1], Tangent.Kind.SETTLE));
    }
    return new Curve(1, keys);
  }

  /** One frame alone, steps between frames, and whole frames give the same. */
  @ParameterizedTest
  @MethodSource("ways")
  void oneFrame_isTheSameAsAll(ShakeWay way) {
    for (boolean loops : new boolean[] {false, true}) {
      Shot shot =
          shot(
              FrameRate.of(24),
              new FrameRange(1, 60),
              chain(
                  Map.of(
                      "shake-a.x", keyed(1, 1, 60, 6),
                      "shake-a.xHz", keyed(5, 0.6, 41.3, 5),
                      "shake-a.weight", keyed(1, 1, 50, 0.2)),
                  layer(way, loops)));
      PoseTrack whole = Evaluation.of(shot).of("cam").world();
      PoseTrack fine = Evaluation.of(shot, new SampleGrid(-3, 4 * 67, 4), null).of("cam").world();
      for (int frame = -2; frame < 62; frame += 3) {
        double alone = Evaluation.at(shot, frame).pose("cam", 0).x();
        assertThat(whole.x()[frame + 3]).isCloseTo(alone, within(1e-9));
        assertThat(fine.x()[4 * (frame + 3)]).isCloseTo(alone, within(1e-9));
      }
    }
  }

  @Test
  void windowAndWeight_scaleIt_andOffItIsGone() {
    Window window = new Window(OptionalDouble.of(20), OptionalDouble.of(40));
    Shake layer = layer(ShakeWay.Handheld.USUAL, false);
    PartBody body = layer.body().withWindow(window);
    Map<String, Curve> curves =
        Map.of("shake-a.x", Curve.still(5), "shake-a.weight", Curve.still(0.5));
    FrameRange range = new FrameRange(1, 60);
    FrameRate rate = FrameRate.of(24);
    PoseTrack full =
        Evaluation.of(shot(rate, range, chain(Map.of("shake-a.x", Curve.still(5)), layer)))
            .of("cam")
            .world();
    PoseTrack half =
        Evaluation.of(shot(rate, range, chain(curves, layer.withBody(body)))).of("cam").world();
    for (int i = 0; i < full.x().length; i++) {
      double frame = full.grid().frame(i);
      double share = frame >= 20 && frame <= 40 ? 0.5 : 0;
      assertThat(half.x()[i]).isCloseTo(share * full.x()[i], within(1e-15));
    }
    Shot off = shot(rate, range, chain(curves, layer.withBody(body.withOn(false))));
    assertThat(Evaluation.of(off).isStill("cam")).isTrue();
  }

  /** A lens that is shaken stays a lens, and one that follows keeps to its target by an offset. */
  @Test
  void lens_isShaken_followingOrNot() {
    Shake layer = layer(ShakeWay.Swell.USUAL, false);
    Map<String, Curve> curves =
        Map.of(
            "shake-a.focal", Curve.still(100),
            "shake-a.focus", Curve.still(0.5),
            "z", Curve.still(8));
    FrameRange range = new FrameRange(1, 60);
    Chain plain = chain(curves, layer);
    LensTrack byHand =
        Evaluation.of(shot(FrameRate.of(24), range, plain)).of("cam").lens().orElseThrow();
    Lens following =
        plain
            .lens()
            .orElseThrow()
            .withFocus(new FocusRule.Follow(Target.OfNode.origin("crate"), 0));
    LensTrack followed =
        Evaluation.of(shot(FrameRate.of(24), range, plain.with(following)))
            .of("cam")
            .lens()
            .orElseThrow();
    for (int i = 0; i < byHand.focalMm().length; i++) {
      double t = (i - 4) / 24.0;
      double sine = Math.sin(2 * Math.PI * t);
      assertThat(byHand.focalMm()[i]).isCloseTo(Math.max(1, 35 + 100 * sine), within(1e-9));
      assertThat(byHand.focusM()[i]).isCloseTo(5 + 0.5 * sine, within(1e-9));
      assertThat(followed.focusM()[i]).isCloseTo(8 + 0.5 * sine, within(1e-9));
    }
  }

  /** Another seed makes this layer anew and what is behind it; what is before it stays. */
  @Test
  void anotherSeed_costsTheLayerAndThoseBehindIt() {
    Shake first = layer(ShakeWay.Handheld.USUAL, false);
    Shake second = first.withBody(first.body().withId("shake-b"));
    Shake third = first.withBody(first.body().withId("shake-c"));
    Map<String, Curve> curves =
        Map.of(
            "shake-a.x", Curve.still(5), "shake-b.y", Curve.still(5), "shake-c.z", Curve.still(5));
    Chain chain = chain(curves, first, second, third);
    Shot shot = shot(FrameRate.of(24), new FrameRange(1, 60), chain);
    Shake other = new Shake(chain.part("shake-b").body(), ShakeWay.Handheld.USUAL, 99, false, 1);
    Shot changed = shot.withNode(shot.node("cam").withChain(chain.with(other)));
    Evaluation before = Evaluation.of(shot);
    Evaluation after = Evaluation.of(changed, before.grid(), before);
    List<Flow> was = before.of("cam").run().flows();
    List<Flow> is = after.of("cam").run().flows();
    assertThat(is.get(1)).isSameAs(was.get(1));
    assertThat(is.get(2).pose()).isNotSameAs(was.get(2).pose());
    assertThat(is.get(3).pose()).isNotSameAs(was.get(3).pose());
    assertThat(after.of("crate").world()).isSameAs(before.of("crate").world());
  }
}

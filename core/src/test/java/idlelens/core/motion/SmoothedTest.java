package idlelens.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.edit.ConvertRate;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.part.Shake;
import idlelens.core.part.ShakeWay;
import idlelens.core.part.Smooth;
import idlelens.core.part.SmoothWay;
import idlelens.core.part.Window;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.scene.TakesKeys;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.core.time.SampleGrid;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class SmoothedTest {
  static List<SmoothWay> ways() {
    return List.of(
        new SmoothWay.Spring(0.8, 1),
        new SmoothWay.Spring(0.6, 3),
        new SmoothWay.Damped(4),
        new SmoothWay.Gaussian(3),
        new SmoothWay.Polynomial(6, 2),
        new SmoothWay.TwoWay(0.75));
  }

  private static Shake shake() {
    Shake layer = Shake.of("shake-a", new ShakeWay.Handheld(4, 0.6), 3, 1);
    return (Shake)
        new Chain(with(Chain.pose(), layer))
            .with(new Path("shake-a", "x"), Curve.still(20))
            .with(new Path("shake-a", "xHz"), Curve.still(2))
            .with(new Path("shake-a", "pan"), Curve.still(8))
            .with(new Path("shake-a", "focal"), Curve.still(4))
            .part("shake-a");
  }

  private static List<Part> with(Chain chain, Part... parts) {
    List<Part> all = new ArrayList<>(chain.parts());
    boolean lens = chain.lens().isPresent();
    all.addAll(all.size() - (lens ? 1 : 0), List.of(parts));
    return all;
  }

  /** A camera that is shaken and smoothed, carried by a null that moves and is smoothed too. */
  private static Shot shot(int handles, Part... parts) {
    Chain dolly =
        new Chain(with(Chain.pose(), Smooth.of("smooth-d", new SmoothWay.Gaussian(2))))
            .with(Path.Z, keyed(1, 0, 30, 4, 60, 2))
            .with(Path.PAN, keyed(1, 0, 60, 60));
    Chain camera = new Chain(with(Chain.poseAndLens(), parts)).with(Path.Y, keyed(1, 1, 60, 2));
    return new Shot(
        new ShotHeader(
            "Smoothed",
            FrameRate.of(24),
            new FrameRange(1, 60),
            handles,
            16.0 / 9,
            1,
            Tangent.Kind.SETTLE),
        List.of(
            new Node.Null(new NodeBody("dolly", "dolly", false, dolly, TakesKeys.ALL)),
            new Node.Camera(
                new NodeBody(
                    "cam", "cam", false, new Carriage("dolly", RigidPose.IDENTITY), camera),
                camera.lens().orElseThrow())));
  }

  private static Curve keyed(double... framesAndValues) {
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i < framesAndValues.length; i += 2) {
      keys.add(new Key(framesAndValues[i], framesAndValues[i + 1], Tangent.Kind.SETTLE));
    }
    return new Curve(0, keys);
  }

  private static void same(RigidPose one, RigidPose other, double tolerance) {
    assertThat(one.place().distance(other.place())).isLessThan(tolerance);
    assertThat(Turns.angleBetween(one.turn(), other.turn())).isLessThan(tolerance);
  }

  /** Alone, among frames, among steps between frames, or far outside: a frame is what it is. */
  @ParameterizedTest
  @MethodSource("ways")
  void oneFrame_isTheSame_onEveryGrid_whateverTheHandles(SmoothWay way) {
    Part[] chain = {shake(), Smooth.of("smooth-a", way)};
    Shot short_ = shot(4, chain);
    Evaluation all = Evaluation.of(short_);
    Evaluation fine = Evaluation.of(short_, new SampleGrid(-3, 4 * 68, 4), null);
    Evaluation wide = Evaluation.of(shot(900, chain));
    for (int frame = -3; frame <= 64; frame++) {
      RigidPose pose = all.pose("cam", frame + 3);
      same(Evaluation.at(short_, frame).pose("cam", 0), pose, 1e-9);
      same(fine.pose("cam", 4 * (frame + 3)), pose, 1e-9);
      same(wide.pose("cam", frame + 899), pose, 1e-9);
      double focal = all.of("cam").lens().orElseThrow().focalMm()[frame + 3];
      assertThat(wide.of("cam").lens().orElseThrow().focalMm()[frame + 899])
          .isCloseTo(focal, within(1e-9));
    }
    same(wide.pose("cam", 0), Evaluation.at(shot(0, chain), -899).pose("cam", 0), 1e-9);
  }

  @Test
  void betweenFrames_itPassesSmoothly() {
    Shot shot = shot(4, shake(), Smooth.of("smooth-a", new SmoothWay.Gaussian(3)));
    PoseTrack fine = Evaluation.of(shot, new SampleGrid(1, 8 * 50, 8), null).of("cam").world();
    double most = 0;
    for (int i = 1; i + 1 < fine.x().length; i++) {
      most = Math.max(most, Math.abs(fine.x()[i + 1] - 2 * fine.x()[i] + fine.x()[i - 1]));
    }
    assertThat(most).as("no corner at a frame").isLessThan(3e-3);
  }

  @ParameterizedTest
  @MethodSource("ways")
  void limit_holdsAtEveryMoment(SmoothWay way) {
    Smooth free = Smooth.of("smooth-a", way);
    Smooth within =
        new Smooth(
            free.body(),
            way,
            Smooth.Of.ALL,
            new Smooth.Within(OptionalDouble.of(2), OptionalDouble.of(0.3)));
    SampleGrid grid = new SampleGrid(-3, 5 * 66, 5);
    Evaluation before = Evaluation.of(shot(4, shake()), grid, null);
    Evaluation after = Evaluation.of(shot(4, shake(), within), grid, null);
    Evaluation freely = Evaluation.of(shot(4, shake(), free), grid, null);
    double most = 0;
    for (int i = 0; i < grid.count(); i++) {
      RigidPose from = before.pose("cam", i);
      RigidPose to = after.pose("cam", i);
      assertThat(from.place().distance(to.place())).isLessThanOrEqualTo(0.02 + 1e-12);
      assertThat(Math.toDegrees(Turns.angleBetween(from.turn(), to.turn())))
          .isLessThanOrEqualTo(0.3 + 1e-9);
      most = Math.max(most, from.place().distance(freely.pose("cam", i).place()));
    }
    assertThat(most).as("it would go farther").isGreaterThan(0.03);
  }

  /** Half a weight goes half of the way, outside the window nothing; each of its kinds alone. */
  @Test
  void weightWindowAndKinds_areTakenForThemselves() {
    Smooth whole = Smooth.of("smooth-a", new SmoothWay.Gaussian(4));
    Window window = new Window(OptionalDouble.of(20), OptionalDouble.of(40));
    Smooth place =
        new Smooth(
            whole.body().withWindow(window),
            whole.way(),
            new Smooth.Of(true, false, false),
            Smooth.Within.OPEN);
    Shot half = shot(4, shake(), place);
    half =
        half.withNode(
            half.node("cam")
                .withChain(
                    half.node("cam")
                        .chain()
                        .with(new Path("smooth-a", "weight"), Curve.still(0.5))));
    Evaluation before = Evaluation.of(shot(4, shake()));
    Evaluation all = Evaluation.of(shot(4, shake(), whole));
    Evaluation some = Evaluation.of(half);
    for (int i = 0; i < before.grid().count(); i++) {
      double frame = before.grid().frame(i);
      double share = frame >= 20 && frame <= 40 ? 0.5 : 0;
      RigidPose from = before.pose("cam", i);
      double x = from.x() + share * (all.pose("cam", i).x() - from.x());
      assertThat(some.pose("cam", i).x()).isCloseTo(x, within(1e-12));
      assertThat(Turns.angleBetween(some.pose("cam", i).turn(), from.turn())).isLessThan(1e-12);
    }
    assertThat(some.of("cam").lens().orElseThrow().focalMm())
        .isEqualTo(before.of("cam").lens().orElseThrow().focalMm());
    assertThat(all.of("cam").lens().orElseThrow().focalMm())
        .isNotEqualTo(before.of("cam").lens().orElseThrow().focalMm());
  }

  /** A cut inside one camera stays one: both sides are what they would be without the other. */
  @ParameterizedTest
  @MethodSource("ways")
  void cut_isNeverSmoothedAcross(SmoothWay way) {
    Curve x =
        new Curve(
            0,
            List.of(
                new Key(1, 0, Tangent.Kind.STRAIGHT),
                new Key(20, 2, Tangent.Kind.HOLD),
                new Key(30.5, 40, Tangent.Kind.STRAIGHT),
                new Key(60, 43, Tangent.Kind.STRAIGHT)));
    Chain chain = new Chain(with(Chain.poseAndLens(), Smooth.of("smooth-a", way))).with(Path.X, x);
    Shot shot = shot(4, shake());
    shot = shot.withNode(shot.node("cam").withChain(chain));
    assertThat(Jumps.of(shot, shot.node("cam"))).containsExactly(30.5);
    PoseTrack world = Evaluation.of(shot, new SampleGrid(1, 2 * 60, 2), null).of("cam").world();
    for (int i = 0; i < world.x().length; i++) {
      double frame = world.grid().frame(i);
      assertThat(world.x()[i]).isBetween(frame < 30.5 ? -0.5 : 39.5, frame < 30.5 ? 2.5 : 43.5);
    }
    Shot carried = shot(4, Smooth.of("smooth-a", way));
    carried =
        carried.withNode(
            carried
                .node("dolly")
                .withChain(
                    carried
                        .node("dolly")
                        .chain()
                        .with(Path.X, x)
                        .with(Path.Z, Curve.still(0))
                        .with(Path.PAN, Curve.still(0))));
    assertThat(Jumps.of(carried, carried.node("cam"))).containsExactly(30.5);
  }

  @Test
  void smallSteps_andChannelsHeldAlone_areNoCuts() {
    Curve twos =
        new Curve(
            0, List.of(new Key(1, 0, Tangent.Kind.HOLD), new Key(3, 0.05, Tangent.Kind.HOLD)));
    Curve far =
        new Curve(0, List.of(new Key(1, 0, Tangent.Kind.HOLD), new Key(3, 9, Tangent.Kind.HOLD)));
    Shot shot = shot(4);
    Node cam = shot.node("cam");
    Chain plain = Chain.poseAndLens();
    assertThat(Jumps.of(shot, cam.withChain(plain.with(Path.X, twos)))).isEmpty();
    assertThat(Jumps.of(shot, cam.withChain(plain.with(Path.X, far)))).containsExactly(3.0);
    assertThat(
            Jumps.of(
                shot, cam.withChain(plain.with(Path.X, far).with(Path.PAN, keyed(1, 0, 9, 40)))))
        .isEmpty();
  }

  /** At twice the rate it takes as long in seconds, within a part of a frame for each pole. */
  @ParameterizedTest
  @MethodSource("ways")
  void anotherRate_keepsItsTime(SmoothWay way) {
    Shot at24 = shot(4, Smooth.of("smooth-a", way));
    Shot at48 = new ConvertRate(FrameRate.of(48), ConvertRate.Keep.TIME, false).apply(at24);
    int in = at48.header().range().in();
    for (int frame = 1; frame <= 60; frame += 4) {
      RigidPose was = Evaluation.at(at24, frame).pose("cam", 0);
      RigidPose is = Evaluation.at(at48, in + (frame - 1) * 2).pose("cam", 0);
      assertThat(is.place().distance(was.place())).isLessThan(0.15);
    }
    assertThat(new SmoothWay.Spring(0.81, 1).lasting(2)).isEqualTo(new SmoothWay.Spring(0.9, 1));
  }

  /** What is the same as before is taken over, on the work grid and in the part that is sent. */
  @Test
  void anEdit_costsItsStageAndThoseBehindIt() {
    Smooth bell = Smooth.of("smooth-a", new SmoothWay.Gaussian(3));
    Shot shot = shot(4, shake(), bell);
    Shot other =
        shot.withNode(
            shot.node("cam")
                .withChain(
                    shot.node("cam")
                        .chain()
                        .with(
                            new Smooth(
                                bell.body(),
                                new SmoothWay.Gaussian(5),
                                bell.of(),
                                bell.within()))));
    Evaluation before = Evaluation.of(shot);
    Evaluation after = Evaluation.of(other, before.grid(), before);
    Evaluation again = Evaluation.of(shot, before.grid(), before);
    assertThat(again.shares("cam", before)).isTrue();
    assertThat(after.shares("dolly", before)).isTrue();
    assertThat(after.shares("cam", before)).isFalse();
    assertThat(after.of("cam").carried()).isSameAs(before.of("cam").carried());
    List<Flow> was = before.of("cam").run().flows();
    List<Flow> is = after.of("cam").run().flows();
    assertThat(is.get(2).pose()).as("shaken").isSameAs(was.get(2).pose());
    assertThat(is.get(3).pose()).as("smoothed").isNotSameAs(was.get(3).pose());
    Evaluation fresh = Evaluation.of(other);
    assertThat(after.of("cam").world().x()).isEqualTo(fresh.of("cam").world().x());
  }
}

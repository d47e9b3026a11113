package idlelens.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.part.Aim;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.Lens;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.part.Target;
import idlelens.core.part.Window;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.LongRange;
import org.joml.Quaterniond;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/**
 * Aim against closed form: on the axis, roll kept or levelled, near the pole, between two targets.
 */
class AimTest {
  private static final double ON_AXIS_RAD = 1e-9;
  private static final Path WEIGHT = new Path("aim-1", "weight");
  private static final Path BLEND = new Path("aim-1", "blend");

  private static Shot shot(Node... nodes) {
    ShotHeader header =
        new ShotHeader(
            "Aim", FrameRate.of(24), new FrameRange(1, 100), 5, 1.78, 1, Tangent.Kind.STRAIGHT);
    return new Shot(header, List.of(nodes));
  }

  private static Chain aimed(Chain chain, Part... aims) {
    List<Part> parts = new ArrayList<>(chain.parts());
    parts.addAll(2, List.of(aims));
    return new Chain(parts);
  }

  private static Node camera(Chain chain) {
    return new Node.Camera(new NodeBody("cam", "Cam", false, Carriage.WORLD, chain), Lens.PLAIN);
  }

  private static Node mark(String id, Chain chain) {
    return new Node.Null(new NodeBody(id, id, false, Carriage.WORLD, chain));
  }

  private static Chain at(double x, double y, double z, double pan, double tilt, double roll) {
    return Chain.poseAndLens().restingAt(x, y, z, pan, tilt, roll);
  }

  private static Curve straight(double... framesAndValues) {
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i < framesAndValues.length; i += 2) {
      keys.add(new Key(framesAndValues[i], framesAndValues[i + 1], Tangent.Kind.STRAIGHT));
    }
    return new Curve(framesAndValues[1], keys);
  }

  private static double off(RigidPose pose, Vector3d target, Vector3d axis) {
    Vector3d looks = new Vector3d(axis).rotate(pose.turn());
    Vector3d way = new Vector3d(target).sub(pose.place()).normalize();
    return Math.atan2(new Vector3d(looks).cross(way).length(), looks.dot(way));
  }

  @Property(tries = 300)
  void weightOne_looksAtTheTarget_withAnySide_fromAnyPose(@ForAll @LongRange(min = 0) long seed) {
    Random random = new Random(seed);
    double[] v = random.doubles(9, -10, 10).toArray();
    Aim.Side side = Aim.Side.values()[random.nextInt(6)];
    Aim.Roll roll = Aim.Roll.values()[random.nextInt(2)];
    Target target = new Target.Place(v[0], v[1], v[2]);
    Aim aim = new Aim(Aim.at("aim-1", target).body(), side, roll, target, Optional.empty());
    Chain chain = aimed(at(v[3], v[4], v[5], v[6] * 40, v[7] * 9, v[8] * 18), aim);
    RigidPose pose = Evaluation.at(shot(camera(chain)), 1).pose("cam", 0);
    assertThat(off(pose, new Vector3d(v[0], v[1], v[2]), side.axis())).isLessThan(ON_AXIS_RAD);
    assertThat(pose.place()).isEqualTo(new Vector3d(v[3], v[4], v[5]));
  }

  @Property(tries = 200)
  void rollKept_isTheShortestTurn(@ForAll @LongRange(min = 0) long seed) {
    double[] v = new Random(seed).doubles(6, -10, 10).toArray();
    Aim aim = Aim.at("aim-1", new Target.Place(v[0], v[1], v[2]));
    Chain plain = at(0, 0, 0, v[3] * 18, v[4] * 8, v[5] * 18);
    RigidPose before = Evaluation.at(shot(camera(plain)), 1).pose("cam", 0);
    RigidPose after = Evaluation.at(shot(camera(aimed(plain, aim))), 1).pose("cam", 0);
    Vector3d way = new Vector3d(v[0], v[1], v[2]).normalize();
    double between = Math.acos(Math.max(-1, Math.min(1, before.forward().dot(way))));
    assertThat(Turns.angleBetween(before.turn(), after.turn())).isCloseTo(between, within(1e-7));
    // the axis of the turn stands across both directions, so nothing of it is roll
    Quaterniond turn = after.turn().mul(before.turn().conjugate());
    assertThat(turn.x * way.x + turn.y * way.y + turn.z * way.z).isCloseTo(0, within(1e-9));
  }

  @Property(tries = 200)
  void weightZero_isTheUnaimedPose_toTheLastBit(@ForAll @LongRange(min = 0) long seed) {
    double[] v = new Random(seed).doubles(6, -10, 10).toArray();
    Chain plain = at(v[0], v[1], v[2], v[3], v[4], v[5]);
    Aim aim = Aim.at("aim-1", new Target.Place(0, 1, 0));
    Chain faded = aimed(plain, aim).with(WEIGHT, straight(1, 0, 50, 0, 51, 1));
    Evaluation motion = Evaluation.of(shot(camera(faded)));
    RigidPose before = Evaluation.at(shot(camera(plain)), 1).pose("cam", 0);
    for (int i = 0; i < 50; i++) {
      assertThat(motion.pose("cam", i)).isEqualTo(before);
    }
  }

  @Property(tries = 200)
  void partOfTheWeight_isThatPartOfTheTurn(
      @ForAll @LongRange(min = 0) long seed,
      @ForAll @DoubleRange(min = 0.01, max = 0.99) double w) {
    double[] v = new Random(seed).doubles(6, -10, 10).toArray();
    Chain plain = at(0, 0, 0, v[3] * 9, v[4] * 8, v[5] * 9);
    Chain full = aimed(plain, Aim.at("aim-1", new Target.Place(v[0], v[1], v[2])));
    Quaterniond none = Evaluation.at(shot(camera(plain)), 1).pose("cam", 0).turn();
    Quaterniond all = Evaluation.at(shot(camera(full)), 1).pose("cam", 0).turn();
    Shot part = shot(camera(full.with(WEIGHT, Curve.still(w))));
    Quaterniond some = Evaluation.at(part, 1).pose("cam", 0).turn();
    double whole = Turns.angleBetween(none, all);
    assertThat(Turns.angleBetween(none, some)).isCloseTo(whole * w, within(1e-9));
    assertThat(Turns.angleBetween(some, all)).isCloseTo(whole * (1 - w), within(1e-9));
  }

  @Test
  void levelled_hasALevelHorizon_awayFromTheVertical() {
    Target target = new Target.Place(3, 5, -4);
    Aim aim =
        new Aim(
            Aim.at("aim-1", target).body(),
            Aim.Side.FRONT,
            Aim.Roll.LEVELLED,
            target,
            Optional.empty());
    Chain chain = aimed(at(0, 1, 0, 70, -20, 35), aim);
    Quaterniond turn = Evaluation.at(shot(camera(chain)), 1).pose("cam", 0).turn();
    Vector3d right = new Vector3d(1, 0, 0).rotate(turn);
    assertThat(right.y).isCloseTo(0, within(1e-12));
    assertThat(new Vector3d(0, 1, 0).rotate(turn).y).isPositive();
  }

  /** Walks under the target along a line that passes it a hair beside the vertical. */
  @ParameterizedTest
  @EnumSource(Aim.Roll.class)
  void passingThePole_neverFlips(Aim.Roll roll) {
    Target target = new Target.Place(0, 6, 0);
    Aim aim =
        new Aim(Aim.at("aim-1", target).body(), Aim.Side.FRONT, roll, target, Optional.empty());
    Chain chain = aimed(at(0, 0, 0.001, 90, 30, 0), aim).with(Path.X, straight(1, -4, 100, 4));
    Shot walk = shot(camera(chain));
    double largest = 0;
    Quaterniond last = null;
    for (double frame = 1; frame <= 100; frame += 0.01) {
      Quaterniond turn = Evaluation.at(walk, frame).pose("cam", 0).turn();
      largest = last == null ? 0 : Math.max(largest, Turns.angleBetween(last, turn));
      last = turn;
    }
    assertThat(Math.toDegrees(largest)).isLessThan(1);
  }

  @Test
  void straightBehind_turnsAboutTheOwnUp() {
    Chain chain = aimed(at(0, 0, 0, 0, 0, 30), Aim.at("aim-1", new Target.Place(0, 0, 5)));
    Quaterniond turn = Evaluation.at(shot(camera(chain)), 1).pose("cam", 0).turn();
    Vector3d up = new Vector3d(0, 1, 0).rotate(Turns.quaternion(0, 0, Math.toRadians(30)));
    assertThat(new Vector3d(0, 1, 0).rotate(turn).distance(up)).isLessThan(1e-12);
    assertThat(new Vector3d(0, 0, -1).rotate(turn).distance(0, 0, 1)).isLessThan(1e-12);
  }

  @Test
  void targetWhereTheNodeStands_leavesThePoseAsItIs() {
    Chain plain = at(1, 2, 3, 10, 20, 30);
    Chain chain = aimed(plain, Aim.at("aim-1", new Target.Place(1, 2, 3)));
    assertThat(Evaluation.at(shot(camera(chain)), 1).pose("cam", 0))
        .isEqualTo(Evaluation.at(shot(camera(plain)), 1).pose("cam", 0));
  }

  @Test
  void twoTargets_areBlendedAlongTheGreatCircle() {
    Aim aim =
        new Aim(
            Aim.at("aim-1", new Target.Place(10, 0, 0)).body(),
            Aim.Side.FRONT,
            Aim.Roll.KEPT,
            new Target.Place(10, 0, 0),
            Optional.of(new Target.Place(0, 0, -2)));
    Chain chain = aimed(at(0, 0, 0, 0, 0, 0), aim).with(BLEND, straight(1, 0, 91, 1));
    Evaluation motion = Evaluation.of(shot(camera(chain)));
    for (int degrees = 0; degrees <= 90; degrees += 9) {
      Vector3d looks = motion.pose("cam", 5 + degrees).forward();
      double angle = Math.toDegrees(Math.atan2(-looks.z, looks.x));
      assertThat(angle).as("at blend %s", degrees / 90.0).isCloseTo(degrees, within(1e-9));
      assertThat(looks.y).isCloseTo(0, within(1e-12));
    }
  }

  @Test
  void pointOfAMovingNode_isFollowedAtEveryFrame_alsoBetweenFrames() {
    Chain target =
        Chain.pose()
            .with(Map.of(Path.X, straight(1, -5, 100, 5), Path.PAN, straight(1, 0, 100, 720)));
    Chain chain = aimed(at(0, 1, 8, 0, 0, 0), Aim.at("aim-1", new Target.OfNode("mark", 1, 2, 0)));
    Shot shot = shot(camera(chain), mark("mark", target));
    for (double frame = -4; frame <= 105; frame += 0.37) {
      Evaluation now = Evaluation.at(shot, frame);
      Vector3d point = now.pose("mark", 0).apply(new Vector3d(1, 2, 0));
      assertThat(off(now.pose("cam", 0), point, new Vector3d(0, 0, -1))).isLessThan(ON_AXIS_RAD);
    }
  }

  @Test
  void window_openEndsMeanAlways_edgesAreInside_fadesAreSmooth() {
    Window closed = new Window(OptionalDouble.of(10), OptionalDouble.of(20), 4, 0);
    assertThat(Window.OPEN.at(-1e6)).isEqualTo(1);
    assertThat(closed.at(9.999)).isZero();
    assertThat(closed.at(12)).isEqualTo(0.5);
    assertThat(closed.at(14)).isEqualTo(1);
    assertThat(closed.at(20)).isEqualTo(1);
    assertThat(closed.at(20.001)).isZero();
    Window sharp = new Window(OptionalDouble.of(10), OptionalDouble.of(10));
    assertThat(sharp.at(10)).isEqualTo(1);
    assertThatThrownBy(() -> new Window(OptionalDouble.of(10), OptionalDouble.of(9)))
        .hasMessage("window.to is 9.0; allowed: the first frame (10.0) or later");
  }

  @Test
  void windowOfAnAim_holdsInTheHandlesToo_whereItIsOpen() {
    Aim aim = Aim.at("aim-1", new Target.Place(5, 0, 0));
    Window until = new Window(OptionalDouble.empty(), OptionalDouble.of(50));
    Chain plain = at(0, 0, 0, 0, 0, 0);
    Shot shot = shot(camera(aimed(plain, aim.withBody(aim.body().withWindow(until)))));
    Evaluation motion = Evaluation.of(shot);
    assertThat(motion.pose("cam", 0).forward().x).isCloseTo(1, within(1e-12));
    assertThat(motion.pose("cam", 5 + 49).forward().x).isCloseTo(1, within(1e-12));
    assertThat(motion.pose("cam", 5 + 50).forward().x).isCloseTo(0, within(1e-12));
  }

  @Test
  void switchedOff_isPassedBy_andOrderCounts() {
    Aim first = Aim.at("aim-1", new Target.Place(5, 0, 0));
    Aim second = Aim.at("aim-2", new Target.Place(0, 0, 5));
    Chain plain = at(0, 0, 0, 0, 0, 0);
    Chain both = aimed(plain, first, second);
    Shot last = shot(camera(both));
    assertThat(Evaluation.at(last, 1).pose("cam", 0).forward().z).isCloseTo(1, within(1e-12));
    Shot swapped = shot(camera(aimed(plain, second, first)));
    assertThat(Evaluation.at(swapped, 1).pose("cam", 0).forward().x).isCloseTo(1, within(1e-12));
    Chain off = both.with(second.withBody(second.body().withOn(false)));
    assertThat(Evaluation.at(shot(camera(off)), 1).pose("cam", 0).forward().x)
        .isCloseTo(1, within(1e-12));
  }

  @Test
  void localPose_forAHandOff_holdsTheAim() {
    Chain carrier = Chain.pose().with(Path.PAN, straight(1, 0, 100, 90));
    Chain chain = aimed(at(0, 0, 2, 0, 0, 0), Aim.at("aim-1", new Target.Place(3, 1, -4)));
    Node camera = camera(chain).withCarriage(Carriage.by("mark"));
    Evaluation motion = Evaluation.of(shot(camera, mark("mark", carrier)));
    PoseTrack local = motion.local("cam");
    for (int i = 0; i < motion.grid().count(); i += 9) {
      RigidPose back = motion.pose("mark", i).times(local.pose(i));
      assertThat(Turns.angleBetween(back.turn(), motion.pose("cam", i).turn())).isLessThan(1e-12);
    }
  }

  @Test
  void aimAtWhatItCarries_isRefusedByName() {
    Node carried = new Node.Null(new NodeBody("b", "B", false, Carriage.by("a"), Chain.pose()));
    Chain chain = aimed(Chain.pose(), Aim.at("aim-1", Target.OfNode.origin("b")));
    Node carrier = new Node.Null(new NodeBody("a", "A", false, Carriage.WORLD, chain));
    assertThatThrownBy(() -> shot(carrier, carried))
        .hasMessageContaining("a loop (")
        .hasMessageContaining("A > B > A");
  }

  @Test
  void camerasThatFocusOnEachOther_areNoLoop_butAimingAtEachOtherIs() {
    Node one =
        new Node.Camera(
            new NodeBody("one", "One", false, Carriage.WORLD, Chain.poseAndLens()),
            Lens.PLAIN.following("two"));
    Node two =
        new Node.Camera(
            new NodeBody("two", "Two", false, Carriage.WORLD, Chain.poseAndLens()),
            Lens.PLAIN.following("one"));
    assertThat(shot(one, two).nodes()).hasSize(2);
    Node aimedOne = mark("one", aimed(Chain.pose(), Aim.at("aim-1", Target.OfNode.origin("two"))));
    Node aimedTwo = mark("two", aimed(Chain.pose(), Aim.at("aim-1", Target.OfNode.origin("one"))));
    assertThatThrownBy(() -> shot(aimedOne, aimedTwo)).hasMessageContaining("a loop (");
  }
}

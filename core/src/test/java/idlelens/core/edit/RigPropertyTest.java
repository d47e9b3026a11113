package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Curves;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.part.Chain;
import idlelens.core.part.Keys;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameRate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.LongRange;
import org.joml.Quaterniond;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;

/** What must hold for every rig, whatever its keys and tangents: tried on random ones. */
class RigPropertyTest {
  /** The rig with random curves in half of all pose channels of all its nodes. */
  private static Shot rig(long seed) {
    Random random = new Random(seed);
    Shot shot = Sets.rig();
    for (Node node : List.copyOf(shot.nodes())) {
      Map<Path, Curve> curves = new LinkedHashMap<>();
      for (Path channel : Path.POSE) {
        if (random.nextBoolean()) {
          curves.put(channel, Curves.random(random));
        }
      }
      Chain channels = node.chain().with(curves);
      shot = shot.withNode(node.withChain(channels));
    }
    return shot;
  }

  private static void assertSamePose(RigidPose a, RigidPose b) {
    assertThat(a.place().distance(b.place())).isLessThan(1e-8);
    assertThat(Turns.angleBetween(a.turn(), b.turn())).isLessThan(1e-8);
  }

  @Property(tries = 60)
  void carry_withPlaceKept_leavesTheNodeWhereItIsAtThatFrame(
      @ForAll @LongRange(min = 0) long seed, @ForAll @IntRange(min = 1, max = 50) int frame) {
    Shot shot = rig(seed);
    for (String carrier : List.of("other", "base", "")) {
      Shot carried = new Carry("cam", carrier, frame, Keep.PLACE).apply(shot);
      assertSamePose(
          Evaluation.at(carried, frame).pose("cam", 0), Evaluation.at(shot, frame).pose("cam", 0));
      Shot back = new Carry("cam", "arm", frame, Keep.PLACE).apply(carried);
      assertSamePose(
          Evaluation.at(back, frame + 3).pose("cam", 0),
          Evaluation.at(shot, frame + 3).pose("cam", 0));
    }
  }

  @Property(tries = 40)
  void remove_aCarrier_leavesWhatItCarriedInPlaceAtThatFrame(
      @ForAll @LongRange(min = 0) long seed, @ForAll @IntRange(min = 1, max = 50) int frame) {
    Shot shot = rig(seed);
    Shot without = new RemoveNodes(List.of("arm", "base"), frame, false, Keep.PLACE).apply(shot);
    assertThat(without.node("cam").carriage().isCarried()).isFalse();
    assertSamePose(
        Evaluation.at(without, frame).pose("cam", 0), Evaluation.at(shot, frame).pose("cam", 0));
  }

  @Property(tries = 30)
  void duplicate_movesAsItsOriginal_onEveryFrame(@ForAll @LongRange(min = 0) long seed) {
    Shot shot = new Duplicate("base", "copy", "Copy").apply(rig(seed));
    Evaluation motion = Evaluation.of(shot);
    for (int i = 0; i < motion.grid().count(); i++) {
      assertThat(motion.pose("copy", i)).isEqualTo(motion.pose("base", i));
      assertThat(motion.pose("copy-2", i)).isEqualTo(motion.pose("cam", i));
    }
  }

  @Property(tries = 60)
  void moveInWorld_goesAsFarAsItIsMoved_whateverCarriesIt(
      @ForAll @LongRange(min = 0) long seed,
      @ForAll @DoubleRange(min = -4, max = 4) double dx,
      @ForAll @DoubleRange(min = -4, max = 4) double dz,
      @ForAll @DoubleRange(min = -170, max = 170) double turn) {
    Shot shot = rig(seed);
    RigidPose before = Evaluation.at(shot, 20).pose("cam", 0);
    Shot moved = new MoveInWorld("cam", 20, dx, 0.5, dz, turn, Keying.WHOLE_POSE).apply(shot);
    RigidPose after = Evaluation.at(moved, 20).pose("cam", 0);
    Vector3d way = new Vector3d(after.place()).sub(before.place());
    assertThat(way.distance(dx, 0.5, dz)).isLessThan(1e-8);
    assertThat(
            Turns.angleBetween(
                Turns.quaternion(Math.toRadians(turn), 0, 0).mul(before.turn()), after.turn()))
        .isLessThan(1e-7);
  }

  /** A key of a cycle that hardly moves itself, between others that do. */
  @Test
  void movePath_aKeyThatHardlyMoves_isHeldWhereItBelongs() {
    Shot shot = rig(34);
    Shot moved = new MovePath("arm", List.of(), 0.01, 0.5, 0).apply(shot);
    for (double frame : shot.node("arm").chain().keyFrames(Path.PLACE)) {
      assertMoved(shot, moved, "arm", frame, new Vector3d(0.01, 0.5, 0));
    }
  }

  @Property(tries = 40)
  void movePath_movesEveryKeyByAsMuch_whateverCarriesIt(
      @ForAll @LongRange(min = 0) long seed,
      @ForAll @DoubleRange(min = -4, max = 4) double dx,
      @ForAll @DoubleRange(min = -4, max = 4) double dz) {
    Shot shot = rig(seed);
    for (String id : List.of("cam", "arm", "crate", "mover")) { // which an orbit turns
      Set<Double> keys = shot.node(id).chain().keyFrames(Path.PLACE);
      List<Double> some = keys.stream().skip(keys.size() / 2).toList();
      Shot moved = new MovePath(id, List.of(), dx, 0.5, dz).apply(shot);
      Shot partly = new MovePath(id, some, dx, 0.5, dz).apply(shot);
      for (double frame : keys.isEmpty() ? List.of(7.0) : keys) {
        assertMoved(shot, moved, id, frame, new Vector3d(dx, 0.5, dz));
        if (some.contains(frame)) {
          assertMoved(shot, partly, id, frame, new Vector3d(dx, 0.5, dz));
        } else if (!some.isEmpty()) {
          assertSameKeys(shot, partly, id, frame);
        }
      }
    }
  }

  @Test
  void movePath_aKeyLiftedWhereHeightStoodStill_liftsNoOther() {
    Shot shot = Sets.rig();
    Shot lifted = new MovePath("cam", List.of(20.0), 0, 0.5, 0).apply(shot);
    assertMoved(shot, lifted, "cam", 20, new Vector3d(0, 0.5, 0));
    for (double frame : List.of(1.0, 40.0, 48.0)) {
      assertMoved(shot, lifted, "cam", frame, new Vector3d());
    }
  }

  private static void assertSameKeys(Shot was, Shot is, String id, double frame) {
    for (Path path : Path.PLACE) {
      Curve before = was.node(id).chain().curve(path);
      int at = before.indexOf(frame);
      if (at >= 0) {
        Curve after = is.node(id).chain().curve(path);
        assertThat(after.keys().get(after.indexOf(frame))).isEqualTo(before.keys().get(at));
      }
    }
  }

  private static void assertMoved(Shot was, Shot is, String id, double frame, Vector3d way) {
    RigidPose before = Evaluation.at(was, frame).pose(id, 0);
    RigidPose after = Evaluation.at(is, frame).pose(id, 0);
    assertThat(new Vector3d(after.place()).sub(before.place()).distance(way)).isLessThan(1e-8);
  }

  @Property(tries = 30)
  void oneFrameAskedAlone_isTheFrameOfTheWhole_toTheLastBit(@ForAll @LongRange(min = 0) long seed) {
    Shot shot = rig(seed);
    Evaluation all = Evaluation.of(shot);
    for (int i = 0; i < all.grid().count(); i += 7) {
      RigidPose alone = Evaluation.at(shot, all.grid().frame(i)).pose("cam", 0);
      assertThat(alone.place()).isEqualTo(all.pose("cam", i).place());
      Quaterniond turn = all.pose("cam", i).turn();
      Quaterniond sameTurn = new Quaterniond(-turn.x, -turn.y, -turn.z, -turn.w);
      assertThat(alone.turn()).isIn(turn, sameTurn);
    }
  }

  @Property(tries = 40)
  void evaluationAfterAnEdit_lentFromTheOneBefore_isThatFromTheStart(
      @ForAll @LongRange(min = 0) long seed, @ForAll @IntRange(min = 1, max = 50) int frame) {
    Shot shot = rig(seed);
    Evaluation before = Evaluation.of(shot);
    List<Edit> edits =
        List.of(
            new SetValues("arm", frame, Map.of(Path.PAN, 12.0), Keying.WHOLE_POSE),
            new SwitchPart("base", Keys.ID, false),
            new SetFieldOfView("cam", frame, SetFieldOfView.Side.HORIZONTAL, 40, Keying.TOUCHED),
            new Carry("crate", "arm", frame, Keep.PLACE));
    for (Edit edit : edits) {
      shot = edit.apply(shot);
      Evaluation lent = Evaluation.of(shot, before.grid(), before);
      Evaluation fresh = Evaluation.of(shot);
      for (Node node : shot.nodes()) {
        assertThat(lent.of(node.id()).world().x()).isEqualTo(fresh.of(node.id()).world().x());
        assertThat(lent.of(node.id()).world().qw()).isEqualTo(fresh.of(node.id()).world().qw());
      }
      assertThat(lens(lent).focusM()).isEqualTo(lens(fresh).focusM());
      assertThat(lens(lent).horizontalRad()).isEqualTo(lens(fresh).horizontalRad());
      before = lent;
    }
  }

  private static LensTrack lens(Evaluation motion) {
    return motion.of("cam").lens().orElseThrow();
  }

  @Property(tries = 40)
  void sharpness_beginsBeforeTheFocusAndEndsBehindIt(@ForAll @LongRange(min = 0) long seed) {
    LensTrack lens = lens(Evaluation.of(rig(seed)));
    for (int i = 0; i < lens.focusM().length; i++) {
      assertThat(lens.nearM()[i]).isPositive().isLessThan(lens.focusM()[i]);
      assertThat(lens.farM()[i]).isGreaterThan(lens.focusM()[i]);
      boolean toInfinity = lens.focusM()[i] >= lens.hyperfocalM()[i];
      assertThat(Double.isInfinite(lens.farM()[i])).isEqualTo(toInfinity);
    }
  }

  @Property(tries = 30)
  void convertedToTwiceTheRate_withTimeKept_passesTheSamePosesAtTheSameMoments(
      @ForAll @LongRange(min = 0) long seed) {
    Shot shot = rig(seed);
    int in = shot.header().range().in();
    Shot fast = new ConvertRate(FrameRate.of(48), ConvertRate.Keep.TIME, false).apply(shot);
    assertThat(fast.header().range().length()).isEqualTo(2 * shot.header().range().length());
    for (double frame = in; frame <= shot.header().range().out(); frame += 0.5) {
      assertSamePose(
          Evaluation.at(fast, in + 2 * (frame - in)).pose("cam", 0),
          Evaluation.at(shot, frame).pose("cam", 0));
    }
  }
}

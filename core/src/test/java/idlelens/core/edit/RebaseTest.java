package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Curves;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Aim;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.Keys;
import idlelens.core.part.Path;
import idlelens.core.part.Target;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.scene.TakesKeys;
import idlelens.core.time.SampleGrid;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;

/** Changes of a rig that move nothing: pivot, zero out, gather, bake down, another base. */
class RebaseTest {
  private static final double SAME = 1e-9; // metres, and degrees

  /** Keyed in any channels, with nodes that aim at the nulls, follow them and are handed over. */
  private static Shot random(long seed, boolean turns) {
    Random random = new Random(seed);
    Shot shot = Sets.rig();
    for (String id : List.of("base", "arm", "other", "cam", "crate", "walker")) {
      Node node = shot.node(id);
      Path path = Path.POSE.get(random.nextInt(turns ? 6 : 3));
      shot = shot.withNode(node.withChain(node.chain().with(path, Curves.random(random))));
    }
    if (!turns) {
      Node arm = shot.node("arm");
      shot = shot.withNode(arm.withChain(arm.chain().with(Path.PAN, Curve.still(40))));
    }
    Aim aim = Aim.at("aim-c", new Target.OfNode("arm", 0.3, 1, -0.2));
    return new AddPart("pointer", aim).apply(shot);
  }

  private static void assertNothingMoves(Shot before, Shot after, SampleGrid grid, String but) {
    Evaluation then = Evaluation.of(before, grid, null);
    Evaluation now = Evaluation.of(after, grid, null);
    for (Node node : before.nodes()) {
      if (node.id().equals(but)) {
        continue;
      }
      for (int i = 0; i < grid.count(); i++) {
        RigidPose was = then.pose(node.id(), i);
        RigidPose is = now.pose(node.id(), i);
        assertThat(was.place().distance(is.place())).as(node.id()).isLessThan(SAME);
        assertThat(Math.toDegrees(Turns.angleBetween(was.turn(), is.turn())))
            .as(node.id())
            .isLessThan(SAME);
      }
    }
    double[] focus = then.of("cam").lens().orElseThrow().focusM();
    double[] still = now.of("cam").lens().orElseThrow().focusM();
    assertThat(still[0]).isCloseTo(focus[0], within(SAME));
  }

  private static SampleGrid whole(Shot shot) {
    return SampleGrid.over(shot.header().range(), shot.header().handles());
  }

  /** Between frames, and far beyond the handles. */
  private static SampleGrid anywhere() {
    return new SampleGrid(-40.3, 240, 1.7);
  }

  @Property(tries = 60)
  void aPivotThatDoesNotTurn_movesNothing_betweenFramesAndBeyondThemToo(
      @ForAll @LongRange(min = 0) long seed, @ForAll @IntRange(min = -10, max = 70) int frame) {
    Shot shot = random(seed, false);
    for (String id : List.of("base", "arm", "other")) {
      for (List<Double> turn : List.of(List.<Double>of(), List.of(70.0, -20.0, 15.0))) {
        Shot after = new Rebase(id, frame, 3, 0.5, -7, turn, Keep.PLACE).apply(shot);
        assertNothingMoves(shot, after, anywhere(), id);
        RigidPose now = Evaluation.at(after, frame).pose(id, 0);
        assertThat(now.place().distance(3, 0.5, -7)).isLessThan(SAME);
        assertThat(keys(after, id)).isEqualTo(keys(shot, id));
      }
    }
  }

  private static int keys(Shot shot, String id) {
    return Path.POSE.stream().mapToInt(p -> shot.node(id).chain().curve(p).keys().size()).sum();
  }

  @Property(tries = 40)
  void aPivotThatTurns_movesNothingOnAnyFrame_itsMotionWritten(
      @ForAll @LongRange(min = 0) long seed, @ForAll @IntRange(min = 1, max = 50) int frame) {
    Shot shot = random(seed, true);
    for (String id : List.of("base", "arm", "other")) {
      List<Double> turn = seed % 2 == 0 ? List.of() : List.of(10.0, 5.0, -80.0);
      Shot after = new Rebase(id, frame, -2, 1, 4, turn, Keep.EVERY_FRAME).apply(shot);
      assertNothingMoves(shot, after, whole(shot), id);
    }
  }

  @Property(tries = 40)
  void zeroOut_movesNothing_andTheNumbersAreZero(@ForAll @LongRange(min = 0) long seed) {
    Shot shot = random(seed, seed % 2 == 0);
    Shot after = new ZeroOut("other-child", Keep.EVERY_FRAME).apply(shot);
    assertNothingMoves(shot, after, whole(shot), "other");
    Chain chain = after.node("other-child").chain();
    assertThat(Path.POSE).allSatisfy(p -> assertThat(chain.curve(p).rest()).isZero());
    assertThat(after.node("other-child").carriage()).isEqualTo(Carriage.by("other"));
  }

  /** A null put above several nodes, whoever carries them: theirs stays their motion. */
  @Property(tries = 40)
  void gather_movesNothing(@ForAll @LongRange(min = 0) long seed) {
    Shot shot = random(seed, true);
    List<Node> nodes = new ArrayList<>(shot.nodes());
    nodes.add(new Node.Null(Sets.body("above", "arm", Chain.pose().restingAt(1, 2, 3, 9, 8, 7))));
    Shot after = shot.withNodes(nodes);
    for (String id : List.of("cam", "crate", "other-child")) {
      after = new Carry(id, "above", 1, Keep.EVERY_FRAME).apply(after);
    }
    assertNothingMoves(shot, after, whole(shot), "");
  }

  /** What the carrier does goes into what it carries, level by level. */
  @Property(tries = 40)
  void bakeDown_movesNothing(@ForAll @LongRange(min = 0) long seed) {
    Shot shot = random(seed, true);
    Shot after = new Carry("cam", "base", 1, Keep.EVERY_FRAME).apply(shot);
    after = new Carry("cam", "", 1, Keep.EVERY_FRAME).apply(after);
    assertNothingMoves(shot, after, whole(shot), "");
    assertThat(after.node("cam").chain().carried().isFree()).isTrue();
  }

  @Property(tries = 40)
  void copyMotion_goesWhereTheOtherGoes_whateverCarriesThem(@ForAll @LongRange(min = 0) long seed) {
    Shot shot = random(seed, true);
    for (String from : List.of("cam", "walker", "pointer")) {
      Shot after = new CopyMotion("other-child", from, Keep.EVERY_FRAME).apply(shot);
      Evaluation now = Evaluation.of(after);
      for (int i = 0; i < now.grid().count(); i++) {
        assertSamePlace(now.pose("other-child", i), now.pose(from, i));
      }
      Shot once = new CopyPose("other-child", from, 20.5, Keying.WHOLE_POSE).apply(shot);
      Evaluation moment = Evaluation.at(once, 20.5);
      assertSamePlace(moment.pose("other-child", 0), moment.pose(from, 0));
    }
  }

  private static void assertSamePlace(RigidPose is, RigidPose was) {
    assertThat(is.place().distance(was.place())).isLessThan(SAME);
    assertThat(Math.toDegrees(Turns.angleBetween(is.turn(), was.turn()))).isLessThan(SAME);
  }

  @Test
  void laterTurns_goAboutTheNewPivot() {
    Shot rig = Sets.rig();
    Shot after = new Rebase("other", 1, 5, 0, 5, List.of(), Keep.PLACE).apply(rig);
    Shot turned = new MoveInWorld("other", 1, 0, 0, 0, 180, Keying.STILL).apply(after);
    RigidPose was = Evaluation.at(rig, 1).pose("other-child", 0);
    RigidPose is = Evaluation.at(turned, 1).pose("other-child", 0);
    assertThat(is.place().distance(10 - was.x(), was.y(), 10 - was.z())).isLessThan(SAME);
  }

  @Test
  void whatCannotStay_isRefusedWithTheReason() {
    Shot rig = Sets.rig();
    assertThatThrownBy(() -> new Rebase("arm", 1, 0, 0, 0, List.of(), Keep.PLACE).apply(rig))
        .hasMessage(
            "arm.pan is keyed, so that another pivot is another motion; allowed: to keep the"
                + " motion as keys, few or one a frame");
    assertThatThrownBy(() -> new Rebase("pointer", 1, 0, 0, 0, List.of(), Keep.FITTED).apply(rig))
        .hasMessageStartingWith("pointer.pivot is where Aim starts from");
    assertThatThrownBy(() -> new Rebase("crate", 1, 0, 0, 0, List.of(), Keep.FITTED).apply(rig))
        .hasMessage("crate.pivot is that of a piece; allowed: a null");
    assertThatThrownBy(() -> new ZeroOut("cam", Keep.PLACE).apply(rig))
        .hasMessageStartingWith("cam.x is keyed; allowed: a still channel");
    assertThatThrownBy(() -> new ZeroOut("other", Keep.PLACE).apply(rig))
        .hasMessageStartingWith("other.carrier is the world");
    assertThatThrownBy(() -> new Rebase("base", 1, 0, 0, 0, List.of(1.0), Keep.PLACE))
        .hasMessage("turn.count is 1; allowed: 3 angles (pan, tilt, roll), or none");
    Shot off = new SwitchPart("arm", Keys.ID, false).apply(rig);
    assertThatThrownBy(() -> new Rebase("arm", 1, 0, 0, 0, List.of(), Keep.FITTED).apply(off))
        .hasMessageStartingWith("arm.pivot is of switched-off keys");
  }

  @Test
  void lockedChannelsOfWhatIsCarried_stayAsTheyAre() {
    Shot rig =
        new SetTakesKeys("other-child", new TakesKeys(Set.of(), Set.of(Path.X))).apply(Sets.rig());
    Edit edit = new Rebase("other", 1, 5, 0, 5, List.of(), Keep.PLACE);
    Shot after = Edit.applyAll(rig, List.of(edit)).shot();
    assertNothingMoves(rig, after, anywhere(), "other");
  }
}

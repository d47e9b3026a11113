package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Curves;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Carriage;
import idlelens.core.part.Carried;
import idlelens.core.part.Chain;
import idlelens.core.part.HandOver;
import idlelens.core.part.Keys;
import idlelens.core.part.Path;
import idlelens.core.retime.Landing;
import idlelens.core.retime.TimeMap;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;

/** Who carries a node changes at a frame: by the formula, without a jump, on random rigs. */
class HandOverTest {
  private static final List<String> SPACES = List.of("arm", "other", "crate", "base", "");

  private static Shot random(long seed) {
    Random random = new Random(seed);
    Shot shot = Sets.rig();
    for (String id : List.of("base", "arm", "other", "crate", "cam", "walker")) {
      Node node = shot.node(id);
      Path path = Path.POSE.get(random.nextInt(6));
      shot = shot.withNode(node.withChain(node.chain().with(path, Curves.random(random))));
    }
    return shot;
  }

  private static RigidPose at(Shot shot, String id, double frame) {
    return id.isEmpty() ? RigidPose.IDENTITY : Evaluation.at(shot, frame).pose(id, 0);
  }

  private static void assertSame(RigidPose is, RigidPose was) {
    assertThat(is.place().distance(was.place())).isLessThan(1e-9);
    assertThat(Turns.angleBetween(is.turn(), was.turn())).isLessThan(1e-9);
  }

  /** What the node would be if nobody handed it over: its own pose in the space it had before. */
  @Property(tries = 60)
  void joined_goesOnFromWhereItWas_byTheFormula(
      @ForAll @LongRange(min = 0) long seed,
      @ForAll @IntRange(min = 0, max = 4) int to,
      @ForAll @DoubleRange(min = -20, max = 70) double frame) {
    Shot before = random(seed);
    String carrier = SPACES.get(to);
    Shot after = new HandOverTo("cam", frame, carrier, Meeting.JOINED).apply(before);
    assertSame(at(after, "cam", frame), at(before, "cam", frame));
    assertSame(at(after, "cam", frame - 3), at(before, "cam", frame - 3));
    double later = frame + 7.25;
    RigidPose own = at(before, "arm", later).inverse().times(at(before, "cam", later));
    RigidPose expected =
        at(before, carrier, later)
            .times(at(before, carrier, frame).inverse())
            .times(at(before, "arm", frame))
            .times(own);
    assertSame(at(after, "cam", later), expected);
  }

  @Property(tries = 40)
  void aJoinedOneFollowsWhatIsBefore_aFixedOneKeepsWhatIsAfter(
      @ForAll @LongRange(min = 0) long seed, @ForAll @IntRange(min = 2, max = 45) int frame) {
    Shot before = random(seed);
    Edit change = new MoveInWorld("arm", frame, 3, 1, -2, 40, Keying.STILL);
    if (before.node("arm").chain().isKeyed(Path.POSE)) {
      change = new MovePath("base", List.of(), 3, 1, -2);
    }
    for (Meeting meeting : List.of(Meeting.JOINED, Meeting.FIXED)) {
      Shot handed = new HandOverTo("cam", frame, "other", meeting).apply(before);
      assertSame(at(handed, "cam", frame), at(before, "cam", frame));
      Shot changed = change.apply(handed);
      boolean stays =
          at(changed, "cam", frame).place().distance(at(handed, "cam", frame).place()) < 1e-9;
      assertThat(stays).isEqualTo(meeting == Meeting.FIXED);
      // without a jump, it is where it would be if nobody had taken it over
      Shot notHanded = new RemoveStamp("cam", "carried", "hand-over-1").apply(changed);
      RigidPose left = at(notHanded, "cam", frame);
      boolean joined = left.place().distance(at(changed, "cam", frame).place()) < 1e-9;
      assertThat(joined).isEqualTo(meeting == Meeting.JOINED);
    }
  }

  @Property(tries = 40)
  void aScheduleOfMany_oneFrameAloneIsTheFrameOfTheWhole(@ForAll @LongRange(min = 0) long seed) {
    Random random = new Random(seed);
    Shot shot = random(seed);
    for (int i = 0; i < 12; i++) {
      shot =
          new HandOverTo(
                  "cam",
                  random.nextInt(200) / 3.0 - 5,
                  SPACES.get(random.nextInt(5)),
                  Meeting.values()[random.nextInt(3)])
              .apply(shot);
    }
    Evaluation whole = Evaluation.of(shot);
    for (int i = 0; i < whole.grid().count(); i++) {
      assertSame(at(shot, "cam", whole.grid().frame(i)), whole.pose("cam", i));
      RigidPose space = whole.ownSpace("cam", i);
      assertSame(Evaluation.at(shot, whole.grid().frame(i)).ownSpace("cam", 0), space);
    }
  }

  @Test
  void numbers_meanInTheNewSpace_fromTheFrameOn() {
    Shot shot = new HandOverTo("walker", 30, "other", Meeting.NUMBERS).apply(Sets.rig());
    Chain own = shot.node("walker").chain();
    RigidPose local =
        RigidPose.of(0, 0.5, own.curve(Path.Z).at(30), Math.toRadians(30), 0, Math.toRadians(5));
    assertSame(at(shot, "walker", 30), at(shot, "other", 30).times(local));
  }

  @Test
  void betweenTwoFrames_theFrameBeforeIsTheOldCarriers_theFrameAfterTheNewOnes() {
    Shot shot = Sets.rig();
    Shot arm = shot.withNode(shot.node("walker").withCarriage(Carriage.by("arm")));
    assertSame(at(shot, "walker", 20), at(arm, "walker", 20));
    assertThat(at(shot, "walker", 21).place().distance(at(arm, "walker", 21).place()))
        .isGreaterThan(1e-3);
  }

  @Test
  void aHandOverAtTheSameFrame_isChanged_notAddedTwice() {
    Shot shot = new HandOverTo("cam", 12, "other", Meeting.JOINED).apply(Sets.rig());
    shot = new HandOverTo("cam", 12, "", Meeting.NUMBERS).apply(shot);
    shot = new HandOverTo("cam", 30, "other", Meeting.JOINED).apply(shot);
    Carried carried = shot.node("cam").chain().carried();
    assertThat(carried.later())
        .extracting(HandOver::id)
        .containsExactly("hand-over-1", "hand-over-2");
    assertThat(carried.carrierAt(11.9)).isEqualTo("arm");
    assertThat(carried.carrierAt(12)).isEmpty();
    assertThat(carried.carriers()).containsExactly("arm", "other");
    Shot moved = new MoveStamp("cam", Carried.ID, "hand-over-2", 5).apply(shot);
    assertThat(moved.node("cam").chain().carried().later())
        .extracting(HandOver::frame)
        .containsExactly(5.0, 12.0);
    Shot both = shot;
    assertThatThrownBy(() -> new MoveStamp("cam", Carried.ID, "hand-over-2", 12).apply(both))
        .isInstanceOf(RefusedException.class)
        .hasMessage(
            "handOver.frame is 12.0; allowed: a frame without another hand-over of this node");
  }

  @Test
  void whatMayNotCarry_isRefused() {
    Shot rig = Sets.rig();
    assertThatThrownBy(() -> new HandOverTo("base", 12, "cam", Meeting.JOINED).apply(rig))
        .hasMessageStartingWith("base.carrier is a loop (base > arm > cam > base)");
    assertThatThrownBy(() -> new HandOverTo("crate", 12, "cam", Meeting.JOINED).apply(rig))
        .hasMessageStartingWith("crate.carrier is 'cam'");
    assertThatThrownBy(() -> new RemoveStamp("cam", Carried.ID, "ghost").apply(rig))
        .hasMessage("cam.carried.stamp is 'ghost'; allowed: none, as it has none");
    assertThatThrownBy(() -> new MoveStamp("pointer", "aim-a", "window", 3).apply(rig))
        .hasMessageContaining("use set-stamp for a window");
  }

  /** Only the way down to the carrier is named, not all that ever carries that. */
  @Test
  void aLoop_isNamedByItsOwnWay() {
    Shot handed = new HandOverTo("cam-null", 40, "other", Meeting.JOINED).apply(withNull());
    assertThatThrownBy(() -> new Carry("base", "cam-null", 1, Keep.PLACE).apply(handed))
        .hasMessageStartingWith(
            "base.carrier is a loop (base > arm > cam-null > base); allowed: a null or a piece");
  }

  @Test
  void anIdThatWindowsHave_isRefused() {
    assertThatThrownBy(() -> new HandOver("window", 3, "", Optional.empty()))
        .hasMessageContaining("but not 'window'");
  }

  @Test
  void aLoopThroughALaterCarrier_isRefused() {
    Shot handed = new HandOverTo("other", 40, "cam-null", Meeting.JOINED).apply(withNull());
    assertThatThrownBy(() -> new Carry("arm", "other", 1, Keep.PLACE).apply(handed))
        .hasMessageContaining("a loop");
  }

  private static Shot withNull() {
    List<Node> nodes = new ArrayList<>(Sets.rig().nodes());
    nodes.add(new Node.Null(Sets.body("cam-null", "arm", Chain.pose())));
    return Sets.rig().withNodes(nodes);
  }

  @Test
  void retimed_withItsKeys_andByTheRate() {
    Shot rig = Sets.rig();
    Shot later =
        new Retime(List.of("walker"), new TimeMap.Shift(5), Landing.REFUSE, false, false)
            .apply(rig);
    assertThat(later.node("walker").chain().carried().later())
        .extracting(HandOver::frame)
        .containsExactly(25.5, 40.0);
    assertSame(at(later, "walker", 60), at(rig, "walker", 60));
  }

  @Test
  void switchedOff_itStandsAsAtTheFirstFrame_alsoWhenThatIsAfterAHandOver() {
    Shot rig = new MoveStamp("walker", Carried.ID, "to-crate", -3.5).apply(Sets.rig());
    Shot off = new SwitchPart("walker", Carried.ID, false).apply(rig);
    RigidPose first = Evaluation.at(rig, 1).ownSpace("walker", 0);
    for (double frame : new double[] {-10, 1, 33, 50}) {
      assertSame(Evaluation.at(off, frame).ownSpace("walker", 0), first);
    }
    Shot still = new SwitchPart("arm", Keys.ID, false).apply(rig);
    assertSame(Evaluation.of(still).pose("walker", 10), Evaluation.at(still, 7).pose("walker", 0));
  }

  @Test
  void kept_fitted_theMotionOfManyCarriersComesIntoOne() {
    Shot rig = Sets.rig();
    Shot after = new Carry("walker", "", 1, Keep.EVERY_FRAME).apply(rig);
    assertThat(after.node("walker").chain().carried().later()).isEmpty();
    Evaluation then = Evaluation.of(rig);
    Evaluation now = Evaluation.of(after);
    for (int i = 0; i < then.grid().count(); i++) {
      assertThat(now.pose("walker", i).place().distance(then.pose("walker", i).place()))
          .isCloseTo(0, within(1e-8));
    }
  }

  @Test
  void aCarrierTakenAway_leavesTheStretchesOfTheOthers() {
    Shot rig = Sets.rig();
    Shot without = new RemoveNodes(List.of("crate"), 25, false, Keep.PLACE).apply(rig);
    for (double frame : new double[] {1, 20, 25, 35, 50}) {
      assertSame(at(without, "walker", frame), at(rig, "walker", frame));
    }
    assertThat(without.node("walker").chain().carried().carriers()).containsExactly("arm");
  }

  @Test
  void aHandOver_toAFixedPose_isOptional() {
    HandOver plain = new HandOver("a", 3, "", Optional.empty());
    assertThat(plain.keepsPlace()).isTrue();
    assertThat(plain.to("x", Optional.of(RigidPose.IDENTITY)).keepsPlace()).isFalse();
  }
}

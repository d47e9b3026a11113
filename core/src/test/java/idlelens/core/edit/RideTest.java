package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Beyond;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Curves;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Path;
import idlelens.core.part.Pin;
import idlelens.core.part.Ride;
import idlelens.core.rail.Anchor;
import idlelens.core.rail.ReadyRails;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.SampleGrid;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.LongRange;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;

/** Riding: even pace, orientation, and timing that holds when the rail changes behind a pin. */
class RideTest {
  private static final Path PACE = new Path("ride-a", "pace");
  private static final Shot RIG = Sets.rig();

  private static RigidPose at(Shot shot, String id, double frame) {
    return Evaluation.ofSome(shot, SampleGrid.at(frame), shot.reachedFrom(id)).pose(id, 0);
  }

  private static void assertSame(RigidPose is, RigidPose was, double near) {
    assertThat(is.place().distance(was.place())).isLessThan(near);
    assertThat(Turns.angleBetween(is.turn(), was.turn())).isLessThan(near);
  }

  private static Ride ride(Shot shot) {
    return shot.node("rider").chain().ride("rail").orElseThrow();
  }

  private static Shot with(Shot shot, Ride ride) {
    Node rider = shot.node("rider");
    return shot.withNode(rider.withChain(rider.chain().with(ride)));
  }

  /** On a rail of another shape, without pins, at a pace keyed in any way. */
  private static Shot random(long seed) {
    Random random = new Random(seed);
    List<Anchor> anchors = new ArrayList<>();
    for (int i = 0; i < 6; i++) {
      anchors.add(
          Anchor.smooth("a" + (i + 1), i * 2, random.nextGaussian(), random.nextGaussian() * 3));
    }
    Node.Rail rail = (Node.Rail) RIG.node("rail");
    Shot shot = RIG.withNode(rail.withRail(rail.rail().withAnchors(anchors)));
    double middle = 20 + 60 * random.nextDouble();
    Curve pace = Sets.keyed(1, 0, 15 + random.nextInt(20), middle, 50, 100);
    Ride plain = // what leans over some frames, or looks ahead, sees what is behind a pin
        new Ride(ride(shot).body(), "rail", Ride.Turn.LEVEL, Ride.Banking.NONE, 0, List.of());
    return with(shot, plain.withPace(pace));
  }

  private static Shot pinnedAt(Shot shot, double frame) {
    return new PinRide("rider", "rail", frame, Optional.empty(), "here").apply(shot);
  }

  @Test
  void evenPace_isEven_inMetres() {
    Shot shot = new RideRail("crate", "other-rail", 1, 41, "ride-b").apply(RIG);
    Evaluation motion = Evaluation.of(shot);
    double step = Double.NaN;
    for (int frame = 1; frame < 41; frame++) {
      int i = frame + 3; // four handles before the first frame
      double way = motion.pose("crate", i).place().distance(motion.pose("crate", i + 1).place());
      step = Double.isNaN(step) ? way : step;
      assertThat(way).isCloseTo(step, within(2e-3 * step)); // chords of a circle
    }
  }

  @Property(tries = 60)
  void pinHere_movesNothing_onAnyFrame(
      @ForAll @LongRange(min = 0) long seed, @ForAll @IntRange(min = 2, max = 49) int frame) {
    Shot before = random(seed);
    Shot after = pinnedAt(before, frame);
    assertThat(ride(after).pins()).hasSize(1);
    for (double f = -3; f < 56; f += 0.7) {
      assertSame(at(after, "rider", f), at(before, "rider", f), 1e-6);
    }
    Shot without = new RemoveStamp("rider", "ride-a", "pin-1").apply(after);
    for (double f = -3; f < 56; f += 0.7) {
      assertSame(at(without, "rider", f), at(before, "rider", f), 1e-6);
    }
  }

  private static List<RailChange> behind() {
    return List.of(
        new RailChange.Move(List.of("a6"), 3, 2, -4),
        new RailChange.Move(List.of("a5", "a6"), -3, 2, 4),
        new RailChange.Turn("a6", false, 2, 1, 1, false),
        new RailChange.Kinds(List.of("a5"), Anchor.Kind.CORNER),
        new RailChange.Remove(List.of("a6")),
        new RailChange.Extend(false, 20, 3, 1, "a7"));
  }

  @Property(tries = 80)
  void behindThePin_anythingMayHappen_beforeItNothingMoves(
      @ForAll @LongRange(min = 0) long seed, @ForAll @IntRange(min = 2, max = 30) int frame) {
    Shot before = new PinRide("rider", "rail", frame, Optional.of("a4"), "x").apply(random(seed));
    for (RailChange change : behind()) {
      Shot after = new ShapeRail("rail", change).apply(before);
      for (double f = -3; f <= frame; f += 0.5) {
        assertSame(at(after, "rider", f), at(before, "rider", f), 1e-9);
      }
      RigidPose pinned = at(after, "rider", frame);
      assertThat(pinned.place().distance(anchor(after, "a4", frame))).isLessThan(1e-9);
    }
  }

  @Property(tries = 40)
  void leaningAndLookingAhead_thePlacesHoldAllTheSame(@ForAll @LongRange(min = 0) long seed) {
    Shot before = new PinRide("rider", "rail", 30, Optional.of("a4"), "x").apply(random(seed));
    Ride ride = ride(before);
    before =
        with(
            before,
            new Ride(
                ride.body(), "rail", Ride.Turn.RAIL, new Ride.Banking(1, 30, 4), 2, ride.pins()));
    for (RailChange change : behind()) {
      Shot after = new ShapeRail("rail", change).apply(before);
      for (double f = -3; f <= 30; f += 0.5) {
        assertThat(at(after, "rider", f).place().distance(at(before, "rider", f).place()))
            .isLessThan(1e-9);
      }
    }
  }

  private static Vector3d anchor(Shot shot, String id, double frame) {
    Node.Rail rail = (Node.Rail) shot.node("rail");
    Vector3d own = rail.rail().anchors().get(rail.rail().index(id)).place();
    return at(shot, "rail", frame).apply(own);
  }

  @Property(tries = 60)
  void beforeThePin_onlyTheStretchUpToItIsTimedAnew(@ForAll @LongRange(min = 0) long seed) {
    Shot before = new PinRide("rider", "rail", 15, Optional.of("a2"), "x").apply(random(seed));
    before = new PinRide("rider", "rail", 30, Optional.of("a4"), "y").apply(before);
    Shot after = new ShapeRail("rail", new RailChange.Move(List.of("a3"), 0, 4, 3)).apply(before);
    for (double f = -3; f <= 15; f += 0.5) {
      assertSame(at(after, "rider", f), at(before, "rider", f), 1e-9);
    }
    for (double f = 30; f <= 54; f += 0.5) {
      assertSame(at(after, "rider", f), at(before, "rider", f), 1e-9);
    }
    double far = 0;
    for (double f = 15.5; f < 30; f++) {
      RigidPose was = at(before, "rider", f);
      far = Math.max(far, at(after, "rider", f).place().distance(was.place()));
    }
    assertThat(far).isGreaterThan(1e-3);
  }

  @Property(tries = 60)
  void extended_theOldEndIsPinned_andTheNewPieceIsNotRidden(@ForAll @LongRange(min = 0) long seed) {
    Shot before = random(seed);
    for (boolean reaches : new boolean[] {true, false}) {
      Shot from = reaches ? before : with(before, ride(before).withPace(Sets.keyed(1, 10, 50, 70)));
      Shot end = new ShapeRail("rail", new RailChange.Extend(false, 15, 1, 9, "new")).apply(from);
      Shot start = new ShapeRail("rail", new RailChange.Extend(true, -5, 1, 4, "new")).apply(from);
      for (double f = -3; f <= 54; f += 0.5) {
        assertSame(at(end, "rider", f), at(from, "rider", f), 1e-6);
        assertSame(at(start, "rider", f), at(from, "rider", f), 1e-6);
      }
      assertThat(ride(end).pins()).extracting(Pin::anchorId).containsExactly("a6");
      assertThat(ride(start).pins()).extracting(Pin::anchorId).containsExactly("a1");
      Shot asked = new SetValues("rider", 60, Map.of(PACE, 200.0), Keying.TOUCHED).apply(end);
      assertThat(at(asked, "rider", 60).place().distance(anchor(asked, "new", 60)))
          .isLessThan(1e-9);
      Shot again = new ShapeRail("rail", new RailChange.Extend(false, 20, 1, 9, "more")).apply(end);
      assertThat(ride(again).pins()).hasSize(2);
    }
  }

  @Test
  void reversed_theSamePlacesAtTheSameFrames() {
    Shot before = random(3);
    Shot after = new ShapeRail("rail", new RailChange.Reverse()).apply(before);
    for (double f = -3; f <= 54; f += 0.5) {
      assertThat(at(after, "rider", f).place().distance(at(before, "rider", f).place()))
          .isLessThan(1e-9);
    }
    assertThatThrownBy(
            () -> new ShapeRail("rail", new RailChange.Reverse()).apply(pinnedAt(before, 20)))
        .hasMessageContaining("take them away to reverse it");
  }

  @Test
  void reversedAndClosed_theSamePlacesAtTheSameFrames_roundAndRound() {
    Node.Rail circle = (Node.Rail) RIG.node("other-rail");
    Shot shot = RIG.withNode(circle.withRail(circle.rail().withClosed(true)));
    shot = new RideRail("crate", "other-rail", 1, 41, "ride-b").apply(shot);
    Path pace = new Path("ride-b", "pace");
    Shot rounds = new SetValues("crate", 41, Map.of(pace, 270.0), Keying.TOUCHED).apply(shot);
    Shot back = new ShapeRail("other-rail", new RailChange.Reverse()).apply(rounds);
    for (double f = -3; f <= 54; f += 0.5) {
      assertThat(at(back, "crate", f).place().distance(at(rounds, "crate", f).place()))
          .isLessThan(1e-9);
    }
    assertThatThrownBy(
            () -> new PinRide("crate", "other-rail", 20, Optional.empty(), "x").apply(rounds))
        .hasMessageContaining("pace is more than one round; allowed: one round, to be pinned");
    assertThatThrownBy(() -> new ShapeRail("other-rail", new RailChange.Close(true)).apply(rounds))
        .hasMessage("other-rail.closed is true; allowed: an open rail to close");
  }

  @Test
  void aPaceThatRunsOn_isNotPinned_andSaysWhy() {
    Curve running = ride(RIG).withPins(List.of()).pace().withBeyond(Beyond.HOLD, Beyond.RUN_ON);
    Shot shot = with(RIG, ride(RIG).withPins(List.of()).withPace(running));
    assertThatThrownBy(() -> pinnedAt(shot, 20))
        .hasMessageContaining("going on outside its keys; allowed: hold or cycle there");
  }

  /** Eased over frames: as one frame alone, and by the sum that it is. */
  @Test
  void aLeanThatIsEased_isTheSameAloneAndInTheWhole() {
    Evaluation whole = Evaluation.of(RIG);
    for (int i = 0; i < whole.grid().count(); i++) {
      assertSame(at(RIG, "rider", whole.grid().frame(i)), whole.pose("rider", i), 1e-12);
    }
  }

  @Property(tries = 40)
  void split_whatRidesGoesNoFartherThanTheCut(@ForAll @LongRange(min = 0) long seed) {
    Shot before = random(seed);
    Shot after = new SplitRail("rail", "a4", "rest", "Rest").apply(before);
    for (double f = -3; f <= 54; f += 0.5) {
      boolean gone = at(before, "rider", f).place().distance(at(after, "rider", f).place()) > 1e-6;
      if (gone) {
        assertThat(at(after, "rider", f).place().distance(anchor(after, "a4", f))).isLessThan(1e-9);
      }
    }
    Node.Rail rest = (Node.Rail) after.node("rest");
    assertThat(rest.rail().anchors()).extracting(Anchor::id).containsExactly("a4", "a5", "a6");
  }

  @Property(tries = 40)
  void joined_whatRidesStaysOnWhatItRode(@ForAll @LongRange(min = 0) long seed) {
    Shot before = random(seed);
    Shot after = new JoinRails("rail", "other-rail", 1).apply(before);
    for (double f = -3; f <= 54; f += 0.5) {
      assertSame(at(after, "rider", f), at(before, "rider", f), 1e-6);
    }
    assertThat(after.find("other-rail")).isEmpty();
    Node.Rail rail = (Node.Rail) after.node("rail");
    assertThat(rail.rail().anchors()).hasSize(6 + ReadyRails.circle(2).anchors().size());
  }

  @Test
  void aRideToARailThatIsRidden_cannotBeJoinedAway() {
    assertThatThrownBy(() -> new JoinRails("other-rail", "rail", 1).apply(RIG))
        .hasMessage("rail is ridden by rider; allowed: a rail that nothing rides or looks at");
  }

  @Test
  void thePinWins_whereAPaceKeySaysSomethingElse() {
    Shot disputed = new SetValues("rider", 20, Map.of(PACE, 130.0), Keying.TOUCHED).apply(RIG);
    assertThat(ride(disputed).disputed()).containsExactly(20.0);
    assertThat(at(disputed, "rider", 20).place().distance(anchor(disputed, "a2", 20)))
        .isLessThan(1e-9);
    assertThat(ride(RIG).disputed()).isEmpty();
  }

  @Test
  void outOfOrder_saysSo_andWhatToDo() {
    assertThatThrownBy(() -> new PinRide("rider", "rail", 10, Optional.of("a3"), "x").apply(RIG))
        .hasMessage(
            "rider.ride-a.pin.frame is 10.0; allowed: after 20.0, when the pin before it on the"
                + " rail is reached");
    assertThatThrownBy(() -> new PinRide("rider", "rail", 30, Optional.of("a2"), "x").apply(RIG))
        .hasMessageContaining("at a place that is pinned to frame 20.0");
    assertThatThrownBy(() -> new ShapeRail("rail", new RailChange.Remove(List.of("a2"))).apply(RIG))
        .hasMessageContaining("which is not on rail; allowed: to take the pin away first");
  }

  @Test
  void turned_alongTheRail_level_andFree() {
    Shot shot = new RideRail("crate", "other-rail", 1, 41, "ride-b").apply(RIG);
    Ride ride = shot.node("crate").chain().ride("other-rail").orElseThrow();
    RigidPose now = at(shot, "crate", 11);
    Vector3d ahead = at(shot, "crate", 11.01).place().sub(now.place()).normalize();
    assertThat(now.forward().distance(ahead)).isLessThan(2e-3);
    assertThat(now.turn().transform(new Vector3d(0, 1, 0)).distance(0, 1, 0)).isLessThan(1e-9);
    Ride free =
        new Ride(ride.body(), "other-rail", Ride.Turn.FREE, Ride.Banking.NONE, 0, List.of());
    Shot still = shot.withNode(shot.node("crate").withChain(shot.node("crate").chain().with(free)));
    assertThat(
            Turns.angleBetween(at(still, "crate", 11).turn(), at(still, "other-rail", 11).turn()))
        .isLessThan(1e-9);
    assertThat(at(still, "crate", 11).place().distance(now.place())).isLessThan(1e-9);
  }

  @Test
  void aside_goesToTheRight_highUp_andLeansIntoTheBend() {
    Shot shot = new RideRail("crate", "other-rail", 1, 41, "ride-b").apply(RIG);
    RigidPose plain = at(shot, "crate", 11);
    Map<Path, Double> off =
        Map.of(new Path("ride-b", "side"), 0.5, new Path("ride-b", "height"), 2.0);
    Shot aside = new SetValues("crate", 1, off, Keying.STILL).apply(shot);
    Vector3d step = at(aside, "crate", 11).place().sub(plain.place());
    assertThat(step.distance(plain.turn().transform(new Vector3d(0.5, 2, 0)))).isLessThan(1e-9);
    Ride ride = shot.node("crate").chain().ride("other-rail").orElseThrow();
    Ride banked =
        new Ride(
            ride.body(), "other-rail", Ride.Turn.LEVEL, new Ride.Banking(0.2, 60, 0), 0, List.of());
    Shot leaning =
        shot.withNode(shot.node("crate").withChain(shot.node("crate").chain().with(banked)));
    double speed = 7 / 8.0 * 2 * Math.PI * 2 / 40 * 24; // of a circle of 2 m without its last part
    double expected = 0.2 * speed * speed / 2 / 9.80665;
    RigidPose now = at(leaning, "crate", 11);
    assertThat(Turns.angleBetween(now.turn(), plain.turn())).isCloseTo(expected, within(0.01));
    // the circle turns to the left: the head goes left
    Vector3d head = now.turn().transform(new Vector3d(0, 1, 0));
    assertThat(head.dot(plain.turn().transform(new Vector3d(-1, 0, 0)))).isGreaterThan(0.05);
  }

  @Test
  void onAClosedRail_itGoesRoundAndRound() {
    Node.Rail circle = (Node.Rail) RIG.node("other-rail");
    Shot shot = RIG.withNode(circle.withRail(circle.rail().withClosed(true)));
    shot = new RideRail("crate", "other-rail", 1, 41, "ride-b").apply(shot);
    Path pace = new Path("ride-b", "pace");
    Shot rounds = new SetValues("crate", 41, Map.of(pace, 300.0), Keying.TOUCHED).apply(shot);
    assertSame(at(rounds, "crate", 41), at(rounds, "crate", 1), 1e-9);
    assertThat(at(rounds, "crate", 11).place().distance(at(rounds, "crate", 1).place()))
        .isGreaterThan(1);
  }

  @Test
  void switchedOff_itStandsAsAtTheFirstFrame_whileTheRailMoves() {
    Shot off = new SwitchPart("rider", "ride-a", false).apply(RIG);
    RigidPose first =
        at(RIG, "rail", 1).inverse().times(Evaluation.at(RIG, 1).ownSpace("rider", 0));
    RigidPose later =
        at(off, "rail", 40).inverse().times(Evaluation.at(off, 40).ownSpace("rider", 0));
    assertSame(later, first, 1e-9);
  }

  @Property(tries = 30)
  void oneFrameAlone_isTheFrameOfTheWhole_alsoWhatIsLent(@ForAll @LongRange(min = 0) long seed) {
    Shot shot = with(random(seed), ride(random(seed)).withPace(Curves.random(new Random(seed))));
    Evaluation whole = Evaluation.of(shot);
    for (int i = 0; i < whole.grid().count(); i += 5) {
      assertSame(at(shot, "rider", whole.grid().frame(i)), whole.pose("rider", i), 1e-9);
    }
    Shot changed = new ShapeRail("rail", behind().get(0)).apply(shot);
    Evaluation lent = Evaluation.of(changed, whole.grid(), whole);
    Evaluation fresh = Evaluation.of(changed);
    assertThat(lent.of("rider").world().x()).isEqualTo(fresh.of("rider").world().x());
    assertThat(lent.of("cam").world()).isSameAs(whole.of("cam").world());
    Shot moved = new SetValues("rider", 9, Map.of(PACE, 33.0), Keying.TOUCHED).apply(shot);
    assertThat(Evaluation.of(moved, whole.grid(), whole).of("rail").world())
        .isSameAs(whole.of("rail").world());
  }

  @Property(tries = 30)
  void aRailOfKeys_isRiddenAsTheKeysWent_andTurnedBackIntoKeys(
      @ForAll @LongRange(min = 0) long seed) {
    Random random = new Random(seed);
    Node crate = RIG.node("crate");
    Shot keyed =
        RIG.withNode(
            crate.withChain(
                crate
                    .chain()
                    .with(Path.X, Sets.keyed(1, 0, 20, random.nextDouble() * 4, 50, 7))
                    .with(Path.Z, Sets.keyed(1, 0, 30, random.nextDouble() * 6, 50, -3))
                    .with(Path.PAN, Sets.keyed(1, 0, 50, 120))));
    Shot riding = new RailFromKeys("crate", "track", "Track", 0.02, "ride-t").apply(keyed);
    Shot back = new Carry("crate", "", 1, Keep.FITTED).apply(riding);
    for (int frame = 1; frame <= 50; frame++) {
      RigidPose was = at(keyed, "crate", frame);
      RigidPose is = at(riding, "crate", frame);
      assertThat(is.place().distance(was.place())).isLessThan(0.04);
      assertThat(Turns.angleBetween(is.turn(), was.turn())).isLessThan(1e-9);
      assertThat(at(back, "crate", frame).place().distance(is.place())).isLessThan(2e-4);
    }
    assertThat(riding.node("crate").chain().isKeyed(Path.PLACE)).isFalse();
  }

  @Test
  void aRailOfWhatStandsStill_isRefused() {
    assertThatThrownBy(() -> new RailFromKeys("other-child", "t", "T", 0.02, "ride-t").apply(RIG))
        .hasMessageContaining("a place that moves");
    assertThatThrownBy(() -> new RailFromKeys("walker", "t", "T", 0.02, "ride-t").apply(RIG))
        .hasMessageContaining("one carrier for all frames");
    assertThatThrownBy(() -> new RailFromKeys("rider", "t", "T", 0.02, "ride-t").apply(RIG))
        .hasMessageContaining("a node that rides none");
  }

  @Test
  void aRailTakenAway_leavesWhatRodeIt_withItsMotionOrItsPlace() {
    Shot kept = new RemoveNodes(List.of("rail"), 20, false, Keep.EVERY_FRAME).apply(RIG);
    Evaluation then = Evaluation.of(RIG);
    Evaluation now = Evaluation.of(kept);
    for (int i = 0; i < then.grid().count(); i++) {
      assertSame(now.pose("rider", i), then.pose("rider", i), 1e-8);
    }
    assertThat(kept.node("rider").chain().find("ride-a")).isEmpty();
    Shot placed = new RemoveNodes(List.of("rail"), 20, false, Keep.PLACE).apply(RIG);
    assertSame(at(placed, "rider", 20), at(RIG, "rider", 20), 1e-9);
  }
}

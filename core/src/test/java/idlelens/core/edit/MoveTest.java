package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Chain;
import idlelens.core.part.Ease;
import idlelens.core.part.Keys;
import idlelens.core.part.Lens;
import idlelens.core.part.Move;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.part.Target;
import idlelens.core.part.Window;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.SampleGrid;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.LongRange;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Moves against closed forms; they add up in any order, and become keys without a jump. */
class MoveTest {
  private static final Shot RIG = Sets.rig();
  private static final double FAR = 4;

  /** A camera 4 m in front of a pivot, looking at it, with some moves. */
  private static Shot with(Move... moves) {
    Chain chain = Chain.poseAndLens().restingAt(1, 2, 3 + FAR, 0, 0, 0);
    List<Part> parts = new ArrayList<>(chain.parts());
    parts.addAll(1, List.of(moves));
    List<Node> nodes = new ArrayList<>(RIG.nodes());
    nodes.add(new Node.Camera(Sets.body("eye", "", new Chain(parts))));
    return RIG.withNodes(nodes);
  }

  private static Move about(Move move) {
    return move.withTargets(List.of(new Target.Place(1, 2, 3)));
  }

  private static Move even(Move.Way way, double amount, int rounds, Move.After after) {
    Move move = Move.of("move-x", way, amount, 10, 30);
    return new Move(move.body(), way, amount, new Ease(0, 0, 0), after, rounds, move.pivot());
  }

  private static RigidPose at(Shot shot, String id, double frame) {
    return Evaluation.ofSome(shot, SampleGrid.at(frame), shot.reachedFrom(id)).pose(id, 0);
  }

  @Test
  void orbit_isACircleThatLooksAtItsPivot() {
    Shot shot = with(about(even(Move.Way.ORBIT, 360, 1, Move.After.HELD)));
    for (double frame = 10; frame <= 30; frame += 0.5) {
      double angle = 2 * Math.PI * (frame - 10) / 20;
      RigidPose pose = at(shot, "eye", frame);
      assertThat(pose.place().distance(1 + FAR * Math.sin(angle), 2, 3 + FAR * Math.cos(angle)))
          .isLessThan(1e-12);
      Vector3d look = new Vector3d(1, 2, 3).sub(pose.place()).normalize();
      assertThat(pose.forward().distance(look)).isLessThan(1e-12);
    }
  }

  @Test
  void crane_risesOverItsPivot_atTheSameDistance_andLooksAtIt() {
    Shot shot = with(about(even(Move.Way.CRANE, 60, 1, Move.After.HELD)));
    RigidPose pose = at(shot, "eye", 30);
    double high = FAR * Math.sin(Math.toRadians(60));
    assertThat(pose.place().distance(1, 2 + high, 3 + FAR / 2)).isLessThan(1e-12);
    assertThat(pose.forward().distance(new Vector3d(1, 2, 3).sub(pose.place()).normalize()))
        .isLessThan(1e-12);
  }

  @Test
  void plainOnes_goWhereTheirNamesSay() {
    RigidPose start = at(with(), "eye", 10);
    Map<Move.Way, Vector3d> ways =
        Map.of(
            Move.Way.DOLLY, new Vector3d(0, 0, -2),
            Move.Way.TRUCK, new Vector3d(2, 0, 0),
            Move.Way.PEDESTAL, new Vector3d(0, 2, 0));
    ways.forEach(
        (way, step) -> {
          RigidPose end = at(with(even(way, 2, 1, Move.After.HELD)), "eye", 31);
          assertThat(end.place().sub(start.place()).distance(step)).isLessThan(1e-12);
        });
    for (Move.Way way : List.of(Move.Way.PAN, Move.Way.TILT, Move.Way.ROLL)) {
      RigidPose end = at(with(even(way, 25, 1, Move.After.HELD)), "eye", 31);
      assertThat(Math.toDegrees(Turns.angleBetween(end.turn(), start.turn())))
          .isCloseTo(25, within(1e-9));
    }
  }

  @Test
  void zoom_addsToTheFocalLength_asMuchAsItsWeightSays_withinTheLens() {
    Shot shot = with(even(Move.Way.ZOOM, 20, 1, Move.After.HELD));
    assertThat(Evaluation.at(shot, 20).of("eye").lens().orElseThrow().focalMm()[0])
        .isCloseTo(45, within(1e-9));
    Shot half =
        new SetValues("eye", 1, Map.of(new Path("move-x", "weight"), 0.5), Keying.STILL)
            .apply(shot);
    Evaluation before = Evaluation.of(shot);
    Evaluation lent = Evaluation.of(half, before.grid(), before);
    assertThat(lent.of("eye").lens().orElseThrow().focalMm()[40]).isCloseTo(45, within(1e-9));
    assertThat(lent.of("eye").world()).isSameAs(before.of("eye").world());
    Shot wide = with(even(Move.Way.ZOOM, -90, 1, Move.After.HELD));
    assertThat(Evaluation.at(wide, 40).of("eye").lens().orElseThrow().focalMm()[0])
        .isEqualTo(Lens.FOCAL.least());
  }

  @Test
  void hold_standsStillWhileItLasts_andGoesOnFromThere() {
    Shot keyed =
        new SetValues("eye", 5, Map.of(Path.X, 0.0), Keying.TOUCHED)
            .apply(with(even(Move.Way.HOLD, 0, 1, Move.After.HELD)));
    keyed = new SetValues("eye", 45, Map.of(Path.X, 8.0), Keying.TOUCHED).apply(keyed);
    double from = at(keyed, "eye", 10).x();
    for (double frame = 10; frame <= 30; frame++) {
      assertThat(at(keyed, "eye", frame).x()).isCloseTo(from, within(1e-12));
    }
    assertThat(at(keyed, "eye", 45).x()).isLessThan(8);
    assertThat(at(keyed, "eye", 31).x()).isGreaterThan(from);
  }

  /** Also its keys that a hold passes by, which would come up again once it is switched off. */
  @Test
  void pathMovedAsAWhole_whileAHoldLasts_movesAsAWhole() {
    Shot held = with(even(Move.Way.HOLD, 0, 1, Move.After.HELD));
    Node eye = held.node("eye");
    Shot keyed = held.withNode(eye.withChain(eye.chain().with(Path.X, Sets.keyed(5, 1, 20, 3))));
    for (Shot shot : List.of(keyed, new SwitchPart("eye", "move-x", false).apply(keyed))) {
      Shot after = new MovePath("eye", List.of(), 0.5, 0, -2).apply(shot);
      for (double frame : new double[] {3, 12, 20, 33}) {
        Vector3d way = at(after, "eye", frame).place().sub(at(shot, "eye", frame).place());
        assertThat(way.distance(0.5, 0, -2)).isLessThan(1e-9);
      }
    }
  }

  @ParameterizedTest
  @EnumSource(Move.Way.class)
  void before_after_roundsAndReturn(Move.Way way) {
    Shot none = with();
    Shot held = with(about(even(way, 30, 3, Move.After.HELD)));
    Shot back = with(about(even(way, 30, 3, Move.After.RETURNED)));
    for (double frame : new double[] {-3, 9, 10}) {
      assertThat(at(held, "eye", frame)).isEqualTo(at(none, "eye", frame));
    }
    assertThat(at(back, "eye", 30.01)).isEqualTo(at(none, "eye", 30.01));
    Move once = even(way, 30, 1, Move.After.HELD);
    Move thrice = even(way, 30, 3, Move.After.HELD);
    assertThat(thrice.progress(30)).isEqualTo(3 * once.progress(30));
    assertThat(thrice.progress(10 + 20 / 3.0)).isCloseTo(1, within(1e-9));
  }

  @Property(tries = 200)
  void ease_startsAndEndsAtRest_neverGoesBack_andArrives(
      @ForAll @DoubleRange(min = 0, max = 40) double in,
      @ForAll @DoubleRange(min = 0, max = 40) double out,
      @ForAll @DoubleRange(min = 0, max = 1) double softness) {
    Move plain = Move.of("move-x", Move.Way.PAN, 1, 10, 30);
    Move move =
        new Move(
            plain.body(),
            Move.Way.PAN,
            1,
            new Ease(in, out, softness),
            Move.After.HELD,
            1,
            plain.pivot());
    double last = 0;
    for (double frame = 9; frame <= 31; frame += 0.05) {
      double now = move.progress(frame);
      assertThat(now).isBetween(last - 1e-12, 1 + 1e-12);
      assertThat(now - last).isLessThan(0.02);
      last = now;
    }
    assertThat(move.progress(30)).isEqualTo(1);
    assertThat(move.progress(30 - 1e-9)).isCloseTo(1, within(1e-6));
    if (in > 1) {
      assertThat(move.progress(10.01) / 0.01).isLessThan(0.02);
    }
  }

  @Property(tries = 60)
  void severalAtOnce_addUpTheSameInAnyOrder(@ForAll @LongRange(min = 0) long seed) {
    Random random = new Random(seed);
    List<Move> moves = new ArrayList<>();
    for (int i = 0; i < 5; i++) {
      Move.Way way = Move.Way.values()[random.nextInt(9)];
      double from = random.nextInt(20);
      moves.add(about(Move.of("move-" + i, way, random.nextGaussian() * 20, from, from + 15)));
    }
    Shot one = with(moves.toArray(Move[]::new));
    Collections.shuffle(moves, random);
    Shot other = with(moves.toArray(Move[]::new));
    for (double frame = -2; frame < 50; frame += 3.5) {
      RigidPose a = at(one, "eye", frame);
      RigidPose b = at(other, "eye", frame);
      assertThat(a.place().distance(b.place())).isLessThan(1e-12);
      assertThat(Turns.angleBetween(a.turn(), b.turn())).isLessThan(1e-12);
    }
  }

  @Test
  void offOrWithoutWeight_itIsPassedBy_keysOffItStillMoves() {
    Shot off = new SwitchPart("mover", "move-a", false).apply(RIG);
    off = new SwitchPart("mover", "move-b", false).apply(off);
    Chain chain = RIG.node("mover").chain();
    assertThat(at(off, "mover", 20).x()).isEqualTo(chain.curve(Path.X).at(20));
    Shot still = new SwitchPart("mover", Keys.ID, false).apply(RIG);
    assertThat(at(still, "mover", 44).y()).isGreaterThan(at(still, "mover", 1).y() + 1);
    Evaluation whole = Evaluation.of(still);
    assertThat(at(still, "mover", 20).place().distance(whole.pose("mover", 23).place()))
        .isLessThan(1e-12);
  }

  @Test
  void draggedWhileMovesAreOn_itComesWhereItIsDragged() {
    for (double frame : new double[] {1, 20, 33, 48}) {
      RigidPose was = at(RIG, "mover", frame);
      Edit edit = new MoveInWorld("mover", frame, 1, 0.5, -2, 25, Keying.WHOLE_POSE);
      RigidPose is = at(edit.apply(RIG), "mover", frame);
      assertThat(is.place().distance(was.place().add(1, 0.5, -2))).isLessThan(1e-9);
      assertThat(
              Turns.angleBetween(
                  is.turn(), Turns.quaternion(Math.toRadians(25), 0, 0).mul(was.turn())))
          .isLessThan(1e-9);
    }
  }

  /** A crane bends the way; two at once stretch it, and leave little of it if they are opposed. */
  @Property(tries = 60)
  void draggedInAnyWay_whileMovesAboutAPivotAreOn_itComesWhereItIsDragged(
      @ForAll @DoubleRange(min = -45, max = 45) double one,
      @ForAll @DoubleRange(min = -30, max = 30) double other,
      @ForAll @DoubleRange(min = -1, max = 1) double dx) {
    Vector3d way = new Vector3d(dx, 0.4, -0.7);
    for (Move.Way second : List.of(Move.Way.ORBIT, Move.Way.CRANE)) {
      Move first = about(even(Move.Way.ORBIT, one, 1, Move.After.HELD));
      Move next = about(Move.of("move-y", second, other, 5, 15));
      Shot still = with(first, next);
      Node eye = still.node("eye");
      Chain path = eye.chain().with(Path.X, Sets.keyed(5, 1, 25, 1.5));
      Shot shot = still.withNode(eye.withChain(path));
      for (Edit edit :
          List.of(
              new MovePath("eye", List.of(25.0), way.x, way.y, way.z),
              new MovePath("eye", List.of(), way.x, way.y, way.z),
              new MoveInWorld("eye", 25, way.x, way.y, way.z, 0, Keying.WHOLE_POSE))) {
        Vector3d came = at(edit.apply(shot), "eye", 25).place().sub(at(shot, "eye", 25).place());
        assertThat(came.distance(way)).as("%s", edit).isLessThan(1e-9);
      }
    }
  }

  @Test
  void toKeys_theMotionStays_theBlocksGo() {
    Shot keys = new MovesToKeys("mover", Keep.EVERY_FRAME).apply(RIG);
    Evaluation then = Evaluation.of(RIG);
    Evaluation now = Evaluation.of(keys);
    for (int i = 0; i < then.grid().count(); i++) {
      assertThat(now.pose("mover", i).place().distance(then.pose("mover", i).place()))
          .isLessThan(1e-9);
    }
    assertThat(keys.node("mover").chain().parts()).noneMatch(Move.class::isInstance);
    assertThatThrownBy(() -> new MovesToKeys("cam", Keep.FITTED).apply(RIG))
        .hasMessage("cam.moves is none; allowed: a node with moves");
  }

  @Test
  void toKeys_whatIsSwitchedOffStays() {
    Shot off = new SwitchPart("mover", "move-a", false).apply(RIG);
    Shot keys = new MovesToKeys("mover", Keep.EVERY_FRAME).apply(off);
    assertThat(keys.node("mover").chain().find("move-a")).isPresent();
    assertThat(keys.node("mover").chain().find("move-b")).isEmpty();
  }

  @Test
  void hold_ofKeysThatAreOff_holdsWhatStandsStill() {
    Shot keyed =
        new SetValues("eye", 45, Map.of(Path.X, 8.0), Keying.TOUCHED)
            .apply(with(even(Move.Way.HOLD, 0, 1, Move.After.HELD)));
    Shot off = new SwitchPart("eye", Keys.ID, false).apply(keyed);
    for (double frame : new double[] {1, 20, 45}) {
      assertThat(at(off, "eye", frame).place().distance(at(off, "eye", 1).place())).isZero();
    }
  }

  @Test
  void wrongOnes_areRefused() {
    assertThatThrownBy(
            () -> new AddPart("arm", Move.of("move-z", Move.Way.ZOOM, 3, 1, 9)).apply(RIG))
        .hasMessageContaining("zoom, without a lens; allowed: another move, or a camera");
    assertThatThrownBy(() -> Move.of("move-x", Move.Way.PAN, 1, 30, 30))
        .hasMessage("move.window is 30.0; allowed: a last frame after the first");
    Window open = new Window(OptionalDouble.empty(), OptionalDouble.of(4));
    assertThatThrownBy(() -> new SetStamp("mover", "move-a", open).apply(RIG))
        .hasMessageContaining("move.window is open; allowed: a first and a last frame");
    assertThatThrownBy(() -> new Rebase("mover", 1, 0, 0, 0, List.of(), Keep.PLACE).apply(RIG))
        .hasMessageContaining("mover.pivot is moved by blocks");
    assertThatThrownBy(() -> new Ease(-1, 0, 0)).hasMessageStartingWith("ease.in is -1");
  }

  /** Carriers, rails and all that does not hang on it keep the very tracks they had. */
  @Test
  void editOfAMove_makesOnlyWhatStandsBehindItAnew() {
    Shot rig = Sets.rig();
    Shot carried = new Carry("other-child", "mover", 1, Keep.PLACE).apply(rig);
    Evaluation before = Evaluation.of(carried);
    Move move = (Move) carried.node("mover").chain().part("move-a");
    Move other =
        new Move(
            move.body(), move.way(), 12, move.ease(), move.after(), move.rounds(), move.pivot());
    Shot edited = new SetPart("mover", other).apply(carried);
    Evaluation after = Evaluation.of(edited, before.grid(), before);
    assertThat(carried.nodes().stream().map(n -> n.id()).filter(id -> !after.shares(id, before)))
        .containsExactlyInAnyOrder("mover", "other-child");
  }

  /** What moves made of keys is, within the tolerance, what the keys were, between frames too. */
  @Property(tries = 30)
  void keysToMoves_ofSettledKeys_staysWithinItsTolerance(@ForAll Random random) {
    Chain chain =
        Chain.pose()
            .restingAt(1, 2, 3, random.nextDouble() * 300, random.nextDouble() * 60, 4)
            .with(Path.X, Sets.keyed(5, 1, 40, 1 + random.nextDouble() * 4))
            .with(Path.Z, Sets.keyed(5, 3, 40, 3 - random.nextDouble() * 4))
            .with(Path.PAN, Sets.keyed(10, 20, 35, -40));
    Shot rig = Sets.rig();
    Shot shot = rig.withNode(rig.node("base").withChain(chain));
    Shot moves = new KeysToMoves("base", "move-k", 0.1, 1).apply(shot);
    assertThat(moves.node("base").chain().isKeyed(Path.POSE)).isFalse();
    for (double frame = -3; frame <= 60; frame += 0.75) {
      RigidPose was = Evaluation.at(shot, frame).pose("base", 0);
      RigidPose is = Evaluation.at(moves, frame).pose("base", 0);
      assertThat(is.place().distance(was.place())).isLessThan(0.1 + 1e-6);
      assertThat(Math.toDegrees(Turns.angleBetween(was.turn(), is.turn()))).isLessThan(1 + 1e-6);
    }
  }

  /** A move worked out as keys on every frame comes back as the move that it was. */
  @Test
  void keysToMoves_ofAMoveMadeKeys_givesItBack() {
    Shot rig = Sets.rig();
    Chain still = Chain.pose().restingAt(0, 1, 0, 30, 0, 0);
    Move dolly = Move.of("move-d", Move.Way.DOLLY, 2.5, 8, 38);
    Shot moved = new AddPart("base", dolly).apply(rig.withNode(rig.node("base").withChain(still)));
    Shot keyed = new MovesToKeys("base", Keep.EVERY_FRAME).apply(moved);
    Shot back = new KeysToMoves("base", "move-k", 0.01, 0.1).apply(keyed);
    List<Move> moves =
        back.node("base").chain().parts().stream()
            .filter(Move.class::isInstance)
            .map(Move.class::cast)
            .filter(m -> Math.abs(m.amount()) > 1e-6)
            .toList();
    assertThat(moves).extracting(Move::way).containsExactly(Move.Way.DOLLY);
    assertThat(moves.get(0).amount()).isCloseTo(2.5, within(1e-9));
  }

  @Test
  void keysToMoves_ofWhatNoMoveGoes_isRefusedWithHowFarItIsOff() {
    Shot rig = Sets.rig();
    assertThatThrownBy(() -> new KeysToMoves("cam", "move-k", 0.01, 0.1).apply(rig))
        .hasMessageContaining("cam.place is")
        .hasMessageContaining("m off a move at frame");
    Node base = rig.node("base");
    Shot returning =
        rig.withNode(
            base.withChain(base.chain().with(Path.PAN, Sets.keyed(1, 35, 20, 60, 40, 35))));
    assertThatThrownBy(() -> new KeysToMoves("base", "move-k", 1, 1).apply(returning))
        .hasMessageContaining("back where it was");
    assertThatThrownBy(() -> new KeysToMoves("other", "move-k", 1, 1).apply(rig))
        .hasMessageContaining("a node with keys");
  }

  /** A dolly of the operator goes ahead as the picture does, also half-way through an orbit. */
  @Test
  void operated_whileAnOrbitIsOn_goesAheadAsItLooks() {
    Shot rig = Sets.rig();
    Operate ahead = new Operate("mover", 20, 0.4, 0.2, 1, 0, 0, 0, Keying.TOUCHED);
    RigidPose was = Evaluation.at(rig, 20).pose("mover", 0);
    RigidPose is = Evaluation.at(ahead.apply(rig), 20).pose("mover", 0);
    Vector3d right = new Vector3d(1, 0, 0).rotate(was.turn());
    Vector3d wanted = was.place().add(was.forward()).fma(0.4, right).add(0, 0.2, 0);
    assertThat(is.place().distance(wanted)).isLessThan(1e-9);
    assertThat(Turns.angleBetween(is.turn(), was.turn())).isLessThan(1e-12);
  }

  /** Which way is ahead hangs on whether an orbit is on, so that neither may overtake the other. */
  @Test
  void operated_meetsEveryEditThatLetsAMoveAddToThePose() {
    Shot orbiting = with(about(even(Move.Way.ORBIT, 90, 1, Move.After.HELD)));
    Shot off = new SwitchPart("eye", "move-x", false).apply(orbiting);
    Shot zoom = with(even(Move.Way.ZOOM, 20, 1, Move.After.HELD));
    assertMeeting(RIG, "cam", new AddPart("cam", Move.of("move-n", Move.Way.ORBIT, 30, 5, 25)));
    assertMeeting(off, "eye", new SwitchPart("eye", "move-x", true));
    assertMeeting(zoom, "eye", new SetPart("eye", even(Move.Way.TILT, 20, 1, Move.After.HELD)));
    Operate ahead = new Operate("eye", 30, 0, 0, 1, 0, 0, 0, Keying.TOUCHED);
    Edit on = new SwitchPart("eye", "move-x", true);
    Shot before = Edit.applyAll(off, List.of(ahead, on)).shot();
    assertThat(Edit.applyAll(off, List.of(on, ahead)).shot()).isNotEqualTo(before);
  }

  private static void assertMeeting(Shot shot, String id, Edit edit) {
    Edit ahead = new Operate(id, 20, 0, 0, 1, 0, 0, 0, Keying.TOUCHED);
    assertThat(ahead.footprint(shot).conflictsWith(edit.footprint(shot))).as("%s", edit).isTrue();
  }
}

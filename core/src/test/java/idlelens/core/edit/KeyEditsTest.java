package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.check.Creep;
import idlelens.core.curve.Beyond;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Curves;
import idlelens.core.curve.Key;
import idlelens.core.curve.Overshoots;
import idlelens.core.curve.Tangent;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Family;
import idlelens.core.part.Path;
import idlelens.core.retime.Landing;
import idlelens.core.retime.TimeMap;
import idlelens.core.scene.Marker;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.scene.TakesKeys;
import idlelens.core.time.FrameRate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;

/** What artists do to keys, curves and time. */
class KeyEditsTest {
  private static final Shot RIG = Sets.rig().withMarkers(List.of());

  private static Shot apply(Shot shot, Edit... edits) {
    return Edit.applyAll(shot, List.of(edits)).shot();
  }

  private static Curve curve(Shot shot, String id, Path channel) {
    return shot.node(id).chain().curve(channel);
  }

  private static Shot with(String id, Path channel, Curve curve) {
    Node node = RIG.node(id);
    return RIG.withNode(node.withChain(node.chain().with(channel, curve)));
  }

  private static List<Double> frames(Shot shot, String id, Path channel) {
    return curve(shot, id, channel).keys().stream().map(Key::frame).toList();
  }

  private static void assertSameMotion(Shot before, Shot after, String id) {
    for (double frame = -5; frame <= 60; frame += 0.5) {
      RigidPose a = Evaluation.at(before, frame).pose(id, 0);
      RigidPose b = Evaluation.at(after, frame).pose(id, 0);
      assertThat(a.place().distance(b.place())).as("place at %s", frame).isLessThan(1e-9);
      assertThat(Math.toDegrees(Turns.angleBetween(a.turn(), b.turn())))
          .as("turn at %s", frame)
          .isLessThan(1e-9);
    }
  }

  @Property(tries = 60)
  void alignKeys_anyRig_changesNoMotion(@ForAll @LongRange(min = 0) long seed) {
    Random random = new Random(seed);
    Shot shot = RIG;
    for (String id : List.of("base", "arm", "cam")) {
      Node node = shot.node(id);
      Path channel = Path.POSE.get(random.nextInt(6));
      shot = shot.withNode(node.withChain(node.chain().with(channel, Curves.random(random))));
    }
    Shot aligned = apply(shot, new AlignKeys("cam"));
    assertSameMotion(shot, aligned, "cam");
    List<Double> all = new ArrayList<>();
    for (String id : List.of("base", "arm", "cam")) {
      all.addAll(shot.node(id).chain().keyFrames(Path.POSE));
    }
    for (String id : List.of("base", "arm", "cam")) {
      assertThat(frames(aligned, id, Path.ROLL)).containsAll(all);
    }
  }

  @Test
  void alignKeys_whereACurveIsLevel_keysAreOfTheKindOfTheirNeighbours() {
    for (Tangent.Kind kind : Tangent.Kind.values()) {
      Curve level = Curves.of(kind, 1, 2, 10, 2, 40, 2, 50, 2);
      Shot aligned = apply(with("cam", Path.X, level), new AlignKeys("cam"));
      Curve x = aligned.node("cam").chain().curve(Path.X);
      assertThat(x.keys()).hasSize(5).allMatch(k -> k.tangent() == kind);
      // a value that is set later is moved through, not stopped at
      Shot raised = apply(aligned, new SetValues("cam", 30, Map.of(Path.X, 3.0), Keying.TOUCHED));
      raised = apply(raised, new SetValues("cam", 40, Map.of(Path.X, 4.0), Keying.TOUCHED));
      double slope = raised.node("cam").chain().curve(Path.X).player().slope(30 - 1e-6);
      assertThat(slope > 0.01).as(kind.toString()).isEqualTo(kind != Tangent.Kind.HOLD);
    }
  }

  @Test
  void alignKeys_elsewhereTheyAreFree_andTheCurveStays() {
    Shot aligned = apply(RIG, new AlignKeys("cam"));
    Curve tilt = aligned.node("cam").chain().curve(Path.TILT);
    assertThat(tilt.keys().get(tilt.indexOf(20)).tangent()).isInstanceOf(Tangent.Free.class);
    assertSameMotion(RIG, aligned, "cam");
  }

  @Test
  void alignKeys_fromTheTopCarrier_actsOnTheWholeRigBelow_butNotOnTheSet() {
    Shot carrying = apply(RIG, new Carry("crate", "arm", 1, Keep.PLACE));
    assertThat(apply(carrying, new AlignKeys("base")))
        .isEqualTo(apply(carrying, new AlignKeys("cam")));
    assertThat(carrying.rigOf("arm")).extracting(Node::id).containsExactly("base", "arm", "cam");
    assertThat(carrying.rigOf("crate"))
        .extracting(Node::id)
        .containsExactly("base", "arm", "crate");
  }

  @Test
  void insertKeys_changesNoMotion() {
    Shot more = apply(RIG, new InsertKeys(Picks.of("cam", Path.POSE, List.of(7.0, 31.5))));
    assertThat(frames(more, "cam", Path.X)).containsExactly(1.0, 7.0, 20.0, 31.5, 40.0);
    assertSameMotion(RIG, more, "cam");
  }

  @Test
  void scaleKeys_aboutAPoint_scalesTimeValueAndHandles() {
    Curve free =
        new Curve(
            0,
            List.of(new Key(10, 1, Curves.free(2, 1, 4, 3)), new Key(20, 2, Tangent.Kind.SETTLE)));
    Shot shot = with("cam", Path.X, free);
    Shot scaled =
        apply(
            shot,
            new ScaleKeys(
                Picks.of("cam", List.of(Path.X), List.of(10.0, 20.0)),
                20,
                2,
                0.5,
                2,
                Landing.REFUSE));
    Key key = curve(scaled, "cam", Path.X).keys().get(0);
    assertThat(key.frame()).isEqualTo(15);
    assertThat(key.value()).isEqualTo(0);
    assertThat(key.tangent()).isEqualTo(Curves.free(1, 2, 2, 6));
  }

  @Test
  void placeKeys_setsExactNumbers_andSnapRoundsFrames() {
    Picks pick = Picks.of("cam", List.of(Path.X), List.of(20.0));
    Shot placed =
        apply(
            RIG,
            new PlaceKeys(
                pick, OptionalDouble.of(21.4), OptionalDouble.of(9), false, Landing.REFUSE));
    assertThat(curve(placed, "cam", Path.X).keys().get(1))
        .isEqualTo(new Key(21.4, 9, Tangent.Kind.SETTLE));
    Picks moved = Picks.of("cam", List.of(Path.X), List.of(21.4));
    Edit snap =
        new PlaceKeys(moved, OptionalDouble.empty(), OptionalDouble.empty(), true, Landing.REFUSE);
    assertThat(frames(apply(placed, snap), "cam", Path.X)).containsExactly(1.0, 21.0, 40.0);
    assertThatThrownBy(() -> snap.apply(RIG)).hasMessageContaining("at which cam has a key");
  }

  @Test
  void setTangents_free_keepsTheCurve_thenJoinsWithTheMeanSlope() {
    Picks pick = Picks.of("cam", List.of(Path.X), List.of(20.0));
    Shot free =
        apply(
            RIG,
            new SetTangents(pick, new TangentChoice.ByHand(Optional.of(false), Optional.of(true))));
    assertSameMotion(RIG, free, "cam");
    Shot bent =
        apply(
            free,
            new SetHandle("cam", Path.X, 20, SetHandle.Side.OUT, new Tangent.Handle(5, 2), true));
    Shot joined =
        apply(
            bent,
            new SetTangents(pick, new TangentChoice.ByHand(Optional.of(true), Optional.empty())));
    Tangent.Free tangent = (Tangent.Free) curve(joined, "cam", Path.X).keys().get(1).tangent();
    assertThat(tangent.out().slope()).isCloseTo(0.2, within(1e-12));
    assertThat(tangent.in().slope()).isCloseTo(0.2, within(1e-12));
  }

  @Test
  void setHandle_joined_turnsTheOtherSideAlong_andKeepsItsLength() {
    Curve joined =
        new Curve(
            0,
            List.of(
                new Key(0, 0, Tangent.Kind.SETTLE),
                new Key(
                    20,
                    2,
                    new Tangent.Free(
                        new Tangent.Handle(6, 0), new Tangent.Handle(3, 0), true, true)),
                new Key(40, 1, Tangent.Kind.SETTLE)));
    Shot shot = with("cam", Path.X, joined);
    Shot dragged =
        apply(
            shot,
            new SetHandle("cam", Path.X, 20, SetHandle.Side.OUT, new Tangent.Handle(4, 2), false));
    Tangent.Free free = (Tangent.Free) curve(dragged, "cam", Path.X).keys().get(1).tangent();
    assertThat(free.out()).isEqualTo(new Tangent.Handle(4, 2));
    assertThat(free.in()).isEqualTo(new Tangent.Handle(6, 3));
    assertThatThrownBy(
            () ->
                new SetHandle("cam", Path.X, 7, SetHandle.Side.IN, new Tangent.Handle(1, 1), false)
                    .apply(shot))
        .hasMessageContaining("cam.x is without a key at frame 7.0");
  }

  @Test
  void turnTangent_movesTheEndOfTheHandleInTheWorld_andNoKeyInTime() {
    Shot shot = RIG;
    double frame = 20;
    RigidPose space = Evaluation.at(shot, frame).ownSpace("cam", 0);
    Shot keyed = apply(shot, new InsertKeys(Picks.of("cam", Path.POSE, List.of(frame))));
    Tangent.Free before = curve(keyed, "cam", Path.X).handles(1);
    Vector3d by = new Vector3d(0.4, -0.3, 0.2);
    Shot turned =
        apply(keyed, new TurnTangent("cam", frame, SetHandle.Side.OUT, by.x, by.y, by.z, false));
    Tangent.Free after = curve(turned, "cam", Path.X).handles(1);
    Vector3d own = new Vector3d(by).rotate(space.turn().conjugate());
    assertThat(after.out().value() - before.out().value()).isCloseTo(own.x, within(1e-12));
    assertThat(after.out().frames()).isEqualTo(before.out().frames());
    assertThat(frames(turned, "cam", Path.X)).isEqualTo(frames(keyed, "cam", Path.X));
    assertThat(Evaluation.at(turned, frame).pose("cam", 0))
        .isEqualTo(Evaluation.at(keyed, frame).pose("cam", 0));
  }

  @Test
  void pasteKeys_offsetMirroredAndBackwards() {
    Map<Path, List<Key>> copied =
        Map.of(
            Path.PAN,
            List.of(
                new Key(100, 5, Tangent.Kind.SETTLE), new Key(110, 25, Curves.free(3, 2, 3, 2))));
    Curve same =
        curve(
            apply(RIG, new PasteKeys("other", 5, copied, PasteKeys.Way.SAME, false)),
            "other",
            Path.PAN);
    assertThat(same.at(5)).isEqualTo(5);
    assertThat(same.at(15)).isEqualTo(25);
    Curve offset =
        curve(
            apply(RIG, new PasteKeys("other", 5, copied, PasteKeys.Way.OFFSET, false)),
            "other",
            Path.PAN);
    assertThat(offset.at(5)).isEqualTo(-70);
    assertThat(offset.at(15)).isEqualTo(-50);
    Curve mirrored =
        curve(
            apply(RIG, new PasteKeys("other", 5, copied, PasteKeys.Way.MIRRORED, false)),
            "other",
            Path.PAN);
    Curve backwards =
        curve(
            apply(RIG, new PasteKeys("other", 5, copied, PasteKeys.Way.SAME, true)),
            "other",
            Path.PAN);
    for (double frame = 5; frame <= 15; frame += 0.5) {
      assertThat(mirrored.at(frame)).isCloseTo(-same.at(frame), within(1e-12));
      assertThat(backwards.at(20 - frame)).isCloseTo(same.at(frame), within(1e-12));
    }
  }

  @Test
  void pasteKeys_replacesWhatStandsBetween() {
    Map<Path, List<Key>> copied =
        Map.of(
            Path.X,
            List.of(new Key(0, 7, Tangent.Kind.SETTLE), new Key(10, 8, Tangent.Kind.SETTLE)));
    Shot pasted = apply(RIG, new PasteKeys("cam", 15, copied, PasteKeys.Way.SAME, false));
    assertThat(frames(pasted, "cam", Path.X)).containsExactly(1.0, 15.0, 25.0, 40.0);
  }

  @Test
  void bakeKeys_keepsTheValuesAtEveryFrame_andReduceTakesThemAwayAgain() {
    Shot baked = apply(RIG, new BakeKeys("cam", Path.POSE, 1, 40, 1));
    assertThat(frames(baked, "cam", Path.TILT)).hasSize(40);
    assertThat(curve(baked, "cam", Path.ROLL).isKeyed()).isFalse();
    for (double frame = 1; frame <= 40; frame++) {
      assertThat(curve(baked, "cam", Path.TILT).at(frame))
          .isEqualTo(curve(RIG, "cam", Path.TILT).at(frame));
    }
    Shot few =
        apply(
            baked, new ReduceKeys("cam", Path.POSE, Map.of(Family.PLACE, 0.01, Family.TURN, 0.1)));
    assertThat(frames(few, "cam", Path.TILT).size()).isLessThan(8);
    for (double frame = 1; frame <= 40; frame += 0.25) {
      assertThat(curve(few, "cam", Path.TILT).at(frame))
          .isCloseTo(curve(RIG, "cam", Path.TILT).at(frame), within(0.11));
    }
  }

  @Test
  void removeOvershoot_one_orAllOfAChannel() {
    Curve swinging = Curves.of(Tangent.Kind.FLOW, 0, 0, 10, 10, 20, 10, 30, 0, 40, 0);
    Shot shot = with("cam", Path.X, swinging);
    assertThat(Overshoots.find(swinging, 0)).hasSize(2);
    Edit one = new RemoveOvershoot(Picks.of("cam", List.of(Path.X), List.of(15.0)), 0, false);
    Edit all = new RemoveOvershoot(Picks.of("cam", List.of(Path.X), List.of()), 0, true);
    assertThat(Overshoots.find(curve(apply(shot, one), "cam", Path.X), 0)).hasSize(1);
    assertThat(Overshoots.find(curve(apply(shot, all), "cam", Path.X), 0)).isEmpty();
  }

  @Test
  void holdUntil_withoutAKeyBefore_isRefused() {
    Edit edit = new HoldUntil(Picks.of("cam", List.of(Path.TILT), List.of(0.0)));
    assertThatThrownBy(() -> edit.apply(RIG)).hasMessageContaining("cam.tilt.frame is 0.0");
    assertThat(Creep.find(RIG, RIG.node("cam"))).isNotNull();
  }

  @Test
  void retime_rippleMovesKeysMarkersAndTheEndOfTheShot() {
    Shot marked =
        apply(RIG, new SetMarkers(List.of(new Marker("m", 30, "Door", Marker.Kind.CUE, ""))));
    Shot later =
        apply(marked, new Retime(List.of(), new TimeMap.Ripple(15, 6), Landing.REFUSE, true, true));
    assertThat(frames(later, "cam", Path.X)).containsExactly(1.0, 26.0, 46.0);
    assertThat(frames(later, "arm", Path.Y)).containsExactly(1.0, 36.0);
    assertThat(later.markers().get(0).frame()).isEqualTo(36);
    assertThat(later.header().range().out()).isEqualTo(56);
  }

  @Test
  void convertRate_keepingTime_keepsEveryMomentInSeconds() {
    Shot fast = apply(RIG, new ConvertRate(FrameRate.of(25), ConvertRate.Keep.TIME, false));
    assertThat(fast.header().range().length()).isEqualTo(52); // 50 frames are 2.083 s
    for (double seconds = 0; seconds < 2; seconds += 0.05) {
      assertThat(curve(fast, "cam", Path.X).at(1 + seconds * 25))
          .isCloseTo(curve(RIG, "cam", Path.X).at(1 + seconds * 24), within(1e-9));
    }
    Shot rounded = apply(RIG, new ConvertRate(FrameRate.of(25), ConvertRate.Keep.TIME, true));
    assertThat(frames(rounded, "cam", Path.X)).containsExactly(1.0, 21.0, 42.0);
  }

  @Test
  void convertRate_keepingFrames_changesOnlyTheRate() {
    Shot fast = apply(RIG, new ConvertRate(FrameRate.of(30), ConvertRate.Keep.FRAMES, false));
    assertThat(fast.nodes()).isEqualTo(RIG.nodes());
    assertThat(fast.header().range()).isEqualTo(RIG.header().range());
    assertThat(fast.header().rate()).isEqualTo(FrameRate.of(30));
  }

  @Test
  void filter_leavesChannelsOutOfPoseKeys_andLocksRefuseEveryEdit() {
    TakesKeys filter = new TakesKeys(Set.of(Path.ROLL), Set.of(Path.TILT));
    Shot shot = apply(RIG, new SetTakesKeys("cam", filter));
    Shot keyed = apply(shot, new KeyPose("cam", 33, Path.POSE));
    assertThat(frames(keyed, "cam", Path.X)).contains(33.0);
    assertThat(curve(keyed, "cam", Path.ROLL).isKeyed()).isFalse();
    assertThat(frames(keyed, "cam", Path.TILT)).doesNotContain(33.0);
    Edit onLocked = new RemoveKeys(Picks.of("cam", List.of(Path.TILT), List.of(40.0)));
    assertThatThrownBy(() -> apply(shot, onLocked))
        .hasMessage("cam.tilt is locked; allowed: a change once it is unlocked");
    Shot open = apply(shot, new SetTakesKeys("cam", TakesKeys.ALL), onLocked);
    assertThat(frames(open, "cam", Path.TILT)).doesNotContain(40.0);
  }

  @Test
  void setBeyond_oneSide_leavesTheOther() {
    Shot shot =
        apply(
            RIG,
            new SetBeyond("cam", List.of(Path.X), Optional.empty(), Optional.of(Beyond.RUN_ON)));
    assertThat(curve(shot, "cam", Path.X).after()).isEqualTo(Beyond.RUN_ON);
    assertThat(curve(shot, "cam", Path.X).before()).isEqualTo(Beyond.HOLD);
  }

  @Test
  void markers_areKeptInOrder_goWithTheirNode_andUnknownOnesAreRefused() {
    Shot shot =
        apply(
            RIG,
            new SetMarkers(
                List.of(
                    new Marker("b", 30, "Second", Marker.Kind.BEAT, "crate"),
                    new Marker("a", 12, "First", Marker.Kind.HIT, ""))));
    assertThat(shot.markers()).extracting(Marker::id).containsExactly("a", "b");
    Edit.Applied gone =
        Edit.applyAll(shot, List.of(new RemoveNodes(List.of("crate"), 1, false, Keep.PLACE)));
    assertThat(gone.shot().markers()).extracting(Marker::id).containsExactly("a");
    assertThat(gone.inverse().apply(gone.shot())).isEqualTo(shot);
    assertThat(apply(shot, new RemoveMarkers(List.of("a"))).markers()).hasSize(1);
    assertThatThrownBy(() -> apply(shot, new RemoveMarkers(List.of("x"))))
        .hasMessage("marker is 'x'; allowed: the id of a marker of this shot");
    assertThatThrownBy(
            () ->
                apply(
                    RIG,
                    new SetMarkers(List.of(new Marker("c", 1, "C", Marker.Kind.NOTE, "ghost")))))
        .hasMessageContaining("markers.node is 'ghost'");
  }
}

package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Beyond;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.cut.Program;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.lens.Framing;
import idlelens.core.lens.SensorFormat;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Aim;
import idlelens.core.part.Carried;
import idlelens.core.part.Chain;
import idlelens.core.part.FocusRule;
import idlelens.core.part.FrameUp;
import idlelens.core.part.Keys;
import idlelens.core.part.Lens;
import idlelens.core.part.Move;
import idlelens.core.part.Path;
import idlelens.core.part.Target;
import idlelens.core.part.Window;
import idlelens.core.rail.Anchor;
import idlelens.core.retime.Landing;
import idlelens.core.retime.Ramp;
import idlelens.core.retime.TimeMap;
import idlelens.core.scene.Hidden;
import idlelens.core.scene.Marker;
import idlelens.core.scene.Node;
import idlelens.core.scene.PictureFrame;
import idlelens.core.scene.Shot;
import idlelens.core.scene.TakesKeys;
import idlelens.core.set.Drift;
import idlelens.core.set.Finish;
import idlelens.core.set.Haze;
import idlelens.core.set.Lamp;
import idlelens.core.set.Repetition;
import idlelens.core.set.Shape;
import idlelens.core.time.FrameRate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

class EditTest {
  private static final Shot RIG = Sets.rig();

  static Stream<Edit> everyEdit() {
    return Stream.of(
        ChangeHeader.named("Other"),
        new ChangeHeader(
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.of(Tangent.Kind.FLOW)),
        aspect(2.39),
        new AddNodes(List.of(new Node.Null(Sets.body("new", "arm", Chain.pose())))),
        new RemoveNodes(List.of("arm"), 17, false, Keep.PLACE),
        new RemoveNodes(List.of("base"), 17, true, Keep.PLACE),
        new Duplicate("base", "copy", "Copy"),
        new SpeedMove("shaker", SpeedMove.Kind.SLAM_ZOOM, 8, 20, 30, "speed"),
        new LiftShake("settler", "smooth-a", "arm", "recorded-n", "Lifted"),
        new ToNewCamera("shaker", "baked", "Baked", Keep.EVERY_FRAME, 1),
        new TakeToKeys("cam", Sets.take(24), 5, new Punch(6, 20, 3), Keep.EVERY_FRAME, 1),
        new TakeToRecording("crate", Sets.take(24), 5, new Punch(6, 20, 3), "taken", "Take 1"),
        new PoseInWorld("cam", 12, 1, 2, 3, 40, 5, 0, Keying.WHOLE_POSE),
        new Rename("cam", "B-cam"),
        new SetHidden("crate", Hidden.IN_SIGHT),
        new SwitchPart("cam", Keys.ID, false),
        new SwitchPart("arm", Carried.ID, false),
        new SwitchPart("cam", Lens.ID, false),
        new Carry("cam", "other", 20, Keep.PLACE),
        new Carry("crate", "arm", 20, Keep.PLACE),
        new Carry("cam", "", 20, Keep.NUMBERS),
        new Carry("cam", "other", 20, Keep.FITTED),
        new Carry("crate", "arm", 20, Keep.EVERY_FRAME),
        new RemoveNodes(List.of("arm"), 17, false, Keep.FITTED),
        new Carry("walker", "other", 25, Keep.PLACE),
        new RemoveNodes(List.of("crate"), 17, false, Keep.PLACE),
        new RemoveNodes(List.of("crate"), 17, false, Keep.FITTED),
        new HandOverTo("cam", 30, "crate", Meeting.JOINED),
        new HandOverTo("cam", 12, "", Meeting.FIXED),
        new HandOverTo("cam", 21, "crate", Meeting.SETTLING, 9),
        new HandOverTo("walker", 20.5, "other", Meeting.NUMBERS),
        new MoveStamp("walker", Carried.ID, "to-world", 40),
        new RemoveStamp("walker", Carried.ID, "to-crate"),
        new AddCarrier(CarrierKind.GIMBAL, List.of("cam"), 12, "new", "Cam", List.of(), 0, "ptr"),
        new AddCarrier(
            CarrierKind.BOOM, List.of("crate", "cam"), 12, "new", "Cam", List.of(), 2, "ptr"),
        new AddRail("new", "New", 1, 2, 3, 40, new RailSource.Helix(2, 400, 3)),
        new AddRail("new", "New", 1, 2, 3, 40, new RailSource.Circle(2)),
        new ShapeRail("rail", new RailChange.Move(List.of("a3", "a4"), 1, 0, -1)),
        new ShapeRail("rail", new RailChange.Turn("a2", true, 1, 0.2, 0, false)),
        new ShapeRail("rail", new RailChange.Kinds(List.of("a3"), Anchor.Kind.SMOOTH)),
        new ShapeRail("rail", new RailChange.Insert(1, 0, -2, "a9")),
        new ShapeRail("rail", new RailChange.Extend(false, 9, 0, 5, "a9")),
        new ShapeRail("rail", new RailChange.Extend(true, -3, 0, 1, "a9")),
        new ShapeRail("rail", new RailChange.Remove(List.of("a3"))),
        new ShapeRail("rail", new RailChange.Close(true)),
        new SplitRail("rail", "a3", "new", "New"),
        new RideRail("crate", "rail", 5, 30, "ride-b"),
        new RideRail("rider", "rail", 5, 30, "ride-a"),
        new RailFromKeys("cam", "new", "New", 0.02, "ride-n"),
        new PinRide("rider", "rail", 35, Optional.empty(), "a9"),
        new PinRide("rider", "rail", 44, Optional.of("a3"), "a9"),
        new MoveStamp("rider", "ride-a", "pin-1", 25),
        new RemoveStamp("rider", "ride-a", "pin-1"),
        new RemoveNodes(List.of("rail"), 17, false, Keep.PLACE),
        new Carry("rider", "", 20, Keep.FITTED),
        new HandOverTo("rider", 30, "crate", Meeting.JOINED),
        new JoinRails("rail", "other-rail", 12),
        new AddPart("cam", Move.of("move-n", Move.Way.ORBIT, 30, 5, 25)),
        new AddPart("cam", Move.of("move-n", Move.Way.ZOOM, 30, 5, 25)),
        new MovesToKeys("mover", Keep.FITTED),
        new Rebase("base", 12, 1, 2, 3, List.of(), Keep.PLACE),
        new Rebase("arm", 12, 1, 2, 3, List.of(30.0, 20.0, 10.0), Keep.EVERY_FRAME),
        new ZeroOut("other-child", Keep.PLACE),
        new CopyPose("crate", "cam", 12, Keying.STILL),
        new CopyMotion("crate", "cam", Keep.FITTED),
        new SetValues("cam", 25, Map.of(Path.X, 3.0), Keying.WHOLE_POSE),
        new SetValues("cam", 25, Map.of(Path.X, 3.0, Path.FOCAL, 50.0), Keying.TOUCHED),
        new SetValues("crate", 25, Map.of(Path.PAN, 3.0), Keying.STILL),
        new Operate("cam", 25, 1, 2, 3, 4, 5, 6, Keying.WHOLE_POSE),
        new MoveInWorld("cam", 25, 1, 0, -2, 30, Keying.TOUCHED),
        new Orbit("cam", 25, 1, 0.5, -2, 30, 10, Keying.WHOLE_POSE),
        new MovePath("cam", List.of(), 1, 0.5, -2),
        new MovePath("cam", List.of(20.0, 40.0), 1, 0, -2),
        new KeyPose("cam", 33, Path.POSE),
        new RemoveKeys(Picks.of("cam", Path.POSE, List.of(1.0, 40.0))),
        new MoveKeys(Picks.of("cam", Path.POSE, List.of(20.0)), 5, 0.5, Landing.REFUSE),
        new SetTangents(
            Picks.of("cam", Path.POSE, List.of(1.0)),
            new TangentChoice.Automatic(Tangent.Kind.HOLD)),
        new ScaleKeys(
            Picks.of("cam", List.of(Path.X), List.of(1.0, 20.0)), 1, 0, 1.5, -1, Landing.REFUSE),
        new PlaceKeys(
            Picks.of("cam", List.of(Path.X), List.of(20.0)),
            OptionalDouble.of(22.5),
            OptionalDouble.of(1.25),
            true,
            Landing.REFUSE),
        new PasteKeys(
            "cam",
            12,
            Map.of(Path.ROLL, List.of(new Key(3, 2, Tangent.Kind.FLOW))),
            PasteKeys.Way.MIRRORED,
            true),
        new InsertKeys(Picks.of("cam", Path.POSE, List.of(7.0, 31.5))),
        new AlignKeys("cam"),
        new BakeKeys("cam", Path.POSE, 5, 30, 2),
        new SetHandle("cam", Path.X, 20, SetHandle.Side.OUT, new Tangent.Handle(4, 3), true),
        new TurnTangent("cam", 20, SetHandle.Side.OUT, 0, 0, 1, false),
        new SetBeyond("cam", List.of(Path.X), Optional.empty(), Optional.of(Beyond.CYCLE)),
        new SetTakesKeys("cam", new TakesKeys(Set.of(Path.ROLL), Set.of(Path.FOCAL))),
        new HoldUntil(Picks.of("cam", List.of(Path.TILT), List.of(20.0))),
        new Retime(List.of(), new TimeMap.Ripple(15, 6), Landing.REFUSE, true, true),
        new ConvertRate(FrameRate.of(25), ConvertRate.Keep.TIME, false),
        new SetMarkers(List.of(new Marker("m", 9, "Door", Marker.Kind.CUE, "arm"))),
        new SetPart("cam", Lens.PLAIN.withSensor(SensorFormat.FULL_FRAME.back())),
        new SetPart("cam", Lens.PLAIN, Set.of("squeeze", "shutter")),
        new SetFieldOfView("cam", 1, SetFieldOfView.Side.VERTICAL, 30, Keying.STILL),
        new SetPiece("crate", new Shape.Sphere(2), Finish.matt("#112233")),
        new AddNodes(List.of(new Node.Null(Sets.body("free", "", Chain.pose())))),
        new AddPart("cam", Aim.at("aim-c", Target.OfNode.origin("crate"))),
        new RemovePart("pointer", "aim-b"),
        new OrderParts("pointer", List.of("keys", "carried", "aim-b", "aim-a")),
        new SetPart("pointer", Aim.at("aim-a", Target.OfNode.origin("cam"))),
        new SetPart("pointer", Aim.at("aim-a", new Target.Place(1, 2, 3))),
        new SetStamp("pointer", "aim-a", Window.OPEN),
        new SwitchPart("pointer", "aim-a", false),
        new SetValues("pointer", 9, Map.of(new Path("aim-a", "weight"), 0.5), Keying.TOUCHED),
        new MoveInWorld("pointer", 12, 1, 0, 0, 20, Keying.STILL),
        new Retime(List.of("pointer"), new TimeMap.Shift(3), Landing.REFUSE, false, false),
        new RemoveNodes(List.of("crate"), 12, false, Keep.PLACE),
        new RemoveMarkers(List.of("bell")),
        new Lengthen(12, OptionalDouble.of(20), true),
        new Lengthen(12, OptionalDouble.empty(), false),
        new ReduceKeys("cam", Path.POSE, Map.of()),
        new RemoveOvershoot(Picks.of("cam", Path.POSE, List.of()), 0, true),
        new SetSun("sun", "#ffffff", 2),
        new FrameSubject(
            "cam",
            List.of("crate"),
            new Framing(0.2, -0.1),
            OptionalDouble.of(0.3),
            FrameUp.Way.DOLLY,
            14,
            14,
            Keying.TOUCHED),
        new FrameSubject(
            "cam",
            List.of("crate", "flag"),
            new Framing(-0.2, 0.1),
            OptionalDouble.empty(),
            FrameUp.Way.TURN,
            10,
            20,
            Keying.TOUCHED),
        new HoldSize(
            "cam",
            Target.OfNode.origin("crate"),
            HoldSize.Way.OTHER_LENS,
            14,
            OptionalDouble.of(50),
            10,
            20,
            Keying.TOUCHED),
        new KeepFramed(
            "cam",
            "kept-a",
            List.of("crate", "flag"),
            new Framing(0.17, -0.1),
            OptionalDouble.of(0.4),
            FrameUp.Way.ZOOM),
        new SetRepeat("row", Repetition.row(3, 0, 0, -2)),
        new KeysToMoves("arm", "move-k", 0.5, 2),
        new SetLight("lamp", new Lamp(Lamp.Kind.PRACTICAL, "#ffd0a0", 2.5, 7, false)),
        new SetMist("mist", new Drift(9, 4, 3, 2, 1, 0.5, 0, 0.2, 1, "#ffffff", 0.5, true)),
        new SetHaze("haze", new Haze("#aabbcc", 33)),
        new SetHidden("crate", new Hidden(true, false, true)),
        new CloseSeam(List.of("arm", "cam"), "", 1),
        new CloseSeam(List.of("mover"), "row", 2),
        new CutTo(22, "shaker", 0),
        new CutTo(40, "cam", 5),
        new MoveCut(15, 18, true),
        new MatchCut(15, MatchCut.Side.BEFORE, 8),
        new SwapCut(15),
        new RemoveCut(30),
        new RemoveNodes(List.of("framer"), 12, false, Keep.PLACE),
        new Restore(
            Optional.empty(),
            List.of(),
            ids(RIG),
            Optional.of(List.of()),
            Optional.of(Program.NONE),
            Optional.of(PictureFrame.USUAL)),
        new SetPicture(
            new PictureFrame(
                2048,
                2,
                Set.of(PictureFrame.Guide.LEVEL),
                Optional.of(new PictureFrame.Mask(2.39, 0.5)),
                8,
                5)));
  }

  static ChangeHeader aspect(double aspect) {
    return new ChangeHeader(
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.of(aspect),
        Optional.empty(),
        Optional.empty());
  }

  private static List<String> ids(Shot shot) {
    return shot.nodes().stream().map(Node::id).toList();
  }

  @Test
  void everyKindOfEdit_isAmongThose() {
    assertThat(everyEdit().map(Object::getClass).collect(Collectors.toSet()))
        .containsExactlyInAnyOrder(Edit.class.getPermittedSubclasses());
  }

  @ParameterizedTest
  @MethodSource("everyEdit")
  void inverse_givesTheShotBackExactly(Edit edit) {
    Edit.Applied applied = Edit.applyAll(RIG, List.of(edit));
    if (!(edit instanceof ReduceKeys || edit instanceof RemoveOvershoot)) {
      assertThat(applied.shot()).isNotEqualTo(RIG);
    }
    assertThat(applied.inverse().apply(applied.shot())).isEqualTo(RIG);
    assertThat(edit.summary()).isNotBlank();
    assertThat(applied.footprint().changes()).isNotEmpty();
  }

  private static void assertSamePose(Shot one, Shot other, String id, double frame, double within) {
    RigidPose a = Evaluation.at(one, frame).pose(id, 0);
    RigidPose b = Evaluation.at(other, frame).pose(id, 0);
    assertThat(a.place().distance(b.place())).as("place at %s", frame).isLessThan(within);
    assertThat(Turns.angleBetween(a.turn(), b.turn())).as("turn at %s", frame).isLessThan(within);
  }

  @ParameterizedTest
  @ValueSource(strings = {"other", "base", ""})
  void carry_keyedNode_keepsItsPlaceAtTheFrameAndItsKeys(String carrier) {
    Shot after = new Carry("cam", carrier, 23, Keep.PLACE).apply(RIG);
    assertSamePose(RIG, after, "cam", 23, 1e-12);
    assertThat(after.node("cam").chain().part(Keys.ID))
        .isEqualTo(RIG.node("cam").chain().part(Keys.ID));
  }

  @Test
  void carry_stillNodeToStillCarrier_keepsItsPlaceAtEveryFrameInItsOwnNumbers() {
    Shot after = new Carry("crate", "other", 23, Keep.PLACE).apply(RIG);
    assertSamePose(RIG, after, "crate", 1, 1e-12);
    assertSamePose(RIG, after, "crate", 50, 1e-12);
    assertThat(after.node("crate").carriage().offset()).isEqualTo(RigidPose.IDENTITY);
  }

  @Test
  void carry_inALoop_isRefusedByNamingIt() {
    assertThatThrownBy(() -> new Carry("base", "arm", 1, Keep.PLACE).apply(RIG))
        .hasMessage(
            "base.carrier is a loop (base > arm > base); allowed: a null or a piece that this node"
                + " does not carry itself");
    assertThatThrownBy(() -> new Carry("arm", "arm", 1, Keep.PLACE).apply(RIG))
        .hasMessageContaining("a loop (arm > arm)");
    assertThatThrownBy(() -> new Carry("cam", "sun", 1, Keep.PLACE).apply(RIG))
        .hasMessageContaining("the id of a null, a piece, a rail or a repeat");
  }

  @Test
  void remove_null_leavesWhatItCarriedInPlace() {
    Shot after = new RemoveNodes(List.of("arm"), 17, false, Keep.PLACE).apply(RIG);
    assertThat(after.find("arm")).isEmpty();
    assertThat(after.node("cam").carriage().carrierId()).isEqualTo("base");
    assertSamePose(RIG, after, "cam", 17, 1e-12);
  }

  @Test
  void remove_followedNode_keepsTheFocusDistanceItHas() {
    double before = Evaluation.at(RIG, 17).of("cam").lens().orElseThrow().focusM()[0];
    Shot after = new RemoveNodes(List.of("crate"), 17, false, Keep.PLACE).apply(RIG);
    assertThat(after.camera("cam").lens().focus()).isEqualTo(new FocusRule.Distance());
    assertThat(Evaluation.at(after, 40).of("cam").lens().orElseThrow().focusM()[0])
        .isCloseTo(before, within(1e-12));
  }

  @Test
  void duplicate_null_copiesTheFamilyUnderNewIds() {
    Shot after = new Duplicate("base", "copy", "Copy").apply(RIG);
    assertThat(after.nodes()).hasSize(RIG.nodes().size() + 4);
    assertThat(after.family("copy"))
        .extracting(Node::id)
        .containsExactly("copy", "copy-1", "copy-2", "copy-3");
    assertSamePose(after, after, "copy-2", 30, 1e-12);
    RigidPose original = Evaluation.at(after, 30).pose("cam", 0);
    RigidPose copy = Evaluation.at(after, 30).pose("copy-2", 0);
    assertThat(copy).isEqualTo(original);
  }

  @Test
  void setValues_wholePose_keysAllSixAndKeepsTheOthersWhereTheyAre() {
    Shot after = new SetValues("cam", 25, Map.of(Path.X, 3.0), Keying.WHOLE_POSE).apply(RIG);
    for (Path channel : Path.POSE) {
      Key key =
          after.node("cam").chain().curve(channel).keys().stream()
              .filter(k -> k.frame() == 25)
              .findFirst()
              .orElseThrow();
      double expected = channel == Path.X ? 3 : RIG.node("cam").chain().curve(channel).at(25);
      assertThat(key.value()).as(channel.toString()).isEqualTo(expected);
    }
    assertThat(after.node("cam").chain().curve(Path.FOCAL).isKeyed()).isFalse();
  }

  @Test
  void setValues_stillOnAKeyedChannelBetweenKeys_isRefused() {
    Edit edit = new SetValues("cam", 25, Map.of(Path.X, 3.0), Keying.STILL);
    assertThatThrownBy(() -> edit.apply(RIG)).hasMessageContaining("cam.x is keyed");
    Edit wild = new SetValues("cam", 25, Map.of(Path.F_STOP, 0.0), Keying.STILL);
    assertThatThrownBy(() -> wild.apply(RIG)).hasMessage("fstop is 0.0; allowed: 0.05 to 128");
  }

  @Test
  void operate_movesAlongTheCamerasOwnDirections() {
    Shot still = new SetValues("crate", 1, Map.of(Path.PAN, 90.0), Keying.STILL).apply(RIG);
    // heading 90 degrees looks along -X, so its right is -Z
    Shot after = new Operate("crate", 1, 2, 3, 4, 0, 0, 0, Keying.STILL).apply(still);
    RigidPose moved = Evaluation.at(after, 1).pose("crate", 0);
    assertThat(moved.place().distance(1 - 4, 3, -9 - 2)).isLessThan(1e-12);
  }

  @Test
  void moveInWorld_underCarriers_movesByThatMuchInTheWorld() {
    RigidPose before = Evaluation.at(RIG, 25).pose("cam", 0);
    Shot after = new MoveInWorld("cam", 25, 1, 0.5, -2, 30, Keying.WHOLE_POSE).apply(RIG);
    RigidPose now = Evaluation.at(after, 25).pose("cam", 0);
    assertThat(now.place().sub(before.place()).distance(1, 0.5, -2)).isLessThan(1e-12);
    assertThat(Turns.angleBetween(before.turn(), now.turn()))
        .isCloseTo(Math.toRadians(30), within(1e-12));
  }

  @Test
  void moveKeys_ontoAnother_isRefusedOrMergedAsAsked() {
    Picks first = Picks.of("cam", Path.POSE, List.of(1.0));
    Edit refused = new MoveKeys(first, 39, 0, Landing.REFUSE);
    assertThatThrownBy(() -> refused.apply(RIG))
        .hasMessage("cam.x.keys is two at frame 40.0; allowed: one key at a frame");
    Edit merged = new MoveKeys(first, 39, 0, Landing.MERGE);
    assertThat(merged.apply(RIG).node("cam").chain().curve(Path.X).keys())
        .extracting(Key::frame)
        .containsExactly(20.0, 40.0);
  }

  @Test
  void setFieldOfView_setsTheFocalLengthThatGivesIt() {
    Edit edit = new SetFieldOfView("cam", 1, SetFieldOfView.Side.HORIZONTAL, 40, Keying.STILL);
    double[] wide =
        Evaluation.at(edit.apply(RIG), 1).of("cam").lens().orElseThrow().horizontalRad();
    assertThat(Math.toDegrees(wide[0])).isCloseTo(40, within(1e-12));
  }

  @Test
  void applyAll_oneBadEdit_changesNothingAndNamesIt() {
    List<Edit> edits = List.of(new Rename("cam", "B"), new Rename("nobody", "C"));
    assertThatThrownBy(() -> Edit.applyAll(RIG, edits))
        .hasMessage("edits[1].node is 'nobody'; allowed: the id of a node of this shot");
  }

  @Test
  void retime_takesTheEndAlong_whereTheMapTakesIt() {
    Shot shot = Sets.rig(); // 1 to 50
    assertThat(out(shot, TimeMap.Stretch.all(1, 2))).isEqualTo(99);
    assertThat(out(shot, new TimeMap.Stretch(1, 50, 1, 2, false))).isEqualTo(99);
    assertThat(out(shot, new TimeMap.Ripple(500, 30))).isEqualTo(50);
    assertThat(out(shot, new TimeMap.Ripple(20, 30))).isEqualTo(80);
    assertThat(out(shot, new TimeMap.Shift(7))).isEqualTo(57);
    assertThat(out(shot, ramp(false))).isEqualTo(30);
    assertThat(out(shot, ramp(true))).isEqualTo(50);
  }

  private static int out(Shot shot, TimeMap map) {
    return new Retime(List.of(), map, Landing.REFUSE, true, true)
        .apply(shot)
        .header()
        .range()
        .out();
  }

  private static Ramp ramp(boolean keepLength) {
    return new Ramp(
        List.of(new Ramp.Point(1, 2), new Ramp.Point(41, 2)), keepLength, List.of(), 1e-3);
  }

  @Test
  void ramp_thatChangesTheLength_keepsHitsWithThePosesUnderThem() {
    Shot shot =
        Sets.rig()
            .withMarkers(
                List.of(
                    new Marker("in", 21, "In", Marker.Kind.HIT, ""),
                    new Marker("after", 45, "After", Marker.Kind.HIT, "")));
    Shot shorter = new Retime(List.of(), ramp(false), Landing.REFUSE, true, true).apply(shot);
    assertThat(shorter.markers()).extracting(Marker::frame).containsExactly(11.0, 25.0);
    Shot kept = new Retime(List.of(), ramp(true), Landing.REFUSE, true, true).apply(shot);
    assertThat(kept.markers()).extracting(Marker::frame).containsExactly(21.0, 45.0);
  }
}

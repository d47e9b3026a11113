package idlelens.exchange.json;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.curve.Beyond;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.edit.AddCarrier;
import idlelens.core.edit.AddNodes;
import idlelens.core.edit.AddPart;
import idlelens.core.edit.AddRail;
import idlelens.core.edit.AlignKeys;
import idlelens.core.edit.BakeKeys;
import idlelens.core.edit.CarrierKind;
import idlelens.core.edit.Carry;
import idlelens.core.edit.ChangeHeader;
import idlelens.core.edit.CloseSeam;
import idlelens.core.edit.ConvertRate;
import idlelens.core.edit.CopyMotion;
import idlelens.core.edit.CopyPose;
import idlelens.core.edit.CutTo;
import idlelens.core.edit.Duplicate;
import idlelens.core.edit.Edit;
import idlelens.core.edit.FrameSubject;
import idlelens.core.edit.HandOverTo;
import idlelens.core.edit.HoldSize;
import idlelens.core.edit.HoldUntil;
import idlelens.core.edit.InsertKeys;
import idlelens.core.edit.JoinRails;
import idlelens.core.edit.Keep;
import idlelens.core.edit.KeepFramed;
import idlelens.core.edit.KeyPick;
import idlelens.core.edit.KeyPose;
import idlelens.core.edit.Keying;
import idlelens.core.edit.KeysToMoves;
import idlelens.core.edit.Lengthen;
import idlelens.core.edit.LiftShake;
import idlelens.core.edit.MatchCut;
import idlelens.core.edit.Meeting;
import idlelens.core.edit.MoveCut;
import idlelens.core.edit.MoveInWorld;
import idlelens.core.edit.MoveKeys;
import idlelens.core.edit.MovePath;
import idlelens.core.edit.MoveStamp;
import idlelens.core.edit.MovesToKeys;
import idlelens.core.edit.Operate;
import idlelens.core.edit.Orbit;
import idlelens.core.edit.OrderParts;
import idlelens.core.edit.PasteKeys;
import idlelens.core.edit.Picks;
import idlelens.core.edit.PinRide;
import idlelens.core.edit.PlaceKeys;
import idlelens.core.edit.PoseInWorld;
import idlelens.core.edit.Punch;
import idlelens.core.edit.RailChange;
import idlelens.core.edit.RailFromKeys;
import idlelens.core.edit.RailSource;
import idlelens.core.edit.Rebase;
import idlelens.core.edit.ReduceKeys;
import idlelens.core.edit.RemoveCut;
import idlelens.core.edit.RemoveKeys;
import idlelens.core.edit.RemoveMarkers;
import idlelens.core.edit.RemoveNodes;
import idlelens.core.edit.RemoveOvershoot;
import idlelens.core.edit.RemovePart;
import idlelens.core.edit.RemoveStamp;
import idlelens.core.edit.Rename;
import idlelens.core.edit.Restore;
import idlelens.core.edit.Retime;
import idlelens.core.edit.RideRail;
import idlelens.core.edit.ScaleKeys;
import idlelens.core.edit.SetBeyond;
import idlelens.core.edit.SetFieldOfView;
import idlelens.core.edit.SetHandle;
import idlelens.core.edit.SetHaze;
import idlelens.core.edit.SetHidden;
import idlelens.core.edit.SetLight;
import idlelens.core.edit.SetMarkers;
import idlelens.core.edit.SetMist;
import idlelens.core.edit.SetPart;
import idlelens.core.edit.SetPicture;
import idlelens.core.edit.SetPiece;
import idlelens.core.edit.SetRepeat;
import idlelens.core.edit.SetStamp;
import idlelens.core.edit.SetSun;
import idlelens.core.edit.SetTakesKeys;
import idlelens.core.edit.SetTangents;
import idlelens.core.edit.SetValues;
import idlelens.core.edit.ShapeRail;
import idlelens.core.edit.SpeedMove;
import idlelens.core.edit.SplitRail;
import idlelens.core.edit.SwapCut;
import idlelens.core.edit.SwitchPart;
import idlelens.core.edit.TakeToKeys;
import idlelens.core.edit.TakeToRecording;
import idlelens.core.edit.TangentChoice;
import idlelens.core.edit.ToNewCamera;
import idlelens.core.edit.TurnTangent;
import idlelens.core.edit.ZeroOut;
import idlelens.core.lens.Framing;
import idlelens.core.part.Aim;
import idlelens.core.part.Carried;
import idlelens.core.part.Ease;
import idlelens.core.part.Family;
import idlelens.core.part.FocusMark;
import idlelens.core.part.FocusRule;
import idlelens.core.part.FrameUp;
import idlelens.core.part.Hunt;
import idlelens.core.part.Lens;
import idlelens.core.part.Move;
import idlelens.core.part.Path;
import idlelens.core.part.Pull;
import idlelens.core.part.Target;
import idlelens.core.part.Window;
import idlelens.core.rail.Anchor;
import idlelens.core.retime.Landing;
import idlelens.core.retime.Ramp;
import idlelens.core.retime.TimeMap;
import idlelens.core.scene.Hidden;
import idlelens.core.scene.PictureFrame;
import idlelens.core.scene.Shot;
import idlelens.core.scene.TakesKeys;
import idlelens.core.set.Drift;
import idlelens.core.set.Finish;
import idlelens.core.set.Haze;
import idlelens.core.set.Lamp;
import idlelens.core.set.Lettering;
import idlelens.core.set.Pictures;
import idlelens.core.set.Repetition;
import idlelens.core.set.Shape;
import idlelens.core.set.Still;
import idlelens.core.shake.Ring;
import idlelens.core.take.Take;
import idlelens.core.time.FrameRate;
import idlelens.exchange.Rigs;
import idlelens.exchange.format.FormatException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class EditJsonTest {
  private static final Shot SHOT = Rigs.everything();
  private static final Picks KEYS = Picks.of("cam", List.of(Path.X), List.of(1001.0));
  private static final Picks MANY =
      new Picks(
          List.of(
              new KeyPick("cam", Path.POSE, List.of(1001.0, 1020.5)),
              new KeyPick("head", List.of(Path.PAN), List.of(1048.0))));
  private static final Map<Path, List<Key>> COPIED =
      Map.of(
          Path.X, SHOT.node("cam").chain().curve(Path.X).keys(),
          Path.Y, SHOT.node("cam").chain().curve(Path.Y).keys());

  private static final Move MOVE =
      new Move(
          Move.of("move-x", Move.Way.CRANE, 20, 1010, 1030.5).body(),
          Move.Way.CRANE,
          20,
          new Ease(3, 4.5, 0.25),
          Move.After.RETURNED,
          3,
          new Target.OfNode("crate", 1, 2, 3));

  private static final List<Double> POINTS = List.of(0.0, 0.0, 1.0, 2.0, 3.0, 4.0);

  private static final PictureFrame LAID_OUT =
      new PictureFrame(
          4096,
          2,
          Set.of(PictureFrame.Guide.values()),
          Optional.of(new PictureFrame.Mask(1.85, 0.25)),
          9,
          7);

  private static final Target CRATE = new Target.OfNode("crate", 0, 0.5, 0);

  private static final FocusRule.Pulls PULLS =
      new FocusRule.Pulls(
          FocusRule.Along.METRES,
          List.of(
              new FocusMark("near", "Lantern", Optional.empty(), 2.5),
              new FocusMark("crate", "Top of the crate", Optional.of(CRATE), 0.1),
              new FocusMark("bow", "Bow", Optional.of(new Target.Place(1, 2, -30)), 0)),
          List.of(
              Pull.of("pull-1", 1010, 24, "crate"),
              new Pull(
                  "pull-2", 1040.5, 0, "bow", new Ease(0, 0, 1), new Hunt(0.1, new Ring(2, 0.4)))));

  private static final Window WINDOW =
      new Window(OptionalDouble.empty(), OptionalDouble.of(1030), 0, 4);
  private static final Aim AIM =
      Aim.at("aim-1", Target.OfNode.origin("crate"))
          .withTargets(List.of(new Target.OfNode("crate", 0, 1, 0)));

  private static Take take() {
    List<Optional<double[]>> columns = new ArrayList<>();
    for (int c = 0; c < Take.COLUMNS.size(); c++) {
      double[] column = {c, c + 0.125, 1e-7 * c};
      columns.add(c < Take.FOCAL ? Optional.of(column) : Optional.empty());
    }
    columns.set(Take.FOCAL, Optional.of(new double[] {35, 36.5, 50}));
    return new Take(59.94, columns);
  }

  static Stream<Edit> edits() {
    return Stream.of(
        ChangeHeader.to(SHOT.header()),
        ChangeHeader.named("Other"),
        new AddNodes(List.of(Rigs.imported())),
        new RemoveNodes(List.of("cam", "head"), 3.5, true, Keep.PLACE),
        new Duplicate("cam", "new", "New"),
        new SpeedMove("cam", SpeedMove.Kind.WHIP_PAN, 1001.5, 1012, -90, "speed"),
        new LiftShake("cam", "smooth-a", "arm", "recorded-n", "Unrest"),
        new ToNewCamera("cam", "new", "New", Keep.FITTED, 2.5),
        new TakeToKeys("cam", take(), 1001.5, new Punch(1002, 1003, 1), Keep.FITTED, 2.5),
        new TakeToRecording("cam", take(), 1001, new Punch(1001, 1002, 0), "taken", "Take 1"),
        new PoseInWorld("cam", 1001.5, 1, -2, 3.25, 370, -10, 2, Keying.TOUCHED),
        new Rename("cam", "B"),
        new SetHidden("cam", Hidden.IN_SIGHT),
        new SwitchPart("cam", Carried.ID, false),
        new Carry("cam", "dolly", 1010, Keep.NUMBERS),
        new Carry("cam", "dolly", 1010, Keep.PLACE),
        new Carry("cam", "", 1010, Keep.EVERY_FRAME),
        new AddCarrier(
            CarrierKind.TURNTABLE,
            List.of("cam", "crate"),
            1010,
            "table",
            "Crate",
            List.of(1.0, 2.0, 3.0),
            0,
            "ptr"),
        new AddCarrier(
            CarrierKind.GIMBAL, List.of("cam"), 1010, "head-2", "A", List.of(), 1.5, "rtp"),
        new Rebase("dolly", 1010, 1, 2, 3, List.of(), Keep.PLACE),
        new Rebase("dolly", 1010, 1, 2, 3, List.of(10.0, 20.0, 30.0), Keep.FITTED),
        new AddRail("new", "New", 1, 2, 3, 40, new RailSource.Line(4)),
        new AddRail("new", "New", 1, 2, 3, 40, new RailSource.Circle(2)),
        new AddRail("new", "New", 1, 2, 3, 40, new RailSource.Helix(2, 400, 3)),
        new AddRail("new", "New", 1, 2, 3, 0, new RailSource.Placed(POINTS, false)),
        new AddRail("new", "New", 1, 2, 3, 0, new RailSource.Drawn(POINTS, 0.2, true)),
        new ShapeRail("dolly", new RailChange.Move(List.of("a3", "a4"), 1, 0, -1)),
        new ShapeRail("dolly", new RailChange.Turn("a2", true, 1, 0.2, 0, true)),
        new ShapeRail("dolly", new RailChange.Turn("a2", false, 1, 0.2, 0, false)),
        new ShapeRail("dolly", new RailChange.Kinds(List.of("a3"), Anchor.Kind.CORNER)),
        new ShapeRail("dolly", new RailChange.Insert(2.5, 0, -1, "a9")),
        new ShapeRail("dolly", new RailChange.Extend(false, 9, 0, 5, "a9")),
        new ShapeRail("dolly", new RailChange.Extend(true, 9, 0, 5, "a9")),
        new ShapeRail("dolly", new RailChange.Remove(List.of("a3"))),
        new ShapeRail("dolly", new RailChange.Reverse()),
        new ShapeRail("dolly", new RailChange.Close(true)),
        new JoinRails("dolly", "head", 1010),
        new SplitRail("dolly", "a3", "new", "New"),
        new RideRail("cam", "dolly", 1001, 1040, "ride-b"),
        new RailFromKeys("cam", "track", "Track", 0.05, "ride-c"),
        new PinRide("cam", "dolly", 1010, Optional.of("a3"), "a9"),
        new PinRide("cam", "dolly", 1010, Optional.empty(), "a9"),
        new ZeroOut("cam", Keep.EVERY_FRAME),
        new CopyPose("cam", "still-cam", 1010, Keying.WHOLE_POSE),
        new MovesToKeys("cam", Keep.EVERY_FRAME),
        new AddPart("cam", MOVE),
        new SetPart("cam", MOVE),
        new CopyMotion("cam", "still-cam", Keep.FITTED),
        new HandOverTo("cam", 1012.5, "dolly", Meeting.JOINED),
        new HandOverTo("cam", 1020, "", Meeting.NUMBERS),
        new HandOverTo("cam", 1030, "", Meeting.SETTLING, 24),
        new MoveStamp("cam", "carried", "hand-over-1", 1030),
        new RemoveStamp("cam", "carried", "hand-over-1"),
        new RemoveNodes(List.of("dolly"), 1010, false, Keep.FITTED),
        new SetValues("cam", 1010, Map.of(Path.X, 1.5, Path.FOCUS, 3.0), Keying.WHOLE_POSE),
        new Operate("cam", 1010, 1, 2, 3, 4, 5, 6, Keying.TOUCHED),
        new MoveInWorld("cam", 1010, 1, 2, 3, 4, Keying.STILL),
        new Orbit("cam", 1010, 1, 2, 3, 40, -5, Keying.TOUCHED),
        new MovePath("cam", List.of(), 1, 2, 3),
        new MovePath("cam", List.of(1001.0, 1024.5), 1, 2, 3),
        new KeyPose("cam", 1010, Path.POSE),
        new RemoveKeys(KEYS),
        new MoveKeys(KEYS, -2, 0.5, Landing.MERGE),
        new ScaleKeys(MANY, 1010, 1, 0.5, -2, Landing.REFUSE),
        new PlaceKeys(KEYS, OptionalDouble.of(7.5), OptionalDouble.empty(), true, Landing.MERGE),
        new PasteKeys("cam", 1005, COPIED, PasteKeys.Way.MIRRORED, true),
        new InsertKeys(MANY),
        new AlignKeys("cam"),
        new BakeKeys("cam", List.of(Path.X), 1001, 1048, 2),
        new ReduceKeys("cam", Path.POSE, Map.of(Family.PLACE, 0.01, Family.STOP, 0.1)),
        new RemoveOvershoot(KEYS, 0.25, false),
        new HoldUntil(KEYS),
        new SetTangents(KEYS, new TangentChoice.Automatic(Tangent.Kind.FLOW)),
        new SetTangents(MANY, new TangentChoice.ByHand(Optional.of(false), Optional.empty())),
        new SetHandle("cam", Path.PAN, 1001, SetHandle.Side.IN, new Tangent.Handle(4, -2.5), true),
        new TurnTangent("cam", 1020, SetHandle.Side.OUT, 0.1, 0.2, -0.3, false),
        new SetBeyond("cam", Path.POSE, Optional.of(Beyond.CYCLE), Optional.empty()),
        new SetTakesKeys("cam", new TakesKeys(Set.of(Path.ROLL), Set.of(Path.Y))),
        new Retime(List.of("cam"), new TimeMap.Shift(3), Landing.MERGE, true, false),
        new Retime(
            List.of(), new TimeMap.Stretch(1001, 1020, 1010, 2, true), Landing.REFUSE, true, true),
        new Retime(List.of(), new TimeMap.Ripple(1010, -4), Landing.REFUSE, false, true),
        new ConvertRate(new FrameRate(30000, 1001), ConvertRate.Keep.TIME, true),
        new Lengthen(24, OptionalDouble.of(1010), true),
        new Lengthen(5, OptionalDouble.empty(), false),
        new SetMarkers(SHOT.markers()),
        new RemoveMarkers(List.of("door")),
        new SetPart("cam", Lens.PLAIN),
        new SetPart("cam", Lens.PLAIN, Set.of("squeeze", "irisTurn")),
        new SetPart("cam", Lens.PLAIN.withFocus(new FocusRule.Follow(CRATE, -0.5, 12))),
        new SetPart("cam", Lens.PLAIN.withFocus(PULLS)),
        new SetStamp("cam", "lens", PULLS.pulls().get(0)),
        new SetStamp("cam", "lens", PULLS.pulls().get(1)),
        new SetPart("parked", Aim.at("aim-3c", new Target.Place(1, 2, 3))),
        new AddPart("cam", AIM),
        new RemovePart("parked", "aim-3c"),
        new OrderParts("cam", List.of("keys", "carried", "lens")),
        new SetStamp("parked", "aim-3c", WINDOW),
        new SetStamp("parked", "aim-3c", Window.OPEN),
        new SetFieldOfView("cam", 1010, SetFieldOfView.Side.VERTICAL, 30, Keying.TOUCHED),
        new SetPiece("crate", new Shape.Sphere(2), Finish.matt("#010203")),
        new SetPiece(
            "crate",
            new Shape.Card(1, 2),
            new Finish(
                "#010203",
                Finish.Kind.GLOW,
                Optional.of(
                    new Lettering(
                        List.of("Tern Quay", "No. 5"),
                        "#ffffff",
                        0.25,
                        Lettering.Face.NUMBERS,
                        true)),
                Optional.of(
                    new Pictures(
                        List.of(
                            new Still("ab".repeat(32), 640, 480, 1),
                            new Still("cd".repeat(32), 640, 480, 12)),
                        new FrameRate(24000, 1001),
                        1003.5,
                        Pictures.After.CYCLE)))),
        new SetSun("sun", "#ffffff", 2),
        new SetRepeat("row", new Repetition(-2, 9, 1, 2, 3, 60, 5, -5, 12, 3.5, -44)),
        new HoldSize(
            "cam",
            CRATE,
            HoldSize.Way.DOLLY,
            1010.5,
            OptionalDouble.empty(),
            1001,
            1020,
            Keying.TOUCHED),
        new HoldSize(
            "cam",
            new Target.Place(0, 1, -4),
            HoldSize.Way.OTHER_LENS,
            1010,
            OptionalDouble.of(85),
            1010,
            1010,
            Keying.STILL),
        new FrameSubject(
            "cam",
            List.of("crate"),
            new Framing(0.2, -0.1),
            OptionalDouble.of(0.3),
            FrameUp.Way.ZOOM,
            1014,
            1020,
            Keying.TOUCHED),
        new FrameSubject(
            "cam",
            List.of("crate", "flag"),
            new Framing(-0.2, 0.1),
            OptionalDouble.empty(),
            FrameUp.Way.TURN,
            1010,
            1010,
            Keying.WHOLE_POSE),
        new KeepFramed(
            "cam",
            "kept-a",
            List.of("crate", "flag"),
            new Framing(0.17, -0.1),
            OptionalDouble.of(0.4),
            FrameUp.Way.ZOOM),
        new KeepFramed(
            "cam",
            "kept-b",
            List.of("crate"),
            new Framing(0, 0),
            OptionalDouble.empty(),
            FrameUp.Way.TURN),
        new SetRepeat("row", Repetition.row(3, 0, 0, -2)),
        new KeysToMoves("rail", "move-k", 0.5, 1),
        new SetLight("lamp", new Lamp(Lamp.Kind.PRACTICAL, "#ffd0a0", 2.5, 7, false)),
        new SetMist("mist", new Drift(9, 4, 3, 2, 1, 0.5, 0, 0.2, 1, "#ffffff", 0.5, true)),
        new SetHaze("haze", new Haze("#aabbcc", 33)),
        new SetHidden("crate", new Hidden(true, false, true)),
        new CloseSeam(List.of("dolly", "cam"), "", 1),
        new CloseSeam(List.of("cam"), "row", 6),
        new Restore(
            Optional.of(SHOT.header()),
            SHOT.nodes(),
            List.of("cam", "head"),
            Optional.empty(),
            Optional.of(SHOT.program()),
            Optional.of(LAID_OUT)),
        new SetPicture(LAID_OUT),
        new SetPicture(PictureFrame.USUAL),
        new CutTo(1010, "cam", 8),
        new MoveCut(1020, 1024, true),
        new MatchCut(1020, MatchCut.Side.AFTER, 12),
        new SwapCut(1020),
        new RemoveCut(1020),
        new Restore(
            Optional.empty(),
            List.of(),
            List.of("cam"),
            Optional.of(SHOT.markers()),
            Optional.empty(),
            Optional.empty()));
  }

  @ParameterizedTest
  @MethodSource("edits")
  void writeAndRead_everyEdit_givesTheSame(Edit edit) throws Exception {
    byte[] text = EditJson.text(List.of(edit)).getBytes(StandardCharsets.UTF_8);
    assertThat(EditJson.readList(JsonPlace.parse(text))).containsExactly(edit);
  }

  @Test
  void everyKindOfEdit_isAmongThose() {
    Set<Class<?>> tried = edits().map(Object::getClass).collect(Collectors.toSet());
    assertThat(tried).containsExactlyInAnyOrder(Edit.class.getPermittedSubclasses());
  }

  @Test
  void writeAndRead_aRamp_mapsAllFramesAlike() throws Exception {
    Ramp ramp =
        new Ramp(
            List.of(new Ramp.Point(1001, 2), new Ramp.Point(1020, 0.5), new Ramp.Point(1048, 1)),
            true,
            List.of(1030.0),
            2e-3);
    Retime edit = new Retime(List.of("cam"), ramp, Landing.REFUSE, true, false);
    byte[] text = EditJson.text(List.of(edit)).getBytes(StandardCharsets.UTF_8);
    Retime back = (Retime) EditJson.readList(JsonPlace.parse(text)).get(0);
    assertThat(back.ids()).containsExactly("cam");
    for (double frame = 990; frame < 1060; frame += 0.5) {
      assertThat(back.map().at(frame)).isEqualTo(ramp.at(frame));
    }
  }

  @Test
  void read_anEditAsItWasWrittenBefore_isUnderstood() throws Exception {
    String text =
        "[{\"edit\":\"move-keys\",\"id\":\"cam\",\"frames\":[1001],\"channels\":[\"x\"],\"by\":-2,"
            + "\"landing\":\"merge\"},{\"edit\":\"set-tangents\",\"id\":\"cam\",\"frames\":[1001],"
            + "\"channels\":[\"x\"],\"tangent\":\"hold\"}]";
    assertThat(EditJson.readList(JsonPlace.parse(text.getBytes(StandardCharsets.UTF_8))))
        .containsExactly(
            new MoveKeys(KEYS, -2, 0, Landing.MERGE),
            new SetTangents(KEYS, new TangentChoice.Automatic(Tangent.Kind.HOLD)));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "[{\"edit\":\"fly\"}]|[0].edit is \"fly\"; allowed: the name of an edit",
        "[{\"edit\":\"rename\",\"id\":\"cam\"}]|[0].name is missing; allowed: a value",
        "[{\"edit\":\"rename\",\"id\":\"cam\",\"name\":\"B\",\"nick\":1}]|[0].nick is unknown",
        "[{\"edit\":\"key-pose\",\"id\":\"cam\",\"frame\":\"now\"}]|[0].frame is \"now\"; allowed: a"
            + " finite number",
        "[{\"edit\":\"set-values\",\"id\":\"c\",\"frame\":1,\"values\":{\"w\":1}}]|channel is 'w';"
            + " allowed: x, y, z",
        "[{\"edit\":\"operate\",\"id\":\"c\",\"frame\":1,\"pan\":1e9}]|[0].pan is 1.0E9; allowed:"
            + " -3600 to 3600",
        "[{\"edit\":\"retime\",\"map\":{\"kind\":\"warp\"}}]|[0].map.kind is \"warp\"; allowed: shift,",
        "[{\"edit\":\"retime\",\"map\":{\"kind\":\"ramp\",\"points\":[[1,1],[9,99]]}}]|speed is 99.0;"
            + " allowed: 0.05 to 20",
        "[{\"edit\":\"set-tangents\",\"id\":\"c\",\"frames\":[1],\"tangent\":\"soft\"}]|allowed: settle,"
            + " flow, straight, hold, free",
        "[{\"edit\":\"remove-keys\",\"picks\":[{\"id\":\"c\",\"when\":1}]}]|[0].picks[0].when is unknown",
        "[{\"edit\":\"set-markers\",\"markers\":[{\"id\":\"a b\",\"frame\":1,\"name\":\"x\"}]}]|marker.id"
            + " is 'a b'; allowed: 1 to 60 letters",
        "{}|file is {}; allowed: a list",
      })
  void read_wrongEdit_namesItsPlace(String text, String message) {
    assertThatThrownBy(
            () -> EditJson.readList(JsonPlace.parse(text.getBytes(StandardCharsets.UTF_8))))
        .isInstanceOf(FormatException.class)
        .hasMessageContaining(message);
  }
}

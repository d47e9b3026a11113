package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.params.provider.Arguments.arguments;

import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.part.Chain;
import idlelens.core.part.Lens;
import idlelens.core.part.Path;
import idlelens.core.retime.Landing;
import idlelens.core.retime.Ramp;
import idlelens.core.retime.TimeMap;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Hidden;
import idlelens.core.scene.Marker;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.set.Finish;
import idlelens.core.set.Shape;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Every refusal says where, what was found, and what is allowed. */
class RefusedEditsTest {
  private static final Shot RIG = Sets.rig();
  private static final String NODE = "node is 'nobody'; allowed: the id of a node of this shot";

  private static Arguments wrong(String message, Supplier<Edit> edit) {
    return arguments(message, edit);
  }

  private static Picks pick(String id, Path channel, double... frames) {
    return Picks.of(id, List.of(channel), Arrays.stream(frames).boxed().toList());
  }

  static Stream<Arguments> onNodes() {
    return Stream.of(
        wrong(NODE, () -> new Rename("nobody", "B")),
        wrong("name is ''; allowed: a text of 1 to 80 characters", () -> new Rename("cam", " ")),
        wrong(NODE, () -> new SetHidden("nobody", Hidden.IN_SIGHT)),
        wrong(
            "cam.frames is without a key of place at 7.0; allowed: frames of its keys",
            () -> new MovePath("cam", List.of(7.0), 1, 0, 0)),
        wrong(NODE, () -> new RemoveNodes(List.of("nobody"), 1, false, Keep.PLACE)),
        wrong(
            "ids.count is 0; allowed: 1 to 2000",
            () -> new RemoveNodes(List.of(), 1, false, Keep.PLACE)),
        wrong(
            "nodes.id is 'cam' twice; allowed: each id once",
            () -> new Duplicate("crate", "cam", "Copy")),
        wrong(
            "id is 'a b'; allowed: 1 to 60 letters, digits, '-' or '_'",
            () -> new Duplicate("crate", "a b", "Copy")),
        wrong(
            "new.carrier is 'sun'; allowed: the id of a null, a piece, a rail or a repeat of this shot",
            () -> new AddNodes(List.of(new Node.Null(Sets.body("new", "sun", Chain.pose()))))),
        wrong(
            "cam.focus.node is 'ghost'; allowed: the id of another node of this shot",
            () -> new SetPart("cam", Lens.PLAIN.following("ghost"))),
        wrong("part is 'lens'; allowed: keys, carried", () -> new SetPart("crate", Lens.PLAIN)),
        wrong(
            "piece is 'cam'; allowed: a piece of the set",
            () -> new SetPiece("cam", new Shape.Sphere(1), Finish.matt("#808080"))),
        wrong("sun is 'cam'; allowed: a sun", () -> new SetSun("cam", "#ffffff", 1)));
  }

  static Stream<Arguments> onValues() {
    return Stream.of(
        wrong(
            "channel is focal; allowed: x, y, z, pan, tilt, roll",
            () -> new SetValues("arm", 1, Map.of(Path.FOCAL, 50.0), Keying.STILL)),
        wrong(
            "x is NaN; allowed: -100000 to 100000",
            () -> new SetValues("crate", 1, Map.of(Path.X, Double.NaN), Keying.STILL)),
        wrong(
            "focal is 0.0; allowed: 1 to 5000",
            () -> new SetValues("cam", 1, Map.of(Path.FOCAL, 0.0), Keying.STILL)),
        wrong(
            "frame is Infinity; allowed: a finite number",
            () ->
                new SetValues("cam", Double.POSITIVE_INFINITY, Map.of(Path.X, 1.0), Keying.STILL)),
        wrong(
            "dx is 200000.0; allowed: -100000 to 100000",
            () -> new MoveInWorld("cam", 1, 2e5, 0, 0, 0, Keying.STILL)),
        wrong(
            "vfov is 180.0; allowed: 0.01 to 179",
            () -> new SetFieldOfView("cam", 1, SetFieldOfView.Side.VERTICAL, 180, Keying.STILL)));
  }

  static Stream<Arguments> onKeys() {
    return Stream.of(
        wrong(
            "frames is [7.0]; allowed: frames at which cam has a key on these channels",
            () -> new RemoveKeys(pick("cam", Path.X, 7))),
        wrong(
            "cam.x.keys is two at frame 40.0; allowed: one key at a frame",
            () -> new MoveKeys(pick("cam", Path.X, 20), 20, 0, Landing.REFUSE)),
        wrong(
            "inTime is 0.0; allowed: 0.001 to 1000",
            () -> new ScaleKeys(pick("cam", Path.X, 1, 20), 1, 0, 0, 1, Landing.REFUSE)),
        wrong("step is 0; allowed: 1 to 1000", () -> new BakeKeys("cam", Path.POSE, 1, 20, 0)),
        wrong(
            "tolerance is -1.0; allowed: 0 to 1000000",
            () -> new RemoveOvershoot(pick("cam", Path.X), -1, true)),
        wrong(
            "keys is empty; allowed: at least one key",
            () -> new PasteKeys("cam", 1, Map.of(), PasteKeys.Way.SAME, false)),
        wrong(
            "keys is of channels that arm does not have; allowed: channels of the node",
            () ->
                new PasteKeys(
                    "arm",
                    1,
                    Map.of(Path.FOCUS, List.of(new Key(1, 2, Tangent.Kind.FLOW))),
                    PasteKeys.Way.SAME,
                    false)),
        wrong(
            "rig is without keys; allowed: a rig with at least one key",
            () -> new AlignKeys("crate")),
        wrong(
            "before is missing; allowed: before, after, or both",
            () -> new SetBeyond("cam", Path.POSE, Optional.empty(), Optional.empty())));
  }

  static Stream<Arguments> onTime() {
    return Stream.of(
        wrong(
            "factor is 0.0; allowed: 0.001 to 1000",
            () -> retime(new TimeMap.Stretch(1, 20, 1, 0, false))),
        wrong(
            "speed is 40.0; allowed: 0.05 to 20",
            () ->
                retime(
                    new Ramp(
                        List.of(new Ramp.Point(1, 1), new Ramp.Point(20, 40)),
                        true,
                        List.of(),
                        1e-3))),
        wrong(
            "marker.name is ''; allowed: a text of 1 to 80 characters",
            () -> new SetMarkers(List.of(new Marker("m", 1, "", Marker.Kind.BEAT, "")))));
  }

  private static Edit retime(TimeMap map) {
    return new Retime(List.of(), map, Landing.REFUSE, true, true);
  }

  @ParameterizedTest
  @MethodSource({"onNodes", "onValues", "onKeys", "onTime"})
  void wrongEdit_isRefusedInWords(String message, Supplier<Edit> edit) {
    assertThatThrownBy(() -> Edit.applyAll(RIG, List.of(edit.get())))
        .isInstanceOf(RefusedException.class)
        .hasMessage(message);
  }
}

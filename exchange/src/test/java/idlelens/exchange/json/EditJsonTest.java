package idlelens.exchange.json;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.curve.Tangent;
import idlelens.core.edit.AddNodes;
import idlelens.core.edit.Carry;
import idlelens.core.edit.ChangeHeader;
import idlelens.core.edit.Duplicate;
import idlelens.core.edit.Edit;
import idlelens.core.edit.KeyPose;
import idlelens.core.edit.Keying;
import idlelens.core.edit.MoveInWorld;
import idlelens.core.edit.MoveKeys;
import idlelens.core.edit.Operate;
import idlelens.core.edit.RemoveKeys;
import idlelens.core.edit.RemoveNodes;
import idlelens.core.edit.Rename;
import idlelens.core.edit.Restore;
import idlelens.core.edit.SetFieldOfView;
import idlelens.core.edit.SetHidden;
import idlelens.core.edit.SetLens;
import idlelens.core.edit.SetPiece;
import idlelens.core.edit.SetSun;
import idlelens.core.edit.SetTangents;
import idlelens.core.edit.SetValues;
import idlelens.core.lens.LensBody;
import idlelens.core.scene.Channel;
import idlelens.core.scene.Shot;
import idlelens.core.set.Finish;
import idlelens.core.set.Shape;
import idlelens.exchange.Rigs;
import idlelens.exchange.format.FormatException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class EditJsonTest {
  private static final Shot SHOT = Rigs.everything();

  static Stream<Edit> edits() {
    return Stream.of(
        new ChangeHeader(SHOT.header().withName("Other")),
        new AddNodes(List.of(Rigs.imported())),
        new RemoveNodes(List.of("cam", "head"), 3.5, true),
        new Duplicate("cam", "new", "New"),
        new Rename("cam", "B"),
        new SetHidden("cam", true),
        new Carry("cam", "dolly", 1010, false),
        new SetValues("cam", 1010, Map.of(Channel.X, 1.5, Channel.FOCUS, 3.0), Keying.WHOLE_POSE),
        new Operate("cam", 1010, 1, 2, 3, 4, 5, 6, Keying.TOUCHED),
        new MoveInWorld("cam", 1010, 1, 2, 3, 4, Keying.STILL),
        new KeyPose("cam", 1010, Channel.POSE),
        new RemoveKeys("cam", List.of(1001.0), List.of(Channel.X)),
        new MoveKeys("cam", List.of(1001.0), Channel.POSE, -2, MoveKeys.Landing.MERGE),
        new SetTangents("cam", List.of(1001.0), Channel.POSE, Tangent.Kind.FLOW),
        new SetLens("cam", LensBody.PLAIN),
        new SetFieldOfView("cam", 1010, SetFieldOfView.Side.VERTICAL, 30, Keying.TOUCHED),
        new SetPiece("crate", new Shape.Sphere(2), Finish.matt("#010203")),
        new SetSun("sun", "#ffffff", 2),
        new Restore(Optional.of(SHOT.header()), SHOT.nodes(), List.of("cam", "head")));
  }

  @ParameterizedTest
  @MethodSource("edits")
  void writeAndRead_everyEdit_givesTheSame(Edit edit) throws Exception {
    byte[] text = EditJson.text(List.of(edit)).getBytes(StandardCharsets.UTF_8);
    assertThat(EditJson.readList(JsonPlace.parse(text))).containsExactly(edit);
  }

  @Test
  void everyKindOfEdit_isAmongThose() {
    List<Class<?>> tried = edits().<Class<?>>map(Object::getClass).toList();
    assertThat(tried).containsExactlyInAnyOrder(Edit.class.getPermittedSubclasses());
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
        "{}|file is {}; allowed: a list",
      })
  void read_wrongEdit_namesItsPlace(String text, String message) {
    assertThatThrownBy(
            () -> EditJson.readList(JsonPlace.parse(text.getBytes(StandardCharsets.UTF_8))))
        .isInstanceOf(FormatException.class)
        .hasMessageContaining(message);
  }
}

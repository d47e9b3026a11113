package idlelens.exchange.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.lens.Projection;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.part.Lens;
import idlelens.core.part.Parameter;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameRange;
import idlelens.core.time.SampleGrid;
import idlelens.exchange.Rigs;
import idlelens.exchange.outgoing.HandOff;
import idlelens.exchange.profile.ReceiverProfile;
import idlelens.exchange.scenefile.SceneFormat;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class FormatRoundTripTest {
  private static final Shot SHOT = Rigs.everything();

  static Stream<Arguments> everyFormatForEveryProfile() {
    return SceneFormats.written().stream()
        .flatMap(f -> ReceiverProfile.BUILT_IN.stream().map(p -> Arguments.of(f.id(), p.name())));
  }

  private static ReceiverProfile profile(String name) {
    return ReceiverProfile.BUILT_IN.stream().filter(p -> p.name().equals(name)).findFirst().get();
  }

  @ParameterizedTest
  @MethodSource("everyFormatForEveryProfile")
  void writtenAndRead_theCameraIsWhereItWas_onEveryFrame(String id, String name) throws Exception {
    SceneFormat format = SceneFormats.writing(id);
    HandOff handOff = Exchanged.handOff(SHOT, "cam", profile(name));
    Shot back = Exchanged.read(format, Exchanged.write(handOff, format));
    Exchanged.Limits limits =
        format.holds().singlePrecision() ? Exchanged.Limits.SINGLE : Exchanged.Limits.DOUBLE;
    Exchanged.assertSame(handOff, back, "The cam", limits);
    assertThat(back.header().aspect()).isEqualTo(SHOT.header().aspect());
    if (format.holds().nodes()) {
      assertThat(back.cameras()).hasSize(1);
      List<String> names = back.nodes().stream().map(n -> n.name()).toList();
      assertThat(names).contains("The dolly");
    }
  }

  static Stream<String> everyFormat() {
    return SceneFormats.written().stream().map(SceneFormat::id);
  }

  static Stream<String> everyScene() {
    return SceneFormats.written().stream().filter(f -> f.holds().nodes()).map(SceneFormat::id);
  }

  /** For what no other program has a place, a scene has one of ours. */
  @ParameterizedTest
  @MethodSource("everyScene")
  void allThatALensIsSetTo_comesBackFromAScene(String id) throws Exception {
    SceneFormat format = SceneFormats.writing(id);
    Shot shot = SHOT.withNode(Rigs.setTo(SHOT.node("cam"), Lens.OURS));
    HandOff handOff = Exchanged.handOff(shot, "cam", ReceiverProfile.Y_UP_METRES);
    Shot back = Exchanged.read(format, Exchanged.write(handOff, format));
    LensTrack was = lens(shot, "cam", shot.header().range());
    LensTrack is = lens(back, back.cameras().get(0).id(), shot.header().range());
    for (int i = 0; i < shot.header().range().length(); i++) {
      for (Parameter parameter : Lens.OURS) {
        assertThat(is.value(parameter, i))
            .as(parameter.id() + " on sample " + i)
            .isCloseTo(was.value(parameter, i), within(1e-9));
      }
      assertThat(is.value(Lens.FOCAL, i)).isCloseTo(was.value(Lens.FOCAL, i), within(1e-4));
      assertThat(is.gate(i).rightMm()).isCloseTo(was.gate(i).rightMm(), within(1e-9));
    }
    assertThat(back.cameras().get(0).lens().lens()).isEqualTo(shot.camera("cam").lens().lens());
  }

  /** A camera that sees in parallel, its width and overscan keyed, and more than fits elsewhere. */
  @ParameterizedTest
  @MethodSource("everyScene")
  void orthographicCamera_comesBackAsItIs_orIsRefused(String id) throws Exception {
    SceneFormat format = SceneFormats.writing(id);
    Node.Camera plain = SHOT.camera("cam");
    Lens lens = plain.lens();
    Node.Camera parallel =
        new Node.Camera(
            plain.body(), lens.withLens(lens.lens().withProjection(Projection.ORTHOGRAPHIC)));
    Shot shot = SHOT.withNode(Rigs.setTo(parallel, Lens.OF_PARALLEL));
    HandOff handOff = Exchanged.handOff(shot, "cam", ReceiverProfile.Z_UP_CENTIMETRES);
    if (!format.holds().parallel()) {
      assertThatThrownBy(() -> Exchanged.write(handOff, format))
          .isInstanceOf(RefusedException.class)
          .hasMessageContaining("which is orthographic; allowed: a camera in perspective in this");
      return;
    }
    Shot back = Exchanged.read(format, Exchanged.write(handOff, format));
    LensTrack was = lens(shot, "cam", shot.header().range());
    LensTrack is = lens(back, back.cameras().get(0).id(), shot.header().range());
    for (int i = 0; i < shot.header().range().length(); i++) {
      assertThat(is.widthM()[i]).isCloseTo(was.widthM()[i], within(1e-6 * was.widthM()[i]));
      assertThat(is.value(Lens.FOCAL, i)).isCloseTo(was.value(Lens.FOCAL, i), within(1e-9));
      assertThat(is.value(Lens.OVERSCAN, i)).isCloseTo(was.value(Lens.OVERSCAN, i), within(1e-9));
    }
    assertThat(back.cameras().get(0).lens().lens()).isEqualTo(shot.camera("cam").lens().lens());
  }

  private static LensTrack lens(Shot shot, String camera, FrameRange frames) {
    return Evaluation.of(shot, SampleGrid.over(frames, 0), null).of(camera).lens().orElseThrow();
  }

  /** Long columns are written in pieces, and go deeper into what readers expect. */
  @ParameterizedTest
  @MethodSource("everyFormat")
  void aLongShot_isTheSameOnEveryFrame(String id) throws Exception {
    SceneFormat format = SceneFormats.writing(id);
    FrameRange frames = new FrameRange(SHOT.header().range().in(), 3751);
    Shot lengthened = SHOT.withHeader(SHOT.header().withTime(SHOT.header().rate(), frames, 0));
    HandOff handOff = Exchanged.handOff(lengthened, "cam", ReceiverProfile.Y_UP_METRES);
    Shot back = Exchanged.read(format, Exchanged.write(handOff, format));
    assertThat(back.header().range()).isEqualTo(frames);
    Exchanged.assertSame(
        handOff,
        back,
        "The cam",
        format.holds().singlePrecision() ? Exchanged.Limits.SINGLE : Exchanged.Limits.DOUBLE);
  }

  /** As deep as a shot can be: the readers may not take what we write for an attack. */
  @ParameterizedTest
  @MethodSource("everyFormat")
  void aLineOfAsManyNodesAsAShotHas_isTheSame(String id) throws Exception {
    SceneFormat format = SceneFormats.writing(id);
    Shot shot = Rigs.line(Shot.MOST_NODES - 1);
    HandOff handOff = Exchanged.handOff(shot, "cam", ReceiverProfile.Y_UP_METRES);
    Shot back = Exchanged.read(format, Exchanged.write(handOff, format));
    Exchanged.Limits limits =
        format.holds().singlePrecision() ? Exchanged.Limits.SINGLE : Exchanged.Limits.DOUBLE;
    Exchanged.assertSame(handOff, back, "The cam", limits);
    if (format.holds().nodes()) {
      assertThat(back.nodes()).hasSize(shot.nodes().size());
    }
  }
}

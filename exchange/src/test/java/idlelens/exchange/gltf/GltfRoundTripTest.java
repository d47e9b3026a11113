package idlelens.exchange.gltf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.edit.AddRail;
import idlelens.core.edit.HandOverTo;
import idlelens.core.edit.Meeting;
import idlelens.core.edit.RailSource;
import idlelens.core.edit.RideRail;
import idlelens.core.edit.SetHidden;
import idlelens.core.edit.SwitchPart;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.lens.Projection;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.part.Carried;
import idlelens.core.part.FocusRule;
import idlelens.core.part.Keys;
import idlelens.core.part.Lens;
import idlelens.core.scene.Hidden;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.set.Mesher;
import idlelens.core.set.Shape;
import idlelens.core.time.FrameRange;
import idlelens.core.time.SampleGrid;
import idlelens.exchange.QuayFiles;
import idlelens.exchange.Rigs;
import idlelens.exchange.incoming.ReadSettings;
import idlelens.exchange.incoming.SceneImport;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.scenefile.SceneFormat;
import idlelens.exchange.scenefile.ShotHint;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

class GltfRoundTripTest {
  private static final Shot SHOT = Rigs.everything();

  private static SceneFormat.Written written() {
    return Gltf.write(
        SHOT, List.of("cam", "still-cam"), true, hash -> Mesher.mesh(new Shape.Sphere(1)));
  }

  private static Shot readBack(byte[] file) throws Exception {
    ShotHint hints = Gltf.hint(file).orElseThrow();
    SceneImport found =
        Gltf.read(
            file,
            Map.of(),
            new ReadSettings(hints.rate(), hints.first(), OptionalDouble.of(hints.aspect()), "n"));
    assertThat(found.notes()).isEmpty();
    return new Shot(SHOT.header(), found.nodes());
  }

  private static String idOf(Shot shot, String name) {
    return shot.nodes().stream().filter(n -> n.name().equals(name)).findFirst().orElseThrow().id();
  }

  @Test
  void writeAndRead_camera_comesBackTheSameAtEveryFrame() throws Exception {
    assertSame(SHOT, readBack(written().octets()), "The cam");
  }

  @Test
  void writeAndRead_otherFrames_comeBackOnTheirOwnFrames_andAreSaid() throws Exception {
    FrameRange range = SHOT.header().range();
    int handles = SHOT.header().handles();
    FrameRange all = new FrameRange(range.in() - handles, range.out() + handles);
    FrameRange some = new FrameRange(range.in() + 3, range.in() + 9);
    for (FrameRange frames : List.of(all, some)) {
      SceneFormat.Written written = Gltf.write(SHOT, frames, List.of("cam"), false, hash -> null);
      assertThat(written.notes())
          .contains("frames " + frames.in() + " to " + frames.out() + " go out");
      Shot back = readBack(written.octets());
      Evaluation was = Evaluation.of(SHOT, SampleGrid.over(frames, 0), null);
      Evaluation is = Evaluation.of(back, SampleGrid.over(frames, 0), null);
      for (int i = 0; i < frames.length(); i++) {
        RigidPose pose = is.pose(idOf(back, "The cam"), i);
        assertThat(pose.place().distance(was.pose("cam", i).place())).isLessThan(1e-5);
      }
    }
    assertThat(written().notes())
        .contains("the range goes out, without its " + handles + " frames of handles");
  }

  @Test
  void writeReadAndWriteAgain_camera_isStillTheSame() throws Exception {
    Shot once = readBack(written().octets());
    List<String> cameras = once.cameras().stream().map(Node::id).toList();
    byte[] again = Gltf.write(once, cameras, true, hash -> null).octets();
    assertSame(SHOT, readBack(again), "The cam");
  }

  @Test
  void writeAndRead_partsSwitchedOff_goOutAsTheyAreSeen_andAreNoted() throws Exception {
    Shot off = new SwitchPart("cam", Carried.ID, false).apply(SHOT);
    off = new SwitchPart("dolly", Keys.ID, false).apply(off);
    SceneFormat.Written written = Gltf.write(off, List.of("cam"), false, hash -> null);
    assertThat(written.notes())
        .contains(
            "The dolly: Keys is switched off and goes out still",
            "The cam: Carried by is switched off and goes out still");
    assertSame(off, readBack(written.octets()), "The cam");
  }

  @Test
  void writeAndRead_aCameraThatIsHandedOver_goesOutInTheWorld_andSaysSo() throws Exception {
    Shot handed = new HandOverTo("cam", 1010.5, "crate", Meeting.JOINED).apply(SHOT);
    handed = new HandOverTo("cam", 1030, "", Meeting.NUMBERS).apply(handed);
    SceneFormat.Written written = Gltf.write(handed, List.of("cam"), false, hash -> null);
    assertThat(written.notes())
        .contains("The cam: is handed over and goes out standing in the world");
    Shot back = readBack(written.octets());
    assertSame(handed, back, "The cam");
    assertThat(back.nodes()).extracting(Node::name).containsExactly("The cam");
  }

  @Test
  void writeAndRead_aCameraThatRidesARail_goesOutInTheWorld_andSaysSo() throws Exception {
    Shot riding =
        new AddRail("track", "Track", 1, 0, 2, 30, new RailSource.Helix(3, 200, 1)).apply(SHOT);
    riding = new RideRail("cam", "track", 1001, 1040, "ride-a").apply(riding);
    SceneFormat.Written written = Gltf.write(riding, List.of("cam"), false, hash -> null);
    assertThat(written.notes())
        .contains("The cam: rides a rail and goes out standing in the world");
    assertSame(riding, readBack(written.octets()), "The cam");
  }

  private static void assertSame(Shot one, Shot other, String name) {
    SampleGrid grid = SampleGrid.over(SHOT.header().range(), 0);
    Evaluation a = Evaluation.of(one, grid, null);
    Evaluation b = Evaluation.of(other, grid, null);
    String idA = idOf(one, name);
    String idB = idOf(other, name);
    LensTrack lensA = a.of(idA).lens().orElseThrow();
    LensTrack lensB = b.of(idB).lens().orElseThrow();
    for (int i = 0; i < grid.count(); i++) {
      RigidPose poseA = a.pose(idA, i);
      RigidPose poseB = b.pose(idB, i);
      assertThat(poseA.place().distance(poseB.place())).as("m at %d", i).isLessThan(1e-5);
      double off = Math.toDegrees(Turns.angleBetween(poseA.turn(), poseB.turn()));
      assertThat(off).as("degrees at %d", i).isLessThan(1e-4);
      assertThat(lensB.focalMm()[lensB.index(i)])
          .isCloseTo(lensA.focalMm()[lensA.index(i)], within(1e-9));
      assertThat(lensB.fStop()[lensB.index(i)])
          .isCloseTo(lensA.fStop()[lensA.index(i)], within(1e-9));
      // what is followed stands where 32 bits put it
      double near = one.camera(idA).lens().focus() instanceof FocusRule.Follow ? 1e-5 : 1e-9;
      assertThat(lensB.focusM()[lensB.index(i)])
          .isCloseTo(lensA.focusM()[lensA.index(i)], within(near));
      assertThat(lensB.verticalRad()[lensB.index(i)])
          .isCloseTo(lensA.verticalRad()[lensA.index(i)], within(1e-9));
    }
  }

  @Test
  void writeAndRead_standIns_comeBackAsTheSameShapes() throws Exception {
    Shot back = readBack(written().octets());
    for (Node node : SHOT.nodes()) {
      if (node instanceof Node.Piece piece) {
        Node.Piece again = (Node.Piece) back.node(idOf(back, piece.name()));
        assertThat(again.shape()).isEqualTo(piece.shape());
        assertThat(again.finish()).isEqualTo(piece.finish());
      }
    }
    assertThat(((Node.Sun) back.node(idOf(back, "The sun"))).strength()).isEqualTo(1.25);
  }

  @Test
  void write_aStillCamera_hasNoAnimation() {
    byte[] file = Gltf.write(SHOT, List.of("still-cam"), false, hash -> null).octets();
    assertThat(json(file).has("animations")).isFalse();
    assertThat(json(file).get("nodes").size()).isEqualTo(1);
  }

  @Test
  void write_focusThatFollows_isToldAsANote() {
    assertThat(written().notes())
        .contains(
            "The cam: focus follows The crate; it is written as a distance on every frame,"
                + " and comes back from this file");
    SceneFormat.Written without = Gltf.write(SHOT, List.of("cam"), false, hash -> null);
    assertThat(without.notes())
        .contains(
            "The cam: focus follows The crate; it is written as a distance on every frame,"
                + " and does not come back");
  }

  @Test
  void writeAndRead_followedFocusHiddenNodesAndHandles_comeBack() throws Exception {
    Shot hidden = new SetHidden("crate", Hidden.IN_SIGHT).apply(SHOT);
    SceneFormat.Written written = Gltf.write(hidden, List.of("cam"), true, hash -> null);
    Shot back = readBack(written.octets());
    FocusRule.Follow follow = (FocusRule.Follow) back.camera(idOf(back, "The cam")).lens().focus();
    assertThat(follow.target().nodeId()).contains(idOf(back, "The crate"));
    assertThat(back.node(idOf(back, "The crate")).hidden()).isEqualTo(Hidden.IN_SIGHT);
    assertThat(back.node(idOf(back, "The cam")).hidden()).isEqualTo(Hidden.NOWHERE);
    assertThat(Gltf.hint(written.octets()).orElseThrow().handles())
        .hasValue(SHOT.header().handles());
  }

  @Test
  void write_heldKeys_stayHeld_andComeBackAsHeldKeys() throws Exception {
    Curve held =
        new Curve(
            0,
            List.of(
                new Key(1001, 0, Tangent.Kind.HOLD),
                new Key(1010.5, 3, Tangent.Kind.HOLD),
                new Key(1024, -1, Tangent.Kind.HOLD)));
    Node still = SHOT.node("still-cam");
    Shot shot =
        SHOT.withNode(
            still.withChain(
                still
                    .chain()
                    .with(idlelens.core.part.Path.X, held)
                    .with(idlelens.core.part.Path.PAN, held)));
    byte[] file = Gltf.write(shot, List.of("still-cam"), false, hash -> null).octets();
    assertThat(json(file).get("animations").get(0).get("samplers").get(0).get("interpolation"))
        .hasToString("\"STEP\"");
    Shot back = readBack(file);
    Curve x = back.node(idOf(back, still.name())).chain().curve(idlelens.core.part.Path.X);
    assertThat(x.keys()).hasSize(3);
    assertThat(x.keys().get(1).frame()).isCloseTo(1010.5, within(1e-6));
    assertThat(x.keys().get(2).frame()).isEqualTo(1024);
    assertThat(x.at(1023.9)).isEqualTo(3);
    assertThat(
            back.node(idOf(back, still.name()))
                .chain()
                .curve(idlelens.core.part.Path.PAN)
                .at(1010.4))
        .isZero();
  }

  @Test
  void write_aMovingZoom_saysWhoSeesItStill() {
    assertThat(written().notes())
        .anyMatch(n -> n.startsWith("The cam: its focal length moves; readers without"));
  }

  @Test
  void write_noCamera_isRefused() {
    assertThatThrownBy(() -> Gltf.write(SHOT, List.of(), true, hash -> null))
        .hasMessage("camera is missing; allowed: at least one camera of the shot");
    assertThatThrownBy(() -> Gltf.write(SHOT, List.of("crate"), true, hash -> null))
        .hasMessage("camera is 'The crate'; allowed: a camera");
  }

  @Test
  void read_fieldOfViewChangedElsewhere_countsMoreThanOurExtras() throws Exception {
    byte[] file = Gltf.write(SHOT, List.of("still-cam"), false, hash -> null).octets();
    String text = json(file).toString();
    String changed = text.replaceFirst("\"yfov\":[0-9.]+", "\"yfov\":0.5");
    Shot back = readBack(changed.getBytes(StandardCharsets.UTF_8));
    double focal = back.cameras().get(0).chain().curve(idlelens.core.part.Path.FOCAL).rest();
    double height = 24.89 / SHOT.header().aspect();
    assertThat(focal).isCloseTo(height / (2 * Math.tan(0.25)), within(1e-9));
  }

  private static JsonNode json(byte[] file) {
    int length = ByteBuffer.wrap(file).order(ByteOrder.LITTLE_ENDIAN).getInt(12);
    return JsonPlace.mapper().readTree(Arrays.copyOfRange(file, 20, 20 + length));
  }

  @Test
  void write_everything_passesTheValidatorWithoutErrorOrWarning(@TempDir Path folder)
      throws Exception {
    Path file = folder.resolve("everything.glb");
    Files.write(file, written().octets());
    JsonNode issues = validate(file);
    assertThat(issues.get("numErrors").intValue()).as(issues.toString()).isZero();
    assertThat(issues.get("numWarnings").intValue()).as(issues.toString()).isZero();
  }

  /** Half of its width and height, as others read it. */
  @Test
  void write_anOrthographicCamera_passesTheValidator(@TempDir Path folder) throws Exception {
    Node.Camera still = SHOT.camera("still-cam");
    Lens lens = still.lens();
    Node.Camera parallel =
        new Node.Camera(
            still.body(), lens.withLens(lens.lens().withProjection(Projection.ORTHOGRAPHIC)));
    Shot shot = SHOT.withNode(Rigs.setTo(parallel, List.of(Lens.WIDTH)));
    SceneFormat.Written made = Gltf.write(shot, List.of("still-cam"), false, hash -> null);
    Path path = folder.resolve("orthographic.glb");
    Files.write(path, made.octets());
    JsonNode issues = validate(path);
    assertThat(issues.get("numErrors").intValue()).as(issues.toString()).isZero();
    assertThat(issues.get("numWarnings").intValue()).as(issues.toString()).isZero();
    JsonNode view = json(made.octets()).get("cameras").get(0).get("orthographic");
    double half = Lens.WIDTH.usual() / 2;
    assertThat(view.get("xmag").doubleValue()).isCloseTo(half, within(1e-6));
    assertThat(view.get("ymag").doubleValue())
        .isCloseTo(half / SHOT.header().aspect(), within(1e-6));
    assertThat(made.notes()).anyMatch(note -> note.contains("the width of its picture moves"));
  }

  @Test
  void validator_onABrokenFile_findsErrors(@TempDir Path folder) throws Exception {
    Path file = folder.resolve("broken.glb");
    Files.write(file, QuayFiles.bytes("bad/accessor-out-of-bounds.glb"));
    assertThat(validate(file).get("numErrors").intValue()).isPositive();
  }

  /** Runs the validator that bin/test fetched. */
  private static JsonNode validate(Path file) throws Exception {
    Path validator = Path.of("target/validator/node_modules/gltf-validator").toAbsolutePath();
    assertThat(validator).as("the glTF validator; bin/test fetches it").exists();
    String script =
        "const v=require(process.argv[1]);const d=require('fs').readFileSync(process.argv[2]);"
            + "v.validateBytes(new Uint8Array(d)).then(r=>console.log(JSON.stringify(r.issues)))";
    List<String> command =
        new ArrayList<>(List.of("node", "-e", script, validator.toString(), file.toString()));
    Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
    byte[] output = process.getInputStream().readAllBytes();
    assertThat(process.waitFor()).as(new String(output)).isZero();
    return JsonPlace.mapper().readTree(output);
  }
}

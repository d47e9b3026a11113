package idlelens.exchange.gltf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.curve.Tangent;
import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Evaluation;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.set.Shape;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.incoming.ReadSettings;
import idlelens.exchange.incoming.SceneImport;
import idlelens.exchange.json.ShotJson;
import java.io.IOException;
import java.io.InputStream;
import java.util.Map;
import java.util.OptionalDouble;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Files that went wrong before, and what each must lead to. */
class FoundFilesTest {
  private static SceneImport read(String file) throws FormatException, IOException {
    try (InputStream in = FoundFilesTest.class.getResourceAsStream("/found/" + file)) {
      return Gltf.read(
          in.readAllBytes(),
          Map.of(),
          new ReadSettings(FrameRate.of(24), 1, OptionalDouble.empty(), "f"));
    }
  }

  private static Shot shot(SceneImport found) {
    ShotHeader header =
        new ShotHeader("Found", FrameRate.of(24), found.range(), 0, 1.5, 1, Tangent.Kind.SETTLE);
    return new Shot(header, found.nodes());
  }

  private static Node named(Shot shot, String name) {
    return shot.nodes().stream().filter(n -> n.name().equals(name)).findFirst().orElseThrow();
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "no-perspective.glb",
        "emoji-at-80.glb",
        "const-scale-1.glb",
        "long-time.glb",
        "mirror.glb",
        "triangle-strip.glb",
        "two-aspects.glb",
        "zero-scale-prop.glb"
      })
  void whatIsTakenIn_canBeReadAgain(String file) throws Exception {
    Shot shot = shot(read(file));
    assertThat(ShotJson.read(ShotJson.bytes(shot))).isEqualTo(shot);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "half-character.glb|nodes[4].name is with half a character; allowed: whole characters",
        "sparse-stride0.glb|accessors[1].sparse.count is 2000000000; allowed: 0 to 2",
        "zeros-20M.glb|accessors[0].count is in need of 60000000 numbers",
      })
  void whatNoByteBacks_isRefusedWithItsPlace(String file, String message) {
    assertThatThrownBy(() -> read(file))
        .isInstanceOf(FormatException.class)
        .hasMessageContaining(message);
  }

  @Test
  void aCameraWithoutPerspective_isSaid_andTheRestComesIn() throws Exception {
    SceneImport found = read("no-perspective.glb");
    assertThat(found.notes())
        .contains(
            "cameras[0]: a camera of another kind is left out; a null stands in its place",
            "1 node outside the file's scene left out");
    assertThat(named(shot(found), "Gantry-cam")).isInstanceOf(Node.Null.class);
  }

  @Test
  void aLongName_isCutBetweenCharacters() throws Exception {
    String name = read("emoji-at-80.glb").nodes().get(0).name();
    assertThat(name.codePointCount(0, name.length())).isEqualTo(80);
    assertThat(name).startsWith("aaaa").endsWith(new String(Character.toChars(0x1F600)));
  }

  @Test
  void aMotionOfDays_isCutToAShot_inFewKeys() throws Exception {
    SceneImport found = read("long-time.glb");
    assertThat(found.range().length()).isEqualTo(FrameRange.LONGEST);
    assertThat(found.notes().get(0)).startsWith("the motion runs to frame 9984001; a shot has");
    long keys =
        found.nodes().get(0).chain().paths().stream()
            .mapToLong(p -> found.nodes().get(0).chain().curve(p).keys().size())
            .sum();
    assertThat(keys).isLessThan(61_000);
  }

  @Test
  void aMirror_isExact() throws Exception {
    SceneImport found = read("mirror.glb");
    assertThat(found.notes()).isEmpty();
    Shot shot = shot(found);
    RigidPose pose = Evaluation.at(shot, 1).pose(named(shot, "cam").id(), 0);
    // M = mirror x of T(1,2,3) Ry(30 degrees): the eye's x is turned over
    Vector3d unmirrored = new Vector3d(1, 0.2, 0.3).rotateY(Math.toRadians(30)).add(1, 2, 3);
    assertThat(pose.place().distance(-unmirrored.x, unmirrored.y, unmirrored.z)).isLessThan(1e-9);
  }

  @Test
  void aSizeThatDoesNotChange_isNotSpokenOf() throws Exception {
    assertThat(read("const-scale-1.glb").notes()).isEmpty();
  }

  @Test
  void aStrip_isTriangles() throws Exception {
    SceneImport found = read("triangle-strip.glb");
    Shape.Imported shape = (Shape.Imported) ((Node.Piece) named(shot(found), "strip")).shape();
    assertThat(shape.triangles()).isEqualTo(4);
    assertThat(found.notes()).isEmpty();
  }

  @Test
  void aPropOfNoSize_isLeftOutAndSaid() throws Exception {
    SceneImport found = read("zero-scale-prop.glb");
    assertThat(found.notes())
        .containsExactly("nodes[0]: its mesh has no size along an axis and is left out");
    assertThat(named(shot(found), "cam")).isInstanceOf(Node.Camera.class);
  }

  @Test
  void aSecondPictureAspect_isSaidWithItsSize() throws Exception {
    assertThat(read("two-aspects.glb").notes())
        .containsExactly(
            // 2 atan(16/9 tan 0.3) = 57.62 degrees
            "cameras[1]: made for a picture of 1.00:1; in the shot's 1.78:1 it sees as high, and"
                + " 57.62° across in place of 34.38°");
  }
}

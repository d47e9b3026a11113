package idlelens.exchange.gltf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Lens;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.set.Finish;
import idlelens.core.set.Mesh;
import idlelens.core.set.Shape;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.incoming.ReadSettings;
import idlelens.exchange.incoming.SceneImport;
import idlelens.exchange.mesh.MeshOctets;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.joml.Quaterniond;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Small files written out by hand, one property each. */
class GltfPartsTest {
  private static final ReadSettings SETTINGS =
      new ReadSettings(FrameRate.of(24), 1, OptionalDouble.empty(), "n");

  private static SceneImport read(String json) throws FormatException {
    String text = json.replace('\'', '"');
    String whole = "{\"asset\":{\"version\":\"2.0\"}," + text + "}";
    return Gltf.read(whole.getBytes(StandardCharsets.UTF_8), Map.of(), SETTINGS);
  }

  private static String dataUri(ByteBuffer data) {
    return "data:application/octet-stream;base64,"
        + Base64.getEncoder().encodeToString(data.array());
  }

  private static ByteBuffer floats(double... numbers) {
    ByteBuffer out = ByteBuffer.allocate(numbers.length * 4).order(ByteOrder.LITTLE_ENDIAN);
    for (double number : numbers) {
      out.putFloat((float) number);
    }
    return out;
  }

  private static RigidPose pose(SceneImport found, String name, double frame) {
    ShotHeader header =
        new ShotHeader(
            "x", FrameRate.of(24), new FrameRange(1, 100), 0, 1.5, 1, Tangent.Kind.SETTLE);
    Shot shot = new Shot(header, found.nodes());
    String id =
        shot.nodes().stream().filter(n -> n.name().equals(name)).findFirst().orElseThrow().id();
    return Evaluation.at(shot, frame).pose(id, 0);
  }

  @Test
  void scales_areWorkedIntoPlaces() throws Exception {
    SceneImport found =
        read(
            "'nodes':[{'name':'Outer','scale':[2,2,2],'translation':[1,0,0],'children':[1]},"
                + "{'name':'Inner','translation':[0,3,0],'scale':[0.5,0.5,0.5],'children':[2]},"
                + "{'name':'Leaf','translation':[0,0,4]}]");
    // 1 + 2 * (0,3,0) + 2 * 0.5 * (0,0,4)
    assertThat(pose(found, "Leaf", 1).place().distance(1, 6, 4)).isLessThan(1e-12);
    assertThat(found.notes()).isEmpty();
  }

  @Test
  void matrix_isTakenApart() throws Exception {
    // a quarter turn about Y, scaled by 3, moved to (5, 6, 7); by columns
    SceneImport found =
        read(
            "'nodes':[{'name':'M','matrix':[0,0,-3,0, 0,3,0,0, 3,0,0,0, 5,6,7,1],'children':[1]},"
                + "{'name':'Leaf','translation':[0,0,1]}]");
    assertThat(pose(found, "Leaf", 1).place().distance(8, 6, 7)).isLessThan(1e-9);
    assertThat(
            found.nodes().stream()
                .filter(n -> n.name().equals("M"))
                .findFirst()
                .orElseThrow()
                .chain()
                .curve(Path.PAN)
                .rest())
        .isCloseTo(90, within(1e-6));
  }

  @Test
  void cameraThatCarries_becomesANullWithTheCameraUnderIt() throws Exception {
    SceneImport found =
        read(
            "'nodes':[{'name':'Cam','camera':0,'translation':[0,2,0],'children':[1]},"
                + "{'name':'Flag','translation':[0,0,-1]}],"
                + "'cameras':[{'type':'perspective','perspective':{'yfov':0.6,'znear':0.1}}]");
    assertThat(found.nodes()).hasSize(3);
    Node camera =
        found.nodes().stream().filter(Node.Camera.class::isInstance).findFirst().orElseThrow();
    assertThat(camera.carriage().isCarried()).isTrue();
    assertThat(pose(found, "Flag", 1).place().distance(0, 2, -1)).isLessThan(1e-12);
  }

  @Test
  void orthographicCamera_comesIn_asHighAsItIs() throws Exception {
    SceneImport found =
        read(
            "'nodes':[{'camera':0}],'cameras':[{'type':'orthographic',"
                + "'orthographic':{'xmag':2,'ymag':1.5,'zfar':9,'znear':1}}]");
    Node.Camera camera = (Node.Camera) found.nodes().get(0);
    assertThat(camera.lens().lens().isOrthographic()).isTrue();
    double across = camera.lens().curves().get(Lens.WIDTH).rest();
    assertThat(across / found.aspect().orElseThrow()).isCloseTo(3, within(1e-12));
  }

  @Test
  void otherCamerasAndLights_areLeftOutAndSaid() throws Exception {
    SceneImport found =
        read(
            "'nodes':[{'camera':0},{'extensions':{'KHR_lights_punctual':{'light':0}}}],"
                + "'cameras':[{'type':'panorama'}],"
                + "'extensions':{'KHR_lights_punctual':{'lights':[{'type':'spot'}]}}");
    assertThat(found.nodes()).allMatch(Node.Null.class::isInstance);
    assertThat(found.notes())
        .containsExactly(
            "cameras[0]: a camera of another kind is left out; a null stands in its place",
            "extensions.KHR_lights_punctual.lights[0]: lights other than directional ones are left"
                + " out");
  }

  private static final String TRIANGLE =
      "'nodes':[{'name':'T','mesh':0%s}],'meshes':[{'primitives':[{'attributes':{'POSITION':0}%s}]}],"
          + "'accessors':[{'bufferView':0,'componentType':5126,'count':3,'type':'VEC3'}%s],"
          + "'bufferViews':[{'buffer':0,'byteLength':36}],"
          + "'buffers':[{'byteLength':36,'uri':'%s'}]%s";

  private static String triangle(String node, String primitive, String more, String end) {
    String uri = dataUri(floats(0, 0, 0, 1, 0, 0, 0, 1, 0));
    return TRIANGLE.formatted(node, primitive, more, uri, end);
  }

  private static Mesh mesh(SceneImport found) throws FormatException {
    Shape.Imported shape =
        (Shape.Imported)
            ((Node.Piece)
                    found.nodes().stream()
                        .filter(Node.Piece.class::isInstance)
                        .findFirst()
                        .orElseThrow())
                .shape();
    return MeshOctets.read(found.assets().get(shape.asset()));
  }

  @Test
  void triangleWithoutNormals_getsAFlatOne() throws Exception {
    Mesh mesh = mesh(read(triangle("", "", "", "")));
    assertThat(mesh.normals()).containsExactly(0, 0, 1, 0, 0, 1, 0, 0, 1);
    assertThat(mesh.bounds().maxX()).isEqualTo(1);
  }

  @Test
  void mirroredScale_turnsTheTriangleSoThatItsFrontStaysOutside() throws Exception {
    Mesh mesh = mesh(read(triangle(",'scale':[-1,1,1]", "", "", "")));
    // seen from +Z, the mirrored triangle still runs counter-clockwise
    assertThat(mesh.normals()[2]).isEqualTo(1);
    assertThat(mesh.bounds().minX()).isEqualTo(-1);
  }

  @Test
  void material_givesColourAndGlow_texturesAreSaid() throws Exception {
    SceneImport found =
        read(
            triangle(
                "",
                ",'material':0",
                "",
                ",'materials':[{'emissiveFactor':[1,1,0],"
                    + "'pbrMetallicRoughness':{'baseColorTexture':{'index':0}}}]"));
    Finish finish = ((Node.Piece) found.nodes().get(found.nodes().size() - 1)).finish();
    assertThat(finish).isEqualTo(new Finish("#ffff00", Finish.Kind.GLOW));
    assertThat(found.notes())
        .containsExactly("materials[0]: its texture is left out, its colour is kept");
  }

  @Test
  void sparseAccessor_replacesSomeElements() throws Exception {
    // the base has no buffer view: all zero; elements 1 and 2 are replaced
    ByteBuffer data = ByteBuffer.allocate(28).order(ByteOrder.LITTLE_ENDIAN);
    data.putShort((short) 1).putShort((short) 2);
    data.putFloat(1).putFloat(0).putFloat(0).putFloat(0).putFloat(1).putFloat(0);
    SceneImport found =
        read(
            "'nodes':[{'mesh':0}],'meshes':[{'primitives':[{'attributes':{'POSITION':0}}]}],"
                + "'accessors':[{'componentType':5126,'count':3,'type':'VEC3','sparse':{'count':2,"
                + "'indices':{'bufferView':0,'componentType':5123},'values':{'bufferView':1}}}],"
                + "'bufferViews':[{'buffer':0,'byteLength':4},{'buffer':0,'byteOffset':4,'byteLength':24}],"
                + "'buffers':[{'byteLength':28,'uri':'"
                + dataUri(data)
                + "'}]");
    assertThat(mesh(found).positions()).containsExactly(0, 0, 0, 1, 0, 0, 0, 1, 0);
  }

  private static String animated(String mode, String path, double[] times, double[] values) {
    double[] all = new double[times.length + values.length];
    System.arraycopy(times, 0, all, 0, times.length);
    System.arraycopy(values, 0, all, times.length, values.length);
    int components = path.equals("rotation") ? 4 : 3;
    return ("'nodes':[{'name':'N'}],'animations':[{'samplers':[{'input':0,'output':1,'interpolation':'"
        + mode
        + "'}],'channels':[{'sampler':0,'target':{'node':0,'path':'"
        + path
        + "'}}]}],"
        + "'accessors':[{'bufferView':0,'componentType':5126,'count':"
        + times.length
        + ",'type':'SCALAR'},{'bufferView':1,'componentType':5126,'count':"
        + values.length / components
        + ",'type':'VEC"
        + components
        + "'}],"
        + "'bufferViews':[{'buffer':0,'byteLength':"
        + times.length * 4
        + "},{'buffer':0,'byteOffset':"
        + times.length * 4
        + ",'byteLength':"
        + values.length * 4
        + "}],"
        + "'buffers':[{'byteLength':"
        + all.length * 4
        + ",'uri':'"
        + dataUri(floats(all))
        + "'}]");
  }

  @Test
  void linearTranslation_keepsItsKeysOnTheirFrames() throws Exception {
    SceneImport found =
        read(
            animated(
                "LINEAR",
                "translation",
                new double[] {0, 0.5, 2},
                new double[] {0, 0, 0, 1, 0, 0, 4, 0, 0}));
    assertThat(found.nodes().get(0).chain().curve(Path.X).keys())
        .extracting(Key::frame)
        .containsExactly(1.0, 13.0, 49.0);
    assertThat(found.nodes().get(0).chain().curve(Path.Y).isKeyed()).isFalse();
    assertThat(found.range()).isEqualTo(new FrameRange(1, 49));
  }

  @Test
  void cubicSpline_isTheHermiteCurveOfTheSpecification() throws Exception {
    // one second, from 0 to 1 with slopes 3 and -2 a second; in, value, out for each key
    SceneImport found =
        read(
            animated(
                "CUBICSPLINE",
                "translation",
                new double[] {0, 1},
                new double[] {0, 0, 0, 0, 0, 0, 3, 0, 0, -2, 0, 0, 1, 0, 0, 0, 0, 0}));
    for (double p : new double[] {0.25, 0.5, 0.75}) {
      double p2 = p * p;
      double p3 = p2 * p;
      double expected = (p3 - 2 * p2 + p) * 3 + (3 * p2 - 2 * p3) * 1 + (p3 - p2) * -2;
      assertThat(pose(found, "N", 1 + 24 * p).x()).isCloseTo(expected, within(1e-9));
    }
  }

  @Test
  void turnAboutOneAxis_keepsItsKeys_aboutSeveral_getsOneOnEveryFrame() throws Exception {
    double s = Math.sin(Math.toRadians(40));
    double c = Math.cos(Math.toRadians(40));
    SceneImport pan =
        read(
            animated(
                "LINEAR", "rotation", new double[] {0, 1}, new double[] {0, 0, 0, 1, 0, s, 0, c}));
    assertThat(pan.nodes().get(0).chain().curve(Path.PAN).keys()).hasSize(2);
    assertThat(pan.notes()).isEmpty();
    double k = s / Math.sqrt(3);
    SceneImport mixed =
        read(
            animated(
                "LINEAR", "rotation", new double[] {0, 1}, new double[] {0, 0, 0, 1, k, k, k, c}));
    assertThat(mixed.nodes().get(0).chain().curve(Path.PAN).keys()).hasSize(25);
    assertThat(mixed.notes().get(0)).startsWith("N: turns between the file's keys");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "'nodes':[{'children':[4]}]|nodes[0].children[0] is 4; allowed: 0 to 0 (the file has 1 nodes)",
        "'nodes':[{'children':[1]},{},{'children':[1]}]|already a child of node 0",
        "'nodes':[{'mesh':0}]|nodes[0].mesh is 0; allowed: none (the file has no meshes)",
        "'nodes':[{'rotation':[0,0,0,0]}]|nodes[0].rotation is of length 0.0",
        "'nodes':[]|nodes is none; allowed: at least one",
        "'nodes':[{}],'scenes':[{}]|scenes[0].nodes is none; allowed: at least one node",
        "'nodes':[{'camera':0}],'cameras':[{'perspective':{'yfov':4}}]|cameras[0].perspective.yfov is"
            + " 4.0 rad",
        "'extensionsRequired':['KHR_draco_mesh_compression']|extensionsRequired[0] is",
        "'buffers':[{'byteLength':-1}]|buffers[0].uri is missing",
        "'nodes':7|nodes is 7; allowed: a list",
      })
  void wrongDefinitions_areNamed(String json, String message) {
    assertThatThrownBy(() -> read(json))
        .isInstanceOf(FormatException.class)
        .hasMessageContaining(message);
  }

  @Test
  void aMeshThatStandsInManyPlaces_isStoredOnce_inEachSize() throws Exception {
    StringBuilder nodes = new StringBuilder();
    for (int i = 0; i < 200; i++) {
      String size = i % 50 == 0 ? ",'scale':[2,2,2]" : "";
      nodes.append(
          String.format("{'mesh':0,'translation':[%d,0,0]%s}%s", i, size, i < 199 ? "," : ""));
    }
    String alone = triangle("", "", "", "");
    String whole = "'nodes':[" + nodes + "]," + alone.substring(alone.indexOf("'meshes'"));
    SceneImport found = read(whole);
    assertThat(found.nodes()).hasSize(200);
    assertThat(found.assets()).hasSize(2);
  }

  @Test
  void anExtensionOfTexturesOrMaterials_thatIsRequired_isLeftOutAndSaid() throws Exception {
    SceneImport found =
        read(
            "'extensionsRequired':['KHR_texture_transform','KHR_materials_clearcoat'],"
                + "'nodes':[{}]");
    assertThat(found.notes())
        .containsExactly(
            "KHR_texture_transform: textures and their finish are left out",
            "KHR_materials_clearcoat: textures and their finish are left out");
  }

  @Test
  void aLightTooStrong_isLimitedAndSaid() throws Exception {
    SceneImport found =
        read(
            "'nodes':[{'extensions':{'KHR_lights_punctual':{'light':0}}}],'extensions':"
                + "{'KHR_lights_punctual':{'lights':[{'type':'directional','intensity':80}]}}");
    assertThat(((Node.Sun) found.nodes().get(0)).strength()).isEqualTo(10);
    assertThat(found.notes().get(0)).contains("a strength of 80.0 is beyond 0 to 10; it is 10.0");
  }

  /** Turns at 0, 1.5 and 3 frames, over two axes, so that they cannot be straight in the angles. */
  @Test
  void turnsKeyedBetweenFrames_keepTheirKeysThere() throws Exception {
    Quaterniond first = new Quaterniond();
    Quaterniond middle = new Quaterniond().rotateYXZ(1.2, 0.9, 0.4);
    double[] turns = {
      first.x, first.y, first.z, first.w, middle.x, middle.y, middle.z, middle.w, 0, 0, 0, 1
    };
    String uri = dataUri(floats(concat(new double[] {0, 1.5 / 24, 3.0 / 24}, turns)));
    SceneImport found =
        read(
            "'nodes':[{'name':'N'}],'animations':[{'samplers':[{'input':0,'output':1}],"
                + "'channels':[{'sampler':0,'target':{'node':0,'path':'rotation'}}]}],"
                + "'accessors':[{'bufferView':0,'componentType':5126,'count':3,'type':'SCALAR'},"
                + "{'bufferView':1,'componentType':5126,'count':3,'type':'VEC4'}],"
                + "'bufferViews':[{'buffer':0,'byteLength':12},"
                + "{'buffer':0,'byteOffset':12,'byteLength':48}],"
                + "'buffers':[{'byteLength':60,'uri':'"
                + uri
                + "'}]");
    RigidPose pose = pose(found, "N", 2.5);
    assertThat(Math.toDegrees(Turns.angleBetween(pose.turn(), middle))).isLessThan(1e-3);
  }

  private static double[] concat(double[] a, double[] b) {
    double[] both = Arrays.copyOf(a, a.length + b.length);
    System.arraycopy(b, 0, both, a.length, b.length);
    return both;
  }

  /** Each channel with samplers of its own over the same few bytes. */
  @Test
  void manyNodesAndChannels_areReadInOneGo() throws Exception {
    int count = 1900;
    StringBuilder nodes = new StringBuilder();
    StringBuilder channels = new StringBuilder();
    for (int i = 0; i < count; i++) {
      String comma = i > 0 ? "," : "";
      nodes.append(comma).append("{}");
      for (String path : List.of("translation", "scale")) {
        channels.append(
            (channels.isEmpty() ? "" : ",")
                + "{'sampler':0,'target':{'node':"
                + i
                + ",'path':'"
                + path
                + "'}}");
      }
    }
    String uri = dataUri(floats(0, 1, 1, 2, 3, 4, 5, 6));
    SceneImport found =
        read(
            "'nodes':["
                + nodes
                + "],'animations':[{'samplers':[{'input':0,'output':1}],"
                + "'channels':["
                + channels
                + "]}],"
                + "'accessors':[{'bufferView':0,'componentType':5126,'count':2,'type':'SCALAR'},"
                + "{'bufferView':1,'componentType':5126,'count':2,'type':'VEC3'}],"
                + "'bufferViews':[{'buffer':0,'byteLength':8},"
                + "{'buffer':0,'byteOffset':8,'byteLength':24}],"
                + "'buffers':[{'byteLength':32,'uri':'"
                + uri
                + "'}]");
    assertThat(found.nodes()).hasSize(count);
    assertThat(found.nodes().get(7).chain().curve(Path.Y).keys()).hasSize(2);
  }

  /** The loop is named, also where it is met from a node that hangs below it or stands alone. */
  @Test
  void aLoop_isNamedByItsNodesAlone() {
    assertThatThrownBy(
            () -> read("'nodes':[{},{},{'children':[3,1]},{'children':[4]},{'children':[2]}]"))
        .isInstanceOf(FormatException.class)
        .hasMessage("nodes[2].children is a loop (2 < 4 < 3 < 2); allowed: a tree");
  }

  @Test
  void aSceneThatListsACarriedNodeToo_bringsItInOnce() throws Exception {
    String nodes = "'nodes':[{'name':'Pier','children':[1]},{'name':'Post'}],";
    for (String order : List.of("0,1", "1,0")) {
      SceneImport found = read(nodes + "'scenes':[{'nodes':[" + order + "]}]");
      assertThat(found.nodes()).extracting(Node::name).containsExactly("Pier", "Post");
    }
  }
}

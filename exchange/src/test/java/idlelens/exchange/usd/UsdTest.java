package idlelens.exchange.usd;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.scenefile.Content;
import idlelens.exchange.scenefile.FileNode;
import idlelens.exchange.scenefile.Op;
import idlelens.exchange.scenefile.SceneFile;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class UsdTest {
  private static SceneFile sail(String orientation) throws FormatException {
    String text =
        "#usda 1.0\ndef Mesh \"Sail\"\n{\n"
            + "  point3f[] points = [(0, 0, 0), (1, 0, 0), (0, 1, 0)]\n"
            + "  int[] faceVertexCounts = [3]\n  int[] faceVertexIndices = [0, 1, 2]\n"
            + "  uniform token orientation = \""
            + orientation
            + "\"\n}\n";
    return UsdReader.read(text.getBytes(StandardCharsets.UTF_8));
  }

  /** A layer may have a name once below a prim; the shape of a piece is such a name. */
  @Test
  void write_whatAPieceCarries_isNotCalledAsItsShape() throws FormatException {
    SceneFile read = sail("rightHanded");
    FileNode carried = new FileNode("1", "Shape", "", 0, List.of(), false, List.of());
    SceneFile scene =
        new SceneFile(
            read.conventions(),
            read.wording(),
            read.clock(),
            List.of(read.nodes().get(0), carried),
            read.hint(),
            read.budget(),
            read.notes());
    String file = new String(UsdWriter.write(scene), StandardCharsets.UTF_8);
    assertThat(file.lines().map(String::strip).filter(line -> line.startsWith("def ")))
        .containsExactly("def Xform \"Sail\"", "def Mesh \"Shape\" (", "def Xform \"Shape_2\" (");
    assertThat(UsdReader.read(file.getBytes(StandardCharsets.UTF_8)).nodes())
        .extracting(FileNode::name)
        .containsExactly("Sail", "Shape");
  }

  @ParameterizedTest
  @CsvSource({"rightHanded, 0, 1", "leftHanded, 1, 0"})
  void read_aMeshSaysWhichWayRoundItsCornersGo(String orientation, int first, int second)
      throws FormatException {
    Content.Piece piece = (Content.Piece) sail(orientation).nodes().get(0).contents().get(0);
    assertThat(piece.mesh().parts().get(0).indices()).containsExactly(first, second, 2);
  }

  /** Values before it are counted past, and what is read twice is counted once. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "5 | double3 xformOp:translate = (1, 2, x)",
        "7 | float3[] a = [(1, 2, 3),\\n (4, 5, 6)]\\n double3 b = (1, ?)",
        "7 | double a.timeSamples = { 1: 2,\\n 3: 4,\\n 5: (1, 2) }",
        "8 | double a = 1\\n double b = 2\\n\\n double c = nan",
      })
  void read_whatIsWrong_isToldByItsLine(int line, String properties) {
    String text =
        "#usda 1.0\n(\n)\ndef Xform \"Pier\" {\n" + properties.replace("\\n", "\n") + "\n}\n";
    assertThatThrownBy(() -> UsdReader.read(text.getBytes(StandardCharsets.UTF_8)))
        .isInstanceOf(FormatException.class)
        .hasMessageStartingWith("line " + line + " ");
  }

  /** As many prims as a shot has nodes, each with its own samples. */
  @Test
  void read_manyPrims_eachKeepsItsSamples() throws FormatException {
    StringBuilder text = new StringBuilder("#usda 1.0\n");
    for (int i = 0; i < 1000; i++) {
      text.append("def Xform \"P").append(i).append("\" {\n double3 xformOp:translate.timeSamples");
      text.append(" = { 1: (").append(i).append(", 0, 0), 2: (0, ").append(i).append(", 0) }\n");
      text.append(" uniform token[] xformOpOrder = [\"xformOp:translate\"]\n}\n");
    }
    SceneFile scene = UsdReader.read(text.toString().getBytes(StandardCharsets.UTF_8));
    assertThat(scene.nodes()).hasSize(1000);
    for (int i : new int[] {0, 1, 499, 999}) {
      Op.Place place = (Op.Place) scene.nodes().get(i).ops().get(0);
      assertThat(place.x().channel().values()).containsExactly(i, 0, 0, 0, i, 0);
    }
  }

  private static List<String> within(int scopes, String innermost) throws FormatException {
    String head = "#usda 1.0\ndef Xform \"quay\" {}\n";
    String text = head + "def Scope \"s\" {".repeat(scopes) + innermost + "}".repeat(scopes);
    SceneFile file = UsdReader.read(text.getBytes(StandardCharsets.UTF_8));
    return file.nodes().stream().map(FileNode::name).toList();
  }

  /** As deep as files may go: a camera is found there, and what holds nothing does not come in. */
  @Test
  void read_scopesComeInForWhatIsInThem() throws FormatException {
    assertThat(within(2, "def Camera \"cam\" {}")).containsExactly("quay", "s", "s", "cam");
    assertThat(within(2, "def Material \"m\" {}")).containsExactly("quay");
    assertThat(within(2000, "def Camera \"cam\" {}")).hasSize(2002).endsWith("cam");
    assertThat(within(2000, "def Scope \"t\" {}")).containsExactly("quay");
  }

  @Test
  void read_nestedDeeperThanAShotCanBe_isRefusedByItsPlace() {
    assertThatThrownBy(() -> within(100_000, ""))
        .isInstanceOf(FormatException.class)
        .hasMessageContaining("at most 100000 prims, at most 2020 deep");
  }
}

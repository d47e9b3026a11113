package idlelens.exchange.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.time.FrameRate;
import idlelens.exchange.QuayFiles;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.incoming.ReadSettings;
import idlelens.exchange.incoming.SceneImport;
import idlelens.exchange.incoming.SceneReading;
import idlelens.exchange.scenefile.Upload;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** One thing wrong in each: it is refused, with where, what was found and what is allowed. */
class RefusedFilesTest {
  private static SceneImport read(String name, byte[] file) throws FormatException {
    return SceneReading.read(
        SceneFormats.read(Upload.of(name, file)),
        new ReadSettings(FrameRate.of(24), 1, OptionalDouble.empty(), "r"));
  }

  private static String pier(String ending) throws IOException {
    try (InputStream in = RefusedFilesTest.class.getResourceAsStream("/mutated/pier." + ending)) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "usda|#usda 1.0|usda|line 1 is no head",
        "usda|upAxis = \"Z\"|upAxis = \"X\"|upAxis is 'X'; allowed: Y or Z",
        "usda|metersPerUnit = 0.01|metersPerUnit = 0|metresPerUnit is 0.0; allowed",
        "usda|metersPerUnit = 0.01|metersPerUnit = nan|line",
        "usda|timeCodesPerSecond = 24|timeCodesPerSecond = 0|timeCodesPerSecond is 0.0",
        "usda|startTimeCode = 1|startTimeCode = 1e300|startTimeCode is 1.0E300",
        "usda|\"xformOp:rotateXYZ\", |\"xformOp:spin\", |/Pier.xformOp:spin is 'spin'",
        "usda|\"xformOp:rotateXYZ\", |\"rotate\", |/Pier.xformOpOrder is 'rotate'",
        "usda|double3 xformOp:translate = (1, 2, 3)|double3 other = (1, 2, 3)|is without a value",
        "usda|translate = (1, 2, 3)|translate = (1, 2)|is 2 numbers; allowed: 3 numbers",
        "usda|3.5: (1, 2, -10)|0.5: (1, 2, -10)|greater than the time before",
        "usda|3.5: (1, 2, -10)|3.5: (1, 2)|is 2 numbers; allowed: 3, as the sample before",
        "usda|1: (1, 0, 0, 0)|1: (0, 0, 0, 0)|is a quaternion of length 0.0",
        "usda|horizontalAperture = 24|horizontalAperture = -24|is -24.0; allowed: numbers greater",
        "usda|{ 1: 35, 5: 50 }|{ 1: 35, 5: 0 }|allowed: numbers greater than 0",
        "usda|[0, 1, 2, 3]|[0, 1, 2, 4]|is 4.0; allowed: 0 to 3",
        "usda|Counts = [4]|Counts = [5]|a polygon of 5.0 corners",
        "usda|Counts = [4]|Counts = [3]|is 4 corners; allowed: 3",
        "usda|def Camera \"Pier_cam\"|def Camera Pier_cam|the name of a prim in quotes",
        "usda|(10, 10, 0), (0, 10, 0)]|(10, 10, 0), (0, 10, 0)|line",
        "dae|<COLLADA|<SCENE|",
        "dae|meter=\"0.01\"|meter=\"wide\"|meter 'wide'; allowed: a number of metres",
        "dae|meter=\"0.01\"|meter=\"-1\"|metresPerUnit is -1.0",
        "dae|Z_UP|W_UP|'W_UP'; allowed: Y_UP, Z_UP or X_UP",
        "dae|url=\"#lens\"|url=\"#glass\"|url '#glass'; allowed: '#' and the id of a <camera>",
        "dae|url=\"#lens\"|url=\"/etc/passwd\"|url '/etc/passwd'; allowed: '#'",
        "dae|id=\"board\"|id=\"p\"|a second 'p'; allowed: ids that are there once",
        "dae|count=\"12\">0 0 0|count=\"13\">0 0 0|count 13; allowed: 12, the numbers there are",
        "dae|0 1 0</float_array>|0 1 wet</float_array>|'wet' at number 11; allowed: finite numbers",
        "dae|<p>0 1 2 3</p>|<p>0 1 2 9</p>|is 9.0; allowed: 0 to 3",
        "dae|<vcount>4</vcount>|<vcount>3</vcount>|4 corners; allowed: 3",
        "dae|>0 0.1 0.2<|>0 0.2 0.1<|greater than the time before",
        "dae|>0 10 5<|>0 10<|count 3; allowed: 2",
        "dae|52</xfov>|200</xfov>|200.0 degrees; allowed: 0.05 to 179",
        "dae|1.5</aspect_ratio>|0</aspect_ratio>|0.0; allowed: a number greater than 0",
        "dae|<rotate>1 0 0 90|<rotate>0 0 0 90|about an axis of length 0.0",
        "dae|<rotate>1 0 0 90|<rotate>1 0 90|3 numbers; allowed: 4 numbers",
        "dae|target=\"cam/pan.ANGLE\"|target=\"cam\"|target 'cam'; allowed: an id, '/'",
        "dae|</COLLADA>||not well formed",
        "csv|frame,x,|frame,wide,|column is 'wide'; allowed: frame, x, y, z",
        "csv|¶2,1.5,|¶2,one,|line 5, x is 'one'; allowed: a number",
        "csv|¶3,3,|¶2,3,|is 2.0; allowed: greater than the frame before (2.0)",
        "csv|\"axes\":\"picture\"|\"axes\":\"sideways\"|allowed: y-up, z-up",
        "csv|\"rest\":\"level\"|\"rest\":\"own\"|allowed: own-z, level",
        "csv|,54,32,1900|,54,32,|line 6, zoom_px is ''",
        "csv|\"rate\":\"24/1\"|\"rate\":\"24/0\"|rate",
        "jsonl|\"sequenceNumber\":1|\"sequenceNumber\":0|greater than that before (0.0)",
        "jsonl|\"pan\":30,|\"pan\":\"left\",|line 1.transforms[0].rotation.pan",
        "jsonl|\"num\":24,\"denom\":1}|\"num\":24,\"denom\":0}|a rate of 1 to 240",
        "jsonl|\"width\":36|\"width\":0|more than 0 and at most 1000 mm",
        "jsonl|\"pinholeFocalLength\":36|\"pinholeFocalLength\":-36|a number greater than 0",
        "jsonl|{\"timing\"|{timing|line 2, ",
        "obj|f 1//1 2//1 3//1 4//1|f 1//1 2//1 3//1 9//1|vertex 9; allowed: 1 to 4",
        "obj|f 1//1 2//1 3//1 4//1|f 1//1 2//1 3//1 0//1|vertex 0; allowed: 1 to 4",
        "obj|f -3 -2 -1|f -9 -2 -1|vertex -9; allowed",
        "obj|f -3 -2 -1|f -2 -1|2 corners; allowed: 3 to 10000 corners",
        "obj|v 0 0 2|v 0 0|2 numbers; allowed: 3 numbers",
        "obj|v 0 0 2|v 0 0 deep|'deep'; allowed: a number",
        "ply|ply¶format|plan¶format|line 1 is 'plan'; allowed: ply",
        "ply|format ascii 1.0|format text 1.0|allowed: ascii, binary_little_endian",
        "ply|element vertex 4|element vertex 2000000000|allowed: at most",
        "ply|element vertex 4|element vertex -4|allowed: element NAME COUNT",
        "ply|property float z|property float depth|without x, y and z",
        "ply|property float x|property wide x|allowed: property TYPE NAME",
        "ply|end_header|end|the end of the file; allowed: end_header",
        "ply|4 0 1 2 3|4 0 1 2 7|is 7.0; allowed: 0 to 3",
        "ply|1 0 0 200|1 0 deep 200|no number; allowed: a number",
      })
  void aFileWithOneThingWrong_isRefused(String ending, String from, String to, String message)
      throws Exception {
    String sound = pier(ending);
    read("pier." + ending, sound.getBytes(StandardCharsets.UTF_8));
    String wrong = sound.replace(unescaped(from), to == null ? "" : unescaped(to));
    assertThat(wrong).isNotEqualTo(sound);
    assertThatThrownBy(() -> read("pier." + ending, wrong.getBytes(StandardCharsets.UTF_8)))
        .isInstanceOf(FormatException.class)
        .hasMessageContaining("; allowed: ")
        .hasMessageContaining(message == null ? "" : message);
  }

  private static String unescaped(String text) {
    return text.replace("¶", "\n");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "deep-brackets.usda",
        "entity-expansion.dae",
        "external-entity.dae",
        "row-missing.csv"
      })
  void damagedFiles_areRefusedSoon_andNothingBesideThemIsRead(String name) {
    byte[] file = QuayFiles.bytes("bad/" + name);
    Assertions.assertTimeout(
        Duration.ofSeconds(2),
        () ->
            assertThatThrownBy(() -> read(name, file))
                .isInstanceOf(FormatException.class)
                .hasMessageContaining("; allowed: ")
                .hasMessageNotContaining("root:"));
  }

  @Test
  void aRowThatIsMissing_isGonePast_andSaid() throws Exception {
    String table = pier("csv").replaceAll("\n2,[^\n]*", "");
    SceneImport found = read("pier.csv", table.getBytes(StandardCharsets.UTF_8));
    assertThat(found.notes().toString()).contains("1 gap between frames").contains("1.0 to 3.0");
  }

  @Test
  void otherFormats_areRefused_withThoseToUse() {
    assertThatThrownBy(() -> read("pier.xyz", new byte[] {1}))
        .hasMessage(
            "file is 'pier.xyz'; allowed: .glb, .gltf, .usda, .dae, .jsonl, .opentrackio, .csv,"
                + " .obj, .ply");
  }
}

package idlelens.exchange.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.scene.Shot;
import idlelens.exchange.Rigs;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.outgoing.HandOff;
import idlelens.exchange.profile.ReceiverProfile;
import idlelens.exchange.scenefile.SceneFormat;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.joml.Matrix3d;
import org.joml.Matrix4d;
import org.joml.Quaterniond;
import org.joml.Vector3d;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** What loaders that share nothing with ours make of our files. */
class IndependentReadersTest {
  private static final Shot SHOT = Rigs.calm();
  private static final double SAME = 1e-4;

  /** The receiver's, which shares nothing with ours either. */
  private static final Path ANGLES =
      Path.of("../receiver/src/main/resources/receiver/lens-motion.js");

  @ParameterizedTest
  @CsvSource({
    "glb, Y-up metres",
    "usda, Y-up metres",
    "usda, Z-up centimetres",
    "dae, Y-up metres",
    "dae, Z-up centimetres",
    "csv, Y-up metres",
    "opentrackio, Y-up metres",
  })
  void theCameraStandsAndSees_onEveryFrame_asItDoesHere(
      String id, String profile, @TempDir Path folder) throws Exception {
    SceneFormat format = SceneFormats.writing(id);
    ReceiverProfile receiver =
        ReceiverProfile.BUILT_IN.stream().filter(p -> p.name().equals(profile)).findFirst().get();
    HandOff handOff =
        new HandOff(
            SHOT, SHOT.header().range(), List.of("cam"), HandOff.Company.CARRIERS, receiver);
    Path file = folder.resolve("cam." + id);
    Files.write(file, Exchanged.write(handOff, format));
    Evaluation motion = Evaluation.of(SHOT, handOff.grid(), null);
    LensTrack lens = motion.of("cam").lens().orElseThrow();
    List<JsonNode> played = played(id, file, moments(id, handOff));
    assertThat(played).hasSize(handOff.grid().count());
    for (int i = 0; i < played.size(); i++) {
      RigidPose was = motion.pose("cam", i);
      Matrix4d is = matrix(played.get(i).get("m"));
      Vector3d place = is.getTranslation(new Vector3d());
      assertThat(place.distance(was.place())).as("place at %d", i).isLessThan(SAME);
      Matrix3d turn = is.get3x3(new Matrix3d());
      double size = Math.cbrt(turn.determinant());
      turn.scale(1 / size);
      Quaterniond q = turn.getNormalizedRotation(new Quaterniond()).normalize();
      assertThat(Turns.angleBetween(q, was.turn())).as("turn at %d", i).isLessThan(SAME);
      double up = Math.toDegrees(lens.verticalRad()[lens.index(i)]);
      if (i == 0 || playsLens(id)) {
        assertThat(played.get(i).get("fov").doubleValue())
            .as("angle at %d", i)
            .isCloseTo(up, within(SAME));
      }
    }
  }

  /** In seconds: of the first frame at 0, or of its number where a file counts frames. */
  private static String moments(String id, HandOff handOff) {
    int first = id.equals("usda") ? handOff.firstFrame() : 0;
    return IntStream.range(0, handOff.grid().count())
        .mapToObj(i -> Double.toString(handOff.rate().seconds(first + i)))
        .collect(Collectors.joining(","));
  }

  /** The loaders of three.js do not; of a glTF file its moving angle is read beside them. */
  private static boolean playsLens(String id) {
    return isRows(id) || id.equals("glb");
  }

  private static boolean isRows(String id) {
    return id.equals("csv") || id.equals("opentrackio");
  }

  private static Matrix4d matrix(JsonNode elements) {
    double[] m = new double[16];
    for (int i = 0; i < 16; i++) {
      m[i] = elements.get(i).doubleValue();
    }
    return new Matrix4d().set(m);
  }

  private static List<JsonNode> played(String kind, Path file, String moments) throws Exception {
    Path modules = Path.of("target/validator");
    assertThat(modules.resolve("node_modules/papaparse"))
        .as("the readers that share nothing with ours; bin/test fetches them")
        .exists();
    String name = isRows(kind) ? "rows.mjs" : "world.mjs";
    Path script = modules.resolve(name); // beside the modules that it imports
    Files.copy(Path.of("src/test/node", name), script, StandardCopyOption.REPLACE_EXISTING);
    Files.copy(ANGLES, modules.resolve("lens-motion.mjs"), StandardCopyOption.REPLACE_EXISTING);
    Process process =
        new ProcessBuilder("node", script.toString(), kind, file.toString(), "The cam", moments)
            .redirectError(ProcessBuilder.Redirect.INHERIT)
            .start();
    String output = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertThat(process.waitFor()).as(output).isZero();
    List<JsonNode> lines = new ArrayList<>();
    for (String line : output.split("\n")) {
      if (line.startsWith("{")) {
        lines.add(JsonPlace.parse(line.getBytes(StandardCharsets.UTF_8)).node());
      }
    }
    return lines;
  }
}

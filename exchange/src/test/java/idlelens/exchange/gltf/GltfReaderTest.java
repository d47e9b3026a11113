package idlelens.exchange.gltf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Tangent;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.NodeMotion;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRate;
import idlelens.core.time.SampleGrid;
import idlelens.exchange.QuayFiles;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.incoming.ReadSettings;
import idlelens.exchange.incoming.SceneImport;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import org.joml.Matrix3d;
import org.joml.Quaterniond;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class GltfReaderTest {
  private static final double PLACE_M = 1e-4;
  private static final double TURN_DEG = 1e-3;

  private static Shot read(String name, int rate, Map<String, byte[]> beside) throws Exception {
    SceneImport found =
        Gltf.read(
            QuayFiles.bytes(name),
            beside,
            new ReadSettings(FrameRate.of(rate), 0, OptionalDouble.empty(), "g"));
    ShotHeader header =
        new ShotHeader(
            name,
            FrameRate.of(rate),
            found.range(),
            0,
            found.aspect().orElse(16.0 / 9),
            1,
            Tangent.Kind.SETTLE);
    return new Shot(header, found.nodes());
  }

  private static String cameraNamed(Shot shot, String name) {
    return shot.cameras().stream()
        .filter(c -> c.name().equals(name))
        .findFirst()
        .orElseThrow()
        .id();
  }

  private static void assertFollows(Shot shot, String camera, String truthFile) {
    List<double[]> truth = QuayFiles.truth(truthFile);
    NodeMotion motion =
        Evaluation.of(shot, new SampleGrid(0, truth.size(), 1), null).of(cameraNamed(shot, camera));
    for (int i = 0; i < truth.size(); i++) {
      double[] row = truth.get(i);
      int p = motion.world().index(i);
      assertThat(motion.world().x()[p]).as("x at %d", i).isCloseTo(row[4], within(PLACE_M));
      assertThat(motion.world().y()[p]).as("y at %d", i).isCloseTo(row[8], within(PLACE_M));
      assertThat(motion.world().z()[p]).as("z at %d", i).isCloseTo(row[12], within(PLACE_M));
      Matrix3d turn =
          new Matrix3d(row[1], row[5], row[9], row[2], row[6], row[10], row[3], row[7], row[11]);
      double off =
          Turns.angleBetween(
              motion.world().turn(i), turn.getUnnormalizedRotation(new Quaterniond()).normalize());
      assertThat(Math.toDegrees(off)).as("turn at %d", i).isLessThan(TURN_DEG);
      double[] vertical = motion.lens().orElseThrow().verticalRad();
      assertThat(Math.toDegrees(vertical[vertical.length == 1 ? 0 : i]))
          .as("vertical field of view at %d", i)
          .isCloseTo(row[17], within(TURN_DEG));
    }
  }

  @ParameterizedTest
  @ValueSource(strings = {"A-cam", "B-cam"})
  void read_everyKindOfInterpolation_followsTheTruthAtEveryFrame(String camera) throws Exception {
    assertFollows(
        read("boom-shot.glb", 24, Map.of()), camera, "boom-shot." + camera + ".truth.csv");
  }

  @Test
  void read_twoBuffersAndMovingFieldOfView_followsTheTruthAtEveryFrame() throws Exception {
    Map<String, byte[]> beside = Map.of("two-buffers.bin", QuayFiles.bytes("two-buffers.bin"));
    assertFollows(read("two-buffers.gltf", 25, beside), "Loft-cam", "two-buffers.truth.csv");
  }

  @Test
  void read_boomShot_keepsNamesCarriersKeysAndPieces() throws Exception {
    Shot shot = read("boom-shot.glb", 24, Map.of());
    String camera = cameraNamed(shot, "A-cam");
    assertThat(shot.carriersOf(camera)).extracting(Node::name).endsWith("Dolly", "Boom", "Head");
    assertThat(shot.header().range().out()).isEqualTo(95);
    assertThat(shot.nodes().stream().filter(Node.Piece.class::isInstance).count()).isGreaterThan(5);
    Node dolly =
        shot.carriersOf(camera).stream()
            .filter(n -> n.name().equals("Dolly"))
            .findFirst()
            .orElseThrow();
    assertThat(dolly.chain().curve(Path.X).keys().size()).isLessThan(20);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "truncated.glb|header.length at byte 8",
        "wrong-chunk-length.glb|chunk[0].length at byte 12",
        "accessor-out-of-bounds.glb|at most what its buffer view holds",
        "node-cycle.gltf|a loop (",
        "buffer-path-escape.gltf|buffers[0].uri is '../../etc/passwd'",
        "nan-translation.glb|NaN; allowed: finite numbers",
        "key-times-not-increasing.glb|greater than the time before",
        "zero-quaternion.glb|a quaternion of length 0.0; allowed: a quaternion of length 1",
        "empty.glb|file is empty",
      })
  void read_damagedFile_saysWhereAndWhatIsAllowed(String file, String message) {
    assertThatThrownBy(() -> read("bad/" + file, 24, Map.of()))
        .isInstanceOf(FormatException.class)
        .hasMessageContaining(message);
  }

  @Test
  void read_fileCutAtAnyByte_isRefusedAndNothingElse() {
    byte[] whole = QuayFiles.bytes("boom-shot.glb");
    ReadSettings settings = new ReadSettings(FrameRate.of(24), 0, OptionalDouble.empty(), "g");
    for (int length = 0; length < whole.length; length += 1 + whole.length / 400) {
      byte[] cut = Arrays.copyOf(whole, length);
      assertThatThrownBy(() -> Gltf.read(cut, Map.of(), settings))
          .as("cut at %d", length)
          .isInstanceOf(FormatException.class);
    }
  }

  @Test
  void read_bytesChangedAnywhere_neverRaisesAnythingButFormatException() {
    byte[] whole = QuayFiles.bytes("boom-shot.glb");
    ReadSettings settings = new ReadSettings(FrameRate.of(24), 0, OptionalDouble.empty(), "g");
    Random random = new Random(7);
    for (int round = 0; round < 400; round++) {
      byte[] changed = whole.clone();
      for (int k = 0; k < 3; k++) {
        int at = round < 200 ? random.nextInt(6000) : random.nextInt(changed.length);
        changed[at] = (byte) random.nextInt(256);
      }
      try {
        assertThat(Gltf.read(changed, Map.of(), settings).nodes()).isNotNull();
      } catch (FormatException expected) {
        assertThat(expected.getMessage()).contains("allowed:");
      }
    }
  }
}

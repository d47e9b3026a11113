package idlelens.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.core.check.ShotSize;
import idlelens.core.curve.Tangent;
import idlelens.core.motion.Evaluation;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.set.Mesh;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.exchange.csv.BeatTable;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.gltf.GltfHints;
import idlelens.exchange.gltf.GltfImport;
import idlelens.exchange.gltf.GltfReader;
import idlelens.exchange.gltf.GltfWriter;
import idlelens.exchange.json.ShotJson;
import idlelens.exchange.mesh.MeshOctets;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/**
 * Files with things wrong, for every reader there is: each is refused with its place and what is
 * allowed, or it is opened, sampled, written out and read again. {@code bin/fuzz} tries many more.
 */
class MutationTest {
  private static final int TRIES = Integer.getInteger("idlelens.mutations", 3000);
  private static final long SEED = Long.getLong("idlelens.seed", 20);
  private static final FrameRate RATE = FrameRate.of(24);

  /** Takes a file in, and uses what came of it. */
  private interface Use {
    void of(byte[] file) throws FormatException;
  }

  /** All readers, each with a file it can read. */
  enum Reader {
    GLTF(Mutations::ofGlb, "/quay/boom-shot.glb", MutationTest::useGltf),
    OWN_GLTF(Mutations::ofGlb, "", MutationTest::useGltf),
    SHOT_JSON(Mutations::ofJson, "/golden/everything.json", MutationTest::useShot),
    BEATS(Mutations::ofOctets, "beats", MutationTest::useBeats);

    private final Changing changing;
    private final String file;
    private final Use use;

    Reader(Changing changing, String file, Use use) {
      this.changing = changing;
      this.file = file;
      this.use = use;
    }

    private byte[] sample() throws IOException {
      if (file.isEmpty()) {
        return GltfWriter.write(Rigs.everything(), List.of("cam"), true, hash -> null).octets();
      }
      if (file.equals("beats")) {
        return Mutations.text(
            "frame,name,kind\n1001,\"Lamp, lit\",hit\n1012,Turn,beat\n# note\n1020,Gulls,cue\n");
      }
      try (InputStream in = MutationTest.class.getResourceAsStream(file)) {
        return in.readAllBytes();
      }
    }
  }

  private interface Changing {
    byte[] of(Mutations mutations, byte[] file);
  }

  private static void useGltf(byte[] file) throws FormatException {
    GltfHints.find(file, Map.of());
    GltfImport found =
        GltfReader.read(
            file, Map.of(), new GltfReader.Settings(RATE, 1, OptionalDouble.empty(), "m"));
    ShotHeader header =
        new ShotHeader(
            "Mutated",
            RATE,
            new FrameRange(found.range().in(), Math.min(found.range().out(), 200)),
            0,
            found.aspect().orElse(1.5),
            1,
            Tangent.Kind.SETTLE);
    Shot shot = new Shot(header, found.nodes());
    ShotSize.requireRoom(shot, Optional.empty());
    use(shot, hash -> mesh(found.assets().get(hash)));
  }

  private static void useShot(byte[] file) throws FormatException {
    Shot shot = ShotJson.readParcel(file).shot();
    ShotSize.requireRoom(shot, Optional.empty());
    use(shot, hash -> new Mesh(new float[0], new float[0], new float[0], new int[0]));
  }

  private static void useBeats(byte[] file) throws FormatException {
    BeatTable.read(file, Rigs.everything().header(), () -> "b");
  }

  private static Mesh mesh(byte[] octets) {
    try {
      return MeshOctets.read(octets);
    } catch (FormatException e) {
      throw new AssertionError(e);
    }
  }

  private static void use(Shot shot, Function<String, Mesh> meshes) throws FormatException {
    byte[] text = ShotJson.bytes(shot);
    assertThat(ShotJson.bytes(ShotJson.read(text))).isEqualTo(text);
    Evaluation.of(shot);
    List<String> cameras = shot.cameras().stream().map(Node::id).toList();
    if (!cameras.isEmpty()) {
      byte[] out = GltfWriter.write(shot, cameras, true, meshes).octets();
      GltfReader.read(out, Map.of(), new GltfReader.Settings(RATE, 1, OptionalDouble.empty(), "n"));
    }
  }

  @ParameterizedTest
  @EnumSource(Reader.class)
  void anyFileWithThingsWrong_isRefusedInWords_orWorksToTheEnd(Reader reader) throws Exception {
    byte[] sample = reader.sample();
    Mutations mutations = new Mutations(SEED);
    int taken = 0;
    for (int i = 0; i < TRIES; i++) {
      byte[] file = reader.changing.of(mutations, sample);
      try {
        reader.use.of(file);
        taken++;
      } catch (FormatException | RefusedException expected) {
        assertThat(expected.getMessage())
            .as("try %d", i)
            .contains("; allowed: ")
            .doesNotContain("Feature", "Exception", "Constraints");
      } catch (Throwable e) {
        throw new AssertionError(reader + ", seed " + SEED + ", try " + i, e);
      }
    }
    assertThat(taken).isBetween(TRIES / 100, TRIES * 99 / 100);
  }
}

package idlelens.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.check.ShotSize;
import idlelens.core.curve.Tangent;
import idlelens.core.motion.Evaluation;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.set.Mesh;
import idlelens.core.take.Take;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.exchange.csv.BeatTable;
import idlelens.exchange.csv.RecordingTable;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.formats.SceneFormats;
import idlelens.exchange.gltf.Gltf;
import idlelens.exchange.incoming.ReadSettings;
import idlelens.exchange.incoming.SceneImport;
import idlelens.exchange.incoming.SceneReading;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.json.ShotJson;
import idlelens.exchange.json.TakeJson;
import idlelens.exchange.mesh.MeshOctets;
import idlelens.exchange.opentrackio.TrackFeed;
import idlelens.exchange.opentrackio.TrackLines;
import idlelens.exchange.opentrackio.TrackPacket;
import idlelens.exchange.opentrackio.TrackSample;
import idlelens.exchange.profile.ProfileJson;
import idlelens.exchange.profile.ReceiverProfile;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.Upload;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Function;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import tools.jackson.databind.node.JsonNodeFactory;

/**
 * Files with things wrong, for every reader there is: each is refused with its place and what is
 * allowed, or it is opened, sampled, written out and read again. {@code bin/fuzz} tries many more.
 */
class MutationTest {
  private static final int TRIES = Integer.getInteger("idlelens.mutations", 3000);
  private static final long SEED = Long.getLong("idlelens.seed", 20);
  private static final FrameRate RATE = FrameRate.of(24);

  private static final String LINE =
      "{\"transforms\":[{\"translation\":{\"x\":0.5,\"y\":1,\"z\":-2},\"rotation\":{\"pan\":10,"
          + "\"tilt\":-5,\"roll\":0.25}}],\"lens\":{\"pinholeFocalLength\":35},\"timing\":"
          + "{\"sampleRate\":{\"num\":60,\"denom\":1},\"sequenceNumber\":7}}";

  private static final Map<String, String> TEXTS =
      Map.of(
          "recording",
          "seconds,x_cm,pan_deg\n0,1,-2\n0.5,1.5,0\n1,2.25,1e-3\n",
          "packet",
          LINE,
          "lines",
          LINE + "\n" + LINE.replace(":7}", ":8}").replace("0.5", "0.75") + "\n",
          "take",
          "{\"rate\":24,\"samples\":{\"x\":[0,1,2],\"y\":[1,1,1],\"z\":[0,-1,0.5],"
              + "\"pan\":[170,180,190],\"tilt\":[0,89,90],\"roll\":[0,0,1],\"focal\":[35,36,37]}}");

  /** Takes a file in, and uses what came of it. */
  private interface Use {
    void of(byte[] file) throws FormatException;
  }

  /** All readers, each with a file it can read. */
  enum Reader {
    GLTF(Mutations::ofGlb, "/quay/boom-shot.glb", MutationTest::useGltf),
    OWN_GLTF(Mutations::ofGlb, "", MutationTest::useGltf),
    SHOT_JSON(Mutations::ofJson, "/golden/everything.json", MutationTest::useShot),
    BEATS(Mutations::ofOctets, "beats", MutationTest::useBeats),
    RECORDING(Mutations::ofOctets, "recording", RecordingTable::read),
    TRACK_LINES(Mutations::ofOctets, "lines", TrackLines::read),
    TRACK_PACKETS(Mutations::ofOctets, "packet", MutationTest::usePacket),
    TAKE(Mutations::ofJson, "take", MutationTest::useTake),
    USD(Mutations::ofText, "/mutated/pier.usda", scene("usda")),
    COLLADA(Mutations::ofText, "/mutated/pier.dae", scene("dae")),
    CAMERA_TABLE(Mutations::ofText, "/mutated/pier.csv", scene("csv")),
    TRACK_SCENE(Mutations::ofText, "/mutated/pier.jsonl", scene("jsonl")),
    OBJ(Mutations::ofText, "/mutated/pier.obj", scene("obj")),
    PLY(Mutations::ofText, "/mutated/pier.ply", scene("ply")),
    PLY_BINARY(Mutations::ofOctets, "/mutated/pier-binary.ply", scene("ply")),
    PROFILE(Mutations::ofJson, "profile", MutationTest::useProfile);

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
        return Gltf.write(Rigs.everything(), List.of("cam"), true, hash -> null).octets();
      }
      if (file.equals("beats")) {
        return Mutations.text(
            "frame,name,kind\n1001,\"Lamp, lit\",hit\n1012,Turn,beat\n# note\n1020,Gulls,cue\n");
      }
      if (file.equals("profile")) {
        return Mutations.text(ProfileJson.write(ReceiverProfile.PICTURE).toString());
      }
      if (TEXTS.containsKey(file)) {
        return Mutations.text(TEXTS.get(file));
      }
      try (InputStream in = MutationTest.class.getResourceAsStream(file)) {
        return in.readAllBytes();
      }
    }
  }

  private interface Changing {
    byte[] of(Mutations mutations, byte[] file);
  }

  private static void useProfile(byte[] file) throws FormatException {
    ReceiverProfile profile = ProfileJson.read(JsonPlace.parse(file));
    byte[] text = Mutations.text(ProfileJson.write(profile).toString());
    assertThat(ProfileJson.read(JsonPlace.parse(text))).isEqualTo(profile);
  }

  private static Use scene(String ending) {
    return file -> useScene(SceneFormats.read(Upload.of("file." + ending, file)));
  }

  private static void useGltf(byte[] file) throws FormatException {
    useScene(SceneFormats.read(Upload.of("file.glb", file)));
  }

  private static void useScene(SceneFile file) throws FormatException {
    SceneImport found =
        SceneReading.read(file, new ReadSettings(RATE, 1, OptionalDouble.empty(), "m"));
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

  /** Whatever comes, a feed goes on, and with a sum nothing but what was sent is read. */
  private static void usePacket(byte[] octets) throws FormatException {
    TrackFeed feed = new TrackFeed();
    feed.roll();
    feed.take(octets, octets.length, 0);
    byte[] sound = new TrackPacket(OptionalInt.of(8), LINE.replace(":7}", ":8}")).write();
    feed.take(sound, sound.length, 0.02);
    assertThat(feed.told().came()).isEqualTo(2);
    byte[] damaged = new TrackPacket(OptionalInt.of(7), LINE).write();
    damaged[octets.length % damaged.length] ^= 4;
    assertThatThrownBy(() -> TrackPacket.read(damaged, damaged.length))
        .isInstanceOf(FormatException.class);
    TrackSample.read(TrackPacket.read(octets, octets.length).text());
  }

  private static void useTake(byte[] file) throws FormatException {
    Take take;
    try {
      take = TakeJson.read(JsonPlace.parse(file));
    } catch (RefusedException e) {
      throw new FormatException(e.where(), e.found(), e.allowed());
    }
    for (double at = -1; at <= take.seconds() && at < 3; at += 0.1) {
      take.pose(at);
    }
    assertThat(
            TakeJson.read(
                JsonPlace.parse(
                    Mutations.text(
                        TakeJson.write(take, JsonNodeFactory.instance.objectNode()).toString()))))
        .isEqualTo(take);
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
      byte[] out = Gltf.write(shot, cameras, true, meshes).octets();
      Gltf.read(out, Map.of(), new ReadSettings(RATE, 1, OptionalDouble.empty(), "n"));
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

package idlelens.bench;

import idlelens.core.time.FrameRate;
import idlelens.exchange.collada.ColladaFormat;
import idlelens.exchange.csv.CsvFormat;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.format.ReadBudget;
import idlelens.exchange.gltf.GltfFormat;
import idlelens.exchange.opentrackio.TrackFormat;
import idlelens.exchange.scenefile.Channel;
import idlelens.exchange.scenefile.Content;
import idlelens.exchange.scenefile.Conventions;
import idlelens.exchange.scenefile.FileClock;
import idlelens.exchange.scenefile.FileNode;
import idlelens.exchange.scenefile.Lane;
import idlelens.exchange.scenefile.Op;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.SceneFormat;
import idlelens.exchange.scenefile.Upload;
import idlelens.exchange.scenefile.View;
import idlelens.exchange.scenefile.Wording;
import idlelens.exchange.usd.UsdFormat;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * Octets to a scene and a scene to octets: 40,000 samples of nodes that move and turn, four in one
 * another with 10,000 frames each, or more nodes with fewer frames (in the formats that hold one
 * camera, its 10,000 frames). The file is left in the folder of the run, for others to read.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(2)
public class ExchangeBenchmark {
  private static final int SAMPLES = 40_000;
  private static final int DEEP = 4;
  private static final Map<String, SceneFormat> FORMATS =
      Map.of(
          "usda", new UsdFormat(),
          "glb", new GltfFormat(),
          "dae", new ColladaFormat(),
          "csv", new CsvFormat(),
          "opentrackio", new TrackFormat());

  @Param({"usda", "glb", "dae", "csv", "opentrackio"})
  public String format;

  @Param({"4", "2000"})
  public int nodes;

  private SceneFormat made;
  private SceneFile scene;
  private byte[] file;

  @Setup
  public void prepare() {
    made = FORMATS.get(format);
    Conventions conventions = made.holds().within(Conventions.OURS);
    scene =
        made.holds().nodes()
            ? scene(nodes, SAMPLES / nodes, conventions)
            : scene(1, SAMPLES / DEEP, conventions);
    file = write().octets();
    try {
      Path out = Path.of(System.getProperty("java.io.tmpdir"), "idle-lens-bench." + format);
      Files.write(out, file);
      System.out.printf("%s has %,d bytes%n", out, file.length);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static SceneFile scene(int count, int frames, Conventions conventions) {
    double[] times = new double[frames];
    for (int i = 0; i < frames; i++) {
      times[i] = 1001 + i;
    }
    List<FileNode> nodes = new ArrayList<>();
    for (int n = 0; n < count; n++) {
      double[] places = new double[frames * 3];
      double[] turns = new double[frames * 4];
      for (int i = 0; i < frames; i++) {
        double u = i * 0.013 + n;
        places[3 * i] = 2.5 * Math.sin(u);
        places[3 * i + 1] = 1.2 + 0.4 * Math.cos(1.7 * u);
        places[3 * i + 2] = -0.01 * i;
        turns[4 * i + 1] = Math.sin(0.3 * Math.sin(u));
        turns[4 * i + 3] = Math.cos(0.3 * Math.sin(u));
      }
      Channel place = new Channel(times, places, Channel.Between.LINEAR, 3, "place");
      Channel turn = new Channel(times, turns, Channel.Between.LINEAR, 4, "turn");
      nodes.add(
          new FileNode(
              String.valueOf(n),
              "Node " + n,
              "node",
              n % DEEP == 0 ? -1 : n - 1,
              List.of(Op.Place.of(place), new Op.Turn(turn)),
              false,
              n == count - 1 ? List.of(camera()) : List.of()));
    }
    FrameRate rate = FrameRate.of(24);
    FileClock clock =
        new FileClock(
            24, 1001, OptionalDouble.of(1000 + frames), Optional.of(rate), Optional.of(1001));
    return new SceneFile(
        conventions, Wording.OURS, clock, nodes, Optional.empty(), new ReadBudget(0), List.of());
  }

  private static Content camera() {
    return new Content.Camera(
        "camera",
        new View.Focal(Lane.still("f", 35), Lane.still("w", 36), Lane.still("h", 20.25)),
        OptionalDouble.of(16.0 / 9),
        Optional.of(Lane.still("n", 4)),
        Optional.of(Lane.still("s", 5)),
        Optional.empty());
  }

  @Benchmark
  public SceneFormat.Written write() {
    return made.write(scene);
  }

  @Benchmark
  public SceneFile read() throws FormatException {
    return made.read(Upload.of("bench." + made.endings().get(0), file));
  }
}

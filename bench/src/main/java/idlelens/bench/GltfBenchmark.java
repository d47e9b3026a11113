package idlelens.bench;

import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameRate;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.gltf.GltfImport;
import idlelens.exchange.gltf.GltfReader;
import idlelens.exchange.gltf.GltfWriter;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** Writing and reading the cameras of the same shot as a binary file. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(2)
public class GltfBenchmark {
  private static final GltfReader.Settings SETTINGS =
      new GltfReader.Settings(FrameRate.of(24), 1001, OptionalDouble.empty(), "b");

  private Shot shot;
  private List<String> cameras;
  private byte[] file;

  @Setup
  public void prepare() {
    shot = BenchShots.rigs();
    cameras = shot.cameras().stream().map(Node::id).toList();
    file = write().octets();
    System.out.printf("The file has %,d bytes%n", file.length);
  }

  @Benchmark
  public GltfWriter.Written write() {
    return GltfWriter.write(shot, cameras, true, hash -> null);
  }

  @Benchmark
  public GltfImport read() throws FormatException {
    return GltfReader.read(file, Map.of(), SETTINGS);
  }
}

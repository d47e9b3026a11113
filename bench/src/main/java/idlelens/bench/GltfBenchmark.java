package idlelens.bench;

import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameRate;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.gltf.GltfFormat;
import idlelens.exchange.incoming.ReadSettings;
import idlelens.exchange.incoming.SceneImport;
import idlelens.exchange.incoming.SceneReading;
import idlelens.exchange.outgoing.HandOff;
import idlelens.exchange.outgoing.SceneOfShot;
import idlelens.exchange.profile.ReceiverProfile;
import idlelens.exchange.scenefile.SceneFormat;
import idlelens.exchange.scenefile.Upload;
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
  private static final ReadSettings SETTINGS =
      new ReadSettings(FrameRate.of(24), 1001, OptionalDouble.empty(), "b");
  private static final GltfFormat FORMAT = new GltfFormat();

  private HandOff handOff;
  private byte[] file;

  @Setup
  public void prepare() {
    Shot shot = BenchShots.rigs();
    handOff =
        new HandOff(
            shot,
            shot.header().range(),
            shot.cameras().stream().map(Node::id).toList(),
            HandOff.Company.SET,
            ReceiverProfile.Y_UP_METRES);
    file = write().octets();
    System.out.printf("The file has %,d bytes%n", file.length);
  }

  @Benchmark
  public SceneFormat.Written write() {
    return FORMAT.write(SceneOfShot.of(handOff, FORMAT.holds(), hash -> null));
  }

  @Benchmark
  public SceneImport read() throws FormatException {
    return SceneReading.read(FORMAT.read(Upload.of("b.glb", file)), SETTINGS);
  }
}

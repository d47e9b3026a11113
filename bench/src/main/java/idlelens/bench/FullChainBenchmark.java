package idlelens.bench;

import idlelens.core.edit.SetPart;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.PoseTrack;
import idlelens.core.part.Shake;
import idlelens.core.scene.Shot;
import idlelens.core.smooth.Kernel;
import idlelens.core.smooth.OnePole;
import idlelens.core.smooth.Turning;
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

/** Keys, rail, three nulls, moves, aim, three layers of shake, a spring and a lens, both ways. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(2)
public class FullChainBenchmark {
  private static final int LONG = 10_000;

  /**
   * Frames before the shot and behind it that are worked out too, so that the spring is settled.
   */
  private static final int WARM = 256;

  private static final int BEHIND = 64;

  private Shot shot;
  private FusedFullChain fused;
  private Evaluation before;
  private double[] numbers;
  private Turning turns;
  private int step;

  /** Makes the shot, and sees that both ways agree. */
  @Setup
  public void prepare() {
    shot = BenchShots.fullChain();
    fused = new FusedFullChain(shot, WARM + BenchShots.FRAMES + BEHIND);
    before = Evaluation.of(shot);
    double[] flat = fused.run(1001 - WARM);
    PoseTrack cam = before.of("cam").world();
    for (int f = 0; f < BenchShots.FRAMES; f += 100) {
      int at = ((f + WARM) * 5 + 4) * 7;
      double off = Math.abs(flat[at] - cam.x()[f]) + Math.abs(flat[at + 2] - cam.z()[f]);
      if (!(off < 1e-9)) {
        throw new IllegalStateException("The two ways differ by " + off + " m at " + f);
      }
    }
    numbers = new double[LONG];
    turns = Turning.of(LONG);
    for (int i = 0; i < LONG; i++) {
      numbers[i] = Math.sin(i / 7.0) + 0.01 * i;
      turns.y()[i] = Math.sin(numbers[i] / 2);
      turns.w()[i] = Math.cos(numbers[i] / 2);
    }
  }

  @Benchmark
  public double[] handFusedLoop() {
    return fused.run(1001 - WARM);
  }

  @Benchmark
  public Evaluation wholeChain() {
    return Evaluation.of(shot);
  }

  /** Another seed of the last layer: it, the spring and the lens are made again. */
  @Benchmark
  public Evaluation editOfASeed() {
    Shake layer = (Shake) shot.node("cam").chain().part("shake-2");
    Shake other = new Shake(layer.body(), layer.way(), 10 + step++ % 7, false, layer.start());
    Shot edited = new SetPart("cam", other).apply(shot);
    return Evaluation.of(edited, before.grid(), before);
  }

  @Benchmark
  public double[] gaussianOfNumbers() {
    return Kernel.gaussian(8).numbers(numbers);
  }

  @Benchmark
  public Turning gaussianOfTurns() {
    return Kernel.gaussian(8).turns(turns);
  }

  @Benchmark
  public Turning springOfTurns() {
    return new OnePole(0.8, 1, false).turns(turns);
  }
}

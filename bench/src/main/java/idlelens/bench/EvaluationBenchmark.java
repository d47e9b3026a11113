package idlelens.bench;

import idlelens.core.edit.Edit;
import idlelens.core.edit.Keying;
import idlelens.core.edit.SetValues;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Path;
import idlelens.core.scene.Shot;
import java.util.List;
import java.util.Map;
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

/** A whole shot (8 cameras, 20 nodes, 1,440 frames) beside the hand-fused loop, and one edit. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(2)
public class EvaluationBenchmark {
  private Shot shot;
  private FusedRigs fused;
  private Evaluation before;
  private int step;

  /** Makes the shot, and sees that both ways agree. */
  @Setup
  public void prepare() {
    shot = BenchShots.rigs();
    fused = new FusedRigs(shot);
    before = Evaluation.of(shot);
    double[] flat = fused.run(1001);
    for (int f = 0; f < BenchShots.FRAMES; f += 100) {
      int at = (f * shot.nodes().size() + 19) * 15;
      double off = Math.abs(flat[at] - before.of("cam7").world().x()[f]);
      if (!(off < 1e-9)) {
        throw new IllegalStateException("The two ways differ by " + off + " m at " + f);
      }
    }
  }

  @Benchmark
  public double[] handFusedLoop() {
    return fused.run(1001);
  }

  @Benchmark
  public Evaluation wholeShot() {
    return Evaluation.of(shot);
  }

  /** One key of one camera: apply the edit and evaluate what it touches. */
  @Benchmark
  public Evaluation editToSamples() {
    step = (step + 1) % 1000;
    Edit edit = new SetValues("cam3", 1100, Map.of(Path.X, step * 0.001), Keying.WHOLE_POSE);
    Shot after = Edit.applyAll(shot, List.of(edit)).shot();
    return Evaluation.of(after, before.grid(), before);
  }
}

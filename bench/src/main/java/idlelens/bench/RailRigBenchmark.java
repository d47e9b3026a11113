package idlelens.bench;

import idlelens.core.edit.SetPart;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.PoseTrack;
import idlelens.core.part.Move;
import idlelens.core.scene.Shot;
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

/** A rail, three nulls, a camera with two moves and an aim, beside the hand-fused loop. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(2)
public class RailRigBenchmark {
  private Shot shot;
  private FusedRailRig fused;
  private Evaluation before;
  private int step;

  /** Makes the shot, and sees that both ways agree. */
  @Setup
  public void prepare() {
    shot = BenchShots.railRig();
    fused = new FusedRailRig(shot);
    before = Evaluation.of(shot);
    double[] flat = fused.run(1001);
    PoseTrack cam = before.of("cam").world();
    for (int f = 0; f < BenchShots.FRAMES; f += 100) {
      int at = (f * 5 + 4) * 7;
      double off = Math.abs(flat[at] - cam.x()[f]) + Math.abs(flat[at + 2] - cam.z()[f]);
      double turn =
          flat[at + 3] * cam.qx()[f]
              + flat[at + 4] * cam.qy()[f]
              + flat[at + 5] * cam.qz()[f]
              + flat[at + 6] * cam.qw()[f];
      if (!(off < 1e-9 && Math.abs(turn) > 1 - 1e-12)) {
        throw new IllegalStateException("The two ways differ by " + off + " m at " + f);
      }
    }
  }

  @Benchmark
  public double[] handFusedLoop() {
    return fused.run(1001);
  }

  @Benchmark
  public Evaluation wholeRig() {
    return Evaluation.of(shot);
  }

  /** Another amount of a move: the camera alone is made again. */
  @Benchmark
  public Evaluation editOfAMove() {
    Move move = (Move) shot.node("cam").chain().part("move-a");
    Move other =
        new Move(
            move.body(),
            move.way(),
            40 + step++ % 7,
            move.ease(),
            move.after(),
            move.rounds(),
            move.pivot());
    Shot edited = new SetPart("cam", other).apply(shot);
    return Evaluation.of(edited, before.grid(), before);
  }
}

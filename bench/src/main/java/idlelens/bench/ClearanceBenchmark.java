package idlelens.bench;

import idlelens.core.check.CameraChecks;
import idlelens.core.clearance.TriangleTree;
import idlelens.core.scene.Shot;
import idlelens.core.set.Mesh;
import java.util.Random;
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

/** All checks of a camera over 1,440 frames through a set of 200,000 triangles. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class ClearanceBenchmark {
  private static final int TRIANGLES = 200_000;
  private static final int WAYS = 1024;

  private Shot shot;
  private Mesh mesh;
  private TriangleTree tree;
  private double[][] ways;
  private int next;

  /** Splinters around the way of a camera, which goes between them. */
  @Setup
  public void prepare() {
    shot = BenchShots.throughSplinters(TRIANGLES);
    Random random = new Random(5);
    float[] positions = new float[9 * TRIANGLES];
    int[] indices = new int[3 * TRIANGLES];
    for (int i = 0; i < TRIANGLES; i++) {
      double angle = random.nextDouble() * 2 * Math.PI;
      double away = 0.5 + 6 * random.nextDouble();
      double[] middle = {
        away * Math.cos(angle), away * Math.sin(angle), -120 * random.nextDouble()
      };
      for (int k = 0; k < 9; k++) {
        positions[9 * i + k] = (float) (middle[k % 3] + 0.2 * random.nextDouble());
      }
      for (int k = 0; k < 3; k++) {
        indices[3 * i + k] = 3 * i + k;
      }
    }
    mesh = new Mesh(positions, new float[9 * TRIANGLES], new float[3 * TRIANGLES], indices);
    tree = new TriangleTree(mesh);
    ways = new double[WAYS][];
    for (int i = 0; i < WAYS; i++) { // all over a picture, from the beginning of the way
      double across = random.nextDouble() - 0.5;
      double up = (random.nextDouble() - 0.5) * 0.56;
      ways[i] = new double[] {0, 0, 0, across * 1e5, up * 1e5, -1e5};
    }
  }

  /** The first surface at a place of the picture: what focus is picked by. */
  @Benchmark
  public double oneSightline() {
    next = (next + 1) % WAYS;
    return tree.firstCrossing(ways[next]);
  }

  @Benchmark
  public CameraChecks allChecks() {
    return CameraChecks.of(shot, CameraChecks.Asked.of("cam"), shape -> mesh, done -> {});
  }

  @Benchmark
  public TriangleTree treeAlone() {
    return new TriangleTree(mesh);
  }
}

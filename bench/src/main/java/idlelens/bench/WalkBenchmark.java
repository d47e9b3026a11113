package idlelens.bench;

import idlelens.core.clearance.Obstacle;
import idlelens.core.clearance.TriangleTree;
import idlelens.core.geometry.RigidPose;
import idlelens.core.set.Mesher;
import idlelens.core.set.Shape;
import idlelens.core.time.FrameRate;
import idlelens.core.walk.Body;
import idlelens.core.walk.Ground;
import idlelens.core.walk.Stance;
import idlelens.core.walk.Steering;
import idlelens.core.walk.Walk;
import idlelens.exchange.opentrackio.TrackFeed;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
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

/** A second of walking among 300 people and boxes, and a sample of a tracker. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class WalkBenchmark {
  private static final int PIECES = 300;
  private static final String SAMPLE =
      "{\"transforms\":[{\"translation\":{\"x\":0.5,\"y\":1,\"z\":1.5},\"rotation\":{\"pan\":10,"
          + "\"tilt\":-5,\"roll\":0.25}}],\"lens\":{\"pinholeFocalLength\":35},\"timing\":"
          + "{\"sampleRate\":{\"num\":60,\"denom\":1},\"sequenceNumber\":%d}}";

  private Walk walk;
  private Stance stance;
  private TrackFeed feed;
  private long number;

  /** A floor, and around it what stands about. */
  @Setup
  public void prepare() {
    Random random = new Random(5);
    TriangleTree person = new TriangleTree(Mesher.mesh(new Shape.Person(1.72)));
    TriangleTree box = new TriangleTree(Mesher.mesh(new Shape.Box(0.6, 0.9, 0.6)));
    List<Obstacle> all = new ArrayList<>();
    RigidPose below = RigidPose.of(0, -1, 0, 0, 0, 0);
    TriangleTree floor = new TriangleTree(Mesher.mesh(new Shape.Box(80, 1, 80)));
    all.add(new Obstacle("floor", floor, i -> below));
    for (int k = 0; k < PIECES; k++) {
      double angle = random.nextDouble() * 2 * Math.PI;
      double away = 1 + 20 * random.nextDouble();
      RigidPose at =
          RigidPose.of(away * Math.cos(angle), 0, away * Math.sin(angle), 7 * angle, 0, 0);
      all.add(new Obstacle("piece", k % 2 == 0 ? person : box, i -> at));
    }
    walk = new Walk(new Ground(all, 1, 1, 0), Body.USUAL, FrameRate.of(24), 1, false);
    stance = walk.begin(RigidPose.of(0, 1.6, 0, 0, 0, 0), 35);
    feed = new TrackFeed();
    feed.roll();
  }

  @Benchmark
  public Walk.Walked aSecond() {
    Steering hands = new Steering(1, 0.3, false, false, 40, 0, 1);
    return walk.on(stance, hands, walk.steps(1), 1, 5000);
  }

  @Benchmark
  public void aSample() {
    if (number % 30_000 == 0) {
      feed.roll();
    }
    byte[] octets = SAMPLE.formatted(number).getBytes(StandardCharsets.UTF_8);
    feed.take(octets, octets.length, number++ / 60.0);
  }
}

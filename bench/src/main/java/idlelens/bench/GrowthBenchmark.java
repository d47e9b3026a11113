package idlelens.bench;

import idlelens.core.curve.Beyond;
import idlelens.core.curve.Curve;
import idlelens.core.curve.CurveFit;
import idlelens.core.curve.Holding;
import idlelens.core.curve.Key;
import idlelens.core.curve.KeyInsertion;
import idlelens.core.curve.KeyReduction;
import idlelens.core.curve.Overshoots;
import idlelens.core.curve.Tangent;
import idlelens.core.edit.AlignKeys;
import idlelens.core.edit.Keep;
import idlelens.core.edit.RemoveNodes;
import idlelens.core.geometry.RigidPose;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.Path;
import idlelens.core.retime.Landing;
import idlelens.core.retime.Ramp;
import idlelens.core.retime.Retiming;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.core.time.FrameSpan;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.gltf.GltfFormat;
import idlelens.exchange.incoming.ReadSettings;
import idlelens.exchange.incoming.SceneImport;
import idlelens.exchange.incoming.SceneReading;
import idlelens.exchange.outgoing.HandOff;
import idlelens.exchange.outgoing.SceneOfShot;
import idlelens.exchange.profile.ReceiverProfile;
import idlelens.exchange.scenefile.Upload;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
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
 * How the time of what is done to many keys grows with their number: ten times the keys shall take
 * little more than ten times as long.
 */
@State(Scope.Thread)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3)
@Measurement(iterations = 5)
@Fork(1)
public class GrowthBenchmark {
  private static final GltfFormat FORMAT = new GltfFormat();
  private static final int KEYS_A_NODE = 50;
  private static final int LONGEST = 20_000;

  @Param({"1000", "10000", "100000"})
  private int keys;

  private Curve noise;
  private Curve swinging;
  private Curve cycle;
  private double[] frames;
  private double[] values;
  private List<Double> between;
  private Shot rig;
  private Shot carried;
  private byte[] file;

  /** Makes what is worked on. */
  @Setup
  public void prepare() {
    Random random = new Random(8);
    List<Key> hostile = new ArrayList<>();
    List<Key> flowing = new ArrayList<>();
    frames = new double[keys];
    values = new double[keys];
    between = new ArrayList<>();
    for (int i = 0; i < keys; i++) {
      double value = random.nextGaussian();
      frames[i] = i;
      values[i] = value;
      hostile.add(new Key(i, value, Tangent.Kind.SETTLE));
      flowing.add(new Key(i, value, Tangent.Kind.FLOW));
      between.add(i + 0.5);
    }
    noise = new Curve(0, hostile);
    swinging = new Curve(0, flowing);
    cycle = new Curve(0, hostile.subList(0, keys / 2), Beyond.CYCLE_AND_CARRY, Beyond.HOLD);
    cycle = cycle.withBeyond(Beyond.HOLD, Beyond.CYCLE_AND_CARRY);
    rig = rig();
    carried = carried();
    HandOff handOff =
        new HandOff(
            carried,
            carried.header().range(),
            List.of("cam"),
            HandOff.Company.SET,
            ReceiverProfile.Y_UP_METRES);
    file = FORMAT.write(SceneOfShot.of(handOff, FORMAT.holds(), hash -> null)).octets();
  }

  private static ShotHeader header(int frames) {
    return new ShotHeader(
        "Growth",
        FrameRate.of(24),
        new FrameRange(0, Math.min(LONGEST, frames) - 1),
        0,
        1.5,
        1,
        Tangent.Kind.SETTLE);
  }

  private static NodeBody body(String id, String carrier, Chain chain) {
    return new NodeBody(id, id, false, new Carriage(carrier, RigidPose.IDENTITY), chain);
  }

  private static Curve spread(int count, int every, double shift) {
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      keys.add(new Key(i * every + shift, Math.sin(i), Tangent.Kind.SETTLE));
    }
    return new Curve(0, keys);
  }

  /** A camera and its carrier with keys on frames of their own. */
  private Shot rig() {
    Chain low = Chain.pose().with(Path.PAN, spread(keys / 2, 2, 1));
    Chain high = Chain.poseAndLens().with(Path.X, spread(keys / 2, 2, 0));
    return new Shot(
        header(keys),
        List.of(new Node.Null(body("low", "", low)), new Node.Camera(body("cam", "low", high))));
  }

  /** As many nodes as there are keys for, all carried by one that moves. */
  private Shot carried() {
    List<Node> nodes = new ArrayList<>();
    Chain moving = Chain.pose().with(Path.PAN, spread(KEYS_A_NODE, 1, 0));
    nodes.add(new Node.Null(body("base", "", moving)));
    nodes.add(new Node.Camera(body("cam", "base", Chain.poseAndLens())));
    for (int i = 2; i < keys / KEYS_A_NODE - 1; i++) {
      Chain own = Chain.pose().with(Path.X, spread(KEYS_A_NODE, 1, 0));
      nodes.add(new Node.Sun(body("n" + i, "base", own), "#ffffff", 1));
    }
    return new Shot(header(KEYS_A_NODE), nodes);
  }

  @Benchmark
  public Shot alignKeysOfARig() {
    return new AlignKeys("cam").apply(rig);
  }

  @Benchmark
  public Curve removeOvershoot() {
    return Overshoots.remove(swinging, 0, i -> true, true);
  }

  @Benchmark
  public Shot removeTheNullUnderAll() {
    return new RemoveNodes(List.of("base"), 3, false, Keep.PLACE).apply(carried);
  }

  @Benchmark
  public Curve reduceHostileKeys() {
    return KeyReduction.reduce(noise, 0.1);
  }

  @Benchmark
  public List<Key> fitHostileSamples() {
    return CurveFit.fit(frames, values, 0.1);
  }

  @Benchmark
  public Curve insertBeyondACycle() {
    return KeyInsertion.insert(cycle, keys / 2 - 1 + 1e-4, Tangent.Kind.SETTLE);
  }

  @Benchmark
  public Curve rampAllKeys() {
    Ramp ramp =
        new Ramp(
            List.of(new Ramp.Point(0, 1), new Ramp.Point(keys - 1, 3)),
            true,
            List.of(),
            Ramp.USUAL_TOLERANCE);
    return Retiming.apply(noise, ramp, Landing.REFUSE, new FrameSpan(0, keys));
  }

  @Benchmark
  public Curve holdBetweenAllKeys() {
    return Holding.until(
        noise.withKeys(noise.keys().subList(0, keys / 2)), between.subList(0, keys / 2));
  }

  @Benchmark
  public SceneImport importNodesWithTheKeys() throws FormatException {
    return SceneReading.read(
        FORMAT.read(Upload.of("b.glb", file)),
        new ReadSettings(FrameRate.of(24), 0, OptionalDouble.empty(), "b"));
  }
}

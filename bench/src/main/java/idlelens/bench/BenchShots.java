package idlelens.bench;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.geometry.RigidPose;
import idlelens.core.part.Aim;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.Curves;
import idlelens.core.part.Lens;
import idlelens.core.part.Move;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.part.Ride;
import idlelens.core.part.Shake;
import idlelens.core.part.ShakeWay;
import idlelens.core.part.Smooth;
import idlelens.core.part.SmoothWay;
import idlelens.core.part.Target;
import idlelens.core.rail.Anchor;
import idlelens.core.rail.Rail;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.set.Bounds;
import idlelens.core.set.Finish;
import idlelens.core.set.Shape;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

/** Shots to measure with: made by a seed, the same every time. */
final class BenchShots {
  static final int FRAMES = 1440;
  static final int CAMERAS = 8;
  static final int NULLS = 12;
  static final int KEYS = 8;

  private BenchShots() {}

  /** 8 cameras in 20 nodes, 1,440 frames, every channel with 8 keys; cameras under two nulls. */
  static Shot rigs() {
    Random random = new Random(11);
    List<Node> nodes = new ArrayList<>();
    for (int i = 0; i < NULLS; i++) {
      String carrier = i % 2 == 0 ? "" : "null" + (i - 1);
      nodes.add(new Node.Null(body("null" + i, carrier, moving(random, Chain.pose()))));
    }
    for (int i = 0; i < CAMERAS; i++) {
      String carrier = "null" + (1 + 2 * (i % 6));
      Chain channels = moving(random, Chain.poseAndLens());
      channels =
          channels.with(Path.FOCAL, keyed(random, 35, 10)).with(Path.FOCUS, keyed(random, 6, 2));
      nodes.add(new Node.Camera(body("cam" + i, carrier, channels), Lens.PLAIN));
    }
    return new Shot(header(), nodes);
  }

  /** A camera that goes 110 m ahead and sways, and one imported piece around its way. */
  static Shot throughSplinters(int triangles) {
    Random random = new Random(3);
    Chain camera =
        moving(random, Chain.poseAndLens())
            .with(Path.X, keyed(random, 0, 0.6))
            .with(Path.Y, keyed(random, 0, 0.6))
            .with(
                Path.Z,
                new Curve(
                    0,
                    List.of(
                        new Key(1001, 0, Tangent.Kind.STRAIGHT),
                        new Key(1000 + FRAMES, -110, Tangent.Kind.STRAIGHT))));
    Shape.Imported shape =
        new Shape.Imported("0".repeat(64), new Bounds(-7, -7, -121, 7, 7, 1), triangles);
    return new Shot(
        header(),
        List.of(
            new Node.Camera(body("cam", "", camera), Lens.PLAIN),
            new Node.Piece(body("splinters", "", Chain.pose()), shape, Finish.matt("#808080"))));
  }

  /** A null on a rail, two more on it, and on these a camera with two moves that is aimed. */
  static Shot railRig() {
    Random random = new Random(17);
    List<Anchor> anchors = new ArrayList<>();
    for (int i = 0; i < 12; i++) {
      anchors.add(
          Anchor.smooth(
              "a" + i, 4 * i + random.nextDouble(), random.nextDouble(), 5 * random.nextDouble()));
    }
    Ride ride =
        new Ride(
                Ride.on("ride-a", "rail").body(),
                "rail",
                Ride.Turn.LEVEL,
                Ride.Banking.NONE,
                0,
                List.of())
            .withPace(
                new Curve(
                    0,
                    List.of(
                        new Key(1001, 0, Tangent.Kind.SETTLE),
                        new Key(1000 + FRAMES, 100, Tangent.Kind.SETTLE))));
    List<Part> riding = new ArrayList<>(moving(random, Chain.pose()).parts());
    riding.add(1, ride);
    List<Part> camera = new ArrayList<>(moving(random, Chain.poseAndLens()).parts());
    camera.addAll(
        1,
        List.of(
            Move.of("move-a", Move.Way.PAN, 40, 1100, 1500),
            Move.of("move-b", Move.Way.PEDESTAL, 2, 1300, 2000)));
    camera.add(camera.size() - 1, Aim.at("aim-a", new Target.Place(20, 1, 30)));
    return new Shot(
        header(),
        List.of(
            new Node.Rail(body("rail", "", Chain.pose()), new Rail(anchors, false)),
            new Node.Null(body("rider", "rail", new Chain(riding))),
            new Node.Null(body("arm", "rider", moving(random, Chain.pose()))),
            new Node.Null(body("head", "arm", moving(random, Chain.pose()))),
            new Node.Camera(body("cam", "head", new Chain(camera)), Lens.PLAIN)));
  }

  /** The rig on a rail with three layers of shake of four octaves and a spring on its camera. */
  static Shot fullChain() {
    Shot shot = railRig();
    Node camera = shot.node("cam");
    List<Part> parts = new ArrayList<>(camera.chain().parts());
    for (int layer = 0; layer < LAYERS; layer++) {
      parts.add(parts.size() - 1, shake(layer));
    }
    parts.add(parts.size() - 1, Smooth.of("smooth-a", new SmoothWay.Spring(SPRING, 1)));
    return shot.withNode(camera.withChain(new Chain(parts)));
  }

  static final int LAYERS = 3;
  static final int OCTAVES = 4;
  static final double ROUGHNESS = 0.5;
  static final double SPRING = 0.8;

  /** How far the channel of a layer goes, in centimetres or degrees. */
  static double amplitude(int layer, int channel) {
    return channel < 3 ? 2 + layer : 0.5 + 0.1 * channel;
  }

  /** How often a second. */
  static double hz(int layer, int channel) {
    return 0.4 + 0.7 * layer + 0.1 * channel;
  }

  private static Shake shake(int layer) {
    Shake plain =
        Shake.of("shake-" + layer, new ShakeWay.Handheld(OCTAVES, ROUGHNESS), layer + 1, 1001);
    Curves curves = plain.curves();
    for (int c = 0; c < Shake.POSE_CHANNELS; c++) {
      curves =
          curves
              .with(Shake.AMPLITUDES.get(c), Curve.still(amplitude(layer, c)))
              .with(Shake.FREQUENCIES.get(c), Curve.still(hz(layer, c)));
    }
    return plain.withBody(plain.body().withCurves(curves));
  }

  private static ShotHeader header() {
    return new ShotHeader(
        "Bench",
        FrameRate.of(24),
        new FrameRange(1001, 1000 + FRAMES),
        0,
        16.0 / 9,
        1,
        Tangent.Kind.SETTLE);
  }

  private static NodeBody body(String id, String carrier, Chain channels) {
    return new NodeBody(id, id, false, new Carriage(carrier, RigidPose.IDENTITY), channels);
  }

  private static Chain moving(Random random, Chain channels) {
    Map<Path, Curve> curves = new LinkedHashMap<>();
    for (Path channel : Path.POSE) {
      curves.put(channel, keyed(random, 0, Path.POSE.indexOf(channel) >= 3 ? 40 : 3));
    }
    return channels.with(curves);
  }

  /** Settle keys, with a free one in between so that the solver has work to do. */
  private static Curve keyed(Random random, double middle, double spread) {
    List<Key> keys = new ArrayList<>();
    double step = FRAMES / (KEYS - 1.0);
    for (int i = 0; i < KEYS; i++) {
      Tangent tangent =
          i % 2 == 0
              ? Tangent.Kind.SETTLE
              : new Tangent.Free(
                  new Tangent.Handle(step * 0.5, 0), new Tangent.Handle(step * 0.2, 0), true, true);
      double value = middle + spread * (random.nextDouble() * 2 - 1);
      keys.add(new Key(1001 + Math.rint(i * step), value, tangent));
    }
    return new Curve(middle, keys);
  }
}

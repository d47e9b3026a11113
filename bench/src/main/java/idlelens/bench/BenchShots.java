package idlelens.bench;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.geometry.RigidPose;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.Lens;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
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
    ShotHeader header =
        new ShotHeader(
            "Bench",
            FrameRate.of(24),
            new FrameRange(1001, 1000 + FRAMES),
            0,
            16.0 / 9,
            1,
            Tangent.Kind.SETTLE);
    return new Shot(header, nodes);
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

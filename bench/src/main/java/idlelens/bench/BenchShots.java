package idlelens.bench;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.LensBody;
import idlelens.core.scene.Carriage;
import idlelens.core.scene.Channel;
import idlelens.core.scene.Channels;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import java.util.ArrayList;
import java.util.EnumMap;
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
      nodes.add(new Node.Null(body("null" + i, carrier, moving(random, Channels.pose()))));
    }
    for (int i = 0; i < CAMERAS; i++) {
      String carrier = "null" + (1 + 2 * (i % 6));
      Channels channels = moving(random, Channels.poseAndLens());
      channels =
          channels
              .with(Channel.FOCAL, keyed(random, 35, 10))
              .with(Channel.FOCUS, keyed(random, 6, 2));
      nodes.add(new Node.Camera(body("cam" + i, carrier, channels), LensBody.PLAIN));
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

  private static NodeBody body(String id, String carrier, Channels channels) {
    return new NodeBody(id, id, false, new Carriage(carrier, RigidPose.IDENTITY), channels);
  }

  private static Channels moving(Random random, Channels channels) {
    Map<Channel, Curve> curves = new EnumMap<>(Channel.class);
    for (Channel channel : Channel.POSE) {
      curves.put(channel, keyed(random, 0, channel.isTurn() ? 40 : 3));
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

package idlelens.web.browser;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.scene.Carriage;
import idlelens.core.scene.Channel;
import idlelens.core.scene.Channels;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.exchange.json.ShotJson;
import idlelens.web.app.RunningApp;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/** Shots with more in them than an artist would like. */
final class LargeShots {
  private static final int FRAMES = 1440;

  private LargeShots() {}

  /** Nulls, each with whole-pose keys at even steps, and one camera. Gives the id of the shot. */
  static long nulls(RunningApp app, int nodes, int keys) {
    List<Node> all = new ArrayList<>();
    for (int n = 0; n < nodes; n++) {
      Map<Channel, Curve> curves = new EnumMap<>(Channel.class);
      for (Channel channel : Channel.POSE) {
        List<Key> list = new ArrayList<>();
        for (int k = 0; k < keys; k++) {
          double value = Math.sin(n + k * 0.7 + channel.ordinal());
          list.add(new Key(1001 + k * (FRAMES / keys), value, Tangent.Kind.SETTLE));
        }
        curves.put(channel, new Curve(0, list));
      }
      Channels channels = Channels.pose().with(curves);
      all.add(new Node.Null(new NodeBody("n" + n, "Null " + n, false, Carriage.WORLD, channels)));
    }
    ShotHeader header =
        new ShotHeader(
            "Many keys",
            FrameRate.of(24),
            new FrameRange(1001, 1000 + FRAMES),
            0,
            1.5,
            1,
            Tangent.Kind.SETTLE);
    byte[] file = ShotJson.file(new ShotJson.Parcel(new Shot(header, all), Map.of()));
    String path = "/api/productions/" + app.demoProduction() + "/imports";
    RunningApp.Answer answer = app.upload(path, Map.of("many.json", file), Map.of());
    return answer.json().get("shotId").longValue();
  }
}

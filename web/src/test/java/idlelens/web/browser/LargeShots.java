package idlelens.web.browser;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
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
import idlelens.exchange.json.ShotJson;
import idlelens.web.app.RunningApp;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Shots with more in them than an artist would like. */
final class LargeShots {
  private static final int FRAMES = 1440;

  private LargeShots() {}

  /** Nulls, each with whole-pose keys at even steps. Gives the id of the shot. */
  static long nulls(RunningApp app, int nodes, int keys) {
    return shot(app, 0, nodes, keys);
  }

  /** Cameras and nulls, all with whole-pose keys at even steps. Gives the id of the shot. */
  static long shot(RunningApp app, int cameras, int nulls, int keys) {
    List<Node> all = new ArrayList<>();
    for (int n = 0; n < nulls; n++) {
      Chain channels = Chain.pose().with(moving(n, keys));
      all.add(new Node.Null(body("n" + n, "Null " + n, channels)));
    }
    for (int n = 0; n < cameras; n++) {
      Chain channels = Chain.poseAndLens().with(moving(n, keys));
      all.add(new Node.Camera(body("c" + n, "Cam " + n, channels), Lens.PLAIN));
    }
    return add(app, all);
  }

  private static NodeBody body(String id, String name, Chain channels) {
    return new NodeBody(id, name, false, Carriage.WORLD, channels);
  }

  private static Map<Path, Curve> moving(int seed, int keys) {
    Map<Path, Curve> curves = new LinkedHashMap<>();
    for (Path channel : Path.POSE) {
      List<Key> list = new ArrayList<>();
      for (int k = 0; k < keys; k++) {
        double value = Math.sin(seed + k * 0.7 + Path.POSE.indexOf(channel));
        list.add(new Key(1001 + k * (FRAMES / keys), value, Tangent.Kind.SETTLE));
      }
      curves.put(channel, new Curve(0, list));
    }
    return curves;
  }

  private static long add(RunningApp app, List<Node> all) {
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

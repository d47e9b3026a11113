package idlelens.web.demo;

import idlelens.core.motion.Evaluation;
import idlelens.core.motion.OffsetRecorder;
import idlelens.core.part.Chain;
import idlelens.core.part.Feels;
import idlelens.core.part.Part;
import idlelens.core.part.Shake;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.TakesKeys;
import idlelens.core.shake.Recording;
import idlelens.core.time.SampleGrid;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Recordings as a tracker would bring them, made by our own generators: ten seconds at 60/s. */
final class DemoRecordings {
  private static final int SECONDS = 10;
  private static final double STEPS = 2.5; // of a frame at 24
  private static final int IN = 1;

  private DemoRecordings() {}

  /** By name. */
  static Map<String, Recording> all() {
    Map<String, Recording> all = new LinkedHashMap<>();
    all.put("Standing on planks", of("Standing", 31));
    all.put("Steps on planks", of("Walking", 32));
    all.put("Cart on cobbles", of("On a rough road", 33));
    return all;
  }

  private static Recording of(String feel, long seed) {
    Chain chain = Chain.poseAndLens();
    List<Part> parts = new ArrayList<>(chain.parts());
    for (Feels.Feel each : Feels.ALL) {
      if (each.name().equals(feel)) {
        for (Shake layer : each.layers()) {
          parts.add(parts.size() - 1, new Shake(layer.body(), layer.way(), seed, false, IN));
        }
      }
    }
    NodeBody body = new NodeBody("cam", "cam", false, new Chain(parts), TakesKeys.ALL);
    Shot shot = DemoShots.shot("Tracker", IN, 24 * SECONDS, List.of(new Node.Camera(body)));
    int count = 60 * SECONDS;
    Evaluation motion = Evaluation.of(shot, new SampleGrid(IN, count, STEPS), null);
    OffsetRecorder recorder = new OffsetRecorder();
    for (int i = 0; i < count; i++) {
      recorder.add(motion.pose("cam", i), 0, 0);
    }
    return recorder.done(60);
  }
}

package idlelens.core.edit;

import idlelens.core.curve.Baking;
import idlelens.core.curve.Curve;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameSpan;
import java.util.ArrayList;
import java.util.List;

/**
 * Writes keyed channels out as keys at even steps over a range, smooth through each. Outside the
 * range the curves stay as they are.
 *
 * @param from first frame
 * @param to last frame, which always gets a key
 * @param step frames from key to key, 1 or more
 */
public record BakeKeys(String id, List<Path> paths, double from, double to, int step)
    implements Edit {
  public BakeKeys {
    paths = List.copyOf(paths);
    Require.within(from, -1e7, 1e7, "from");
    Require.within(to, from, from + Curve.MOST_KEYS - 1, "to");
    Require.within(step, 1, 1000, "step");
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    List<Path> keyed = paths.stream().filter(c -> node.chain().curve(c).isKeyed()).toList();
    if (keyed.isEmpty()) {
      throw new RefusedException("channels", "without keys", "channels that have keys");
    }
    return shot.withNode(
        node.withChain(node.chain().map(keyed, curve -> baked(curve, shot.header().seen()))));
  }

  private Curve baked(Curve curve, FrameSpan seen) {
    List<Double> frames = new ArrayList<>();
    for (double frame = from; frame < to; frame += step) {
      frames.add(frame);
    }
    frames.add(to);
    return Baking.of(curve, frames, seen);
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).changes(id, paths).done();
  }

  @Override
  public String summary() {
    return "Bake " + (step == 1 ? "to a key a frame" : "to a key every " + step + " frames");
  }
}

package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.CurvePlayer;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.List;

/**
 * Writes keyed channels out as keys at even steps over a range, smooth through each. Keys outside
 * the range stay.
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
    return shot.withNode(node.withChain(node.chain().map(keyed, this::baked)));
  }

  private Curve baked(Curve curve) {
    List<Key> keys = new ArrayList<>();
    curve.keys().stream().filter(k -> k.frame() < from && !k.isAt(from)).forEach(keys::add);
    CurvePlayer player = curve.player();
    for (double frame = from; frame < to; frame += step) {
      keys.add(new Key(frame, player.at(frame), Tangent.Kind.FLOW));
    }
    keys.add(new Key(to, player.at(to), Tangent.Kind.FLOW));
    curve.keys().stream().filter(k -> k.frame() > to && !k.isAt(to)).forEach(keys::add);
    return curve.withKeys(keys);
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

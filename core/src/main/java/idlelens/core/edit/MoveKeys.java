package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Channel;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;

/**
 * Moves keys in time.
 *
 * @param frames the frames of the keys
 * @param channels on these channels
 * @param by frames later; negative is earlier
 * @param landing what happens to keys that are already where others arrive
 */
public record MoveKeys(
    String id, List<Double> frames, List<Channel> channels, double by, Landing landing)
    implements Edit {

  /** What happens to a key on which another lands. */
  public enum Landing {
    /** The move is refused. */
    REFUSE,
    /** The moved key takes its place. */
    MERGE
  }

  public MoveKeys {
    frames = List.copyOf(frames);
    channels = List.copyOf(channels);
    Require.within(by, -1e6, 1e6, "by");
    Require.present(landing, "landing");
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    return shot.withNode(
        node.withChannels(node.channels().map(channels, c -> moved(node.name(), c))));
  }

  private Curve moved(String name, Curve curve) {
    List<Key> staying = new ArrayList<>();
    List<Key> going = new ArrayList<>();
    for (Key key : curve.keys()) {
      boolean chosen = frames.stream().anyMatch(f -> Math.abs(f - key.frame()) < 1e-6);
      (chosen ? going : staying).add(chosen ? key.withFrame(key.frame() + by) : key);
    }
    for (Key key : going) {
      if (staying.removeIf(k -> Math.abs(k.frame() - key.frame()) < 1e-6)
          && landing == Landing.REFUSE) {
        throw new RefusedException(
            name + ".keys", "two at frame " + key.frame(), "one key at a frame");
      }
    }
    staying.addAll(going);
    staying.sort(Comparator.comparingDouble(Key::frame));
    return curve.withKeys(staying);
  }

  @Override
  public Set<String> touches() {
    return Keyed.touches(id, channels);
  }

  @Override
  public String summary() {
    return frames.size() == 1 ? "Move a key in time" : "Move " + frames.size() + " keys in time";
  }
}

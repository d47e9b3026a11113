package idlelens.core.edit;

import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.rule.Require;
import idlelens.core.scene.Channel;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.List;
import java.util.Set;

/** Sets how curves pass through keys. */
public record SetTangents(String id, List<Double> frames, List<Channel> channels, Tangent tangent)
    implements Edit {
  public SetTangents {
    frames = List.copyOf(frames);
    channels = List.copyOf(channels);
    Require.present(tangent, "tangent");
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    return shot.withNode(
        node.withChannels(
            node.channels()
                .map(channels, c -> c.withKeys(c.keys().stream().map(this::changed).toList()))));
  }

  private Key changed(Key key) {
    return frames.stream().anyMatch(f -> Math.abs(f - key.frame()) < 1e-6)
        ? key.withTangent(tangent)
        : key;
  }

  @Override
  public Set<String> touches() {
    return Keyed.touches(id, channels);
  }

  @Override
  public String summary() {
    return "Set tangents";
  }
}

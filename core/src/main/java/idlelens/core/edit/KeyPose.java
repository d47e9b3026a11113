package idlelens.core.edit;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Channel;
import idlelens.core.scene.Channels;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Keys channels at a frame with the values they have there; those that the node's filter leaves out
 * are passed over.
 *
 * @param channels the channels; the six of the pose make a whole-pose key
 */
public record KeyPose(String id, double frame, List<Channel> channels) implements Edit {
  public KeyPose {
    Require.finite(frame, "frame");
    channels = List.copyOf(channels);
    if (channels.isEmpty()) {
      throw new RefusedException("channels", "empty", "at least one channel");
    }
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    Channels now = node.channels();
    Map<Channel, Double> values = new EnumMap<>(Channel.class);
    channels.stream()
        .filter(node.filter()::passes)
        .forEach(c -> values.put(c, now.get(c).at(frame)));
    if (values.isEmpty()) {
      throw new RefusedException(
          node.name() + ".channels", "all left out or locked", "a channel that takes keys");
    }
    return Keyed.write(shot, id, frame, values, Keying.TOUCHED);
  }

  @Override
  public Set<String> touches() {
    return Keyed.touches(id, channels);
  }

  @Override
  public String summary() {
    return channels.containsAll(Channel.POSE)
        ? "Key the pose"
        : "Key " + channels.size() + " channels";
  }
}

package idlelens.core.edit;

import idlelens.core.curve.Beyond;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Channel;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Sets what curves do before their first key, after their last, or both. */
public record SetBeyond(
    String id, List<Channel> channels, Optional<Beyond> before, Optional<Beyond> after)
    implements Edit {
  public SetBeyond {
    channels = List.copyOf(channels);
    if (before.isEmpty() && after.isEmpty()) {
      throw new RefusedException("before", "missing", "before, after, or both");
    }
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    return shot.withNode(
        node.withChannels(
            node.channels()
                .map(
                    channels,
                    c -> c.withBeyond(before.orElse(c.before()), after.orElse(c.after())))));
  }

  @Override
  public Set<String> touches() {
    return Keyed.touches(id, channels);
  }

  @Override
  public String summary() {
    return "Set what curves do outside their keys";
  }
}

package idlelens.core.edit;

import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Channel;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.List;
import java.util.Set;

/** Removes the keys of channels at frames. A channel left without keys keeps the last value. */
public record RemoveKeys(String id, List<Double> frames, List<Channel> channels) implements Edit {
  public RemoveKeys {
    frames = List.copyOf(frames);
    channels = List.copyOf(channels);
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    double[] which = frames.stream().mapToDouble(Double::doubleValue).toArray();
    boolean any =
        channels.stream()
            .anyMatch(c -> frames.stream().anyMatch(f -> node.channels().get(c).indexOf(f) >= 0));
    if (!any) {
      throw new RefusedException(
          "frames", frames, "frames at which " + node.name() + " has a key on these channels");
    }
    return shot.withNode(
        node.withChannels(node.channels().map(channels, c -> c.withoutKeys(which))));
  }

  @Override
  public Set<String> touches() {
    return Keyed.touches(id, channels);
  }

  @Override
  public String summary() {
    return frames.size() == 1 ? "Remove a key" : "Remove " + frames.size() + " keys";
  }
}

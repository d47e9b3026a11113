package idlelens.core.edit;

import idlelens.core.curve.KeyReduction;
import idlelens.core.rule.Require;
import idlelens.core.scene.Channel;
import idlelens.core.scene.Channels;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.List;
import java.util.Set;

/**
 * Takes keys away as long as every channel stays within its tolerance.
 *
 * @param placeM tolerance of x, y and z in metres
 * @param turn tolerance of pan, tilt and roll in degrees
 * @param lens tolerance of focal length (mm), f-stop and focus distance (m)
 */
public record ReduceKeys(String id, List<Channel> channels, double placeM, double turn, double lens)
    implements Edit {
  public ReduceKeys {
    channels = List.copyOf(channels);
    Require.within(placeM, 1e-9, 100, "placeM");
    Require.within(turn, 1e-9, 360, "turn");
    Require.within(lens, 1e-9, 1000, "lens");
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    Channels channelsNow = node.channels();
    for (Channel channel : channels) {
      channelsNow =
          channelsNow.with(
              channel, KeyReduction.reduce(channelsNow.get(channel), tolerance(channel)));
    }
    return shot.withNode(node.withChannels(channelsNow));
  }

  private double tolerance(Channel channel) {
    if (!channel.isPose()) {
      return lens;
    }
    return channel.isTurn() ? turn : placeM;
  }

  @Override
  public Set<String> touches() {
    return Keyed.touches(id, channels);
  }

  @Override
  public String summary() {
    return "Reduce keys";
  }
}

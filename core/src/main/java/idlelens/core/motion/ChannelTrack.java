package idlelens.core.motion;

import idlelens.core.curve.Curve;
import idlelens.core.scene.Channel;
import idlelens.core.scene.Channels;
import idlelens.core.time.SampleGrid;
import java.util.EnumMap;
import java.util.Map;

/**
 * The values of a node's channels on every sample, in the units of the document. A channel that
 * never changes has one sample that stands for all.
 */
public final class ChannelTrack {
  private final SampleGrid grid;
  private final Map<Channel, Curve> curves;
  private final Map<Channel, double[]> values = new EnumMap<>(Channel.class);

  private ChannelTrack(SampleGrid grid, Channels channels) {
    this.grid = grid;
    this.curves = channels.curves();
  }

  /** Samples all channels, taking over from an earlier track the curves that are the same. */
  static ChannelTrack sample(Channels channels, SampleGrid grid, ChannelTrack earlier) {
    ChannelTrack track = new ChannelTrack(grid, channels);
    boolean sameGrid = earlier != null && earlier.grid.equals(grid);
    channels
        .curves()
        .forEach(
            (channel, curve) ->
                track.values.put(
                    channel,
                    sameGrid && earlier.curves.get(channel) == curve
                        ? earlier.values.get(channel)
                        : sample(channel, curve, grid)));
    return track;
  }

  private static double[] sample(Channel channel, Curve curve, SampleGrid grid) {
    double[] out = new double[curve.isConstant() ? 1 : grid.count()];
    curve.player().fill(grid.first(), 1.0 / grid.stepsPerFrame(), out);
    if (!channel.isPose()) { // a lens stays a lens even where its curve swings out of range
      for (int i = 0; i < out.length; i++) {
        out[i] = channel.clamp(out[i]);
      }
    }
    return out;
  }

  public double value(Channel channel, int sample) {
    double[] all = values.get(channel);
    return all[all.length == 1 ? 0 : sample];
  }

  /** The samples of one channel: one for all, or one for each sample of the grid. */
  public double[] values(Channel channel) {
    return values.get(channel);
  }

  public boolean has(Channel channel) {
    return values.containsKey(channel);
  }

  boolean sharesPose(ChannelTrack other) {
    return grid.equals(other.grid)
        && Channel.POSE.stream().allMatch(c -> values.get(c) == other.values.get(c));
  }

  boolean sharesLens(ChannelTrack other) {
    return grid.equals(other.grid)
        && Channel.LENS.stream().allMatch(c -> values.get(c) == other.values.get(c));
  }

  boolean isStillPose() {
    return Channel.POSE.stream().allMatch(c -> values.get(c).length == 1);
  }

  SampleGrid grid() {
    return grid;
  }
}

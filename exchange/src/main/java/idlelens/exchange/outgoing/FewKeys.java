package idlelens.exchange.outgoing;

import idlelens.exchange.profile.Keeping;
import idlelens.exchange.scenefile.Channel;
import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collection;
import java.util.Deque;

/**
 * Leaves out samples past which going straight stays within a tolerance: the farthest one is kept,
 * and each half looked at again (Douglas and Peucker, Cartographica 10(2), 1973).
 */
final class FewKeys {
  /** A run is split at least this far from its ends, so that halves get shorter: n log n. */
  private static final int LONG_RUN = 64;

  private final Keeping keeping;
  private final OutgoingAxes axes;

  FewKeys(Keeping keeping, OutgoingAxes axes) {
    this.keeping = keeping;
    this.axes = axes;
  }

  /**
   * @param channel of 3 (a place) or 4 (a turn) components, LINEAR
   * @param kept frames that stay, whatever lies between
   */
  Channel of(Channel channel, Collection<Double> kept) {
    if (!keeping.few()) {
      return channel;
    }
    BitSet keep = new BitSet();
    int last = channel.keys() - 1;
    keep.set(0);
    keep.set(last);
    Deque<int[]> open = new ArrayDeque<>();
    open.push(new int[] {0, last});
    while (!open.isEmpty()) {
      int[] run = open.pop();
      int worst = worst(channel, run[0], run[1]);
      if (worst > 0) {
        int margin = run[1] - run[0] > LONG_RUN ? (run[1] - run[0]) / 8 : 1;
        int at = Math.max(run[0] + margin, Math.min(run[1] - margin, worst));
        keep.set(at);
        open.push(new int[] {run[0], at});
        open.push(new int[] {at, run[1]});
      }
    }
    kept.forEach(frame -> keepAround(channel, frame, keep));
    return picked(channel, keep.stream().toArray());
  }

  /** A jump is kept as it is: the key and the sample before it. */
  private static void keepAround(Channel channel, double frame, BitSet keep) {
    int found = Arrays.binarySearch(channel.times(), frame);
    if (found > 0) {
      keep.set(found - 1);
      keep.set(found);
    }
  }

  /** The sample that lies farthest off the straight way, or 0 if all lie near enough. */
  private int worst(Channel channel, int from, int to) {
    int worst = 0;
    double most = 1;
    for (int i = from + 1; i < to; i++) {
      double share =
          (channel.times()[i] - channel.times()[from])
              / (channel.times()[to] - channel.times()[from]);
      double off =
          channel.components() == 4
              ? turnOff(channel, from, to, i, share)
              : placeOff(channel, from, to, i, share);
      if (off > most) {
        most = off;
        worst = i;
      }
    }
    return worst;
  }

  /** As a part of what is let pass. */
  private double placeOff(Channel channel, int from, int to, int i, double share) {
    double sum = 0;
    for (int c = 0; c < 3; c++) {
      double straight =
          channel.value(from, c) + share * (channel.value(to, c) - channel.value(from, c));
      sum += Math.pow(channel.value(i, c) - straight, 2);
    }
    return Math.sqrt(sum) / axes.length(keeping.placeMm() / 1000);
  }

  private double turnOff(Channel channel, int from, int to, int i, double share) {
    Channel ends = picked(channel, new int[] {from, to});
    var between = ends.turnAt(ends.times()[0] + share * (ends.times()[1] - ends.times()[0]));
    var is = channel.turnAt(channel.times()[i]);
    var by = between.conjugate().mul(is);
    double angle = 2 * Math.atan2(Math.hypot(Math.hypot(by.x, by.y), by.z), Math.abs(by.w));
    return Math.toDegrees(angle) / keeping.turnDeg();
  }

  private static Channel picked(Channel channel, int[] keys) {
    int each = channel.components();
    double[] times = new double[keys.length];
    double[] values = new double[keys.length * each];
    for (int i = 0; i < keys.length; i++) {
      times[i] = channel.times()[keys[i]];
      System.arraycopy(channel.values(), keys[i] * each, values, i * each, each);
    }
    return new Channel(times, values, channel.between(), each, channel.path());
  }
}

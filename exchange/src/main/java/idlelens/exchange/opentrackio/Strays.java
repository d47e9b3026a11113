package idlelens.exchange.opentrackio;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.function.ToDoubleBiFunction;

/**
 * Samples that lie far off the way of their neighbours: one digit that is another, in a datagram
 * that has no sum. Each is compared with the straight way between the samples before and behind; it
 * strays where it is much farther off than samples usually are, and farther than both neighbours,
 * whose ways it spoils. After Hampel's identifier: "The influence curve and its role in robust
 * estimation", 1974.
 */
final class Strays {
  /** So many times as far off as half of all samples are. */
  private static final double TIMES = 20;

  private static final double LEAST_M = 0.02;
  private static final double LEAST_DEG = 0.5;

  private Strays() {}

  /** The numbers of those that stray. */
  static List<Long> of(NavigableMap<Long, TrackSample> samples) {
    List<Long> strays = new ArrayList<>();
    List<Map.Entry<Long, TrackSample>> all = List.copyOf(samples.entrySet());
    if (all.size() < 5) {
      return strays;
    }
    double[] place = off(all, (a, b) -> a.place().distance(b.place()));
    double[] turn = off(all, (a, b) -> Math.toDegrees(Turns.angleBetween(a.turn(), b.turn())));
    double mostM = Math.max(LEAST_M, TIMES * median(place));
    double mostDeg = Math.max(LEAST_DEG, TIMES * median(turn));
    for (int i = 0; i < all.size(); i++) {
      if (strays(place, i, mostM) || strays(turn, i, mostDeg)) {
        strays.add(all.get(i).getKey());
      }
    }
    return strays;
  }

  /** How far each is off the way of its neighbours; the first and the last are on it. */
  private static double[] off(
      List<Map.Entry<Long, TrackSample>> all, ToDoubleBiFunction<RigidPose, RigidPose> apart) {
    double[] off = new double[all.size()];
    for (int i = 1; i < off.length - 1; i++) {
      long before = all.get(i - 1).getKey();
      long behind = all.get(i + 1).getKey();
      double share = (double) (all.get(i).getKey() - before) / (behind - before);
      RigidPose from = all.get(i - 1).getValue().pose();
      RigidPose way = from.towards(all.get(i + 1).getValue().pose(), share);
      off[i] = apart.applyAsDouble(way, all.get(i).getValue().pose());
    }
    return off;
  }

  private static double median(double[] values) {
    double[] sorted = values.clone();
    Arrays.sort(sorted);
    return sorted[sorted.length / 2];
  }

  private static boolean strays(double[] off, int i, double most) {
    boolean farthest =
        off[i] >= off[Math.max(0, i - 1)] && off[i] >= off[Math.min(off.length - 1, i + 1)];
    return farthest && off[i] > most;
  }
}

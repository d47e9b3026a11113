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
 * strays where that would take an acceleration of which no hand is capable, much greater than is
 * usual in the take, and greater than both neighbours', whose ways it spoils. After Hampel's
 * identifier: "The influence curve and its role in robust estimation", 1974.
 */
final class Strays {
  /** So many times as much as in the middle one of all samples. */
  private static final double TIMES = 20;

  /** Metres a second and second. */
  private static final double MOST_OF_A_HAND = 150;

  /** Degrees a second and second. */
  private static final double MOST_OF_A_WRIST = 4000;

  private Strays() {}

  /**
   * The numbers of those that stray.
   *
   * @param rateHz samples a second
   */
  static List<Long> of(NavigableMap<Long, TrackSample> samples, double rateHz) {
    List<Long> strays = new ArrayList<>();
    List<Map.Entry<Long, TrackSample>> all = List.copyOf(samples.entrySet());
    if (all.size() < 5) {
      return strays;
    }
    double[] place = off(all, rateHz, (a, b) -> a.place().distance(b.place()));
    double[] turn =
        off(all, rateHz, (a, b) -> Math.toDegrees(Turns.angleBetween(a.turn(), b.turn())));
    double mostPlace = Math.max(MOST_OF_A_HAND, TIMES * median(place));
    double mostTurn = Math.max(MOST_OF_A_WRIST, TIMES * median(turn));
    for (int i = 0; i < all.size(); i++) {
      if (strays(place, i, mostPlace) || strays(turn, i, mostTurn)) {
        strays.add(all.get(i).getKey());
      }
    }
    return strays;
  }

  /**
   * The even acceleration that would take each off the way of its neighbours as far as it is; of
   * the first and the last 0.
   */
  private static double[] off(
      List<Map.Entry<Long, TrackSample>> all,
      double rateHz,
      ToDoubleBiFunction<RigidPose, RigidPose> apart) {
    double[] off = new double[all.size()];
    for (int i = 1; i < off.length - 1; i++) {
      long before = all.get(i - 1).getKey();
      long behind = all.get(i + 1).getKey();
      long number = all.get(i).getKey();
      double share = (double) (number - before) / (behind - before);
      double squareS = (number - before) * (double) (behind - number) / (rateHz * rateHz);
      RigidPose from = all.get(i - 1).getValue().pose();
      RigidPose way = from.towards(all.get(i + 1).getValue().pose(), share);
      off[i] = 2 * apart.applyAsDouble(way, all.get(i).getValue().pose()) / squareS;
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

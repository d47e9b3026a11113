package idlelens.core.take;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import java.util.ArrayList;
import java.util.List;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * What lies between two takes of one motion, where the second is the first later, turned, larger
 * and elsewhere: {@code other(t + offset) = (size R p(t) + shift, R q(t))}.
 *
 * @param offsetFrames how many frames later the other does the same
 * @param turn R
 * @param size how many times as large the other's way is
 * @param shift in metres
 * @param middle of the first one's places, in metres: what is off in turn or size is least there
 * @param placeM what is still off in place, the root of the mean square
 * @param turnRad what is still off in turn
 */
public record Alignment(
    double offsetFrames,
    Quaterniond turn,
    double size,
    Vector3d shift,
    Vector3d middle,
    double placeM,
    double turnRad) {
  /** Offsets are looked for this many frames either way. */
  private static final int FARTHEST = 240;

  /** At least so many frames, and this part of the shorter take, must lie over one another. */
  private static final int LEAST_SHARED = 6;

  private static final double LEAST_PART = 0.4;

  private static final int LOOKED_AT = 240;
  private static final double GOLDEN = (Math.sqrt(5) - 1) / 2;
  private static final double EXACT_FRAMES = 1e-6;

  /** Costs that differ by less are the same. */
  private static final double AS_GOOD = 1e-12;

  /** A way shorter than this is none. */
  private static final double STANDING_M = 1e-6;

  /** Radians of turn weigh as much as this part of the way's length. */
  private static final double TURN_WEIGHT = 0.5;

  /**
   * The best there is.
   *
   * @param one a take, sampled once a frame
   * @param other another, at the same rate
   */
  public static Alignment of(Take one, Take other) {
    Search search = new Search(one, other);
    double best = 0;
    double least = Double.POSITIVE_INFINITY;
    for (int offset = -FARTHEST; offset <= FARTHEST; offset++) {
      double cost = search.cost(offset);
      // the nearest of those that are as good: a motion that stands still tells nothing
      boolean better = cost < least * (1 - 1e-9) - AS_GOOD;
      boolean nearer = cost <= least * (1 + 1e-9) + AS_GOOD && Math.abs(offset) < Math.abs(best);
      if (better || nearer) {
        least = cost;
        best = offset;
      }
    }
    return search.at(search.refined(best));
  }

  /** The same with another offset, turn and size, such that the middle stays where it is. */
  Alignment with(double newOffset, Quaterniond newTurn, double newSize) {
    Vector3d there = turn.transform(new Vector3d(middle)).mul(size).add(shift);
    Vector3d newShift = there.sub(newTurn.transform(new Vector3d(middle)).mul(newSize));
    return new Alignment(newOffset, newTurn, newSize, newShift, middle, placeM, turnRad);
  }

  /**
   * What the other does, as it would be on the first one's side: sample for sample, with focus in
   * the first one's size.
   *
   * @param other with a focal length and a focus
   */
  public Take undone(Take other) {
    return Take.of(
        other.rateHz(),
        other.length(),
        i -> {
          double at = i / other.rateHz();
          return new Take.Sample(
              undone(other.pose(at)),
              other.lens(Take.FOCAL, at).orElseThrow(),
              other.lens(Take.FOCUS, at).orElseThrow() / size);
        });
  }

  /** The other pose as it would be on the first one's side. */
  public RigidPose undone(RigidPose other) {
    Quaterniond back = new Quaterniond(turn).conjugate();
    Vector3d place = other.place().sub(shift).rotate(back).div(size);
    return RigidPose.of(place, new Quaterniond(back).mul(other.turn()).normalize());
  }

  /** One take held against another at an offset. */
  private static final class Search {
    private final Take one;
    private final Take other;
    private final double rate;

    Search(Take one, Take other) {
      this.one = one;
      this.other = other;
      this.rate = one.rateHz();
    }

    double cost(double offset) {
      List<RigidPose[]> pairs = pairs(offset);
      int least = (int) Math.max(LEAST_SHARED, LEAST_PART * Math.min(one.length(), other.length()));
      if (shared(offset) < Math.min(least, Math.min(one.length(), other.length()))) {
        return Double.POSITIVE_INFINITY;
      }
      return fit(offset, pairs).cost(spread(pairs, 1));
    }

    private double shared(double offset) {
      double from = Math.max(0, -offset);
      double to = Math.min(one.length() - 1.0, other.length() - 1.0 - offset);
      return to - from + 1;
    }

    /** Poses of both at the same moments, some hundreds at most. */
    private List<RigidPose[]> pairs(double offset) {
      int from = (int) Math.ceil(Math.max(0, -offset));
      int to = (int) Math.floor(Math.min(one.length() - 1.0, other.length() - 1.0 - offset));
      int step = Math.max(1, (to - from) / LOOKED_AT);
      List<RigidPose[]> pairs = new ArrayList<>();
      for (int i = from; i <= to; i += step) {
        pairs.add(new RigidPose[] {one.pose(i / rate), other.pose((i + offset) / rate)});
      }
      return pairs;
    }

    Alignment at(double offset) {
      return fit(offset, pairs(offset));
    }

    /** By golden section between the two frames around. */
    double refined(double around) {
      double low = around - 1;
      double high = around + 1;
      while (high - low > EXACT_FRAMES) {
        double a = high - GOLDEN * (high - low);
        double b = low + GOLDEN * (high - low);
        if (cost(a) <= cost(b)) {
          high = b;
        } else {
          low = a;
        }
      }
      double found = (low + high) / 2;
      return cost(around) <= cost(found) * (1 + 1e-6) + AS_GOOD ? around : found;
    }

    private static Vector3d mean(List<RigidPose[]> pairs, int which) {
      Vector3d sum = new Vector3d();
      pairs.forEach(p -> sum.add(p[which].place()));
      return sum.div(Math.max(1, pairs.size()));
    }

    /** The root of the mean square of places from their middle. */
    private static double spread(List<RigidPose[]> pairs, int which) {
      Vector3d mean = mean(pairs, which);
      double sum = pairs.stream().mapToDouble(p -> p[which].place().distanceSquared(mean)).sum();
      return Math.sqrt(sum / Math.max(1, pairs.size()));
    }

    private Alignment fit(double offset, List<RigidPose[]> pairs) {
      if (pairs.isEmpty()) {
        return new Alignment(
            offset,
            new Quaterniond(),
            1,
            new Vector3d(),
            new Vector3d(),
            Double.POSITIVE_INFINITY,
            Math.PI);
      }
      Quaterniond turn = meanTurn(pairs);
      Vector3d mine = mean(pairs, 0);
      Vector3d theirs = mean(pairs, 1);
      double own = spread(pairs, 0);
      double way = spread(pairs, 1);
      double size =
          own > STANDING_M && way > STANDING_M
              ? way / own
              : mine.length() > STANDING_M && theirs.length() > STANDING_M
                  ? theirs.length() / mine.length()
                  : 1;
      Vector3d shift = new Vector3d(theirs).sub(turn.transform(new Vector3d(mine)).mul(size));
      double place = 0;
      double angle = 0;
      for (RigidPose[] pair : pairs) {
        Vector3d to = turn.transform(pair[0].place()).mul(size).add(shift);
        place += to.distanceSquared(pair[1].place());
        Quaterniond turned = new Quaterniond(turn).mul(pair[0].turn());
        angle += Math.pow(Turns.angleBetween(turned, pair[1].turn()), 2);
      }
      int n = pairs.size();
      return new Alignment(
          offset, turn, size, shift, mine, Math.sqrt(place / n), Math.sqrt(angle / n));
    }

    /** The mean of what turns one into the other (quaternions on one side, added). */
    private static Quaterniond meanTurn(List<RigidPose[]> pairs) {
      Quaterniond sum = new Quaterniond(0, 0, 0, 0);
      for (RigidPose[] pair : pairs) {
        Quaterniond by = new Quaterniond(pair[1].turn()).mul(pair[0].turn().conjugate());
        double sign = by.dot(sum) < 0 ? -1 : 1;
        sum.set(sum.x + sign * by.x, sum.y + sign * by.y, sum.z + sign * by.z, sum.w + sign * by.w);
      }
      return sum.lengthSquared() > 0 ? sum.normalize() : new Quaterniond();
    }
  }

  /**
   * @param way how far the other goes about its middle
   */
  private double cost(double way) {
    double place = way > STANDING_M ? placeM / way : 0;
    return place * place + TURN_WEIGHT * turnRad * turnRad;
  }
}

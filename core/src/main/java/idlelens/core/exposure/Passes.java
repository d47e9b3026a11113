package idlelens.core.exposure;

import idlelens.core.lens.Iris;
import idlelens.core.rule.Require;
import java.util.Arrays;
import java.util.Comparator;

/**
 * Points of an iris, each with a moment of the open shutter, such that any number of the first ones
 * is spread evenly over both.
 *
 * @param across where each point lies to the right, in parts of the radius of the iris
 * @param up where it lies upwards
 * @param shares the part of the open time that has passed, from 0 to 1
 */
public record Passes(double[] across, double[] up, double[] shares) {
  /** The most passes of one exposure. */
  public static final int MOST = 1024;

  private static final double GOLDEN_ANGLE_RAD = Math.PI * (3 - Math.sqrt(5));

  /** The real root of {@code x^4 = x + 1}: with its powers, three numbers go on evenly together. */
  private static final double ROOT = 1.2207440846057595;

  private static final int BISECTIONS = 60;

  /**
   * The points lie on a spiral of equal areas: the i-th of n at the radius {@code sqrt((i + 1/2) /
   * n)}, each a golden angle farther (Vogel, Mathematical Biosciences 44, 1979), its directions
   * turned so that the area of the shape is covered as that of a circle would be. The k-th pass
   * takes the free point that is nearest to where multiples of k of powers of 1 over the root of
   * {@code x^4 = x + 1} lead, without their whole parts (an additive recurrence, after Kronecker);
   * its moment is the third of them, put into as many even steps as there are passes. So the first
   * ones cover iris and time coarsely, and all of them evenly.
   *
   * @param count 1 to 1024
   * @param iris the shape
   * @param turnRad by how much that is turned anticlockwise
   * @param squeeze how many times taller than wide its picture is
   */
  public static Passes of(int count, Iris iris, double turnRad, double squeeze) {
    Require.within(count, 1, MOST, "passes");
    Passes passes = new Passes(new double[count], new double[count], moments(count));
    int[] order = order(count);
    for (int k = 0; k < count; k++) {
      double angle = spread(iris, order[k] * GOLDEN_ANGLE_RAD);
      double radius = radius(order[k], count) * iris.reach(angle);
      passes.across[k] = radius * Math.cos(angle + turnRad) / squeeze;
      passes.up[k] = radius * Math.sin(angle + turnRad);
    }
    return passes;
  }

  private static double radius(int point, int count) {
    return Math.sqrt((point + 0.5) / count);
  }

  /** Which point of the spiral each pass takes. */
  private static int[] order(int count) {
    double[] x = new double[count];
    double[] y = new double[count];
    for (int i = 0; i < count; i++) {
      x[i] = radius(i, count) * Math.cos(i * GOLDEN_ANGLE_RAD);
      y[i] = radius(i, count) * Math.sin(i * GOLDEN_ANGLE_RAD);
    }
    boolean[] taken = new boolean[count];
    int[] order = new int[count];
    for (int k = 0; k < count; k++) {
      double angle = 2 * Math.PI * part(k, 1 / ROOT);
      double radius = Math.sqrt(part(k, 1 / (ROOT * ROOT)));
      double atX = radius * Math.cos(angle);
      double atY = radius * Math.sin(angle);
      int nearest = -1;
      double least = Double.POSITIVE_INFINITY;
      for (int i = 0; i < count; i++) {
        double away = Math.hypot(x[i] - atX, y[i] - atY);
        if (!taken[i] && away < least) {
          nearest = i;
          least = away;
        }
      }
      taken[nearest] = true;
      order[k] = nearest;
    }
    return order;
  }

  /** The k-th of the recurrence, from 0 to 1. */
  private static double part(int k, double by) {
    return 0.5 + k * by - Math.floor(0.5 + k * by);
  }

  public int count() {
    return shares.length;
  }

  /** The middles of as many even steps, in the order of the recurrence. */
  private static double[] moments(int count) {
    Integer[] order = new Integer[count];
    Arrays.setAll(order, k -> k);
    Arrays.sort(order, Comparator.comparingDouble(k -> part(k, 1 / (ROOT * ROOT * ROOT))));
    double[] moments = new double[count];
    for (int rank = 0; rank < count; rank++) {
      moments[order[rank]] = (rank + 0.5) / count;
    }
    return moments;
  }

  /**
   * The angle before which as large a part of the iris lies as of a circle before the angle given:
   * within its sector, by bisection.
   */
  private static double spread(Iris iris, double angleRad) {
    if (iris.blades() == 0) {
      return angleRad;
    }
    double sector = 2 * Math.PI / iris.blades();
    double first = sector * Math.floor(angleRad / sector);
    double wanted = iris.areaTo(sector) * (angleRad - first) / sector;
    double low = 0;
    double high = sector;
    for (int i = 0; i < BISECTIONS; i++) {
      double middle = (low + high) / 2;
      if (iris.areaTo(middle) < wanted) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return first + low;
  }
}

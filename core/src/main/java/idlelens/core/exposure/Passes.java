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

  /** The real root of {@code x^4 = x + 1}: with its powers, three numbers go on evenly together. */
  private static final double ROOT = 1.2207440846057595;

  private static final int BISECTIONS = 60;

  /**
   * Direction, area within the radius and moment of the k-th pass are multiples of k of the powers
   * of 1 over the root of {@code x^4 = x + 1}, without their whole parts (an additive recurrence,
   * after Kronecker), each put into as many even steps as there are passes. So the first ones cover
   * iris and time coarsely, and all of them evenly. A direction is turned so that the area of the
   * shape is covered as that of a circle would be.
   *
   * @param count 1 to 1024
   * @param iris the shape
   * @param turnRad by how much that is turned anticlockwise
   * @param squeeze how many times taller than wide its picture is
   */
  public static Passes of(int count, Iris iris, double turnRad, double squeeze) {
    Require.within(count, 1, MOST, "passes");
    Passes passes = new Passes(new double[count], new double[count], new double[count]);
    double[] directions = steps(count, 1 / ROOT);
    double[] areas = steps(count, 1 / (ROOT * ROOT));
    double[] moments = steps(count, 1 / (ROOT * ROOT * ROOT));
    for (int k = 0; k < count; k++) {
      double angle = spread(iris, 2 * Math.PI * directions[k]);
      double radius = Math.sqrt(areas[k]) * iris.reach(angle);
      passes.across[k] = radius * Math.cos(angle + turnRad) / squeeze;
      passes.up[k] = radius * Math.sin(angle + turnRad);
      passes.shares[k] = moments[k];
    }
    return passes;
  }

  public int count() {
    return shares.length;
  }

  /** The recurrence from a half on, its values moved to the middles of as many even steps. */
  private static double[] steps(int count, double by) {
    double[] values = new double[count];
    Integer[] order = new Integer[count];
    for (int k = 0; k < count; k++) {
      values[k] = 0.5 + k * by - Math.floor(0.5 + k * by);
      order[k] = k;
    }
    Arrays.sort(order, Comparator.comparingDouble(k -> values[k]));
    for (int rank = 0; rank < count; rank++) {
      values[order[rank]] = (rank + 0.5) / count;
    }
    return values;
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

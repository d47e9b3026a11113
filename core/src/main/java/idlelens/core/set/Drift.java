package idlelens.core.set;

import idlelens.core.rule.Require;
import idlelens.core.seed.Shares;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;

/**
 * Mist that drifts: puffs strewn by a seed over a box around their node, each of which comes in
 * again on the other side when it leaves the box.
 *
 * @param count puffs, 1 to 5000
 * @param seed what strews them
 * @param width of the box along x, in metres
 * @param height along y
 * @param depth along z
 * @param puff radius of a puff, in metres
 * @param x metres a second along x
 * @param y metres a second along y
 * @param z metres a second along z
 * @param colour sRGB as {@code #rrggbb}
 * @param density how much a puff hides in its middle, 0 to 1
 * @param loops whether its speed is rounded so that the loop of the shot closes
 */
public record Drift(
    int count,
    long seed,
    double width,
    double height,
    double depth,
    double puff,
    double x,
    double y,
    double z,
    String colour,
    double density,
    boolean loops) {
  /** The most puffs. */
  public static final int MOST = 5000;

  private static final double LARGEST_M = 1000;
  private static final double FASTEST = 100;
  private static final int MOST_IN_A_ROW = 60;

  public Drift {
    Require.within(count, 1, MOST, "mist.count");
    Require.within(width, 0.1, LARGEST_M, "mist.width");
    Require.within(height, 0.1, LARGEST_M, "mist.height");
    Require.within(depth, 0.1, LARGEST_M, "mist.depth");
    Require.within(puff, 0.01, 100, "mist.puff");
    Require.within(x, -FASTEST, FASTEST, "mist.x");
    Require.within(y, -FASTEST, FASTEST, "mist.y");
    Require.within(z, -FASTEST, FASTEST, "mist.z");
    Require.within(density, 0, 1, "mist.density");
    Require.colour(colour, "mist.colour", "#dfe6ea");
  }

  /** Its box, in metres along x, y and z. */
  public double[] box() {
    return new double[] {width, height, depth};
  }

  /**
   * Where the puffs are at the first frame, three numbers each, from the middle of the box. Where
   * it loops they stand in rows along the drift, so that at the end of a round each is where the
   * next one of its row was; full rows are made, at least one.
   *
   * @return metres
   */
  public float[] places(FrameRate rate, FrameRange range) {
    double[] box = box();
    int row = loops ? inARow(seconds(rate, range)) : 1;
    double[] step = step(seconds(rate, range), row);
    int rows = Math.max(1, (int) Math.rint((double) count / row));
    float[] out = new float[3 * rows * row];
    for (int i = 0; i < rows * row; i++) {
      for (int axis = 0; axis < 3; axis++) {
        double first = Shares.at(seed, 3L * (i / row) + axis);
        double share = first + (i % row) * step[axis] / box[axis];
        out[3 * i + axis] = (float) ((share - Math.floor(share) - 0.5) * box[axis]);
      }
    }
    return out;
  }

  /**
   * Its speed along x, y and z in metres a second: as asked for, or, where it loops, the nearest at
   * which each puff of a row comes to the place of the next one in a round of the shot.
   */
  public double[] velocity(FrameRate rate, FrameRange range) {
    if (!loops) {
      return new double[] {x, y, z};
    }
    double seconds = seconds(rate, range);
    double[] step = step(seconds, inARow(seconds));
    return new double[] {step[0] / seconds, step[1] / seconds, step[2] / seconds};
  }

  private static double seconds(FrameRate rate, FrameRange range) {
    return range.length() / rate.framesPerSecond();
  }

  /** How many puffs stand in a row: as many as the slowest way through the box takes rounds. */
  private int inARow(double seconds) {
    double[] speed = {x, y, z};
    double[] box = box();
    double rounds = 1;
    for (int i = 0; i < 3; i++) {
      if (speed[i] != 0) {
        rounds = Math.max(rounds, box[i] / (Math.abs(speed[i]) * seconds));
      }
    }
    return (int) Math.min(Math.min(count, MOST_IN_A_ROW), Math.rint(rounds));
  }

  /** From a puff of a row to the next: whole parts of the box. */
  private double[] step(double seconds, int row) {
    double[] speed = {x, y, z};
    double[] box = box();
    for (int i = 0; i < 3; i++) {
      speed[i] = Math.rint(speed[i] * seconds * row / box[i]) * box[i] / row;
    }
    return speed;
  }
}

package idlelens.core.set;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
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
    if (colour == null || !colour.matches("#[0-9a-fA-F]{6}")) {
      throw new RefusedException("mist.colour", "'" + colour + "'", "#rrggbb, such as #dfe6ea");
    }
  }

  /** Its box, in metres along x, y and z. */
  public double[] box() {
    return new double[] {width, height, depth};
  }

  /**
   * Where the puffs are at the first frame, three numbers each, from the middle of the box.
   *
   * @return metres
   */
  public float[] places() {
    float[] out = new float[3 * count];
    double[] box = box();
    for (int i = 0; i < out.length; i++) {
      out[i] = (float) ((Shares.at(seed, i) - 0.5) * box[i % 3]);
    }
    return out;
  }

  /**
   * Its speed along x, y and z in metres a second: as asked for, or, where it loops, the nearest at
   * which it goes through its box a whole number of times in a round of the shot.
   */
  public double[] velocity(FrameRate rate, FrameRange range) {
    double[] asked = {x, y, z};
    if (!loops) {
      return asked;
    }
    double seconds = range.length() / rate.framesPerSecond();
    double[] box = box();
    for (int i = 0; i < 3; i++) {
      double rounds = Math.rint(asked[i] * seconds / box[i]);
      double least = asked[i] == 0 ? 0 : Math.copySign(1, asked[i]);
      asked[i] = (rounds == 0 ? least : rounds) * box[i] / seconds;
    }
    return asked;
  }
}

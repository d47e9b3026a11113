package idlelens.core.smooth;

import idlelens.core.rule.Require;

/**
 * A critically damped spring of second order: {@code y'' = w^2 (x - y) - 2 w y'}, solved exactly
 * over each frame in which x stands still; on turns the same along the way to the turn. It does not
 * overshoot what stands still, and its speed never jumps.
 *
 * @param lag frames that it lags behind what moves evenly: {@code 2 / w - 1 / 2}; 0.6 or more
 */
public record Critical(double lag) implements Filter {
  /** Shorter than this it would not be of second order. */
  public static final double LEAST = 0.6;

  public Critical {
    Require.within(lag, LEAST, 1e4, "lag");
  }

  private double w() {
    return 2 / (lag + HALF);
  }

  /** As x stands still over a frame, it is on average half a frame nearer. */
  private static final double HALF = 0.5;

  @Override
  public double[] numbers(double[] values) {
    double w = w();
    double fall = Math.exp(-w);
    double[] out = new double[values.length];
    out[0] = values[0];
    double speed = 0;
    for (int i = 1; i < out.length; i++) {
      double off = out[i - 1] - values[i];
      double both = speed + w * off;
      out[i] = values[i] + (off + both) * fall;
      speed = (speed - w * both) * fall;
    }
    return out;
  }

  @Override
  public Turning turns(Turning turns) {
    double w = w();
    double fall = Math.exp(-w);
    Turning out = Turning.of(turns.count());
    out.set(0, turns, 0);
    double[] speed = new double[3];
    double[] off = new double[3];
    for (int i = 1; i < turns.count(); i++) {
      Turning.way(turns, i, out, i - 1, off); // from where it is to be to where it is
      for (int c = 0; c < 3; c++) {
        double both = speed[c] + w * off[c];
        speed[c] = (speed[c] - w * both) * fall;
        off[c] = (off[c] + both) * fall;
      }
      out.follow(i, turns, i, off[0], off[1], off[2]);
    }
    return out;
  }
}

package idlelens.core.smooth;

import idlelens.core.rule.Require;

/**
 * A spring that drags behind: {@code y += (1 - a) (x - y)} each frame, up to three times one after
 * another; on turns the same along the shortest way. It lags {@code a / (1 - a)} frames a time.
 *
 * @param amount {@code a}, from 0, which does nothing, to 0.99
 * @param times how often, 1 to 3
 * @param twoWay whether it is run back again too, so that it does not lag
 */
public record OnePole(double amount, int times, boolean twoWay) implements Filter {
  /** The greatest amount. */
  public static final double MOST = 0.99;

  public OnePole {
    Require.within(amount, 0, MOST, "amount");
    Require.within(times, 1, 3, "times");
  }

  /** Frames that it lags behind what moves evenly. */
  public double lagFrames() {
    return twoWay ? 0 : times * amount / (1 - amount);
  }

  @Override
  public double[] numbers(double[] values) {
    double[] out = values.clone();
    for (int t = 0; t < times; t++) {
      for (int i = 1; i < out.length; i++) {
        out[i] = out[i - 1] + (1 - amount) * (out[i] - out[i - 1]);
      }
      for (int i = out.length - 2; twoWay && i >= 0; i--) {
        out[i] = out[i + 1] + (1 - amount) * (out[i] - out[i + 1]);
      }
    }
    return out;
  }

  @Override
  public Turning turns(Turning turns) {
    Turning out = Turning.of(turns.count());
    for (int i = 0; i < turns.count(); i++) {
      out.set(i, turns, i);
    }
    double[] way = new double[3];
    for (int t = 0; t < times; t++) {
      for (int i = 1; i < out.count(); i++) {
        step(out, i - 1, i, way);
      }
      for (int i = out.count() - 2; twoWay && i >= 0; i--) {
        step(out, i + 1, i, way);
      }
    }
    return out;
  }

  /** From the turn before, a part of the way to the turn that is there. */
  private void step(Turning out, int before, int i, double[] way) {
    Turning.way(out, before, out, i, way);
    double part = 1 - amount;
    out.follow(i, out, before, part * way[0], part * way[1], part * way[2]);
  }
}

package idlelens.core.part;

import idlelens.core.rule.Require;
import idlelens.core.smooth.Critical;
import idlelens.core.smooth.Filter;
import idlelens.core.smooth.Kernel;
import idlelens.core.smooth.OnePole;

/** How a card smooths. Frames are whole frames of the shot, whatever is sampled between them. */
public sealed interface SmoothWay {
  /** What is left of the start of what lags before it counts as forgotten. */
  double FORGOTTEN = 1e-12;

  /** The filter. */
  Filter filter();

  /** Frames before a frame that its outcome there depends on. */
  int reach();

  /** Frames behind a frame that its outcome there depends on: none where it only lags. */
  default int reachAhead() {
    return reach();
  }

  /** The same in time where each frame becomes so many. */
  SmoothWay lasting(double factor);

  /**
   * A lagging spring of one pole.
   *
   * @param amount what it keeps of where it was, each whole frame: 0 to 0.99
   * @param times how often one after another, 1 to 3
   */
  record Spring(double amount, int times) implements SmoothWay {
    public Spring {
      Require.within(amount, 0, OnePole.MOST, "smooth.amount");
      Require.within(times, 1, 3, "smooth.times");
    }

    @Override
    public Filter filter() {
      return new OnePole(amount, times, false);
    }

    @Override
    public int reach() {
      return forgotten(amount, times);
    }

    @Override
    public int reachAhead() {
      return 0;
    }

    @Override
    public Spring lasting(double factor) {
      return new Spring(Math.min(OnePole.MOST, Math.pow(amount, 1 / factor)), times);
    }
  }

  /**
   * A critically damped spring.
   *
   * @param lag frames that it lags, 0.6 to 120
   */
  record Damped(double lag) implements SmoothWay {
    private static final double LONGEST = 120;
    private static final double FRAMES_A_LAG = 16;

    public Damped {
      Require.within(lag, Critical.LEAST, LONGEST, "smooth.lag");
    }

    @Override
    public Filter filter() {
      return new Critical(lag);
    }

    @Override
    public int reach() {
      return (int) Math.ceil(FRAMES_A_LAG * (lag + 1));
    }

    @Override
    public int reachAhead() {
      return 0;
    }

    @Override
    public Damped lasting(double factor) {
      return new Damped(Math.max(Critical.LEAST, Math.min(LONGEST, lag * factor)));
    }
  }

  /**
   * A bell curve, without lag.
   *
   * @param sigma standard deviation in frames, 0.1 to 120
   */
  record Gaussian(double sigma) implements SmoothWay {
    private static final double NARROWEST = 0.1;
    private static final double WIDEST = 120;

    public Gaussian {
      Require.within(sigma, NARROWEST, WIDEST, "smooth.sigma");
    }

    @Override
    public Kernel filter() {
      return Kernel.gaussian(sigma);
    }

    @Override
    public int reach() {
      return filter().reach();
    }

    @Override
    public Gaussian lasting(double factor) {
      return new Gaussian(Math.max(NARROWEST, Math.min(WIDEST, sigma * factor)));
    }
  }

  /**
   * The polynomial that fits best around each frame, without lag (Savitzky and Golay).
   *
   * @param half frames on each side, 1 to 300
   * @param order of the polynomial, 0 to 6 and at most twice as many as the frames on a side
   */
  record Polynomial(int half, int order) implements SmoothWay {
    private static final int WIDEST = 300;
    private static final int MOST_ORDER = 6;

    public Polynomial {
      Require.within(half, 1, WIDEST, "smooth.half");
      Require.within(order, 0, Math.min(MOST_ORDER, 2 * half), "smooth.order");
    }

    @Override
    public Kernel filter() {
      return Kernel.polynomial(half, order);
    }

    @Override
    public int reach() {
      return half;
    }

    @Override
    public Polynomial lasting(double factor) {
      int least = Math.max(1, (order + 1) / 2);
      double frames = Math.rint(half * factor);
      return new Polynomial((int) Math.max(least, Math.min(WIDEST, frames)), order);
    }
  }

  /**
   * A pole there and back again, without lag.
   *
   * @param amount what it keeps of where it was, each whole frame and way: 0 to 0.99
   */
  record TwoWay(double amount) implements SmoothWay {
    public TwoWay {
      Require.within(amount, 0, OnePole.MOST, "smooth.amount");
    }

    @Override
    public Filter filter() {
      return new OnePole(amount, 1, true);
    }

    @Override
    public int reach() {
      return forgotten(amount, 2);
    }

    @Override
    public TwoWay lasting(double factor) {
      return new TwoWay(Math.min(OnePole.MOST, Math.pow(amount, 1 / factor)));
    }
  }

  /** Frames until poles one after another have forgotten where they began. */
  private static int forgotten(double amount, int times) {
    if (amount == 0) {
      return 1;
    }
    double once = Math.log(FORGOTTEN) / Math.log(amount);
    return (int) Math.ceil(once * (1 + 0.25 * (times - 1)));
  }
}

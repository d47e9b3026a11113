package idlelens.core.curve;

/**
 * One cubic Bezier through the two end samples of a run, with given slopes at both ends and the
 * lengths of its two handles fitted to the samples between by least squares.
 *
 * @param outFrames length of the handle at the start, in frames
 * @param inFrames length of the handle at the end, in frames
 * @param worst index of the sample that is farthest off
 * @param error how far off it is, in the unit of the values
 */
record SpanFit(double outFrames, double inFrames, int worst, double error) {
  private static final int MOST_STEPS = 14;
  private static final double SHORTEST = 0.02;

  /** A run this long is looked at through a few hundred of its samples first. */
  private static final int LONG_RUN = 1024;

  private static final int LOOKED_AT = 256;

  /** What is this many tolerances off after a few steps will not come within one. */
  private static final double HOPELESS = 10;

  private static final int FIRST_STEPS = 3;

  /** A run of samples: frames in increasing order, and the value at each. */
  record Run(double[] frames, double[] values, int from, int to) {
    int count() {
      return to - from;
    }

    double width() {
      return frames[to] - frames[from];
    }

    /** The Bezier over the run with handles of these lengths in frames and these slopes. */
    Segment bezier(double out, double in, double slopeOut, double slopeIn) {
      double t0 = frames[from];
      double t3 = frames[to];
      double v0 = values[from];
      double v3 = values[to];
      return new Segment(
          false, t0, v0, t0 + out, v0 + out * slopeOut, t3 - in, v3 - in * slopeIn, t3, v3);
    }
  }

  /** This fit of a run as it is evaluated. */
  Segment segment(Run run, double slopeOut, double slopeIn) {
    return run.bezier(outFrames, inFrames, slopeOut, slopeIn);
  }

  /**
   * The best fit to a run; to a long one that is far from fitting, only roughly the best.
   *
   * @param tolerance what would be near enough, in the unit of the values
   */
  static SpanFit of(Run run, double slopeOut, double slopeIn, double tolerance) {
    if (run.count() > LONG_RUN) {
      int every = run.count() / LOOKED_AT;
      SpanFit roughly = of(run, every, slopeOut, slopeIn, tolerance);
      if (roughly.error() > HOPELESS * tolerance) {
        return roughly;
      }
    }
    return of(run, 1, slopeOut, slopeIn, tolerance);
  }

  /**
   * Fits to every so many samples: Gauss-Newton with damping on both lengths. With {@code m} the
   * slope of the curve at a sample, a longer start handle moves the value there by {@code 3 u
   * (1-u)^2 (s0 - m)}, a longer end handle by {@code -3 u^2 (1-u) (s1 - m)}.
   */
  private static SpanFit of(Run run, int every, double slopeOut, double slopeIn, double tolerance) {
    double width = run.width();
    double[] best = {width / 3, width / 3};
    Residuals now = Residuals.of(run, every, best[0], best[1], slopeOut, slopeIn);
    double damping = 1e-3;
    for (int step = 0; step < MOST_STEPS && now.sum > 0; step++) {
      if (step == FIRST_STEPS && now.error > HOPELESS * tolerance) {
        break;
      }
      double a = now.aa * (1 + damping);
      double c = now.cc * (1 + damping);
      double determinant = a * c - now.ac * now.ac;
      if (!(Math.abs(determinant) > 1e-300)) {
        break;
      }
      double first = (c * now.ar - now.ac * now.cr) / determinant;
      double second = (a * now.cr - now.ac * now.ar) / determinant;
      double[] next = within(width, best[0] - first, best[1] - second);
      Residuals there = Residuals.of(run, every, next[0], next[1], slopeOut, slopeIn);
      if (there.sum < now.sum) {
        boolean settled = now.sum - there.sum < 1e-6 * now.sum;
        best = next;
        now = there;
        damping /= 8;
        if (settled) {
          break;
        }
      } else {
        damping = damping * 10 + 1e-3;
      }
    }
    return new SpanFit(best[0], best[1], now.worst, now.error);
  }

  /** Both lengths positive and together no longer than the run, so that time never turns back. */
  private static double[] within(double width, double out, double in) {
    double first = Math.max(SHORTEST * width, Math.min(out, (1 - SHORTEST) * width));
    double second = Math.max(SHORTEST * width, Math.min(in, (1 - SHORTEST) * width));
    double scale = Math.min(1, width / (first + second));
    return new double[] {first * scale, second * scale};
  }

  /** Sums over the samples of a run for one pair of lengths. */
  private static final class Residuals {
    private double sum;
    private double aa;
    private double ac;
    private double cc;
    private double ar;
    private double cr;
    private int worst = -1;
    private double error;

    static Residuals of(
        Run run, int every, double out, double in, double slopeOut, double slopeIn) {
      Residuals sums = new Residuals();
      double[] t = run.frames();
      double[] v = run.values();
      Segment s = run.bezier(out, in, slopeOut, slopeIn);
      for (int i = run.from() + 1; i < run.to(); i += every) {
        sums.add(i, s, s.parameter(t[i]), v[i], slopeOut, slopeIn);
      }
      return sums;
    }

    private void add(int i, Segment s, double u, double wanted, double slopeOut, double slopeIn) {
      double off = s.valueAt(u) - wanted;
      double w = 1 - u;
      double rise =
          w * w * (s.v1() - s.v0()) + 2 * w * u * (s.v2() - s.v1()) + u * u * (s.v3() - s.v2());
      double run =
          w * w * (s.t1() - s.t0()) + 2 * w * u * (s.t2() - s.t1()) + u * u * (s.t3() - s.t2());
      double slope = run > 0 ? rise / run : 0;
      double a = 3 * u * w * w * (slopeOut - slope);
      double c = -3 * u * u * w * (slopeIn - slope);
      sum += off * off;
      aa += a * a;
      ac += a * c;
      cc += c * c;
      ar += a * off;
      cr += c * off;
      if (Math.abs(off) > error || worst < 0) {
        error = Math.abs(off);
        worst = i;
      }
    }
  }
}

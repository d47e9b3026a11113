package idlelens.core.check;

import idlelens.core.rule.Require;
import idlelens.core.time.FrameRate;

/**
 * How strong a number that swings is at each frequency: a discrete Fourier transform under a Hann
 * window, at frequencies evenly spaced by ratio.
 *
 * @param hz cycles a second
 * @param strength amplitude of the sine of that frequency, in the unit of the number
 */
public record Spectrum(double[] hz, double[] strength) {
  /** Frequencies that are looked at. */
  public static final int POINTS = 96;

  private static final double WIDEST = 400;

  /**
   * @param values one a frame, at least 4
   */
  public static Spectrum of(double[] values, FrameRate rate) {
    Require.within(values.length, 4, Integer.MAX_VALUE, "values.count");
    double top = rate.framesPerSecond() / 2;
    double bottom = Math.max(top / WIDEST, 2 * rate.framesPerSecond() / values.length);
    double[] hz = new double[POINTS];
    double[] strength = new double[POINTS];
    double[] windowed = windowed(values);
    for (int k = 0; k < POINTS; k++) {
      hz[k] = bottom * Math.pow(top / bottom, (double) k / POINTS);
      strength[k] = at(windowed, 2 * Math.PI * hz[k] / rate.framesPerSecond());
    }
    return new Spectrum(hz, strength);
  }

  /** The frequency at which it is strongest; 0 where nothing swings. */
  public double dominantHz() {
    int best = 0;
    for (int k = 1; k < hz.length; k++) {
      best = strength[k] > strength[best] ? k : best;
    }
    return strength[best] > 0 ? hz[best] : 0;
  }

  /** Without its mean, fading at both ends. */
  private static double[] windowed(double[] values) {
    double mean = 0;
    for (double value : values) {
      mean += value / values.length;
    }
    double[] out = new double[values.length];
    for (int i = 0; i < out.length; i++) {
      out[i] = (values[i] - mean) * (1 - Math.cos(2 * Math.PI * (i + 0.5) / out.length));
    }
    return out;
  }

  /** Of one frequency, in radians a sample; the angle is turned on step by step. */
  private static double at(double[] values, double radians) {
    double stepRe = Math.cos(radians);
    double stepIm = Math.sin(radians);
    double re = 1;
    double im = 0;
    double sumRe = 0;
    double sumIm = 0;
    for (double value : values) {
      sumRe += value * re;
      sumIm += value * im;
      double next = re * stepRe - im * stepIm;
      im = re * stepIm + im * stepRe;
      re = next;
    }
    return 2 * Math.hypot(sumRe, sumIm) / values.length;
  }
}

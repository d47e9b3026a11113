package idlelens.core.shake;

import idlelens.core.rule.Require;
import idlelens.core.seed.Shares;
import java.util.Arrays;

/**
 * Gradient noise over a lattice of evenly spaced knots (Perlin, SIGGRAPH 1985) with the quintic
 * fade of his later paper (SIGGRAPH 2002), in octaves: each twice as fast and {@code roughness}
 * times as strong as the one before, the sum divided by what it can reach at most. Two knots make a
 * cycle: so its spectrum is highest at the frequency that is asked for (the transform of its kernel
 * peaks at 0.4995 cycles a knot). Each octave begins at a place of its own, since the noise is zero
 * at its knots.
 */
public final class Noise {
  /** The most octaves. */
  public static final int MOST_OCTAVES = 8;

  private static final int KNOTS_A_CYCLE = 2;

  private final long[] streams;
  private final double[] offsets;
  private final double[] strengths;

  /**
   * @param seed of the layer
   * @param channel which of its channels
   * @param octaves 1 to {@link #MOST_OCTAVES}
   * @param roughness strength of each octave to the one before, 0 to 1
   */
  public Noise(long seed, int channel, int octaves, double roughness) {
    Require.within(octaves, 1, MOST_OCTAVES, "octaves");
    Require.within(roughness, 0, 1, "roughness");
    streams = new long[octaves];
    offsets = new double[octaves];
    strengths = new double[octaves];
    double sum = 0;
    double strength = 1;
    for (int o = 0; o < octaves; o++) {
      streams[o] = Shares.stream(seed, (long) channel * MOST_OCTAVES + o);
      offsets[o] = Shares.at(streams[o], -1);
      strengths[o] = strength;
      sum += strength;
      strength *= roughness;
    }
    for (int o = 0; o < octaves; o++) {
      strengths[o] /= sum;
    }
  }

  /**
   * Its values.
   *
   * @param cycles gone at each sample
   * @param round cycles after which it comes again, a whole number; 0 where it never does
   * @param out for each sample a number in [-1, 1]
   */
  public void fill(double[] cycles, long round, double[] out) {
    Arrays.fill(out, 0);
    double scale = KNOTS_A_CYCLE;
    for (int o = 0; o < streams.length && strengths[o] != 0; o++, scale *= 2) {
      addOctave(o, scale, round * (long) scale, cycles, out);
    }
  }

  private void addOctave(int octave, double scale, long period, double[] cycles, double[] out) {
    long stream = streams[octave];
    double offset = offsets[octave];
    double strength = 2 * strengths[octave]; // what one octave reaches at most is a half
    double knot = Double.NaN;
    double left = 0;
    double right = 0;
    for (int i = 0; i < out.length; i++) {
      double at = cycles[i] * scale + offset;
      double below = Math.floor(at);
      if (below != knot) { // most often several samples lie between the same knots
        knot = below;
        left = slope(stream, (long) below, period);
        right = slope(stream, (long) below + 1, period);
      }
      double u = at - below;
      double fade = u * u * u * (u * (6 * u - 15) + 10);
      double rising = left * u;
      out[i] += strength * (rising + fade * (right * (u - 1) - rising));
    }
  }

  /** The slope at a knot, in [-1, 1). */
  private static double slope(long stream, long knot, long period) {
    long number = period == 0 ? knot : Math.floorMod(knot, period);
    return 2 * Shares.at(stream, number) - 1;
  }
}

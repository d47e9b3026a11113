package idlelens.core.shake;

import idlelens.core.geometry.EvenSamples;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * Offsets that were captured, imported or lifted off a camera: for each channel of a layer of shake
 * numbers at even steps, or none. Immutable; numbers are kept to a hundred-millionth.
 */
public final class Recording {
  /** The most samples of a channel: ten minutes at 60 a second. */
  public static final int MOST_SAMPLES = 36_000;

  /** Channels, in the order of those of shake. */
  public static final int CHANNELS = 8;

  private static final double ROUNDED = 1e8;
  private static final double FARTHEST = 1e6;
  private static final double FASTEST_HZ = 1000;

  private final double rateHz;
  private final double[][] columns; // null where there is nothing
  private final int length;
  private final int hash;

  /**
   * @param rateHz samples a second, more than 0 and at most 1000
   * @param channels one for each, all as long, 2 samples or more; centimetres, degrees, millimetres
   *     and metres as in shake
   */
  public Recording(double rateHz, List<Optional<double[]>> channels) {
    this.rateHz = Require.positive(rateHz, "recording.rate");
    Require.within(rateHz, 0, FASTEST_HZ, "recording.rate");
    Require.within(channels.size(), CHANNELS, CHANNELS, "recording.channels.count");
    columns = new double[CHANNELS][];
    int found = 0;
    for (int c = 0; c < CHANNELS; c++) {
      if (channels.get(c).isPresent()) {
        columns[c] = checked(channels.get(c).get(), found, c);
        found = columns[c].length;
      }
    }
    if (found == 0) {
      throw new RefusedException("recording.channels", "empty", "at least one channel");
    }
    length = found;
    hash = Arrays.deepHashCode(columns) * 31 + Double.hashCode(rateHz);
  }

  private static double[] checked(double[] values, int others, int channel) {
    String where = "recording.channels[" + channel + "]";
    Require.within(values.length, 2, MOST_SAMPLES, where + ".count");
    if (others != 0 && others != values.length) {
      throw new RefusedException(where + ".count", values.length, others + ", as the others");
    }
    double[] kept = new double[values.length];
    for (int i = 0; i < kept.length; i++) {
      Require.within(values[i], -FARTHEST, FARTHEST, where + "[" + i + "]");
      kept[i] = Math.rint(values[i] * ROUNDED) / ROUNDED;
    }
    return kept;
  }

  /** Samples a second. */
  public double rateHz() {
    return rateHz;
  }

  /** Samples of each channel. */
  public int length() {
    return length;
  }

  /** Seconds from the first sample to the last. */
  public double seconds() {
    return (length - 1) / rateHz;
  }

  /** The samples of a channel, or nothing; a copy. */
  public Optional<double[]> channel(int channel) {
    return Optional.ofNullable(columns[channel]).map(double[]::clone);
  }

  public boolean has(int channel) {
    return columns[channel] != null;
  }

  /** A channel that there is, at a moment; before the first sample and behind the last as there. */
  public double at(int channel, double seconds) {
    return EvenSamples.at(columns[channel], seconds * rateHz);
  }

  /**
   * The same over and over: the end of each round fades into its beginning.
   *
   * @param fade seconds that this takes, at most half of what there is
   */
  public double looped(int channel, double seconds, double fade) {
    double over = Math.min(fade, seconds() / 2);
    double round = seconds() - over;
    double at = seconds - Math.floor(seconds / round) * round;
    if (at >= over) {
      return at(channel, at);
    }
    double u = at / over;
    double share = u * u * u * (u * (6 * u - 15) + 10);
    return share * at(channel, at) + (1 - share) * at(channel, at + round);
  }

  @Override
  public boolean equals(Object other) {
    return this == other
        || other instanceof Recording that
            && hash == that.hash
            && rateHz == that.rateHz
            && Arrays.deepEquals(columns, that.columns);
  }

  @Override
  public int hashCode() {
    return hash;
  }

  @Override
  public String toString() {
    return length + " samples at " + rateHz + " a second";
  }
}

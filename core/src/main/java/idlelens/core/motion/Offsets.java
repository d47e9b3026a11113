package idlelens.core.motion;

/** The bare offsets of something that shakes, channel by channel, before its weight. */
sealed interface Offsets permits Shaking, Replaying {
  /**
   * The offsets of a channel of shake on the grid, one for each sample, in centimetres, degrees,
   * millimetres or metres; null where there are none.
   */
  double[] channel(int channel);

  /** Whether another gives the same, for the same parameters. */
  boolean sameAs(Offsets other);
}

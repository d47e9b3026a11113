package idlelens.core.shake;

import idlelens.core.rule.Require;

/**
 * The round in which something comes again.
 *
 * @param first its first frame
 * @param length frames from there to where it comes again
 */
public record Loop(double first, double length) {
  public Loop {
    Require.finite(first, "loop.first");
    Require.positive(length, "loop.length");
  }

  /** The frame of the round that is the same as a frame anywhere. */
  public double folded(double frame) {
    double gone = (frame - first) / length;
    return first + (gone - Math.floor(gone)) * length;
  }
}

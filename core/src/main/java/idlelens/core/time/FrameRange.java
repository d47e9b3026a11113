package idlelens.core.time;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;

/** The frames of a shot, both ends included; at most 20,000 of them. */
public record FrameRange(int in, int out) {
  /** The longest shot, in frames. */
  public static final int LONGEST = 20_000;

  public FrameRange {
    Require.within(in, -1_000_000, 1_000_000, "range.in");
    if (out < in || out - in >= LONGEST) {
      throw new RefusedException("range.out", out, in + " to " + (in + LONGEST - 1));
    }
  }

  /** Number of frames, which is also the period of a loop. */
  public int length() {
    return out - in + 1;
  }

  public boolean contains(double frame) {
    return frame >= in && frame <= out;
  }
}

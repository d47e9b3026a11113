package idlelens.core.curve;

import idlelens.core.rule.Require;

/** How a curve passes through a key. */
public sealed interface Tangent {

  /** The tangents that the neighbours decide. */
  enum Kind implements Tangent {
    /** Smooth, and never outside the values of the two keys of a segment. */
    SETTLE,
    /** Smooth through the key; may swing past it. */
    FLOW,
    /** Straight to the next key. */
    STRAIGHT,
    /** Constant until the next key. */
    HOLD
  }

  /**
   * A tangent set by hand. Around a key (t, v) the Bezier handles stand at {@code (t - in.frames, v
   * - in.value)} and {@code (t + out.frames, v + out.value)}: on a straight run both have the same
   * sign.
   *
   * @param in handle towards the key before
   * @param out handle towards the key after
   * @param joined whether both handles stay on one line when one is dragged
   */
  record Free(Handle in, Handle out, boolean joined) implements Tangent {
    public Free {
      Require.present(in, "tangent.in");
      Require.present(out, "tangent.out");
    }
  }

  /**
   * The end of a handle, seen from its key.
   *
   * @param frames how far away in time, 0 or more
   * @param value how far away in value
   */
  record Handle(double frames, double value) {
    public Handle {
      Require.within(frames, 0, 1e7, "handle.frames");
      Require.finite(value, "handle.value");
    }
  }
}

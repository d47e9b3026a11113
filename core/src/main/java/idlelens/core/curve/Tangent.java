package idlelens.core.curve;

import idlelens.core.rule.RefusedException;
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
   * @param ownLength whether a handle's length counts; if not, only its slope does, and it reaches
   *     a third of the way to the next key, wherever that is
   */
  record Free(Handle in, Handle out, boolean joined, boolean ownLength) implements Tangent {
    public Free {
      Require.present(in, "tangent.in");
      Require.present(out, "tangent.out");
    }

    /** One slope on both sides, of no own length. */
    public static Free sloped(double valueAFrame) {
      return new Free(new Handle(1, valueAFrame), new Handle(1, valueAFrame), true, false);
    }

    public Free withIn(Handle newIn) {
      return new Free(newIn, out, joined, ownLength);
    }

    public Free withOut(Handle newOut) {
      return new Free(in, newOut, joined, ownLength);
    }

    public Free withJoined(boolean newJoined) {
      return new Free(in, out, newJoined, ownLength);
    }

    public Free withOwnLength(boolean newOwnLength) {
      return new Free(in, out, joined, newOwnLength);
    }

    /** The same handles seen with time running backwards. */
    public Free reversed() {
      Handle newIn = new Handle(out.frames(), -out.value());
      return new Free(newIn, new Handle(in.frames(), -in.value()), joined, ownLength);
    }
  }

  /**
   * Reached by a handle set by hand, and left straight or held.
   *
   * @param in handle towards the key before
   * @param leaving STRAIGHT or HOLD
   */
  record Reached(Handle in, Kind leaving) implements Tangent {
    public Reached {
      Require.present(in, "tangent.in");
      if (leaving != Kind.STRAIGHT && leaving != Kind.HOLD) {
        throw new RefusedException("tangent.leaving", leaving, "straight or hold");
      }
    }
  }

  /** Whether the key is left straight or held, as the kind given says. */
  default boolean leaves(Kind kind) {
    return this == kind || this instanceof Reached reached && reached.leaving() == kind;
  }

  /** Whether the stretch after the key bends as handles say, neither held nor straight. */
  default boolean leavesBending() {
    return !leaves(Kind.HOLD) && !leaves(Kind.STRAIGHT);
  }

  /** How a key that is not left bending is left: HOLD or STRAIGHT. */
  default Kind plain() {
    return leaves(Kind.HOLD) ? Kind.HOLD : Kind.STRAIGHT;
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
      Require.within(value, -1e12, 1e12, "handle.value");
    }

    /** Value a frame; 0 for a handle of no length. */
    public double slope() {
      return frames == 0 ? 0 : value / frames;
    }

    /** Whether this handle and one on the other side of the key are one line. */
    public boolean isLineWith(Handle other) {
      double steep = Math.max(Math.abs(slope()), Math.abs(other.slope()));
      return Math.abs(slope() - other.slope()) <= 1e-9 * (1 + steep);
    }

    /** As long in time, with another slope. */
    public Handle sloped(double valueAFrame) {
      return new Handle(frames, valueAFrame * frames);
    }

    /** Both measures times a factor. */
    public Handle times(double inTime, double inValue) {
      return new Handle(frames * inTime, value * inValue);
    }
  }
}

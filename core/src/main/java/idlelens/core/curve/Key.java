package idlelens.core.curve;

import idlelens.core.rule.Require;
import java.util.Collection;

/** A value at a frame, and how the curve passes through it. */
public record Key(double frame, double value, Tangent tangent) {
  public Key {
    Require.within(frame, -1e7, 1e7, "frame");
    Require.within(value, -1e12, 1e12, "value");
    Require.present(tangent, "tangent");
  }

  /** Keys nearer than this, in frames, stand on the same frame. */
  public static final double SAME_FRAME = 1e-6;

  /** Frames between two keys at least; a little more, for what rounding takes. */
  public static final double LEAST_APART = 1.001e-6;

  /**
   * How long before or after a frame, in frames, a jump is written that a held key alone cannot
   * say: too short to be seen, long enough to tell two keys apart.
   */
  public static final double INSTANT = 1e-3;

  /** Whether this key stands at a frame. */
  public boolean isAt(double otherFrame) {
    return Math.abs(frame - otherFrame) < SAME_FRAME;
  }

  /** Whether one of the frames is this key's. */
  public boolean isAmong(Collection<Double> frames) {
    return frames.stream().anyMatch(this::isAt);
  }

  public Key withValue(double newValue) {
    return new Key(frame, newValue, tangent);
  }

  public Key withFrame(double newFrame) {
    return new Key(newFrame, value, tangent);
  }

  public Key withTangent(Tangent newTangent) {
    return new Key(frame, value, newTangent);
  }
}

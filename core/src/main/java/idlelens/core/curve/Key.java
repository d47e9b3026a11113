package idlelens.core.curve;

import idlelens.core.rule.Require;

/** A value at a frame, and how the curve passes through it. */
public record Key(double frame, double value, Tangent tangent) {
  public Key {
    Require.within(frame, -1e7, 1e7, "frame");
    Require.within(value, -1e12, 1e12, "value");
    Require.present(tangent, "tangent");
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

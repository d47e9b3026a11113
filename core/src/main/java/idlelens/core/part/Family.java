package idlelens.core.part;

import idlelens.core.quantity.QuantityKind;
import idlelens.core.rule.RefusedException;
import java.util.Arrays;
import java.util.Locale;
import java.util.stream.Collectors;

/** What parameters share that are drawn on one axis: their unit, how finely, what is let pass. */
public enum Family {
  PLACE(QuantityKind.LENGTH, "m", 3, 0.05, 0.001),
  TURN(QuantityKind.ANGLE, "°", 2, 1, 0.01),
  FOCAL(QuantityKind.LENS_LENGTH, "mm", 2, 1, 0.01),
  STOP(QuantityKind.STOP, "f/", 2, 0.1, 0.01),
  FOCUS(QuantityKind.LENGTH, "m", 3, 0.1, 0.001),
  WEIGHT(QuantityKind.PLAIN, "", 3, 0.05, 0.001),
  PACE(QuantityKind.PLAIN, "%", 2, 1, 0.01),
  FRAMING(QuantityKind.PLAIN, "%", 2, 1, 0.01),
  SCALE(QuantityKind.PLAIN, "×", 3, 0.05, 0.001),
  EXPOSURE(QuantityKind.PLAIN, "stops", 2, 0.1, 0.01),
  OFFSET(QuantityKind.SHORT_LENGTH, "cm", 2, 0.1, 0.01),
  RATE(QuantityKind.FREQUENCY, "Hz", 2, 0.1, 0.01),
  IRIS(QuantityKind.ANGLE, "°", 1, 1, 0.1),
  SHUTTER(QuantityKind.ANGLE, "°", 1, 5, 0.1),
  SHIFT(QuantityKind.LENS_LENGTH, "mm", 2, 0.1, 0.01),
  SWITCH(QuantityKind.PLAIN, "", 0, 1, 0.5);

  private final QuantityKind quantity;
  private final String unit;
  private final int digits;
  private final double step;
  private final double tolerance;

  Family(QuantityKind quantity, String unit, int digits, double step, double tolerance) {
    this.quantity = quantity;
    this.unit = unit;
    this.digits = digits;
    this.step = step;
    this.tolerance = tolerance;
  }

  /** The name in files and in the API. */
  public String id() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** What a typed number measures. */
  public QuantityKind quantity() {
    return quantity;
  }

  /** As shown behind a number; before it for f-stops; empty for bare numbers. */
  public String unit() {
    return unit;
  }

  /** Digits after the point as shown. */
  public int digits() {
    return digits;
  }

  /** What one press of an arrow key changes. */
  public double step() {
    return step;
  }

  /** Deviation that is let pass unless somebody says otherwise, in the unit. */
  public double tolerance() {
    return tolerance;
  }

  /** The family of that name. */
  public static Family of(String id) {
    return Arrays.stream(values())
        .filter(f -> f.id().equals(id))
        .findFirst()
        .orElseThrow(
            () ->
                new RefusedException(
                    "family",
                    "'" + id + "'",
                    Arrays.stream(values()).map(Family::id).collect(Collectors.joining(", "))));
  }
}

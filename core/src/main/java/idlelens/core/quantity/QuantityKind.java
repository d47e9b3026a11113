package idlelens.core.quantity;

import java.util.Map;

/** What a typed number measures: its base unit and the units it may be typed in. */
public enum QuantityKind {
  /** A length in the set, in metres. */
  LENGTH(
      "m",
      Map.of("m", 1.0, "cm", 0.01, "mm", 0.001, "km", 1000.0, "in", 0.0254, "ft", 0.3048),
      "1.2m, 120cm, 2'8\", 1.2m+5cm"),
  /** A small way in the set, in centimetres. */
  SHORT_LENGTH("cm", Map.of("cm", 1.0, "mm", 0.1, "m", 100.0, "in", 2.54), "1.5cm, 15mm, 0.015m"),
  /** How often a second. */
  FREQUENCY("Hz", Map.of("Hz", 1.0, "bpm", 1 / 60.0), "1.5, 1.5Hz, 90bpm"),
  /** A length of a lens or sensor, in millimetres. */
  LENS_LENGTH("mm", Map.of("mm", 1.0, "cm", 10.0, "m", 1000.0, "in", 25.4), "35mm, 3.5cm"),
  /** An angle, in degrees. */
  ANGLE(
      "°",
      Map.of("°", 1.0, "deg", 1.0, "rad", 180 / Math.PI, "turn", 360.0, "'", 1 / 60.0),
      "30, 30deg, 0.5turn"),
  /** A place or a length in time, in frames. */
  FRAMES("f", Map.of("f", 1.0), "48, 48f, 2s, 00:00:02:00"),
  /** An f-number. */
  STOP("", Map.of(), "2.8, f/2.8"),
  /** A bare number. */
  PLAIN("", Map.of("%", 0.01), "1.5, 50%");

  private final String unit;
  private final Map<String, Double> factors;
  private final String examples;

  QuantityKind(String unit, Map<String, Double> factors, String examples) {
    this.unit = unit;
    this.factors = factors;
    this.examples = examples;
  }

  /** The unit of the result. */
  public String unit() {
    return unit;
  }

  /** The units it may be typed in, with what one of each is in the base unit. */
  public Map<String, Double> factors() {
    return factors;
  }

  Double factor(String typedUnit) {
    return factors.get(typedUnit);
  }

  String examples() {
    return examples;
  }
}

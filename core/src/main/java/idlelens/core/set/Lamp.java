package idlelens.core.set;

import idlelens.core.rule.Require;

/**
 * A light that stands on set.
 *
 * @param kind what it is there for
 * @param colour sRGB as {@code #rrggbb}
 * @param strength 0 to 100; 1 lights a white wall two metres away as a clear day does
 * @param reachM metres within which it falls off to nothing
 * @param shadows whether what stands in its way casts shadows
 */
public record Lamp(Kind kind, String colour, double strength, double reachM, boolean shadows) {

  /** What a light is there for. */
  public enum Kind {
    /** Shines along its own -Z, in a cone with a clear edge. */
    KEY,
    /** Shines along its own -Z, wide and soft. */
    FILL,
    /** Shines all around, as a bulb that is seen. */
    PRACTICAL
  }

  public Lamp {
    Require.present(kind, "lamp.as");
    Require.within(strength, 0, 100, "lamp.strength");
    Require.within(reachM, 0.1, 1000, "lamp.reach");
    Require.colour(colour, "lamp.colour", "#ffd9a0");
  }
}

package idlelens.core.set;

import idlelens.core.rule.Require;
import java.util.Optional;

/**
 * The colour of a piece and how it takes light.
 *
 * @param colour sRGB as {@code #rrggbb}
 * @param kind how it takes light
 * @param lettering what is written on it; cards only show it
 * @param pictures what is shown on it; cards only show it
 */
public record Finish(
    String colour, Kind kind, Optional<Lettering> lettering, Optional<Pictures> pictures) {

  /** How a surface takes light. */
  public enum Kind {
    /** Lit by the sun and the sky. */
    MATT,
    /** Shines by itself. */
    GLOW,
    /** Mirrors the sky, with small waves. */
    WATER
  }

  public Finish {
    Require.colour(colour, "finish.colour", "#a9675a");
    Require.present(kind, "finish.kind");
    Require.present(lettering, "finish.text");
    Require.present(pictures, "finish.pictures");
  }

  /** One that has nothing on it. */
  public Finish(String colour, Kind kind) {
    this(colour, kind, Optional.empty(), Optional.empty());
  }

  public Finish withPictures(Pictures shown) {
    return new Finish(colour, kind, lettering, Optional.of(shown));
  }

  public Finish withoutPictures() {
    return new Finish(colour, kind, lettering, Optional.empty());
  }

  public static Finish matt(String colour) {
    return new Finish(colour, Kind.MATT);
  }

  /** Red, green and blue in [0, 1], linear light (IEC 61966-2-1). */
  public double[] linear() {
    double[] rgb = new double[3];
    for (int i = 0; i < 3; i++) {
      double c = Integer.parseInt(colour.substring(1 + 2 * i, 3 + 2 * i), 16) / 255.0;
      rgb[i] = c <= 0.04045 ? c / 12.92 : Math.pow((c + 0.055) / 1.055, 2.4);
    }
    return rgb;
  }

  /** The colour nearest to red, green and blue in linear light. */
  public static String hex(double red, double green, double blue) {
    StringBuilder text = new StringBuilder("#");
    for (double linear : new double[] {red, green, blue}) {
      double c = linear <= 0.0031308 ? linear * 12.92 : 1.055 * Math.pow(linear, 1 / 2.4) - 0.055;
      text.append(String.format("%02x", Math.round(Math.max(0, Math.min(1, c)) * 255)));
    }
    return text.toString();
  }
}

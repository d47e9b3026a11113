package idlelens.core.lens;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;

/**
 * The opening of a lens, as its blades make it.
 *
 * @param blades how many there are, 3 to 32; 0 for a round opening
 * @param roundness how far the edges of the blades are bent: 0 straight, 1 a circle
 */
public record Iris(int blades, double roundness) {
  /** The most blades. */
  public static final int MOST_BLADES = 32;

  /** A round opening. */
  public static final Iris ROUND = new Iris(0, 0);

  private static final int FEWEST_BLADES = 3;

  public Iris {
    if (blades != 0 && (blades < FEWEST_BLADES || blades > MOST_BLADES)) {
      throw new RefusedException(
          "iris.blades", blades, "0 for a round iris, or " + FEWEST_BLADES + " to " + MOST_BLADES);
    }
    Require.within(roundness, 0, 1, "iris.roundness");
  }

  /**
   * How far the opening reaches in a direction, as a part of the radius of its corners: between two
   * corners the straight edge {@code cos(π/n) / cos(a)}, a the angle from the middle of the edge,
   * and the circle are mixed by the roundness.
   *
   * @param angleRad direction, anticlockwise from the first corner
   */
  public double reach(double angleRad) {
    if (blades == 0) {
      return 1;
    }
    double half = Math.PI / blades;
    double along = angleRad - 2 * half * Math.floor(angleRad / (2 * half));
    double edge = Math.cos(half) / Math.cos(along - half);
    return edge + roundness * (1 - edge);
  }

  /** The area of the opening, as a part of the circle through its corners. */
  public double area() {
    return blades == 0 ? 1 : areaTo(2 * Math.PI / blades) * blades / Math.PI;
  }

  /**
   * The area between the first corner and a direction, for a radius of 1. With {@code e = cos(h) /
   * cos(x)}, h = π/n and x from the middle of the edge, half of the integral of {@code ((1-r) e +
   * r)^2}: {@code (1-r)^2 cos^2(h) tan(x) + 2 r (1-r) cos(h) arsinh(tan(x)) + r^2 x}.
   *
   * @param angleRad anticlockwise from the first corner, up to the next one
   */
  public double areaTo(double angleRad) {
    if (blades == 0) {
      return angleRad / 2;
    }
    double half = Math.PI / blades;
    return (fromMiddle(angleRad - half) + fromMiddle(half)) / 2;
  }

  private double fromMiddle(double x) {
    double straight = (1 - roundness) * Math.cos(Math.PI / blades);
    double tangent = Math.tan(x);
    double arsinh = Math.copySign(Math.log(Math.abs(tangent) + Math.hypot(1, tangent)), tangent);
    return straight * straight * tangent
        + 2 * roundness * straight * arsinh
        + roundness * roundness * x;
  }
}

package idlelens.core.rail;

import idlelens.core.rule.Require;
import java.util.ArrayList;
import java.util.List;
import org.joml.Vector3d;

/** Rails of common shapes, about the origin of their own space. */
public final class ReadyRails {
  private static final double LARGEST_PART = Math.PI / 4; // of an arc, for one Bezier

  private ReadyRails() {}

  /** A straight line ahead along -Z. */
  public static Rail line(double lengthM) {
    Require.within(lengthM, 1e-3, 1e5, "length");
    return new Rail(
        List.of(Anchor.smooth("a1", 0, 0, 0), Anchor.smooth("a2", 0, 0, -lengthM)), false);
  }

  /**
   * Counter-clockwise from above about the vertical, from +X on, while it rises evenly.
   *
   * @param degrees how far round, at most 36,000
   * @param riseM metres of height gained on the whole way
   */
  public static Rail helix(double radiusM, double degrees, double riseM) {
    Require.within(radiusM, 1e-3, 1e5, "radius");
    Require.within(degrees, 1, 36_000, "degrees");
    Require.within(riseM, -1e5, 1e5, "rise");
    double whole = Math.toRadians(degrees);
    int parts = (int) Math.ceil(whole / LARGEST_PART - 1e-9);
    return new Rail(turning(radiusM, whole, riseM, parts, parts + 1), false);
  }

  /** A closed circle. */
  public static Rail circle(double radiusM) {
    Require.within(radiusM, 1e-3, 1e5, "radius");
    return new Rail(turning(radiusM, 2 * Math.PI, 0, 8, 8), true);
  }

  private static List<Anchor> turning(
      double radius, double whole, double rise, int parts, int count) {
    double part = whole / parts;
    double handle = 4.0 / 3 * Math.tan(part / 4) * radius;
    List<Anchor> anchors = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      double angle = part * i;
      Vector3d way =
          new Vector3d(-Math.sin(angle) * handle, rise / parts / 3, -Math.cos(angle) * handle);
      anchors.add(
          Anchor.smooth(
                  "a" + (i + 1),
                  radius * Math.cos(angle),
                  rise * i / parts,
                  -radius * Math.sin(angle))
              .withTangents(Offset.of(new Vector3d(way).negate()), Offset.of(way)));
    }
    return anchors;
  }
}

package idlelens.core.lens;

import idlelens.core.geometry.Turns;
import idlelens.core.rule.Require;
import java.util.Optional;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * Where a subject is to sit in the picture, and how large: solved for the turn of the camera, its
 * distance or its focal length.
 *
 * @param x picture widths from the middle to the right
 * @param y picture heights from the middle upwards
 */
public record Framing(double x, double y) {
  private static final int HALVINGS = 200;
  private static final double NARROW = 1e-9;
  private static final double BRACKET = 1e-3;
  private static final double SHORTEST_MM = 1;
  private static final double LONGEST_MM = 5000;

  public Framing {
    Require.within(x, -5, 5, "x");
    Require.within(y, -5, 5, "y");
  }

  /** The direction in which the subject is to be seen, along the camera's own axes; z is -1. */
  public Vector3d direction(Gate gate, double focalMm) {
    return new Vector3d(
        2 * gate.tanAcross(focalMm) * x + gate.tanRight(focalMm),
        2 * gate.tanUp(focalMm) * y + gate.tanAbove(focalMm),
        -1);
  }

  /**
   * The turn that brings a direction of the camera onto one of the world and has the roll that is
   * asked for; none where no tilt brings it there. From {@code m sin(tilt + a) = d.y} with {@code
   * tan a = e.y / -e.z}, e the direction rolled.
   *
   * @param own direction along the camera's axes, of any length, z negative
   * @param to direction in the world, of any length
   * @param rollRad roll that it has
   */
  public static Optional<Quaterniond> turned(Vector3d own, Vector3d to, double rollRad) {
    Vector3d e = own.normalize(new Vector3d()).rotateZ(rollRad);
    Vector3d d = to.normalize(new Vector3d());
    double most = Math.hypot(e.y, e.z);
    if (!(Math.abs(d.y) <= most) || !d.isFinite()) {
      return Optional.empty();
    }
    double tilt = Math.asin(d.y / most) - Math.atan2(e.y, -e.z);
    double depth = e.y * Math.sin(tilt) + e.z * Math.cos(tilt);
    double pan = Math.atan2(d.x, d.z) - Math.atan2(e.x, depth);
    return Optional.of(Turns.quaternion(pan, tilt, rollRad));
  }

  /**
   * How far from the camera the middle of a ball has to be, so that it fills a part of the height
   * of the picture. Its outline reaches from {@code tan(t - a)} to {@code tan(t + a)} there, with t
   * its angle above the axis and a half the angle it is seen under, so that {@code 2 sin 2a = k
   * (cos 2t + cos 2a)} with k the height asked for.
   *
   * @param own direction in which it is seen, as {@link #direction}
   * @param radiusM its radius in metres
   * @param size part of the picture height, greater than 0
   * @param tanUp tangent of half the vertical field of view
   */
  public static double distanceM(Vector3d own, double radiusM, double size, double tanUp) {
    Require.positive(radiusM, "radius");
    double k = 2 * Require.positive(size, "size") * tanUp;
    double t = Math.atan2(own.y, -own.z);
    double a =
        (Math.atan2(k, 2) + Math.asin(Math.min(1, k * Math.cos(2 * t) / Math.hypot(2, k)))) / 2;
    Vector3d unit = own.normalize(new Vector3d());
    return radiusM / Math.sin(a) / Math.hypot(unit.y, unit.z);
  }

  /** The part of the picture height that a ball fills, by the same formula. */
  public static double sizeOf(Vector3d seen, double radiusM, double tanUp) {
    double t = Math.atan2(seen.y, -seen.z);
    double a = Math.asin(Math.min(1, radiusM / Math.hypot(seen.y, seen.z)));
    return (Math.tan(t + a) - Math.tan(t - a)) / (2 * tanUp);
  }

  /**
   * The focal length at which a ball fills a part of the picture height where it is asked to sit.
   * Beside the axis, very wide lenses draw a ball out, so that one size is met twice: the longer
   * lens is taken, behind the one that shows it smallest.
   *
   * @param gate what of the sensor is used
   * @param distanceM from the camera to its middle
   * @return millimetres; none where no focal length from 1 to 5000 mm does
   */
  public Optional<Double> focalMm(Gate gate, double distanceM, double radiusM, double size) {
    double low = smallestMm(gate, radiusM, size, BRACKET);
    double high = LONGEST_MM;
    if (distanceAt(gate, low, radiusM, size) > distanceM
        || distanceAt(gate, high, radiusM, size) < distanceM) {
      return Optional.empty();
    }
    for (int i = 0; i < HALVINGS && high - low > 1e-13 * high; i++) {
      double middle = (low + high) / 2;
      if (distanceAt(gate, middle, radiusM, size) < distanceM) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return Optional.of((low + high) / 2);
  }

  /** The same, and where none does, the longest, or that which needs the least distance for it. */
  public double nearestFocalMm(Gate gate, double distanceM, double radiusM, double size) {
    return focalMm(gate, distanceM, radiusM, size)
        .orElseGet(
            () -> {
              double smallest = smallestMm(gate, radiusM, size, NARROW);
              return distanceAt(gate, smallest, radiusM, size) > distanceM ? smallest : LONGEST_MM;
            });
  }

  /**
   * The focal length that shows a ball smallest, by narrowing thirds of the logarithm: the distance
   * at which it has its size falls to there and rises behind it. On the axis it only rises.
   *
   * @param narrow how near to it, in the logarithm of millimetres
   */
  private double smallestMm(Gate gate, double radiusM, double size, double narrow) {
    double low = Math.log(SHORTEST_MM);
    double high = Math.log(LONGEST_MM);
    while (high - low > narrow) {
      double third = (high - low) / 3;
      double near = distanceAt(gate, Math.exp(low + third), radiusM, size);
      double far = distanceAt(gate, Math.exp(high - third), radiusM, size);
      if (near < far) {
        high -= third;
      } else {
        low += third;
      }
    }
    return low < 2 * narrow ? SHORTEST_MM : Math.exp(low);
  }

  private double distanceAt(Gate gate, double focalMm, double radiusM, double size) {
    return distanceM(direction(gate, focalMm), radiusM, size, gate.tanUp(focalMm));
  }
}

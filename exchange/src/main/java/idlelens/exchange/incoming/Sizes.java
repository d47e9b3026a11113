package idlelens.exchange.incoming;

import org.joml.Matrix3d;
import org.joml.Vector3d;

/** Linear parts of transforms: the turn in one, and what is left beside it. */
final class Sizes {
  /** Parts of a length that are rounding. */
  static final double ROUNDING = 1e-9;

  private Sizes() {}

  /**
   * The turn of a rigid body that looks where a linear map looks: its -Z along that of the map, its
   * Y in the plane of the map's Y and Z. Exact for turns, even sizes and mirrors across x.
   *
   * @param otherwise the turn where the map leaves no direction
   */
  static Matrix3d turnOf(Matrix3d linear, Matrix3d otherwise) {
    Vector3d z = linear.getColumn(2, new Vector3d());
    Vector3d y = linear.getColumn(1, new Vector3d());
    double size = Math.max(z.length(), y.length());
    if (!(z.length() > ROUNDING * size)) {
      return new Matrix3d(otherwise);
    }
    z.normalize();
    y.fma(-y.dot(z), z);
    if (!(y.length() > ROUNDING * size)) {
      return new Matrix3d(otherwise);
    }
    y.normalize();
    return new Matrix3d(new Vector3d(y).cross(z), y, z);
  }

  /** Whether a linear map changes nothing but the size, and perhaps left and right. */
  static boolean isEven(Matrix3d m) {
    double size = m.getColumn(2, new Vector3d()).length();
    Matrix3d even = even(size, m.determinant() < 0);
    return size > 0 && distance(m, even) <= ROUNDING * size;
  }

  /** An even size, mirrored across x if wanted. */
  static Matrix3d even(double size, boolean mirrored) {
    double plain = Math.abs(size - 1) < ROUNDING ? 1 : size;
    return new Matrix3d().scaling(mirrored ? -plain : plain, plain, plain);
  }

  /** A map without the rounding of what made it. */
  static Matrix3d cleaned(Matrix3d m) {
    return isEven(m) ? even(m.getColumn(2, new Vector3d()).length(), m.determinant() < 0) : m;
  }

  /** Largest difference of two elements. */
  static double distance(Matrix3d a, Matrix3d b) {
    double most = 0;
    for (int column = 0; column < 3; column++) {
      for (int row = 0; row < 3; row++) {
        most = Math.max(most, Math.abs(a.get(column, row) - b.get(column, row)));
      }
    }
    return most;
  }

  /** Whether nothing is left of a body in at least one direction. */
  static boolean isFlat(Matrix3d m) {
    double size = 0;
    for (int column = 0; column < 3; column++) {
      size = Math.max(size, m.getColumn(column, new Vector3d()).length());
    }
    return !(Math.abs(m.determinant()) > 1e-12 * size * size * size);
  }
}

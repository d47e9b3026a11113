package idlelens.exchange.scenefile;

import org.joml.Matrix3d;
import org.joml.Vector3d;

/** Where the axes of a file point, seen by a camera that looks along our -Z with +Y up. */
public enum Axes {
  /** x right, y up, z towards the viewer: as ours. */
  Y_UP("+Y up", new Matrix3d()),
  /** x right, y away, z up. */
  Z_UP("+Z up", columns(1, 0, 0, 0, 0, -1, 0, 1, 0)),
  /** x up, y left, z towards the viewer. */
  X_UP("+X up", columns(0, 1, 0, -1, 0, 0, 0, 0, 1)),
  /** x right, y down, z away. */
  PICTURE("picture space", columns(1, 0, 0, 0, -1, 0, 0, 0, -1)),
  /** x right, y up, z away. */
  Y_UP_LEFT("+Y up, left-handed", columns(1, 0, 0, 0, 1, 0, 0, 0, -1)),
  /** x right, y towards the viewer, z up. */
  Z_UP_LEFT("+Z up, left-handed", columns(1, 0, 0, 0, 0, 1, 0, 1, 0));

  private final String label;
  private final Matrix3d toOurs;

  Axes(String label, Matrix3d toOurs) {
    this.label = label;
    this.toOurs = toOurs;
  }

  private static Matrix3d columns(
      double a, double b, double c, double d, double e, double f, double g, double h, double i) {
    return new Matrix3d(a, b, c, d, e, f, g, h, i);
  }

  /** In words. */
  public String label() {
    return label;
  }

  /** What turns a vector of the file into ours: its columns are the file's axes in ours. */
  public Matrix3d toOurs() {
    return new Matrix3d(toOurs);
  }

  /** What turns one of ours into the file's. */
  public Matrix3d fromOurs() {
    return toOurs().transpose();
  }

  public boolean isRightHanded() {
    return toOurs.determinant() > 0;
  }

  /** Which of our axes is the file's up, 1 or -1 along x, y or z of the file. */
  public Vector3d up() {
    return fromOurs().transform(new Vector3d(0, 1, 0));
  }
}

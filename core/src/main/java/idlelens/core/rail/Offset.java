package idlelens.core.rail;

import idlelens.core.rule.Require;
import org.joml.Vector3d;

/** A step from an anchor to the end of one of its tangents, in metres. */
public record Offset(double x, double y, double z) {
  /** Of no length. */
  public static final Offset NONE = new Offset(0, 0, 0);

  public Offset {
    Require.within(x, -1e5, 1e5, "tangent.x");
    Require.within(y, -1e5, 1e5, "tangent.y");
    Require.within(z, -1e5, 1e5, "tangent.z");
  }

  static Offset of(Vector3d v) {
    return new Offset(v.x, v.y, v.z);
  }

  public Vector3d vector() {
    return new Vector3d(x, y, z);
  }

  /** The other way, so long; where this one has no length, none too. */
  public Offset opposite(double length) {
    Vector3d v = vector();
    return v.length() < 1e-12 ? NONE : of(v.normalize().mul(-length));
  }
}

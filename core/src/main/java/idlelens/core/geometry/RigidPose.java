package idlelens.core.geometry;

import idlelens.core.rule.Require;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * A place (metres) and a turn (unit quaternion). Read as a transform, it takes a point of the own
 * space into the space it is given in.
 */
public record RigidPose(double x, double y, double z, double qx, double qy, double qz, double qw) {
  /** Neither moved nor turned. */
  public static final RigidPose IDENTITY = new RigidPose(0, 0, 0, 0, 0, 0, 1);

  public RigidPose {
    Require.finite(x, "pose.x");
    Require.finite(y, "pose.y");
    Require.finite(z, "pose.z");
    Require.within(
        Math.sqrt(qx * qx + qy * qy + qz * qz + qw * qw), 1 - 1e-6, 1 + 1e-6, "pose.turn.length");
  }

  public static RigidPose of(Vector3d place, Quaterniond turn) {
    Quaterniond unit = new Quaterniond(turn).normalize();
    return new RigidPose(place.x, place.y, place.z, unit.x, unit.y, unit.z, unit.w);
  }

  /** From a place and pan, tilt, roll in radians. */
  public static RigidPose of(double x, double y, double z, double pan, double tilt, double roll) {
    return of(new Vector3d(x, y, z), Turns.quaternion(pan, tilt, roll));
  }

  public Vector3d place() {
    return new Vector3d(x, y, z);
  }

  public Quaterniond turn() {
    return new Quaterniond(qx, qy, qz, qw);
  }

  /** This pose applied after the inner one: the inner pose seen from outside. */
  public RigidPose times(RigidPose inner) {
    return of(apply(inner.place()), turn().mul(inner.turn()));
  }

  public RigidPose inverse() {
    Quaterniond back = turn().conjugate();
    return of(place().negate().rotate(back), back);
  }

  /**
   * A pose on the straight way to another one, turned evenly.
   *
   * @param share 0 here, 1 there
   */
  public RigidPose towards(RigidPose other, double share) {
    return share == 1
        ? other
        : of(place().lerp(other.place(), share), turn().slerp(other.turn(), share));
  }

  /** The same place and heading, upright: neither tilted nor rolled. */
  public RigidPose level() {
    return of(x, y, z, Turns.panTiltRoll(turn())[0], 0, 0);
  }

  /** A point of the own space, seen from outside. */
  public Vector3d apply(Vector3d point) {
    return new Vector3d(point).rotate(turn()).add(x, y, z);
  }

  /** The direction a camera in this pose looks along. */
  public Vector3d forward() {
    return new Vector3d(0, 0, -1).rotate(turn());
  }
}

package idlelens.core.geometry;

import org.joml.Quaterniond;

/** Pan, tilt and roll to quaternions and back. */
public final class Turns {
  /** Part of the view that lies level when it looks straight up or down, but for rounding. */
  private static final double AT_POLE = 1e-9;

  private Turns() {}

  private static boolean isPole(Quaterniond q) {
    double m02 = 2 * (q.x * q.z + q.y * q.w);
    double m22 = 1 - 2 * (q.x * q.x + q.y * q.y);
    return Math.hypot(m02, m22) < AT_POLE;
  }

  /** {@code Ry(pan) Rx(tilt) Rz(roll)}, angles in radians. */
  public static Quaterniond quaternion(double pan, double tilt, double roll) {
    double cy = Math.cos(pan / 2);
    double sy = Math.sin(pan / 2);
    double cx = Math.cos(tilt / 2);
    double sx = Math.sin(tilt / 2);
    double cz = Math.cos(roll / 2);
    double sz = Math.sin(roll / 2);
    return new Quaterniond(
        cy * sx * cz + sy * cx * sz,
        sy * cx * cz - cy * sx * sz,
        cy * cx * sz - sy * sx * cz,
        cy * cx * cz + sy * sx * sz);
  }

  /**
   * Pan, tilt and roll, in radians, of a turn. Tilt lies in [-90°, 90°]; straight up or down, where
   * pan and roll turn about the same line, roll is 0.
   *
   * @return array of pan, tilt, roll
   */
  public static double[] panTiltRoll(Quaterniond turn) {
    double x = turn.x;
    double y = turn.y;
    double z = turn.z;
    double w = turn.w;
    double m12 = 2 * (y * z - x * w);
    double m02 = 2 * (x * z + y * w);
    double m22 = 1 - 2 * (x * x + y * y);
    double m10 = 2 * (x * y + z * w);
    double m11 = 1 - 2 * (x * x + z * z);
    // near a pole, asin loses half the digits: the tangent form keeps them
    double level = Math.hypot(m02, m22);
    double tilt = Math.atan2(-m12, level);
    if (level < AT_POLE) {
      double m00 = 1 - 2 * (y * y + z * z);
      double m20 = 2 * (x * z - y * w);
      return new double[] {Math.atan2(-m20, m00), tilt, 0};
    }
    return new double[] {Math.atan2(m02, m22), tilt, Math.atan2(m10, m11)};
  }

  /**
   * Pan, tilt and roll of a turn, written with the whole turns and on the side of the pole that
   * come closest to the angles before.
   *
   * @param near pan, tilt, roll in radians to stay close to
   */
  public static double[] panTiltRoll(Quaterniond turn, double[] near) {
    double[] plain = panTiltRoll(turn);
    if (isPole(turn)) { // pan and roll turn about one line: the roll stays, pan takes the rest
      double sign = Math.signum(plain[1]);
      double roll = near[2];
      return new double[] {
        unwrap(plain[0] + sign * roll, near[0]), unwrap(plain[1], near[1]), roll
      };
    }
    double[] other = {plain[0] + Math.PI, Math.PI - plain[1], plain[2] + Math.PI};
    double plainCost = 0;
    double otherCost = 0;
    for (int i = 0; i < 3; i++) {
      plain[i] = unwrap(plain[i], near[i]);
      other[i] = unwrap(other[i], near[i]);
      plainCost += Math.abs(plain[i] - near[i]);
      otherCost += Math.abs(other[i] - near[i]);
    }
    return otherCost < plainCost - 1e-9 ? other : plain;
  }

  /** The angle plus whole turns that lies nearest to another. */
  public static double unwrap(double angle, double near) {
    return angle + 2 * Math.PI * Math.rint((near - angle) / (2 * Math.PI));
  }

  /** The angle, in radians in [0, π], between two turns; exact near 0 too. */
  public static double angleBetween(Quaterniond a, Quaterniond b) {
    Quaterniond d = new Quaterniond(a).conjugate().mul(b);
    return 2 * Math.atan2(Math.sqrt(d.x * d.x + d.y * d.y + d.z * d.z), Math.abs(d.w));
  }
}

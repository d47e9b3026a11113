package idlelens.core.rail;

import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * Frames along a rail that turn about it as little as they can: double reflection, Wang, Juettler,
 * Zheng, Liu, ACM TOG 27(1), 2008, table I. On a closed rail the twist that is left when it comes
 * back is spread evenly over its length.
 */
final class MinimalFrames {
  private static final double LARGEST_TURN = 0.04; // rad, across one step
  private static final int MOST_STEPS = 64;

  private final RailCurve curve;
  private final Vector3d[] ups;

  MinimalFrames(RailCurve curve, boolean closed) {
    this.curve = curve;
    int pieces = curve.rail().spans() * RailCurve.PIECES;
    this.ups = new Vector3d[pieces + 1];
    ups[0] = across(new Vector3d(0, 1, 0), curve.direction(0));
    for (int i = 1; i <= pieces; i++) {
      ups[i] = carried(parameter(i - 1), parameter(i), ups[i - 1]);
    }
    if (closed) {
      spreadTwist();
    }
  }

  private static double parameter(int entry) {
    return (double) entry / RailCurve.PIECES;
  }

  /** A vector made level to a direction, of length 1. */
  private static Vector3d across(Vector3d up, Vector3d direction) {
    Vector3d level = new Vector3d(up).sub(new Vector3d(direction).mul(up.dot(direction)));
    if (level.length() < 1e-9) {
      level = new Vector3d(0, 0, 1).sub(new Vector3d(direction).mul(direction.z));
    }
    return level.normalize();
  }

  /**
   * In steps across which the direction turns little: the error of one grows with the fourth power.
   */
  private Vector3d carried(double from, double to, Vector3d up) {
    double angle = curve.direction(from).angle(curve.direction(to));
    int steps = (int) Math.max(1, Math.min(MOST_STEPS, Math.ceil(angle / LARGEST_TURN)));
    Vector3d now = up;
    for (int i = 0; i < steps; i++) {
      double a = from + (to - from) * i / steps;
      double b = i + 1 == steps ? to : from + (to - from) * (i + 1) / steps;
      now = reflectedTwice(a, b, now);
    }
    return now;
  }

  private Vector3d reflectedTwice(double from, double to, Vector3d up) {
    Vector3d step = curve.place(to).sub(curve.place(from));
    Vector3d before = curve.direction(from);
    Vector3d after = curve.direction(to);
    double length = step.lengthSquared();
    Vector3d reflected = new Vector3d(up);
    Vector3d ahead = new Vector3d(before);
    if (length > 1e-24) { // first reflection, in the plane halfway
      reflected.sub(new Vector3d(step).mul(2 * step.dot(up) / length));
      ahead.sub(new Vector3d(step).mul(2 * step.dot(before) / length));
    }
    Vector3d rest = new Vector3d(after).sub(ahead); // second reflection
    double size = rest.lengthSquared();
    if (size > 1e-24) {
      reflected.sub(rest.mul(2 * rest.dot(reflected) / size));
    }
    return across(reflected, after);
  }

  private void spreadTwist() {
    int last = ups.length - 1;
    Vector3d ahead = curve.direction(0);
    Vector3d back = across(ups[last], ahead);
    double twist = Math.atan2(new Vector3d(back).cross(ups[0]).dot(ahead), back.dot(ups[0]));
    double length = curve.length();
    for (int i = 0; i <= last; i++) {
      double share = length > 0 ? curve.distanceAt(i) / length : 0;
      Vector3d axis = curve.direction(i == last ? curve.rail().spans() : parameter(i));
      new Quaterniond().fromAxisAngleRad(axis, twist * share).transform(ups[i]);
    }
  }

  /** One reflection further from the entry of the table before it. */
  Vector3d up(double parameter) {
    int entry =
        Math.max(0, Math.min(ups.length - 2, (int) Math.floor(parameter * RailCurve.PIECES)));
    double from = parameter(entry);
    Vector3d carried = carried(from, parameter, ups[entry]);
    double share = (parameter - from) * RailCurve.PIECES;
    return twisted(entry, share, carried, curve.direction(parameter));
  }

  /** The twist that is spread over a piece comes with the way into it. */
  private Vector3d twisted(int entry, double share, Vector3d up, Vector3d ahead) {
    if (!curve.rail().closed() || share == 0) {
      return up;
    }
    double next = parameter(entry + 1);
    Vector3d plain = carried(parameter(entry), next, ups[entry]);
    Vector3d axis = curve.direction(next);
    double twist =
        Math.atan2(new Vector3d(plain).cross(ups[entry + 1]).dot(axis), plain.dot(ups[entry + 1]));
    return new Quaterniond().fromAxisAngleRad(ahead, twist * share).transform(new Vector3d(up));
  }
}

package idlelens.core.motion;

import idlelens.core.part.Aim;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * Turns one pose to look at targets. Roll kept: the shortest turn from the unaimed axis carries the
 * up. Levelled: the horizon is level, and fades to that up within 5° of the vertical. Straight
 * behind, where every turn is as short, it is about the node's own up. Nothing depends on earlier
 * frames. Scratch objects are its own: one for each thread.
 */
final class Aiming {
  /** Nearer to the node than this, in metres, a target has no direction. */
  private static final double NEAREST_M = 1e-9;

  /** Sine of the angle under which two directions count as one line. */
  private static final double ONE_LINE = 1e-12;

  private static final double FADE_FROM_VERTICAL_RAD = Math.toRadians(5);

  private final Aim.Roll roll;
  private final Vector3d axis;
  private final Vector3d up;
  private final Vector3d first = new Vector3d();
  private final Vector3d second = new Vector3d();
  private final Vector3d now = new Vector3d();
  private final Vector3d ownUp = new Vector3d();
  private final Vector3d cross = new Vector3d();
  private final Quaterniond unaimed = new Quaterniond();
  private final Quaterniond aimed = new Quaterniond();
  private final Quaterniond turn = new Quaterniond();

  Aiming(Aim.Side side, Aim.Roll roll) {
    this.roll = roll;
    this.axis = side.axis();
    this.up = side.up();
  }

  /** The turn that the node stands in and that is turned. */
  Quaterniond pose() {
    return unaimed;
  }

  /** From the node to the first target, in metres; of any length. */
  Vector3d first() {
    return first;
  }

  /** From the node to the second target, where there is one. */
  Vector3d second() {
    return second;
  }

  /**
   * Turns {@link #pose} by so much of the way.
   *
   * @param blend from the first target, 0, to the second, 1
   * @param weight 0 leaves the pose as it is, to the last bit; 1 looks at the target
   * @return the turned pose, valid until the next call
   */
  Quaterniond turned(double blend, double weight) {
    ownUp.set(up).rotate(unaimed);
    now.set(axis).rotate(unaimed);
    if (weight <= 0 || !directed(blend)) {
      return unaimed;
    }
    shortest(now, first, turn);
    aimed.set(turn).mul(unaimed);
    if (roll == Aim.Roll.LEVELLED) {
      level();
    }
    return weight >= 1 ? aimed.normalize() : slerp(weight);
  }

  /** Makes the first direction the one to look along; false where there is none. */
  private boolean directed(double blend) {
    if (blend > 0 && second.length() >= NEAREST_M) {
      if (blend >= 1 || first.length() < NEAREST_M) {
        first.set(second);
      } else {
        first.normalize();
        second.normalize();
        shortest(first, second, turn);
        double half = Math.atan2(length(turn), turn.w) * blend;
        scaleTo(turn, half);
        first.rotate(turn);
      }
    }
    double length = first.length();
    if (!(length >= NEAREST_M)) {
      return false;
    }
    first.div(length);
    return true;
  }

  private static double length(Quaterniond q) {
    return Math.sqrt(q.x * q.x + q.y * q.y + q.z * q.z);
  }

  /** The turn about the same axis by twice so much. */
  private static void scaleTo(Quaterniond q, double half) {
    double length = length(q);
    if (length > 0) {
      double s = Math.sin(half) / length;
      q.set(q.x * s, q.y * s, q.z * s, Math.cos(half));
    }
  }

  /**
   * The shortest turn from one direction to another. From the half angle, so that it is exact for
   * nearly equal directions; for opposite ones about the node's own up.
   */
  private void shortest(Vector3d from, Vector3d to, Quaterniond out) {
    from.cross(to, cross);
    double sine = cross.length();
    double cosine = from.dot(to);
    if (sine > ONE_LINE) {
      double half = Math.atan2(sine, cosine) / 2;
      double s = Math.sin(half) / sine;
      out.set(cross.x * s, cross.y * s, cross.z * s, Math.cos(half));
    } else if (cosine >= 0) {
      out.identity();
    } else {
      aboutUp(from, out);
    }
  }

  /** Half a turn about the own up, or where that lies along the direction, about what is across. */
  private void aboutUp(Vector3d from, Quaterniond out) {
    cross.set(ownUp).fma(-ownUp.dot(from), from);
    if (cross.length() < 1e-6) {
      cross.set(axis).cross(up).rotate(unaimed);
      cross.fma(-cross.dot(from), from);
    }
    cross.normalize();
    out.set(cross.x, cross.y, cross.z, 0);
  }

  /** Turns the aimed pose about the direction of view until it is level, less near the vertical. */
  private void level() {
    double across = Math.hypot(first.x, first.z);
    double fromVertical = Math.atan2(across, Math.abs(first.y));
    double u = Math.min(1, fromVertical / FADE_FROM_VERTICAL_RAD);
    double share = u * u * (3 - 2 * u);
    if (share <= 0) {
      return;
    }
    ownUp.set(up).rotate(aimed);
    // the level up: the vertical less what of it lies along the view
    now.set(-first.y * first.x, 1 - first.y * first.y, -first.y * first.z).normalize();
    double sine = ownUp.cross(now, cross).dot(first);
    double angle = Math.atan2(sine, ownUp.dot(now)) * share;
    double s = Math.sin(angle / 2);
    turn.set(first.x * s, first.y * s, first.z * s, Math.cos(angle / 2));
    aimed.premul(turn);
  }

  /** So much of the way from the unaimed to the aimed turn, the short way. */
  private Quaterniond slerp(double weight) {
    aimed.normalize();
    if (unaimed.dot(aimed) < 0) {
      aimed.set(-aimed.x, -aimed.y, -aimed.z, -aimed.w);
    }
    unaimed.conjugate(turn).mul(aimed);
    double half = Math.atan2(length(turn), turn.w) * weight;
    scaleTo(turn, half);
    return unaimed.mul(turn, aimed).normalize();
  }
}

package idlelens.core.motion;

import idlelens.core.curve.Curve;
import idlelens.core.part.Chain;
import idlelens.core.part.Move;
import idlelens.core.part.Path;
import org.joml.Vector3d;

/**
 * What a move adds to the six numbers of a pose. Worked out from the keyed numbers alone, as they
 * are without any move, so that moves add up in any order.
 */
public final class Moving {
  /** Numbers of a pose: x, y, z in metres, pan, tilt, roll in degrees. */
  public static final int NUMBERS = 6;

  private static final double RAD = Math.PI / 180;

  private final Move move;
  private final Chain chain;
  private final double heading; // radians, when it begins
  private final double pitch;

  public Moving(Move move, Chain chain) {
    this.move = move;
    this.chain = chain;
    this.heading = chain.curve(Path.PAN).at(move.from()) * RAD;
    this.pitch = chain.curve(Path.TILT).at(move.from()) * RAD;
  }

  /**
   * Adds what it does at a frame.
   *
   * @param weight as much of it as takes effect
   * @param pivot place of the pivot in the node's own space, for an orbit or a crane
   * @param keyed the numbers of the pose as they are without any move
   * @param numbers of the pose, to be added to
   */
  public void add(double frame, double weight, Vector3d pivot, double[] keyed, double[] numbers) {
    double done = move.progress(frame) * weight;
    double far = move.amount() * done;
    switch (move.way()) {
      case PAN -> numbers[3] += far;
      case TILT -> numbers[4] += far;
      case ROLL -> numbers[5] += far;
      case PEDESTAL -> numbers[1] += far;
      case TRUCK -> {
        numbers[0] += far * Math.cos(heading);
        numbers[2] -= far * Math.sin(heading);
      }
      case DOLLY -> {
        numbers[0] -= far * Math.sin(heading) * Math.cos(pitch);
        numbers[1] += far * Math.sin(pitch);
        numbers[2] -= far * Math.cos(heading) * Math.cos(pitch);
      }
      case ORBIT -> orbit(far, arm(keyed, pivot), numbers);
      case CRANE -> crane(far, arm(keyed, pivot), numbers);
      case HOLD -> hold(frame, weight, numbers);
      case ZOOM -> {
        // the lens sees to it
      }
    }
  }

  private static Vector3d arm(double[] keyed, Vector3d pivot) {
    return new Vector3d(keyed[0], keyed[1], keyed[2]).sub(pivot);
  }

  private void orbit(double degrees, Vector3d arm, double[] numbers) {
    Vector3d turned = new Vector3d(arm).rotateY(degrees * RAD);
    add(turned.sub(arm), numbers);
    numbers[3] += degrees;
  }

  /** Up along the circle about the level line through the pivot, across the way to it. */
  private void crane(double degrees, Vector3d arm, double[] numbers) {
    double flat = Math.hypot(arm.x, arm.z);
    Vector3d axis =
        flat > 1e-9
            ? new Vector3d(arm.z / flat, 0, -arm.x / flat)
            : new Vector3d(Math.cos(heading), 0, -Math.sin(heading));
    Vector3d turned = new Vector3d(arm).rotateAxis(-degrees * RAD, axis.x, axis.y, axis.z);
    add(turned.sub(arm), numbers);
    numbers[4] -= degrees;
  }

  /** From its start to its end the numbers stay; behind it the keys go on from there, if held. */
  private void hold(double frame, double weight, double[] numbers) {
    boolean over = frame > move.to() && move.after() == Move.After.RETURNED;
    if (frame <= move.from() || over) {
      return;
    }
    double now = Math.min(frame, move.to());
    for (int i = 0; i < NUMBERS; i++) {
      Curve curve = chain.curve(Path.POSE.get(i));
      numbers[i] += weight * (curve.at(move.from()) - curve.at(now));
    }
  }

  private static void add(Vector3d step, double[] numbers) {
    numbers[0] += step.x;
    numbers[1] += step.y;
    numbers[2] += step.z;
  }

  /** Millimetres of focal length that a zoom adds at a frame. */
  public static double zoom(Move move, double frame, double weight) {
    return move.way() == Move.Way.ZOOM ? move.amount() * move.progress(frame) * weight : 0;
  }
}

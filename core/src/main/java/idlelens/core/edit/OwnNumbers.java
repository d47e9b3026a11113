package idlelens.core.edit;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Chain;
import idlelens.core.part.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import org.joml.Matrix3d;
import org.joml.Vector3d;

/** The six numbers that bring a node to a pose in the world, whatever carries it. */
final class OwnNumbers {
  /** Changes smaller than this, in metres or degrees, are rounding and set nothing. */
  private static final double NOTHING = 1e-10;

  /** Less than this share of a step, a hold lets nothing of it through that could be told apart. */
  private static final double LEAST_SHARE = 1e-3;

  private OwnNumbers() {}

  /** The pose that the six numbers of a chain make at a frame. */
  static RigidPose pose(Chain chain, double frame) {
    return RigidPose.of(
        chain.curve(Path.X).at(frame),
        chain.curve(Path.Y).at(frame),
        chain.curve(Path.Z).at(frame),
        Math.toRadians(chain.curve(Path.PAN).at(frame)),
        Math.toRadians(chain.curve(Path.TILT).at(frame)),
        Math.toRadians(chain.curve(Path.ROLL).at(frame)));
  }

  /** A chain without keys resting at a pose, its angles next to those it has. */
  static Chain rested(Chain chain, RigidPose own) {
    double[] near = new double[3];
    for (int i = 0; i < 3; i++) {
      near[i] = Math.toRadians(chain.curve(Path.TURN.get(i)).rest());
    }
    double[] turn = Turns.panTiltRoll(own.turn(), near);
    return chain.restingAt(
        own.x(),
        own.y(),
        own.z(),
        Math.toDegrees(turn[0]),
        Math.toDegrees(turn[1]),
        Math.toDegrees(turn[2]));
  }

  /**
   * The numbers that change.
   *
   * @param now the shot at the frame
   * @param to the pose in the world, before what is done to the node there
   * @param turned whether its turn is another one too; if not, its numbers stay
   */
  static Map<Path, Double> of(
      Evaluation now, String id, double frame, RigidPose to, boolean turned) {
    double[] keyed = now.keyedNumbers(id, 0);
    double[] with = now.movedNumbers(id, 0, keyed);
    RigidPose own = now.ownSpace(id, 0).inverse().times(to);
    Vector3d keyedStep = keyedStep(now, id, own.place().sub(with[0], with[1], with[2]));
    double[] wanted = with.clone();
    for (int i = 0; i < 3; i++) {
      wanted[i] += keyedStep.get(i);
    }
    if (turned) {
      double[] near = {Math.toRadians(with[3]), Math.toRadians(with[4]), Math.toRadians(with[5])};
      double[] turn = Turns.panTiltRoll(own.turn(), near);
      for (int i = 0; i < 3; i++) {
        wanted[3 + i] = Math.toDegrees(turn[i]);
      }
    }
    Chain chain = now.shot().node(id).chain();
    Map<Path, Double> changed = new LinkedHashMap<>();
    for (int i = 0; i < wanted.length; i++) {
      if (Math.abs(wanted[i] - with[i]) >= NOTHING) {
        Path path = Path.POSE.get(i);
        changed.put(path, chain.curve(path).at(frame) + wanted[i] - with[i]);
      }
    }
    return changed;
  }

  /**
   * What a way in the world, in metres, is for the keyed place, as far as it turns: in the node's
   * own space, and before an orbit turned it. What a hold keeps in place is moved as if it did not.
   */
  static Vector3d keyedWay(Evaluation now, String id, Vector3d way) {
    Vector3d own = new Vector3d(way).rotate(now.ownSpace(id, 0).turn().conjugate());
    if (!WithoutMoves.has(now.shot().node(id))) {
      return own;
    }
    double[] keyed = now.keyedNumbers(id, 0);
    Matrix3d moved = derivative(now, id, keyed, now.movedNumbers(id, 0, keyed));
    double share = Math.cbrt(moved.determinant());
    return share > LEAST_SHARE ? moved.invert().scale(share).transform(own) : own;
  }

  /** What a step of the place, in the node's own space, is as a step of the keyed one. */
  static Vector3d keyedStep(Evaluation now, String id, Vector3d step) {
    double[] keyed = now.keyedNumbers(id, 0);
    return behindMoves(now, id, keyed, now.movedNumbers(id, 0, keyed)).transform(step);
  }

  /** What a step of the moved place is as a step of the keyed one: an orbit turns it. */
  private static Matrix3d behindMoves(Evaluation now, String id, double[] keyed, double[] with) {
    Matrix3d moved = derivative(now, id, keyed, with);
    return Math.abs(moved.determinant()) > 1e-9 ? moved.invert() : new Matrix3d();
  }

  /** How the moved place changes with the keyed one; moves turn it, and holds make less of it. */
  private static Matrix3d derivative(Evaluation now, String id, double[] keyed, double[] with) {
    Matrix3d moved = new Matrix3d();
    for (int i = 0; i < 3; i++) {
      double[] tried = keyed.clone();
      tried[i] += 1;
      double[] there = now.movedNumbers(id, 0, tried);
      moved.setColumn(i, there[0] - with[0], there[1] - with[1], there[2] - with[2]);
    }
    return moved;
  }
}

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

  /** A step that is short against the arm of a move, in metres. */
  private static final double SHORT_M = 1e-3;

  /** A place as near as this, in metres, is reached. */
  private static final double ARRIVED_M = 1e-12;

  private static final int MOST_TRIES = 20;

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

  /** What a way in the world, in metres, is as a step of the keyed place. */
  static Vector3d keyedWay(Evaluation now, String id, Vector3d way) {
    return keyedStep(now, id, new Vector3d(way).rotate(now.ownSpace(id, 0).turn().conjugate()));
  }

  /**
   * What a step of the place, in the node's own space, is as a step of the keyed one, by Newton's
   * method: an orbit turns it, and a crane turns it otherwise at every place. Where moves let it
   * come nowhere near, as it would go if they were the same everywhere.
   */
  static Vector3d keyedStep(Evaluation now, String id, Vector3d step) {
    if (!WithoutMoves.has(now.shot().node(id))) {
      return step;
    }
    double[] keyed = now.keyedNumbers(id, 0);
    double[] tried = keyed.clone();
    Vector3d missing = new Vector3d(step);
    Vector3d wanted = place(now.movedNumbers(id, 0, keyed)).add(step);
    Vector3d first = behindMoves(now, id, keyed).transform(new Vector3d(step));
    for (int i = 0; i < MOST_TRIES && missing.length() > ARRIVED_M; i++) {
      Vector3d by = behindMoves(now, id, tried).transform(new Vector3d(missing));
      tried[0] += by.x;
      tried[1] += by.y;
      tried[2] += by.z;
      missing = place(now.movedNumbers(id, 0, tried)).sub(wanted).negate();
    }
    return missing.length() < NOTHING ? place(tried).sub(place(keyed)) : first;
  }

  private static Vector3d place(double[] numbers) {
    return new Vector3d(numbers[0], numbers[1], numbers[2]);
  }

  /**
   * What a short step of the moved place is as one of the keyed place; itself where none leads
   * there.
   */
  private static Matrix3d behindMoves(Evaluation now, String id, double[] keyed) {
    Matrix3d moved = new Matrix3d();
    Vector3d here = place(now.movedNumbers(id, 0, keyed));
    for (int i = 0; i < 3; i++) {
      double[] tried = keyed.clone();
      tried[i] += SHORT_M;
      moved.setColumn(i, place(now.movedNumbers(id, 0, tried)).sub(here).div(SHORT_M));
    }
    return Math.abs(moved.determinant()) > 1e-9 ? moved.invert() : new Matrix3d();
  }
}

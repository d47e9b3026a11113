package idlelens.core.edit;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Chain;
import idlelens.core.part.Path;
import java.util.LinkedHashMap;
import java.util.Map;

/** The six numbers that bring a node to a pose in the world, whatever carries it. */
final class OwnNumbers {
  /** Changes smaller than this, in metres or degrees, are rounding and set nothing. */
  private static final double NOTHING = 1e-10;

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
    Map<Path, Double> before = new LinkedHashMap<>();
    Path.POSE.forEach(c -> before.put(c, now.shot().node(id).chain().curve(c).at(frame)));
    RigidPose own = now.ownSpace(id, 0).inverse().times(to);
    Map<Path, Double> after = new LinkedHashMap<>();
    after.put(Path.X, own.x());
    after.put(Path.Y, own.y());
    after.put(Path.Z, own.z());
    if (turned) {
      double[] near = {
        Math.toRadians(before.get(Path.PAN)),
        Math.toRadians(before.get(Path.TILT)),
        Math.toRadians(before.get(Path.ROLL))
      };
      double[] turn = Turns.panTiltRoll(own.turn(), near);
      after.put(Path.PAN, Math.toDegrees(turn[0]));
      after.put(Path.TILT, Math.toDegrees(turn[1]));
      after.put(Path.ROLL, Math.toDegrees(turn[2]));
    }
    after.entrySet().removeIf(e -> Math.abs(e.getValue() - before.get(e.getKey())) < NOTHING);
    return after;
  }
}

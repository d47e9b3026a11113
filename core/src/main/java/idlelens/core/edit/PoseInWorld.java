package idlelens.core.edit;

import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Path;
import idlelens.core.rule.Require;
import idlelens.core.scene.Shot;
import java.util.Map;

/**
 * Puts a node where it is told in the world, whatever carries it; what is done to it in the world
 * comes on top.
 *
 * @param xM metres, as yM and zM
 * @param pan degrees, as tilt and roll
 */
public record PoseInWorld(
    String id,
    double frame,
    double xM,
    double yM,
    double zM,
    double pan,
    double tilt,
    double roll,
    Keying keying)
    implements Edit {
  private static final double FARTHEST_M = 1e5;
  private static final double MOST_DEG = 1e6;

  public PoseInWorld {
    Require.finite(frame, "frame");
    Require.within(xM, -FARTHEST_M, FARTHEST_M, "x");
    Require.within(yM, -FARTHEST_M, FARTHEST_M, "y");
    Require.within(zM, -FARTHEST_M, FARTHEST_M, "z");
    Require.within(pan, -MOST_DEG, MOST_DEG, "pan");
    Require.within(tilt, -MOST_DEG, MOST_DEG, "tilt");
    Require.within(roll, -MOST_DEG, MOST_DEG, "roll");
    Require.present(keying, "keying");
  }

  @Override
  public Shot apply(Shot shot) {
    RigidPose to =
        RigidPose.of(xM, yM, zM, Math.toRadians(pan), Math.toRadians(tilt), Math.toRadians(roll));
    Evaluation now = Evaluation.at(shot, frame);
    Map<Path, Double> changed = OwnNumbers.of(now, id, frame, to, true);
    return changed.isEmpty() ? shot : Keyed.write(shot, id, frame, changed, keying);
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).keys(id, Path.POSE).reliesOnMotion(id).done();
  }

  @Override
  public String summary() {
    return "Stand here";
  }
}

package idlelens.core.edit;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Path;
import idlelens.core.rule.Require;
import idlelens.core.scene.Shot;
import java.util.Map;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * Moves a node along the axes of the world, and turns it about the world's vertical, whatever
 * carries it; what is done to it in the world comes on top.
 *
 * @param turn degrees, counter-clockwise seen from above
 */
public record MoveInWorld(
    String id, double frame, double dxM, double dyM, double dzM, double turn, Keying keying)
    implements Edit {
  public MoveInWorld {
    Require.finite(frame, "frame");
    Require.within(dxM, -1e5, 1e5, "dx");
    Require.within(dyM, -1e5, 1e5, "dy");
    Require.within(dzM, -1e5, 1e5, "dz");
    Require.within(turn, -3600, 3600, "turn");
    Require.present(keying, "keying");
  }

  @Override
  public Shot apply(Shot shot) {
    Evaluation now = Evaluation.at(shot, frame);
    RigidPose world = now.carriedPose(id, 0);
    Quaterniond about = Turns.quaternion(Math.toRadians(turn), 0, 0);
    RigidPose moved =
        RigidPose.of(new Vector3d(world.place()).add(dxM, dyM, dzM), about.mul(world.turn()));
    Map<Path, Double> changed = OwnNumbers.of(now, id, frame, moved, turn != 0);
    return changed.isEmpty() ? shot : Keyed.write(shot, id, frame, changed, keying);
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).keys(id, Path.POSE).reliesOnMotion(id).done();
  }

  @Override
  public String summary() {
    return turn != 0 ? "Turn on the plan" : "Move on the plan";
  }
}

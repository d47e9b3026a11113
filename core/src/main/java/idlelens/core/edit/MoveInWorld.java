package idlelens.core.edit;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Path;
import idlelens.core.rule.Require;
import idlelens.core.scene.Shot;
import java.util.LinkedHashMap;
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
  /** Changes smaller than this, in metres or degrees, are rounding and set nothing. */
  private static final double NOTHING = 1e-10;

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
    RigidPose own = now.ownSpace(id, 0).inverse().times(moved);
    Map<Path, Double> before = new LinkedHashMap<>();
    Path.POSE.forEach(c -> before.put(c, shot.node(id).chain().curve(c).at(frame)));
    Map<Path, Double> changed = changes(before, own);
    return changed.isEmpty() ? shot : Keyed.write(shot, id, frame, changed, keying);
  }

  private Map<Path, Double> changes(Map<Path, Double> before, RigidPose own) {
    Map<Path, Double> after = new LinkedHashMap<>();
    after.put(Path.X, own.x());
    after.put(Path.Y, own.y());
    after.put(Path.Z, own.z());
    if (turn != 0) {
      double[] near = {
        Math.toRadians(before.get(Path.PAN)),
        Math.toRadians(before.get(Path.TILT)),
        Math.toRadians(before.get(Path.ROLL))
      };
      double[] turned = Turns.panTiltRoll(own.turn(), near);
      after.put(Path.PAN, Math.toDegrees(turned[0]));
      after.put(Path.TILT, Math.toDegrees(turned[1]));
      after.put(Path.ROLL, Math.toDegrees(turned[2]));
    }
    after.entrySet().removeIf(e -> Math.abs(e.getValue() - before.get(e.getKey())) < NOTHING);
    return after;
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

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
 * Carries a node around a point of the world, which it goes on seeing from the same side: about the
 * vertical through the point, and up and down about the level line through it. What is done to the
 * node in the world comes on top.
 *
 * @param aboutXM the point, in metres, as aboutYM and aboutZM
 * @param across degrees about the vertical, counter-clockwise seen from above
 * @param up degrees upwards, as far as 1° from straight above or below the point
 */
public record Orbit(
    String id,
    double frame,
    double aboutXM,
    double aboutYM,
    double aboutZM,
    double across,
    double up,
    Keying keying)
    implements Edit {
  private static final double STEEPEST = Math.toRadians(89);

  /** Nearer to the vertical through the point than this, in metres, there is no way up. */
  private static final double UPRIGHT = 1e-9;

  public Orbit {
    Require.finite(frame, "frame");
    Require.within(aboutXM, -1e5, 1e5, "about.x");
    Require.within(aboutYM, -1e5, 1e5, "about.y");
    Require.within(aboutZM, -1e5, 1e5, "about.z");
    Require.within(across, -3600, 3600, "across");
    Require.within(up, -3600, 3600, "up");
    Require.present(keying, "keying");
  }

  @Override
  public Shot apply(Shot shot) {
    Evaluation now = Evaluation.at(shot, frame);
    RigidPose moved = around(now.carriedPose(id, 0));
    Map<Path, Double> changed = OwnNumbers.of(now, id, frame, moved, true);
    return changed.isEmpty() ? shot : Keyed.write(shot, id, frame, changed, keying);
  }

  private RigidPose around(RigidPose world) {
    Vector3d about = new Vector3d(aboutXM, aboutYM, aboutZM);
    Quaterniond turn = Turns.quaternion(Math.toRadians(across), 0, 0);
    Vector3d arm = world.place().sub(about, new Vector3d()).rotate(turn);
    turn = rising(arm).mul(turn, new Quaterniond());
    Vector3d place = world.place().sub(about, new Vector3d()).rotate(turn).add(about);
    return RigidPose.of(place, turn.mul(world.turn(), new Quaterniond()));
  }

  /** The turn about the level line at right angles to an arm that lifts its end. */
  private Quaterniond rising(Vector3d arm) {
    double level = Math.hypot(arm.x, arm.z);
    if (level < UPRIGHT) {
      return new Quaterniond();
    }
    double now = Math.atan2(arm.y, level);
    double next = now + Math.toRadians(up);
    double lift = Math.max(-STEEPEST, Math.min(STEEPEST, next)) - now;
    boolean goesBack = up == 0 || Math.signum(lift) != Math.signum(up);
    return goesBack
        ? new Quaterniond()
        : new Quaterniond().rotateAxis(lift, -arm.z / level, 0, arm.x / level);
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).keys(id, Path.POSE).reliesOnMotion(id).done();
  }

  @Override
  public String summary() {
    return "Orbit";
  }
}

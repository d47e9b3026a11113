package idlelens.core.edit;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.List;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * Lays the pivot of a null elsewhere. Nothing that it carries moves, at any frame; what is turned
 * by hand later turns about the new place.
 *
 * @param id a null
 * @param frame the frame at which the new place is meant
 * @param x metres in the world
 * @param turn pan, tilt and roll in the world, in degrees, where its axes turn too; else empty
 * @param keep how its own motion is written where it turns, and another pivot is another motion:
 *     {@link Keep#EVERY_FRAME} or {@link Keep#FITTED}; with others that is refused
 */
public record Rebase(
    String id, double frame, double x, double y, double z, List<Double> turn, Keep keep)
    implements Edit {
  public Rebase {
    Require.present(id, "id");
    Require.finite(frame, "frame");
    Require.within(x, -1e5, 1e5, "x");
    Require.within(y, -1e5, 1e5, "y");
    Require.within(z, -1e5, 1e5, "z");
    Require.present(keep, "keep");
    turn = List.copyOf(turn);
    if (!turn.isEmpty() && turn.size() != 3) {
      throw new RefusedException("turn.count", turn.size(), "3 angles (pan, tilt, roll), or none");
    }
    turn.forEach(angle -> Require.within(angle, -1e6, 1e6, "turn"));
  }

  @Override
  public Shot apply(Shot shot) {
    RigidPose now = Evaluation.at(shot, frame).carriedPose(shot.node(id).id(), 0);
    Vector3d step = now.inverse().apply(new Vector3d(x, y, z));
    Quaterniond turned = turn.isEmpty() ? new Quaterniond() : now.turn().conjugate().mul(asked());
    return new Rebasing(shot, id, RigidPose.of(step, turned), keep).apply();
  }

  private Quaterniond asked() {
    return Turns.quaternion(
        Math.toRadians(turn.get(0)), Math.toRadians(turn.get(1)), Math.toRadians(turn.get(2)));
  }

  @Override
  public boolean writesMotion() {
    return keep.isMotion();
  }

  @Override
  public Footprint footprint(Shot shot) {
    return rebased(shot, id).done();
  }

  /** All that another pivot of a null changes, and what it relies on. */
  static Footprint.Builder rebased(Shot shot, String id) {
    Footprint.Builder places = Footprint.of(shot).changesChain(id).reliesOnMotion(id);
    places.writesMotion();
    places.changes(Place.carried(id), Place.readers(id)); // those that come to it meanwhile too
    for (Node node : shot.nodes()) {
      boolean reads =
          node.chain().parts().stream()
              .flatMap(p -> p.leans().stream())
              .anyMatch(lean -> lean.nodeId().equals(id));
      if (reads) {
        places.changesChain(node.id());
      }
    }
    return places;
  }

  @Override
  public String summary() {
    return "Move a pivot";
  }
}

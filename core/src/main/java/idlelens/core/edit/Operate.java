package idlelens.core.edit;

import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Chain;
import idlelens.core.part.Path;
import idlelens.core.rule.Require;
import idlelens.core.scene.Shot;
import idlelens.core.time.SampleGrid;
import java.util.LinkedHashMap;
import java.util.Map;
import org.joml.Vector3d;

/**
 * Drives a node from inside, as an operator moves a camera. Truck goes to the level right, pedestal
 * up the own space's vertical, dolly along the direction of view; then pan, tilt and roll turn it.
 *
 * @param truckM metres to the right
 * @param pedestalM metres up
 * @param dollyM metres forward
 * @param pan degrees to the left
 * @param tilt degrees up
 * @param roll degrees counter-clockwise seen from behind
 */
public record Operate(
    String id,
    double frame,
    double truckM,
    double pedestalM,
    double dollyM,
    double pan,
    double tilt,
    double roll,
    Keying keying)
    implements Edit {
  public Operate {
    Require.finite(frame, "frame");
    Require.within(truckM, -1e4, 1e4, "truck");
    Require.within(pedestalM, -1e4, 1e4, "pedestal");
    Require.within(dollyM, -1e4, 1e4, "dolly");
    Require.within(pan, -3600, 3600, "pan");
    Require.within(tilt, -3600, 3600, "tilt");
    Require.within(roll, -3600, 3600, "roll");
    Require.present(keying, "keying");
  }

  @Override
  public Shot apply(Shot shot) {
    Chain chain = shot.node(id).chain();
    Map<Path, Double> now = new LinkedHashMap<>();
    Path.POSE.forEach(c -> now.put(c, chain.curve(c).at(frame)));
    Vector3d move =
        WithoutMoves.has(shot.node(id))
            ? behindMoves(shot)
            : step(now.get(Path.PAN), now.get(Path.TILT));
    Map<Path, Double> next = new LinkedHashMap<>();
    change(next, now, Path.X, move.x);
    change(next, now, Path.Y, move.y);
    change(next, now, Path.Z, move.z);
    change(next, now, Path.PAN, pan);
    change(next, now, Path.TILT, tilt);
    change(next, now, Path.ROLL, roll);
    return next.isEmpty() ? shot : Keyed.write(shot, id, frame, next, keying);
  }

  /** Its way in its own space, as it is headed; degrees. */
  private Vector3d step(double pan, double tilt) {
    double heading = Math.toRadians(pan);
    double pitch = Math.toRadians(tilt);
    return new Vector3d(truckM, 0, 0)
        .rotate(Turns.quaternion(heading, 0, 0))
        .add(0, pedestalM, 0)
        .add(new Vector3d(0, 0, -dollyM).rotate(Turns.quaternion(heading, pitch, 0)));
  }

  /** The same where moves turn it further: an orbit that is on heads it otherwise than its keys. */
  private Vector3d behindMoves(Shot shot) {
    Evaluation at = Evaluation.ofSome(shot, SampleGrid.at(frame), shot.reachedFrom(id));
    double[] with = at.movedNumbers(id, 0, at.keyedNumbers(id, 0));
    return OwnNumbers.keyedStep(at, id, step(with[3], with[4]));
  }

  private static void change(Map<Path, Double> next, Map<Path, Double> now, Path path, double by) {
    if (by != 0) {
      next.put(path, now.get(path) + by);
    }
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places = Keyed.footprint(shot, id, Path.POSE, keying);
    return WithoutMoves.has(shot.node(id))
        ? places.reliesOnMotion(id).done()
        : WithoutMoves.relyOnNone(places, shot.node(id)).done();
  }

  @Override
  public String summary() {
    return "Operate";
  }
}

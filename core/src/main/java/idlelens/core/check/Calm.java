package idlelens.core.check;

import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.PoseTrack;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Shot;
import idlelens.core.time.SampleGrid;
import java.util.Set;

/**
 * A frame at which shake has what it shakes nearly in its place, so that it can be let go there.
 *
 * @param frame which
 * @param placeM how far it is from there, in metres
 * @param turnDeg and how it is turned, in degrees
 */
public record Calm(int frame, double placeM, double turnDeg) {
  /** Nearly none. */
  private static final double NEARLY_M = 0.002;

  private static final double NEARLY_DEG = 0.05;

  /** Degrees that count as much as a metre. */
  private static final double DEGREES_A_METRE = 40;

  /**
   * The next frame at which a node stands nearly where it would without any shake of its own or of
   * what carries it; where there is none until the end of the shot, the calmest.
   *
   * @param from the first frame that is asked about, within the range of the shot
   */
  public static Calm next(Shot shot, String nodeId, int from) {
    if (!shot.header().range().contains(from)) {
      throw new RefusedException(
          "from", from, shot.header().range().in() + " to " + shot.header().range().out());
    }
    Set<String> reached = shot.reachedFrom(nodeId);
    SampleGrid grid = new SampleGrid(from, shot.header().range().out() - from + 1, 1);
    PoseTrack shaken = Evaluation.ofSome(shot, grid, reached).of(nodeId).world();
    PoseTrack clean = Evaluation.ofSome(shot.calmed(reached), grid, reached).of(nodeId).world();
    Calm best = null;
    for (int i = 0; i < grid.count(); i++) {
      double place = shaken.pose(i).place().distance(clean.pose(i).place());
      double turn = Math.toDegrees(Turns.angleBetween(shaken.turn(i), clean.turn(i)));
      Calm now = new Calm(from + i, place, turn);
      if (place <= NEARLY_M && turn <= NEARLY_DEG) {
        return now;
      }
      best = best == null || now.unrest() < best.unrest() ? now : best;
    }
    return best;
  }

  private double unrest() {
    return placeM + turnDeg / DEGREES_A_METRE;
  }
}

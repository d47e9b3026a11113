package idlelens.core.check;

import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.Jumps;
import idlelens.core.motion.PoseTrack;
import idlelens.core.part.Part;
import idlelens.core.part.Smooth;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.smooth.Rest;
import idlelens.core.time.SampleGrid;
import java.util.NavigableSet;
import java.util.function.IntToDoubleFunction;

/**
 * What a card that smooths makes of the motion before it, over the frames of the shot; nothing is
 * measured across a jump.
 *
 * @param lagFrames by how much the smoothed motion comes later: the shift at which both are nearest
 *     to one another, between frames by a parabola
 * @param restFrames after the motion has come to rest, until this has too, within a hundredth
 * @param before unrest without the card
 * @param after unrest with it
 */
public record Smoothness(double lagFrames, int restFrames, Jerk before, Jerk after) {
  /**
   * Root mean square of the third derivative.
   *
   * @param place in metres a second cubed
   * @param turn in degrees a second cubed
   */
  public record Jerk(double place, double turn) {}

  private static final int LONGEST_LAG = 300;

  /**
   * @throws RefusedException if the part does not smooth
   */
  public static Smoothness of(Shot shot, String nodeId, String partId) {
    Node node = shot.node(nodeId);
    Part part = node.chain().part(partId);
    if (!(part instanceof Smooth smooth)) {
      throw new RefusedException("part", "'" + partId + "'", "a card that smooths");
    }
    SampleGrid grid = SampleGrid.over(shot.header().range(), 0);
    PoseTrack with = world(shot, node.withPartOn(partId, true), grid);
    PoseTrack without = world(shot, node.withPartOn(partId, false), grid);
    NavigableSet<Double> jumps = Jumps.of(shot, node);
    double fps = shot.header().rate().framesPerSecond();
    return new Smoothness(
        lag(with, without, Math.min(LONGEST_LAG, grid.count() / 2)),
        Rest.frames(smooth.way().filter(), Math.max(16, smooth.way().reach())),
        jerk(without, jumps, fps),
        jerk(with, jumps, fps));
  }

  private static PoseTrack world(Shot shot, Node node, SampleGrid grid) {
    Shot with = shot.withNode(node);
    return Evaluation.ofSome(with, grid, shot.reachedFrom(node.id())).of(node.id()).world();
  }

  /** The shift with the least mean square distance of place, or, where that stands, of turn. */
  private static double lag(PoseTrack with, PoseTrack without, int longest) {
    if (with.isStill() && without.isStill()) {
      return 0;
    }
    double[] off = new double[2 * longest + 1];
    int best = longest;
    for (int d = -longest; d <= longest; d++) {
      off[d + longest] = apart(with, without, d);
      best = off[d + longest] < off[best] - 1e-15 ? d + longest : best;
    }
    if (best == 0 || best == off.length - 1) {
      return best - (double) longest;
    }
    double bend = off[best - 1] - 2 * off[best] + off[best + 1];
    double between = bend > 0 ? (off[best - 1] - off[best + 1]) / (2 * bend) : 0;
    return best - longest + between;
  }

  /** Mean square distance between one motion and the other so many frames earlier. */
  private static double apart(PoseTrack with, PoseTrack without, int d) {
    int n = with.grid().count();
    double sum = 0;
    int count = 0;
    for (int i = Math.max(0, d); i < Math.min(n, n + d); i++) {
      int a = with.index(i);
      int b = without.index(i - d);
      double dx = with.x()[a] - without.x()[b];
      double dy = with.y()[a] - without.y()[b];
      double dz = with.z()[a] - without.z()[b];
      double turn = Turns.angleBetween(with.turn(i), without.turn(i - d));
      sum += dx * dx + dy * dy + dz * dz + turn * turn;
      count++;
    }
    return sum / count;
  }

  private static Jerk jerk(PoseTrack track, NavigableSet<Double> jumps, double fps) {
    double place = 0;
    double turn = 0;
    int count = 0;
    int n = track.grid().count();
    for (int i = 0; i + 3 < n; i++) {
      double first = track.grid().frame(i);
      if (!jumps.subSet(first, false, first + 3, true).isEmpty()) {
        continue;
      }
      double dx = third(i, k -> track.x()[track.index(k)]);
      double dy = third(i, k -> track.y()[track.index(k)]);
      double dz = third(i, k -> track.z()[track.index(k)]);
      place += dx * dx + dy * dy + dz * dz;
      double rate = rate(track, i) - 2 * rate(track, i + 1) + rate(track, i + 2);
      turn += rate * rate;
      count++;
    }
    double cubed = fps * fps * fps;
    double mean = count == 0 ? 0 : 1.0 / count;
    return new Jerk(cubed * Math.sqrt(place * mean), cubed * Math.sqrt(turn * mean));
  }

  private static double third(int i, IntToDoubleFunction value) {
    return value.applyAsDouble(i + 3)
        - 3 * value.applyAsDouble(i + 2)
        + 3 * value.applyAsDouble(i + 1)
        - value.applyAsDouble(i);
  }

  private static double rate(PoseTrack track, int i) {
    return Math.toDegrees(Turns.angleBetween(track.turn(i), track.turn(i + 1)));
  }
}

package idlelens.core.check;

import idlelens.core.geometry.Turns;
import idlelens.core.lens.Sight;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.PoseTrack;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.SampleGrid;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntToDoubleFunction;
import org.joml.Vector3d;

/**
 * What a part of a chain does to the motion: how far it takes the node from where it would be
 * without, over the frames of the shot.
 *
 * @param place in metres
 * @param turn in degrees
 * @param picture in picture widths, of what a camera sees at its focus distance; absent where the
 *     camera that was asked for does not move by it
 */
public record Effect(Amount place, Amount turn, Optional<Amount> picture) {
  private static final double ROUNDING = 1e-9;
  private static final double[][] POINTS = {
    {0, 0}, {-0.5, -0.5}, {0.5, -0.5}, {0.5, 0.5}, {-0.5, 0.5}
  };

  /**
   * How much.
   *
   * @param largest at any frame
   * @param frame where that is
   * @param rms root of the mean square over all frames
   * @param each at each frame
   */
  public record Amount(double largest, int frame, double rms, List<Double> each) {
    public Amount {
      each = List.copyOf(each);
    }

    private static Amount of(int first, int count, IntToDoubleFunction amount) {
      double largest = 0;
      int frame = first;
      double squares = 0;
      List<Double> each = new ArrayList<>(count);
      for (int i = 0; i < count; i++) {
        double now = amount.applyAsDouble(i);
        squares += now * now;
        each.add(now);
        if (now > largest) {
          largest = now;
          frame = first + i;
        }
      }
      return new Amount(largest, frame, Math.sqrt(squares / count), each);
    }
  }

  /**
   * @param nodeId whose part it is
   * @param partId the part, on or off
   * @param cameraId the camera whose picture is measured, or "" for none
   */
  public static Effect of(Shot shot, String nodeId, String partId, String cameraId) {
    Node node = shot.node(nodeId);
    Shot with = shot.withNode(node.withPartOn(partId, true));
    Shot without = shot.withNode(node.withPartOn(partId, false));
    Set<String> needed = new HashSet<>(shot.reachedFrom(nodeId));
    if (!cameraId.isEmpty()) {
      needed.addAll(shot.reachedFrom(cameraId));
    }
    SampleGrid grid = SampleGrid.over(shot.header().range(), 0);
    return between(
        Evaluation.ofSome(with, grid, needed),
        Evaluation.ofSome(without, grid, needed),
        nodeId,
        cameraId);
  }

  private static Effect between(
      Evaluation with, Evaluation without, String nodeId, String cameraId) {
    PoseTrack a = with.of(nodeId).world();
    PoseTrack b = without.of(nodeId).world();
    int first = (int) with.grid().first();
    int count = with.grid().count();
    Amount place = Amount.of(first, count, i -> a.pose(i).place().distance(b.pose(i).place()));
    Amount turn =
        Amount.of(first, count, i -> Math.toDegrees(Turns.angleBetween(a.turn(i), b.turn(i))));
    if (cameraId.isEmpty()) {
      return new Effect(place, turn, Optional.empty());
    }
    Views seen = new Views(with, cameraId);
    Views would = new Views(without, cameraId);
    double[] focus = without.of(cameraId).lens().orElseThrow().focusM();
    Amount picture =
        Amount.of(
            first, count, i -> widths(would.at(i), seen.at(i), focus[focus.length == 1 ? 0 : i]));
    return new Effect(
        place, turn, picture.largest() > ROUNDING ? Optional.of(picture) : Optional.empty());
  }

  /** The greatest way in the picture of what stands at a depth, in picture widths. */
  private static double widths(Sight would, Sight sees, double depthM) {
    double most = 0;
    for (double[] point : POINTS) {
      double[] from = {point[0], point[1] * would.height()};
      Vector3d at = sees.seen(would.world(from[0], from[1], depthM));
      if (at.z >= 0) {
        return 1; // out of sight altogether
      }
      double[] to = sees.inPicture(at);
      most = Math.max(most, Math.hypot(to[0] - from[0], to[1] - from[1]));
    }
    return most;
  }
}

package idlelens.core.edit;

import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.HandOver;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.SampleGrid;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/**
 * The frames on which a motion is read to be written into keys: all whole ones of a shot and its
 * handles, and those between them at which a node is handed over, since what is after goes on from
 * there.
 */
final class MotionFrames {
  private static final double WHOLE = 1e-6;

  private final SampleGrid grid;
  private final double[] between;
  private final double[] frames;

  private MotionFrames(SampleGrid grid, double[] between) {
    this.grid = grid;
    this.between = between;
    this.frames = new double[grid.count() + between.length];
    for (int i = 0; i < grid.count(); i++) {
      frames[i] = grid.frame(i);
    }
    System.arraycopy(between, 0, frames, grid.count(), between.length);
  }

  static MotionFrames of(Shot shot) {
    SampleGrid grid = SampleGrid.over(shot.header().range(), shot.header().handles());
    Set<Double> between = new TreeSet<>();
    for (Node node : shot.nodes()) {
      for (HandOver each : node.chain().carried().later()) {
        boolean inside = each.frame() > grid.first() && each.frame() < grid.last();
        if (inside && Math.abs(each.frame() - Math.rint(each.frame())) > WHOLE) {
          between.add(each.frame());
        }
      }
    }
    return new MotionFrames(grid, between.stream().mapToDouble(f -> f).toArray());
  }

  /** One frame alone. */
  static MotionFrames at(double frame) {
    return new MotionFrames(SampleGrid.at(frame), new double[0]);
  }

  int count() {
    return frames.length;
  }

  /** The whole frames in order, then those between them in order. */
  double frame(int i) {
    return frames[i];
  }

  /** The indices of the frames, in order of these. */
  int[] inOrder() {
    Integer[] order = new Integer[frames.length];
    Arrays.setAll(order, i -> i);
    Arrays.sort(order, (a, b) -> Double.compare(frames[a], frames[b]));
    return Arrays.stream(order).mapToInt(i -> i).toArray();
  }

  /**
   * @param needed the nodes that are read, and all that these read
   */
  Sampled sampled(Shot shot, Set<String> needed) {
    Evaluation whole = Evaluation.ofSome(shot, grid, needed);
    return new Sampled(
        grid.count(), whole, Arrays.stream(between).mapToObj(whole::moment).toList());
  }

  /** A motion read on these frames. */
  record Sampled(int count, Evaluation whole, List<Evaluation> between) {
    private Evaluation motion(int i) {
      return i < count ? whole : between.get(i - count);
    }

    private int sample(int i) {
      return i < count ? i : 0;
    }

    RigidPose pose(String id, int i) {
      return motion(i).pose(id, sample(i));
    }

    RigidPose carriedPose(String id, int i) {
      return motion(i).carriedPose(id, sample(i));
    }

    RigidPose ownSpace(String id, int i) {
      return motion(i).ownSpace(id, sample(i));
    }
  }
}

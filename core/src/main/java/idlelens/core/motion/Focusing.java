package idlelens.core.motion;

import idlelens.core.part.FocusMark;
import idlelens.core.part.FocusRule;
import idlelens.core.part.Lens;
import idlelens.core.part.Pull;
import idlelens.core.part.Target;
import idlelens.core.time.FrameRate;
import idlelens.core.time.SampleGrid;
import java.util.List;
import java.util.function.DoubleUnaryOperator;
import org.joml.Vector3d;

/**
 * Where a lens is focused by what its rule reads of other nodes and of its own pulls.
 *
 * @param rule where the distance comes from
 * @param on poses of the nodes that its targets are on, in their order; null for places
 * @param rate of the shot
 * @param earlier the distance of what is followed at a frame that is not on the grid
 */
record Focusing(FocusRule rule, List<PoseTrack> on, FrameRate rate, DoubleUnaryOperator earlier) {
  /** One over the farthest distance that can be told from infinity. */
  private static final double LEAST_TURN = 1 / Lens.FOCUS.most();

  /**
   * Distances in metres along the lens's axis.
   *
   * @param world pose of the lens
   * @param base what is added to them, or taken as it is where nothing is followed
   * @return one for each sample, or one for all
   */
  double[] metres(PoseTrack world, double[] base) {
    if (rule instanceof FocusRule.Follow follow) {
      return plus(base, followed(world, follow));
    }
    return rule instanceof FocusRule.Pulls pulls ? plus(base, pulled(world, pulls)) : base;
  }

  private double[] followed(PoseTrack world, FocusRule.Follow follow) {
    double[] now = distances(follow.target(), on.get(0), world);
    boolean still = now.length == 1 && world.grid().count() > 1;
    double[] out = follow.lag() == 0 || still ? now : late(now, world.grid(), follow.lag());
    for (int i = 0; i < out.length; i++) {
      out[i] += follow.offsetM();
    }
    return out;
  }

  /** What was so many frames ago. */
  private double[] late(double[] now, SampleGrid grid, int lag) {
    double[] out = new double[grid.count()];
    for (int i = 0; i < out.length; i++) {
      double frame = grid.frame(i) - lag;
      int sample = grid.sampleAt(frame);
      boolean here =
          sample >= 0 && sample < now.length && Math.abs(grid.frame(sample) - frame) < 1e-9;
      out[i] = here ? now[sample] : earlier.applyAsDouble(frame);
    }
    return out;
  }

  private double[] pulled(PoseTrack world, FocusRule.Pulls pulls) {
    SampleGrid grid = world.grid();
    Marks marks = new Marks(pulls, world);
    double[] out = new double[pulls.pulls().isEmpty() && marks.isStill() ? 1 : grid.count()];
    for (int i = 0; i < out.length; i++) {
      out[i] = marks.at(grid.frame(i), i);
    }
    return out;
  }

  /** The marks of a lens with their distances over time. */
  private final class Marks {
    private final FocusRule.Pulls pulls;
    private final double[][] metres;
    private final int[] markOf; // of each pull
    private int settled = -1; // the last pull that is over for good

    Marks(FocusRule.Pulls pulls, PoseTrack world) {
      this.pulls = pulls;
      this.metres = new double[pulls.marks().size()][];
      List<String> ids = pulls.marks().stream().map(FocusMark::id).toList();
      this.markOf = pulls.pulls().stream().mapToInt(p -> ids.indexOf(p.markId())).toArray();
      int read = 0;
      for (int m = 0; m < metres.length; m++) {
        FocusMark mark = pulls.marks().get(m);
        metres[m] =
            mark.on().isPresent()
                ? distances(mark.on().get(), on.get(read++), world)
                : new double[1];
        for (int i = 0; i < metres[m].length; i++) {
          metres[m][i] = Math.max(Lens.FOCUS.least(), metres[m][i] + mark.metres());
        }
      }
    }

    boolean isStill() {
      return metres[0].length == 1;
    }

    /** Where focus is; to be asked in the order of the frames. */
    double at(double frame, int sample) {
      List<Pull> all = pulls.pulls();
      int begun = settled + 1;
      double now = settled < 0 ? of(0, sample) : of(markOf[settled], sample);
      for (; begun < all.size() && all.get(begun).frame() <= frame; begun++) {
        Pull pull = all.get(begun);
        double mark = of(markOf[begun], sample);
        if (pull.isOver(frame, rate)) {
          settled = begun;
          now = mark;
        } else {
          now = between(now, mark, pull.share(frame, rate));
        }
      }
      return now;
    }

    private double of(int mark, int sample) {
      return metres[mark][metres[mark].length == 1 ? 0 : sample];
    }

    private double between(double from, double to, double share) {
      return pulls.along() == FocusRule.Along.METRES
          ? from + share * (to - from)
          : 1 / Math.max(LEAST_TURN, 1 / from + share * (1 / to - 1 / from));
    }
  }

  /** Distances along the axis of a lens to a target. */
  static double[] distances(Target target, PoseTrack on, PoseTrack world) {
    boolean still = world.isStill() && (on == null || on.isStill());
    double[] out = new double[still ? 1 : world.grid().count()];
    for (int i = 0; i < out.length; i++) {
      int w = world.index(i);
      double qx = world.qx()[w];
      double qy = world.qy()[w];
      double qz = world.qz()[w];
      double qw = world.qw()[w];
      // third column of the turn: the camera looks along its negative
      double backX = 2 * (qx * qz + qy * qw);
      double backY = 2 * (qy * qz - qx * qw);
      double backZ = 1 - 2 * (qx * qx + qy * qy);
      Vector3d at = place(target, on, i);
      out[i] =
          -(backX * (at.x - world.x()[w])
              + backY * (at.y - world.y()[w])
              + backZ * (at.z - world.z()[w]));
    }
    return out;
  }

  private static Vector3d place(Target target, PoseTrack on, int sample) {
    if (target instanceof Target.Place place) {
      return new Vector3d(place.x(), place.y(), place.z());
    }
    Target.OfNode node = (Target.OfNode) target;
    int t = on.index(sample);
    if (node.x() == 0 && node.y() == 0 && node.z() == 0) {
      return new Vector3d(on.x()[t], on.y()[t], on.z()[t]);
    }
    return node.in(on.pose(t));
  }

  /** Two rows of numbers added, each with one for all samples or one for each. */
  private static double[] plus(double[] more, double[] distances) {
    if (more.length == 1 && more[0] == 0) {
      return distances;
    }
    double[] sum = new double[Math.max(more.length, distances.length)];
    for (int i = 0; i < sum.length; i++) {
      sum[i] = more[more.length == 1 ? 0 : i] + distances[distances.length == 1 ? 0 : i];
    }
    return sum;
  }
}

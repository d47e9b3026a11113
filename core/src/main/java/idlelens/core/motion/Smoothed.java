package idlelens.core.motion;

import idlelens.core.geometry.Turns;
import idlelens.core.part.Parameter;
import idlelens.core.part.Smooth;
import idlelens.core.smooth.Filter;
import idlelens.core.smooth.Turning;
import idlelens.core.time.SampleGrid;
import java.util.List;
import java.util.NavigableSet;
import org.joml.Quaterniond;

/**
 * A card that smooths. The filter runs on the whole frames of the work grid, stretch by stretch
 * between jumps; elsewhere its outcome there is read between the frames. As much of that as weight,
 * window and limit say takes effect, at each moment for itself.
 */
final class Smoothed implements Stage {
  private final Smooth smooth;
  private final PartTrack values;
  private final NavigableSet<Double> jumps;
  private final boolean lens;
  private final Smoothed work;
  private Flow unfiltered;
  private Flow filtered;

  /**
   * @param smooth its settings
   * @param values its weight
   * @param jumps frames at which the node jumps
   * @param lens whether it reaches a lens
   * @param work the same stage on the work grid, already applied; null where this is that
   */
  Smoothed(
      Smooth smooth, PartTrack values, NavigableSet<Double> jumps, boolean lens, Smoothed work) {
    this.smooth = smooth;
    this.values = values;
    this.jumps = jumps;
    this.lens = lens && smooth.of().lens();
    this.work = work;
  }

  @Override
  public Flow apply(Flow before) {
    if (isWithout()) {
      return before;
    }
    if (work == null) {
      unfiltered = before;
      filtered = filtered(before);
      return blended(before, filtered);
    }
    return blended(before, work.between(before));
  }

  @Override
  public boolean touchesLens() {
    return lens;
  }

  private boolean isWithout() {
    double[] weight = values.values(Parameter.WEIGHT);
    return weight.length == 1 && weight[0] == 0;
  }

  // ---- on the work grid

  private Flow filtered(Flow before) {
    Filter filter = smooth.way().filter();
    List<int[]> stretches = Stretches.of(jumps, before.pose().grid());
    PoseTrack pose = before.pose();
    if (!pose.isStill()) {
      pose =
          new PoseTrack(
              pose.grid(),
              smooth.of().place() ? Stretches.numbers(filter, stretches, pose.x()) : pose.x(),
              smooth.of().place() ? Stretches.numbers(filter, stretches, pose.y()) : pose.y(),
              smooth.of().place() ? Stretches.numbers(filter, stretches, pose.z()) : pose.z(),
              pose.qx(),
              pose.qy(),
              pose.qz(),
              pose.qw());
      pose = smooth.of().turn() ? turned(pose, filter, stretches) : pose;
    }
    return lens
        ? new Flow(
            pose,
            Stretches.numbers(filter, stretches, before.focalMm()),
            Stretches.numbers(filter, stretches, before.focusM()))
        : before.with(pose);
  }

  private static PoseTrack turned(PoseTrack pose, Filter filter, List<int[]> stretches) {
    Turning turns =
        Stretches.turns(filter, stretches, new Turning(pose.qx(), pose.qy(), pose.qz(), pose.qw()));
    PoseTrack track =
        new PoseTrack(
            pose.grid(), pose.x(), pose.y(), pose.z(), turns.x(), turns.y(), turns.z(), turns.w());
    for (int i = 1; i < turns.count(); i++) {
      track.continueSign(i);
    }
    return track;
  }

  // ---- elsewhere

  /** What the filter makes of the motion on another grid. */
  private Flow between(Flow before) {
    SampleGrid grid = before.pose().grid();
    Between between = new Between(unfiltered, filtered, jumps);
    boolean still =
        unfiltered.pose().isStill()
            && before.pose().isStill()
            && (!lens || before.focalMm().length == 1 && before.focusM().length == 1);
    int count = still ? 1 : grid.count();
    PoseTrack pose = PoseTrack.empty(grid, still);
    double[] focal = lens ? new double[count] : null;
    double[] focus = lens ? new double[count] : null;
    for (int i = 0; i < count; i++) {
      between.pose(grid.frame(i), before.pose(), i, pose);
      if (lens) {
        focal[i] = between.focal(grid.frame(i), before.focalMm()[at(before.focalMm(), i)]);
        focus[i] = between.focus(grid.frame(i), before.focusM()[at(before.focusM(), i)]);
      }
      pose.continueSign(i);
    }
    return lens ? new Flow(pose, focal, focus) : before.with(pose);
  }

  private static int at(double[] values, int i) {
    return values.length == 1 ? 0 : i;
  }

  // ---- how much of it

  private Flow blended(Flow before, Flow after) {
    PoseTrack from = before.pose();
    PoseTrack to = after.pose();
    boolean whole =
        values.values(Parameter.WEIGHT).length == 1
            && values.values(Parameter.WEIGHT)[0] == 1
            && smooth.body().window().isOpen();
    if (whole && smooth.within().equals(Smooth.Within.OPEN)) {
      return after;
    }
    SampleGrid grid = from.grid();
    boolean still = from.isStill() && to.isStill() && whole;
    PoseTrack track = PoseTrack.empty(grid, still);
    for (int i = 0; i < track.x().length; i++) {
      blend(from, to, i, weight(i, grid), track);
      track.continueSign(i);
    }
    return lens
        ? new Flow(
            track,
            mixed(before.focalMm(), after.focalMm(), grid),
            mixed(before.focusM(), after.focusM(), grid))
        : before.with(track);
  }

  private double weight(int i, SampleGrid grid) {
    return values.value(Parameter.WEIGHT, i) * smooth.body().window().at(grid.frame(i));
  }

  private void blend(PoseTrack from, PoseTrack to, int i, double weight, PoseTrack out) {
    int a = from.index(i);
    int b = to.index(i);
    double dx = to.x()[b] - from.x()[a];
    double dy = to.y()[b] - from.y()[a];
    double dz = to.z()[b] - from.z()[a];
    double way = Math.sqrt(dx * dx + dy * dy + dz * dz);
    double limitM = smooth.within().cm().orElse(Double.POSITIVE_INFINITY) / 100;
    double share = weight * Limit.share(way, limitM);
    out.x()[i] = from.x()[a] + share * dx;
    out.y()[i] = from.y()[a] + share * dy;
    out.z()[i] = from.z()[a] + share * dz;
    Quaterniond turn = from.turn(i);
    Quaterniond goal = to.turn(i);
    double limitDeg = smooth.within().degrees().orElse(Double.POSITIVE_INFINITY);
    double angle = Math.toDegrees(Turns.angleBetween(turn, goal));
    turn.slerp(goal, weight * Limit.share(angle, limitDeg)).normalize();
    out.qx()[i] = turn.x;
    out.qy()[i] = turn.y;
    out.qz()[i] = turn.z;
    out.qw()[i] = turn.w;
  }

  private double[] mixed(double[] from, double[] to, SampleGrid grid) {
    double[] out = new double[grid.count()];
    for (int i = 0; i < out.length; i++) {
      double a = from[at(from, i)];
      out[i] = a + weight(i, grid) * (to[at(to, i)] - a);
    }
    return out;
  }

  @Override
  public boolean sameAs(Stage other) {
    return other instanceof Smoothed that
        && values.shares(that.values)
        && lens == that.lens
        && work == that.work
        && jumps.equals(that.jumps)
        && settings(smooth).equals(settings(that.smooth));
  }

  private static Object settings(Smooth all) {
    return List.of(all.way(), all.of(), all.within(), all.body().window());
  }
}

package idlelens.core.motion;

import idlelens.core.geometry.RigidPose;
import idlelens.core.scene.Node;
import idlelens.core.set.Repetition;
import idlelens.core.time.SampleGrid;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * Where the copies of what repeats carry stand: {@code W_k(t) = R(t) * step^k * L(t - delay_k)},
 * with R the repeat in the world and L what it carries, seen from it. Between whole frames L is
 * interpolated, in turn by slerp.
 */
public final class Copies {
  private final Evaluation motion;
  private final Map<String, Evaluation> wide = new HashMap<>();
  private final Map<String, PoseTrack> own = new HashMap<>();
  private final Map<String, RigidPose[]> steps = new HashMap<>();

  /**
   * @param motion one sample a frame
   */
  public Copies(Evaluation motion) {
    this.motion = motion;
  }

  /**
   * What is repeated as its repeat sees it, on all frames that its copies show.
   *
   * @param node a node that a repeat carries for all frames
   */
  public PoseTrack own(Node node, Node.Repeat repeat) {
    return own.computeIfAbsent(
        node.id(),
        id -> {
          Evaluation frames = frames(repeat);
          return frames.of(id).world().seenFrom(frames.of(repeat.id()).world());
        });
  }

  /** The motion on all frames that copies of a repeat show: those of the shot where none lag. */
  private Evaluation frames(Node.Repeat repeat) {
    Repetition all = repeat.repetition();
    if (!all.isSpreadInTime()) {
      return motion;
    }
    return wide.computeIfAbsent(
        repeat.id(),
        id -> {
          double latest =
              Math.max(0, Math.max(all.later() * all.first(), all.later() * all.last()));
          double earliest =
              Math.min(0, Math.min(all.later() * all.first(), all.later() * all.last()));
          int before = (int) Math.ceil(latest + all.spread());
          int after = (int) Math.ceil(-earliest);
          SampleGrid grid = motion.grid();
          SampleGrid more = new SampleGrid(grid.first() - before, grid.count() + before + after, 1);
          Set<String> ids = new HashSet<>(Set.of(id));
          motion.shot().family(id).forEach(n -> ids.add(n.id()));
          return Evaluation.ofSome(motion.shot(), more, ids);
        });
  }

  /**
   * The pose in the world of a copy at a sample of the motion.
   *
   * @param k the number of the copy
   */
  public RigidPose pose(Node node, Node.Repeat repeat, int k, int sample) {
    Repetition all = repeat.repetition();
    PoseTrack track = own(node, repeat);
    RigidPose own =
        track.isStill()
            ? track.pose(0)
            : between(track, motion.grid().frame(sample) - all.delay(k) - track.grid().first());
    return motion.pose(repeat.id(), sample).times(step(repeat, k)).times(own);
  }

  private RigidPose step(Node.Repeat repeat, int k) {
    Repetition all = repeat.repetition();
    RigidPose[] known =
        steps.computeIfAbsent(
            repeat.id(),
            id ->
                IntStream.rangeClosed(all.first(), all.last())
                    .mapToObj(all::at)
                    .toArray(RigidPose[]::new));
    return known[k - all.first()];
  }

  private static RigidPose between(PoseTrack track, double at) {
    int from = Math.max(0, Math.min(track.grid().count() - 1, (int) Math.floor(at)));
    double share = at - from;
    if (share <= 0 || from + 1 >= track.grid().count()) {
      return track.pose(from);
    }
    RigidPose a = track.pose(from);
    RigidPose b = track.pose(from + 1);
    return RigidPose.of(
        a.place().lerp(b.place(), share, new Vector3d()),
        a.turn().slerp(b.turn(), share, new Quaterniond()));
  }
}

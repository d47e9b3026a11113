package idlelens.core.check;

import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.Sight;
import idlelens.core.motion.Evaluation;
import idlelens.core.rule.Require;
import idlelens.core.rule.StoppedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameRange;
import idlelens.core.time.SampleGrid;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * A number of frames after which the picture of a camera comes back and goes on as it did before,
 * because it has passed whole steps of a repeat or has come round.
 *
 * @param frames the period
 * @param out the last frame of a loop of that length
 * @param repeatId the repeat it passed, or "" if it came round
 * @param steps how many of its steps
 * @param widths how far what is in focus is off in the picture at the most, in picture widths
 * @param open what on set does not come back with it
 */
public record Period(
    int frames, int out, String repeatId, int steps, double widths, List<String> open) {
  /** The longest period that is looked for. */
  public static final int MOST_FRAMES = 5000;

  private static final int MOST_FOUND = 6;

  /** The most steps of a repeat that a loop may pass. */
  private static final int MOST_STEPS = 48;

  /** Frames behind the seam that must be alike too. */
  private static final int GOES_ON = 3;

  /** Farther off than this, in picture widths, nothing has come back. */
  private static final double FAR = 0.02;

  /** How much farther away it must have been in between, so that a period is no mere stillness. */
  private static final double LEFT = 20;

  private static final double ROUNDING = 1e-9;

  /**
   * The best ones, the nearest to a closed seam first; of those that close alike the shortest.
   *
   * @param most the longest period looked for, in frames
   */
  public static List<Period> find(Shot shot, String camera, int most) {
    Require.within(most, 2, MOST_FRAMES, "most");
    FrameRange range = shot.header().range();
    Set<String> needed = new HashSet<>(shot.reachedFrom(shot.camera(camera).id()));
    List<Node.Repeat> repeats = new ArrayList<>();
    for (Node node : shot.nodes()) {
      if (node instanceof Node.Repeat repeat) {
        repeats.add(repeat);
        needed.addAll(shot.reachedFrom(repeat.id()));
      }
    }
    SampleGrid grid = new SampleGrid(range.in(), most + GOES_ON, 1);
    Search search = new Search(Evaluation.ofSome(shot, grid, needed), camera, most);
    List<Period> found = new ArrayList<>(search.over(null, 0));
    for (Node.Repeat repeat : repeats) {
      int steps = Math.min(MOST_STEPS, repeat.repetition().count() - 1);
      for (int k = -steps; k <= steps; k++) {
        if (k != 0) {
          found.addAll(search.over(repeat, k));
        }
      }
    }
    found.sort(
        Comparator.<Period>comparingDouble(p -> Math.rint(p.widths() / ROUNDING))
            .thenComparingInt(Period::frames));
    return found.stream().limit(MOST_FOUND).map(p -> p.withOpen(shot)).toList();
  }

  private Period withOpen(Shot shot) {
    FrameRange range = new FrameRange(shot.header().range().in(), out);
    Shot loop =
        shot.withHeader(
            shot.header().withTime(shot.header().rate(), range, shot.header().handles()));
    List<String> names =
        OpenAtSeam.find(loop, new Seam.Sides(loop, repeatId, steps), CameraChecks.CLOSED).stream()
            .map(OpenAtSeam::nodeId)
            .toList();
    return new Period(frames, out, repeatId, steps, widths, names);
  }

  /** Looks along the frames for one step of one repeat. */
  private static final class Search {
    private final Evaluation motion;
    private final Views views;
    private final String camera;
    private final int most;

    Search(Evaluation motion, String camera, int most) {
      this.motion = motion;
      this.views = new Views(motion, camera);
      this.camera = camera;
      this.most = most;
    }

    List<Period> over(Node.Repeat repeat, int steps) {
      StoppedException.check();
      double[] off = new double[most + 1];
      for (int p = 1; p <= most; p++) {
        off[p] = off(repeat, steps, p, 0);
      }
      List<Period> found = new ArrayList<>();
      double away = 0;
      for (int p = 2; p < most; p++) {
        away = Math.max(away, off[p - 1]);
        boolean least = off[p] <= off[p - 1] && off[p] < off[p + 1];
        if (least && off[p] < FAR && away > LEFT * off[p] + ROUNDING) {
          double all = off[p];
          for (int ahead = 1; ahead < GOES_ON; ahead++) {
            all = Math.max(all, off(repeat, steps, p, ahead));
          }
          if (all < FAR) {
            int out = motion.shot().header().range().in() + p - 1;
            found.add(new Period(p, out, repeat == null ? "" : repeat.id(), steps, all, List.of()));
          }
        }
      }
      return found;
    }

    /** How far apart the pictures so many frames behind the start and a period later are. */
    private double off(Node.Repeat repeat, int steps, int period, int ahead) {
      Sight first = views.at(ahead);
      RigidPose wanted = first.pose();
      if (repeat != null) {
        RigidPose from = motion.pose(repeat.id(), ahead);
        RigidPose to = motion.pose(repeat.id(), ahead + period);
        wanted = to.times(repeat.repetition().at(steps)).times(from.inverse()).times(wanted);
      }
      Sight moved = first.from(wanted);
      double focus = motion.of(camera).lens().orElseThrow().focusM()[0];
      return Seam.jump(moved, views.at(ahead + period), focus);
    }
  }
}

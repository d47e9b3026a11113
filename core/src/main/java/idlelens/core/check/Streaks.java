package idlelens.core.check;

import idlelens.core.motion.Evaluation;
import idlelens.core.motion.Jumps;
import idlelens.core.motion.LensTrack;
import idlelens.core.part.Lens;
import idlelens.core.rule.Require;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameRange;
import idlelens.core.time.SampleGrid;
import java.util.List;
import java.util.NavigableSet;
import java.util.OptionalDouble;

/**
 * How long what stands still at a depth is drawn out while the shutter is open, and where it
 * judders.
 *
 * @param metres the depth on each frame
 * @param widths how fast it passes, in picture widths a frame
 * @param streak how long it is drawn out, in picture widths
 * @param judder where it passes faster than a pan should
 */
public record Streaks(double[] metres, double[] widths, double[] streak, List<Judder> judder) {
  /**
   * Over the range of a shot.
   *
   * @param cameraId the id of a camera
   * @param depthM along the axis of the camera, 0.001 to 1e6; that of the focus if left out
   */
  public static Streaks of(Shot shot, String cameraId, OptionalDouble depthM) {
    depthM.ifPresent(depth -> Require.within(depth, 0.001, 1e6, "metres"));
    FrameRange range = shot.header().range();
    int n = range.length();
    SampleGrid grid = new SampleGrid(range.in() - 1.0, n + 2, 1);
    Evaluation motion = Evaluation.ofSome(shot, grid, shot.reachedFrom(shot.camera(cameraId).id()));
    Views views = new Views(motion, cameraId);
    LensTrack lens = motion.of(cameraId).lens().orElseThrow();
    NavigableSet<Double> jumps = Jumps.of(shot, shot.node(cameraId));
    double[] metres = new double[n];
    double[] widths = new double[n];
    double[] streak = new double[n];
    double[] shutter = new double[n];
    for (int i = 0; i < n; i++) {
      metres[i] = depthM.orElse(lens.focusM()[lens.index(i + 1)]);
      widths[i] = Passing.at(motion, views, jumps, i + 1).widths(metres[i]);
      shutter[i] = lens.value(Lens.SHUTTER, i + 1);
      streak[i] = widths[i] * shutter[i] / 360;
    }
    List<Judder> judder = Judder.find(range.in(), widths, shot.header().rate(), shutter);
    return new Streaks(metres, widths, streak, judder);
  }
}

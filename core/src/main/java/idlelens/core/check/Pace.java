package idlelens.core.check;

import idlelens.core.motion.Jumps;
import idlelens.core.motion.PoseTrack;
import idlelens.core.time.FrameRate;
import java.util.NavigableSet;

/** How fast something moves in the world. */
public final class Pace {
  private Pace() {}

  /**
   * Speed in metres a second on every sample, by central differences, one-sided at the ends and
   * beside a jump.
   *
   * @param jumps frames at which it jumps
   * @return one number for each sample, or a single 0 for a still track
   */
  public static double[] metresPerSecond(
      PoseTrack track, FrameRate rate, NavigableSet<Double> jumps) {
    int n = track.x().length;
    double[] speed = new double[n];
    double perStep = rate.framesPerSecond() * track.grid().stepsPerFrame();
    for (int i = 0; i < n && n > 1; i++) {
      int from = i - (i > 0 && !isApart(track, i - 1, jumps) ? 1 : 0);
      int to = i + (i + 1 < n && !isApart(track, i, jumps) ? 1 : 0);
      double dx = track.x()[to] - track.x()[from];
      double dy = track.y()[to] - track.y()[from];
      double dz = track.z()[to] - track.z()[from];
      speed[i] = Math.sqrt(dx * dx + dy * dy + dz * dz) / Math.max(1, to - from) * perStep;
    }
    return speed;
  }

  /** Whether it jumps between a sample and the next. */
  private static boolean isApart(PoseTrack track, int i, NavigableSet<Double> jumps) {
    return Jumps.isBetween(jumps, track.grid().frame(i), track.grid().frame(i + 1));
  }
}

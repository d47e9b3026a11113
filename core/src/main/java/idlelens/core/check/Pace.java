package idlelens.core.check;

import idlelens.core.motion.PoseTrack;
import idlelens.core.time.FrameRate;

/** How fast something moves in the world. */
public final class Pace {
  private Pace() {}

  /**
   * Speed in metres a second on every sample, by central differences, one-sided at the ends.
   *
   * @return one number for each sample, or a single 0 for a still track
   */
  public static double[] metresPerSecond(PoseTrack track, FrameRate rate) {
    int n = track.x().length;
    double[] speed = new double[n];
    double perStep = rate.framesPerSecond() * track.grid().stepsPerFrame();
    for (int i = 0; i < n && n > 1; i++) {
      int from = Math.max(0, i - 1);
      int to = Math.min(n - 1, i + 1);
      double dx = track.x()[to] - track.x()[from];
      double dy = track.y()[to] - track.y()[from];
      double dz = track.z()[to] - track.z()[from];
      speed[i] = Math.sqrt(dx * dx + dy * dy + dz * dz) / (to - from) * perStep;
    }
    return speed;
  }
}

package idlelens.core.check;

import idlelens.core.rule.Require;
import idlelens.core.time.FrameRate;
import java.util.ArrayList;
import java.util.List;

/**
 * Frames in which the picture passes so fast that single frames are seen: a pan should take 7
 * seconds or more for a full picture width at 24 frames a second and a shutter of 180 degrees, less
 * at higher rates and wider shutters.
 *
 * @param from first frame
 * @param to last frame
 * @param seconds how long a full width takes where it is fastest
 * @param least how long it should take
 */
public record Judder(int from, int to, double seconds, double least) {
  private static final double LEAST_S = 7;
  private static final double OF_RATE = 24;
  private static final double OF_SHUTTER = 180;

  /** Seconds that a full picture width should take. */
  public static double leastSeconds(FrameRate rate, double shutterDeg) {
    Require.within(shutterDeg, 1, 360, "shutter");
    return LEAST_S * (OF_RATE / rate.framesPerSecond()) * (OF_SHUTTER / shutterDeg);
  }

  /**
   * @param in frame of the first number
   * @param widths picture widths a frame
   * @param shutterDeg shutter angle in degrees, 1 to 360
   */
  public static List<Judder> find(int in, double[] widths, FrameRate rate, double shutterDeg) {
    double least = leastSeconds(rate, shutterDeg);
    List<Judder> found = new ArrayList<>();
    for (int i = 0; i < widths.length; i++) {
      double fastest = 0;
      int from = i;
      while (i < widths.length && seconds(widths[i], rate) < least) {
        fastest = Math.max(fastest, widths[i++]);
      }
      if (i > from) {
        found.add(new Judder(in + from, in + i - 1, seconds(fastest, rate), least));
      }
    }
    return found;
  }

  private static double seconds(double widths, FrameRate rate) {
    return 1 / (widths * rate.framesPerSecond()); // infinite where nothing moves
  }
}

package idlelens.core.check;

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

  /**
   * Seconds that a full picture width should take.
   *
   * @param shutterDeg shutter angle in degrees; above a whole turn it is no wider, and shut it is
   *     as at one degree
   */
  public static double leastSeconds(FrameRate rate, double shutterDeg) {
    double open = Math.max(1, Math.min(360, shutterDeg));
    return LEAST_S * (OF_RATE / rate.framesPerSecond()) * (OF_SHUTTER / open);
  }

  /**
   * @param in frame of the first number
   * @param widths picture widths a frame
   * @param shutterDeg shutter angle in degrees, for each of them
   */
  public static List<Judder> find(int in, double[] widths, FrameRate rate, double[] shutterDeg) {
    List<Judder> found = new ArrayList<>();
    for (int i = 0; i < widths.length; i++) {
      int from = i;
      int worst = i;
      while (i < widths.length && seconds(widths[i], rate) < leastSeconds(rate, shutterDeg[i])) {
        worst = widths[i] > widths[worst] ? i : worst;
        i++;
      }
      if (i > from) {
        double least = leastSeconds(rate, shutterDeg[worst]);
        found.add(new Judder(in + from, in + i - 1, seconds(widths[worst], rate), least));
      }
    }
    return found;
  }

  private static double seconds(double widths, FrameRate rate) {
    return 1 / (widths * rate.framesPerSecond()); // infinite where nothing moves
  }
}

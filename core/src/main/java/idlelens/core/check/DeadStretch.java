package idlelens.core.check;

import java.util.ArrayList;
import java.util.List;

/**
 * Frames within a move at which a camera as good as stands still. Those before the move begins and
 * after it ends are none.
 *
 * @param from first frame
 * @param to last frame
 */
public record DeadStretch(int from, int to) {
  /**
   * @param in frame of the first number
   * @param metresPerSecond speed of the place, one number a frame
   * @param degreesPerSecond speed of the turn
   * @param leastM speed of the place from which it moves, in metres a second
   * @param leastDeg speed of the turn from which it moves, in degrees a second
   */
  public static List<DeadStretch> find(
      int in, double[] metresPerSecond, double[] degreesPerSecond, double leastM, double leastDeg) {
    List<DeadStretch> found = new ArrayList<>();
    int moved = -1; // the last index at which it moved
    for (int i = 0; i < metresPerSecond.length; i++) {
      if (metresPerSecond[i] >= leastM || degreesPerSecond[i] >= leastDeg) {
        if (moved >= 0 && i > moved + 1) {
          found.add(new DeadStretch(in + moved + 1, in + i - 1));
        }
        moved = i;
      }
    }
    return found;
  }
}

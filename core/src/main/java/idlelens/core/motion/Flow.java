package idlelens.core.motion;

import java.util.Arrays;

/**
 * What passes through a chain: where the node is, and of a camera what its lens is set to. Arrays
 * have one number for each sample, or one for all; nobody writes to them.
 *
 * @param pose place and turn; null before the first stage
 * @param focalMm focal length in millimetres, or null for what has no lens
 * @param focusM focus distance in metres, or, where focus follows a target, what is added to that;
 *     null for what has no lens
 */
record Flow(PoseTrack pose, double[] focalMm, double[] focusM) {
  Flow with(PoseTrack other) {
    return new Flow(other, focalMm, focusM);
  }

  boolean hasLens() {
    return focalMm != null;
  }

  /** Whether the lens is the same. */
  boolean sameLens(Flow other) {
    return same(focalMm, other.focalMm) && same(focusM, other.focusM);
  }

  private static boolean same(double[] one, double[] other) {
    return one == other || Arrays.equals(one, other);
  }
}

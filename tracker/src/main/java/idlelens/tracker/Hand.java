package idlelens.tracker;

import idlelens.core.geometry.RigidPose;
import idlelens.core.shake.Noise;

/**
 * A hand that is never still and walks about in a stage of a few metres, looking around. The same
 * seed moves the same, at every rate.
 *
 * @param seed which hand
 */
public record Hand(long seed) {
  private static final double UNREST_HZ = 0.9;
  private static final double[] UNREST = {0.012, 0.01, 0.008, 0.9, 0.7, 0.5};
  private static final int OCTAVES = 3;
  private static final double ROUGHNESS = 0.4;
  private static final double HEIGHT_M = 1.55;
  private static final double AROUND_S = 17;

  /** Where it holds the tracker after so many seconds: metres, +Y up, along -Z. */
  public RigidPose at(double seconds) {
    double[] off = new double[UNREST.length];
    double[] value = new double[1];
    for (int c = 0; c < off.length; c++) {
      new Noise(seed, c, OCTAVES, ROUGHNESS).fill(new double[] {seconds * UNREST_HZ}, 0, value);
      off[c] = UNREST[c] * value[0];
    }
    double round = 2 * Math.PI * seconds / AROUND_S;
    return RigidPose.of(
        0.8 * Math.sin(round) + off[0],
        HEIGHT_M + off[1],
        -0.5 * (1 - Math.cos(round)) + off[2],
        Math.toRadians(25 * Math.sin(2 * round) + off[3]),
        Math.toRadians(-4 + 5 * Math.sin(3 * round) + off[4]),
        Math.toRadians(off[5]));
  }
}

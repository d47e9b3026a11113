package idlelens.core.shake;

import idlelens.core.rule.Require;

/**
 * A sine that may swell and sink slowly itself: {@code sin(2 pi cycles + phase)} times a beat from
 * 1 down to {@code 1 - depth} and back.
 *
 * @param phaseDeg how far it is on at the start, in degrees
 * @param beatDepth how much of it the beat takes away, 0 to 1
 */
public record Wave(double phaseDeg, double beatDepth) {
  public Wave {
    Require.finite(phaseDeg, "phase");
    Require.within(beatDepth, 0, 1, "beat.depth");
  }

  /**
   * Its values.
   *
   * @param cycles gone at each sample
   * @param beats gone at each sample
   * @param out for each sample a number in [-1, 1]
   */
  public void fill(double[] cycles, double[] beats, double[] out) {
    double phase = Math.toRadians(phaseDeg);
    for (int i = 0; i < out.length; i++) {
      double sunk =
          beatDepth == 0 ? 0 : beatDepth * (1 - StrictMath.cos(2 * Math.PI * beats[i])) / 2;
      out[i] = (1 - sunk) * StrictMath.sin(2 * Math.PI * cycles[i] + phase);
    }
  }
}

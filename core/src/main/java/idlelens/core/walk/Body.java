package idlelens.core.walk;

import idlelens.core.rule.Require;

/**
 * Who walks.
 *
 * @param eyeM how high the camera is over the ground, 0.1 to 20 m
 * @param speedMps how fast it walks, 0.05 to 50 m/s; hurrying, twice as fast
 * @param stepM how high a step it takes, 0 to 2 m
 * @param jumpM how high it jumps, 0 to 10 m
 */
public record Body(double eyeM, double speedMps, double stepM, double jumpM) {
  /** Somebody of 1.72 m at a stroll. */
  public static final Body USUAL = new Body(1.6, 1.4, 0.35, 0.4);

  public Body {
    Require.within(eyeM, 0.1, 20, "body.eye");
    Require.within(speedMps, 0.05, 50, "body.speed");
    Require.within(stepM, 0, 2, "body.step");
    Require.within(jumpM, 0, 10, "body.jump");
  }
}

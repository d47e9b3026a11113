package idlelens.core.walk;

import idlelens.core.geometry.RigidPose;
import idlelens.core.rule.Require;

/**
 * How a body stands at a moment: all that the next moment depends on.
 *
 * @param step how many steps of time it has come from the beginning, 0 or more
 * @param x metres, of its feet
 * @param y metres, of its feet
 * @param z metres, of its feet
 * @param liftM how far its eyes are from their height over its feet: a step is taken softly
 * @param headingDeg degrees to the left of -Z
 * @param tiltDeg degrees up, -90 to 90
 * @param rollDeg degrees counter-clockwise seen from behind
 * @param speedX metres a second
 * @param speedY metres a second, while it is in the air
 * @param speedZ metres a second
 * @param focalMm millimetres, more than 0
 * @param on which of the obstacles of the ground it stands on; {@link #NOTHING} in the air
 */
public record Stance(
    long step,
    double x,
    double y,
    double z,
    double liftM,
    double headingDeg,
    double tiltDeg,
    double rollDeg,
    double speedX,
    double speedY,
    double speedZ,
    double focalMm,
    int on) {
  /** What it stands on in the air. */
  public static final int NOTHING = -1;

  private static final double FARTHEST_M = 1e6;
  private static final double FASTEST = 1e4;
  private static final double MOST_DEG = 1e7;
  private static final long MOST_STEPS = 100_000_000L;

  public Stance {
    Require.within((double) step, 0, MOST_STEPS, "stance.step");
    Require.within(x, -FARTHEST_M, FARTHEST_M, "stance.x");
    Require.within(y, -FARTHEST_M, FARTHEST_M, "stance.y");
    Require.within(z, -FARTHEST_M, FARTHEST_M, "stance.z");
    Require.within(liftM, -FARTHEST_M, FARTHEST_M, "stance.lift");
    Require.within(headingDeg, -MOST_DEG, MOST_DEG, "stance.heading");
    Require.within(tiltDeg, -90, 90, "stance.tilt");
    Require.within(rollDeg, -MOST_DEG, MOST_DEG, "stance.roll");
    Require.within(speedX, -FASTEST, FASTEST, "stance.speedX");
    Require.within(speedY, -FASTEST, FASTEST, "stance.speedY");
    Require.within(speedZ, -FASTEST, FASTEST, "stance.speedZ");
    Require.within(focalMm, 1e-3, 1e5, "stance.focal");
    Require.within(on, NOTHING, Integer.MAX_VALUE, "stance.on");
  }

  /** The camera on its shoulder, in the world. */
  public RigidPose camera(Body body) {
    return RigidPose.of(
        x,
        y + body.eyeM() + liftM,
        z,
        Math.toRadians(headingDeg),
        Math.toRadians(tiltDeg),
        Math.toRadians(rollDeg));
  }
}

package idlelens.web.operate;

import idlelens.core.geometry.RigidPose;
import java.util.function.UnaryOperator;

/**
 * How the stage of a tracker lies in the world of a shot.
 *
 * @param base what is done to a pose of the tracker, once its place is scaled
 * @param scale metres in the shot for one of the tracker
 */
record Placement(RigidPose base, double scale) implements UnaryOperator<RigidPose> {
  /** As the tracker has it. */
  static Placement asItComes(double scale) {
    return new Placement(RigidPose.IDENTITY, scale);
  }

  /** So that it is where a camera is and headed as that is; both stay upright. */
  static Placement from(RigidPose camera, RigidPose tracker, double scale) {
    RigidPose there = scaled(tracker, scale).level();
    return new Placement(camera.level().times(there.inverse()), scale);
  }

  @Override
  public RigidPose apply(RigidPose tracker) {
    return base.times(scaled(tracker, scale));
  }

  private static RigidPose scaled(RigidPose pose, double scale) {
    return new RigidPose(
        pose.x() * scale,
        pose.y() * scale,
        pose.z() * scale,
        pose.qx(),
        pose.qy(),
        pose.qz(),
        pose.qw());
  }
}

package idlelens.core.motion;

import idlelens.core.geometry.RigidPose;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * The pose between a carrier and a node's own space: a constant, or one that goes from where a
 * hand-over found the node to another over some frames.
 *
 * @param pose until it sets off
 * @param settled where it goes; the same where it goes nowhere
 * @param from the frame at which it sets off
 * @param frames that it takes; 0 where it goes nowhere
 */
record Standing(RigidPose pose, RigidPose settled, double from, double frames) {
  static final Standing NOWHERE = still(RigidPose.IDENTITY);

  static Standing still(RigidPose pose) {
    return new Standing(pose, pose, 0, 0);
  }

  boolean isStill() {
    return frames == 0;
  }

  /** Smooth from one to the other: no speed at both ends. */
  RigidPose at(double frame) {
    double u = isStill() ? 0 : Math.max(0, Math.min(1, (frame - from) / frames));
    if (u == 0) {
      return pose;
    }
    if (u == 1) {
      return settled;
    }
    double share = u * u * u * (u * (6 * u - 15) + 10);
    Vector3d place = pose.place().lerp(settled.place(), share);
    Quaterniond turn = pose.turn().slerp(settled.turn(), share);
    return RigidPose.of(place, turn);
  }
}

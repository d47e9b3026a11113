package idlelens.core.motion;

import idlelens.core.geometry.RigidPose;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.joml.Vector3d;

/**
 * What a card keeps in its place in the picture, on every sample: points of nodes, with their sizes
 * over time.
 *
 * @param members what it is made of
 * @param radiusM radius of the ball around the one point that it is, or 0 for the ball around all
 *     points
 */
record KeptSubject(List<Member> members, double radiusM) {

  /**
   * Points of one node.
   *
   * @param pose of the node, or null where the points are in the world
   * @param sizes times its usual size, on every sample or one for all
   * @param points in its own space, at its usual size
   */
  record Member(PoseTrack pose, double[] sizes, List<Vector3d> points) {
    private boolean isStill() {
      return sizes.length == 1 && (pose == null || pose.isStill());
    }

    private double size(int sample) {
      return sizes[sizes.length == 1 ? 0 : sample];
    }

    private void add(int sample, List<Vector3d> all) {
      RigidPose at = pose == null ? RigidPose.IDENTITY : pose.pose(sample);
      points.forEach(p -> all.add(at.apply(new Vector3d(p).mul(size(sample)))));
    }

    private boolean sameAs(Member other) {
      return pose == other.pose && Arrays.equals(sizes, other.sizes) && points.equals(other.points);
    }
  }

  boolean isStill() {
    return members.stream().allMatch(Member::isStill);
  }

  Subject.Ball at(int sample) {
    List<Vector3d> all = new ArrayList<>();
    members.forEach(member -> member.add(sample, all));
    return radiusM > 0
        ? new Subject.Ball(all.get(0), radiusM * members.get(0).size(sample))
        : Subject.Ball.around(all);
  }

  boolean sameAs(KeptSubject other) {
    if (radiusM != other.radiusM || members.size() != other.members.size()) {
      return false;
    }
    for (int i = 0; i < members.size(); i++) {
      if (!members.get(i).sameAs(other.members.get(i))) {
        return false;
      }
    }
    return true;
  }
}

package idlelens.core.part;

import idlelens.core.geometry.RigidPose;
import idlelens.core.rule.Require;
import java.util.Optional;
import java.util.function.Function;
import org.joml.Vector3d;

/** What is looked at, followed or turned about: a point of a node, or a place in the world. */
public sealed interface Target {
  /** The farthest a point may be from the origin it is measured from, in metres. */
  double FARTHEST = 1e5;

  /** The node that it is on, if it is on one. */
  default Optional<String> nodeId() {
    return Optional.empty();
  }

  /**
   * Where it is in the world.
   *
   * @param poses gives where a node stands there
   */
  Vector3d inWorld(Function<String, RigidPose> poses);

  /**
   * A point of a node.
   *
   * @param node id of the node
   * @param x metres along the node's own axes from its origin
   */
  record OfNode(String node, double x, double y, double z) implements Target {
    public OfNode {
      Require.name(node, 60, "node");
      within(x, y, z, "point");
    }

    /** The origin of a node. */
    public static OfNode origin(String node) {
      return new OfNode(node, 0, 0, 0);
    }

    public OfNode withNode(String other) {
      return new OfNode(other, x, y, z);
    }

    @Override
    public Optional<String> nodeId() {
      return Optional.of(node);
    }

    /** Where it is in the world while the node stands there. */
    public Vector3d in(RigidPose nodeInWorld) {
      return nodeInWorld.apply(new Vector3d(x, y, z));
    }

    @Override
    public Vector3d inWorld(Function<String, RigidPose> poses) {
      return in(poses.apply(node));
    }
  }

  /** A place in the world, in metres. */
  record Place(double x, double y, double z) implements Target {
    public Place {
      within(x, y, z, "place");
    }

    @Override
    public Vector3d inWorld(Function<String, RigidPose> poses) {
      return new Vector3d(x, y, z);
    }
  }

  private static void within(double x, double y, double z, String where) {
    Require.within(x, -FARTHEST, FARTHEST, where + ".x");
    Require.within(y, -FARTHEST, FARTHEST, where + ".y");
    Require.within(z, -FARTHEST, FARTHEST, where + ".z");
  }
}

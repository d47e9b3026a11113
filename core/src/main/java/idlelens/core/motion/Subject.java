package idlelens.core.motion;

import idlelens.core.geometry.RigidPose;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.set.Bounds;
import idlelens.core.set.Mesher;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.joml.Vector3d;

/**
 * What a picture is framed on: one or several nodes with all that they carry, as a ball around the
 * boxes of their pieces. Without a piece it is the places where they stand.
 */
public final class Subject {
  private final Map<String, List<Vector3d>> points = new LinkedHashMap<>();

  /**
   * @param ids the nodes, at least one
   */
  public Subject(Shot shot, Collection<String> ids) {
    if (ids.isEmpty()) {
      throw new RefusedException("subjects", "none", "at least one node");
    }
    for (String id : ids) {
      for (Node node : shot.family(id)) {
        if (node instanceof Node.Piece piece) {
          points.put(node.id(), corners(Mesher.bounds(piece.shape())));
        }
      }
    }
    if (points.isEmpty()) {
      ids.forEach(id -> points.put(shot.node(id).id(), List.of(new Vector3d())));
    }
  }

  /** The eight corners of a box. */
  static List<Vector3d> corners(Bounds box) {
    List<Vector3d> all = new ArrayList<>();
    for (int i = 0; i < 8; i++) {
      all.add(
          new Vector3d(
              (i & 1) == 0 ? box.minX() : box.maxX(),
              (i & 2) == 0 ? box.minY() : box.maxY(),
              (i & 4) == 0 ? box.minZ() : box.maxZ()));
    }
    return all;
  }

  /** The nodes whose poses it takes. */
  public Set<String> nodes() {
    return points.keySet();
  }

  /**
   * A ball around it.
   *
   * @param centre in the world, in metres
   * @param radius in metres; 0 for a single place
   */
  public record Ball(Vector3d centre, double radius) {

    /** The ball about the middle of the box around points. */
    static Ball around(List<Vector3d> points) {
      Vector3d low = new Vector3d(Double.POSITIVE_INFINITY);
      Vector3d high = new Vector3d(Double.NEGATIVE_INFINITY);
      points.forEach(
          point -> {
            low.min(point);
            high.max(point);
          });
      Vector3d centre = low.add(high).mul(0.5);
      return new Ball(centre, points.stream().mapToDouble(centre::distance).max().orElse(0));
    }
  }

  /** The ball about the middle of the box around it at a sample. */
  public Ball at(Evaluation motion, int sample) {
    List<Vector3d> all = new ArrayList<>();
    points.forEach(
        (id, own) -> {
          RigidPose pose = motion.pose(id, sample);
          double size = motion.size(id, sample);
          own.forEach(point -> all.add(pose.apply(new Vector3d(point).mul(size))));
        });
    return Ball.around(all);
  }
}

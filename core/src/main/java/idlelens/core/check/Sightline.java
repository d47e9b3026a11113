package idlelens.core.check;

import idlelens.core.clearance.Obstacle;
import idlelens.core.lens.Sight;
import idlelens.core.motion.Evaluation;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.set.Bounds;
import idlelens.core.set.Mesh;
import idlelens.core.set.Mesher;
import idlelens.core.set.Shape;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joml.Vector3d;

/**
 * What is seen at a place of a picture: the first surface on the way from the camera through it.
 *
 * @param nodeId the piece that it belongs to
 * @param distanceM along the camera's axis, which is what a lens is focused by
 * @param place in the world
 * @param point the same in the piece's own space
 */
public record Sightline(String nodeId, double distanceM, Vector3d place, Vector3d point) {
  /** Nothing farther is looked for, in metres along the axis. */
  public static final double FARTHEST_M = 1e5;

  /** Triangles are kept in 32 bits, boxes are not. */
  private static final double ROUNDING_M = 1e-3;

  /**
   * Against all triangles that the picture shows but those that the camera carries itself.
   *
   * @param frame may lie between two
   * @param x picture widths from the middle to the right, -0.5 to 0.5
   * @param y picture widths from the middle upwards
   * @param meshes gives the triangles of a shape
   * @return nothing where no surface is met
   */
  public static Optional<Sightline> of(
      Shot shot, String camera, double frame, double x, double y, Function<Shape, Mesh> meshes) {
    Require.within(x, -0.5, 0.5, "x");
    Evaluation now = Evaluation.at(shot, Require.within(frame, -1e7, 1e7, "frame"));
    Sight sight = new Views(now, shot.camera(camera).id()).at(0);
    Require.within(y, -sight.height() / 2, sight.height() / 2, "y");
    Vector3d end = sight.world(x, y, FARTHEST_M);
    Vector3d eye = sight.eye(sight.seen(end));
    double[] way = {eye.x, eye.y, eye.z, end.x, end.y, end.z};
    Obstacle nearest = null;
    double share = Double.POSITIVE_INFINITY;
    for (Obstacle each : new SetObstacles(now, meshes).allBut(aside(now, camera, way))) {
      double at = each.firstCrossing(0, way);
      if (at < share) {
        nearest = each;
        share = at;
      }
    }
    if (nearest == null) {
      return Optional.empty();
    }
    Vector3d place = new Vector3d(eye).lerp(end, share);
    Vector3d point = now.pose(nearest.id(), 0).inverse().apply(new Vector3d(place));
    return Optional.of(new Sightline(nearest.id(), share * FARTHEST_M, place, point));
  }

  /**
   * What need not be looked at: what the camera carries, and pieces that the way does not come
   * near.
   */
  private static Set<String> aside(Evaluation now, String camera, double[] way) {
    Shot shot = now.shot();
    Set<String> aside = shot.family(camera).stream().map(Node::id).collect(Collectors.toSet());
    for (Node node : shot.nodes()) {
      if (node instanceof Node.Piece piece && shot.repeatOf(node.id()).isEmpty()) {
        Bounds box = Mesher.bounds(piece.shape()).times(now.size(node.id(), 0));
        Vector3d half =
            new Vector3d(box.maxX() - box.minX(), box.maxY() - box.minY(), box.maxZ() - box.minZ());
        Vector3d middle = new Vector3d(box.centreX(), box.centreY(), box.centreZ());
        double away = away(now.pose(node.id(), 0).apply(middle), way);
        if (away > half.length() / 2 + ROUNDING_M) {
          aside.add(node.id());
        }
      }
    }
    return aside;
  }

  /** How far a point is from the line of a way. */
  private static double away(Vector3d point, double[] way) {
    Vector3d along = new Vector3d(way[3] - way[0], way[4] - way[1], way[5] - way[2]).normalize();
    return point.sub(way[0], way[1], way[2]).cross(along).length();
  }
}

package idlelens.exchange.incoming;

import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Evaluation;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.set.Shape;
import idlelens.core.time.FrameRate;
import idlelens.exchange.scenefile.Conventions;
import java.util.List;
import org.joml.Vector3d;

/**
 * What is inside a file, before anything of it is kept.
 *
 * @param conventions axes and unit, as they are taken
 * @param rate frames a second
 * @param range first and last frame
 * @param cameras their names
 * @param nulls how many
 * @param pieces how many
 * @param triangles of all pieces
 * @param suns how many
 * @param keys of all curves
 * @param low least x, y and z of pieces and cameras at the first frame, in metres
 * @param high greatest ones
 * @param cameraHeightM how high the first camera stands at the first frame
 * @param notes what will be left out or changed, and why
 */
public record ScenePreview(
    Conventions conventions,
    FrameRate rate,
    int firstFrame,
    int lastFrame,
    List<String> cameras,
    int nulls,
    int pieces,
    long triangles,
    int suns,
    long keys,
    double[] low,
    double[] high,
    double cameraHeightM,
    List<String> notes) {

  /**
   * @param shot as a new one would be, with all that came of the file
   */
  public static ScenePreview of(Shot shot, SceneImport found, Conventions conventions) {
    Evaluation first = Evaluation.at(shot, found.range().in());
    double[] low = {Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY};
    double[] high = {Double.NEGATIVE_INFINITY, Double.NEGATIVE_INFINITY, Double.NEGATIVE_INFINITY};
    long triangles = 0;
    for (Node node : shot.nodes()) {
      RigidPose pose = first.pose(node.id(), 0);
      if (node instanceof Node.Piece piece && piece.shape() instanceof Shape.Imported imported) {
        triangles += imported.triangles();
        imported.bounds().corners().forEach(c -> grow(low, high, pose.apply(c)));
      } else if (!(node instanceof Node.Sun)) {
        grow(low, high, pose.place());
      }
    }
    List<String> cameras = shot.cameras().stream().map(Node::name).toList();
    double height = shot.cameras().isEmpty() ? 0 : first.pose(shot.cameras().get(0).id(), 0).y();
    return new ScenePreview(
        conventions,
        shot.header().rate(),
        found.range().in(),
        found.range().out(),
        cameras,
        count(shot, Node.Null.class),
        count(shot, Node.Piece.class),
        triangles,
        count(shot, Node.Sun.class),
        keys(shot),
        low,
        high,
        height,
        found.notes());
  }

  private static int count(Shot shot, Class<? extends Node> kind) {
    return (int) shot.nodes().stream().filter(kind::isInstance).count();
  }

  private static long keys(Shot shot) {
    return shot.nodes().stream()
        .flatMap(n -> n.chain().paths().stream().map(p -> n.chain().curve(p)))
        .mapToLong(c -> c.keys().size())
        .sum();
  }

  private static void grow(double[] low, double[] high, Vector3d point) {
    for (int axis = 0; axis < 3; axis++) {
      low[axis] = Math.min(low[axis], point.get(axis));
      high[axis] = Math.max(high[axis], point.get(axis));
    }
  }
}

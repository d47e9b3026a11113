package idlelens.core.check;

import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.Sight;
import idlelens.core.motion.Evaluation;
import idlelens.core.rule.StoppedException;
import idlelens.core.scene.Node;
import idlelens.core.set.Bounds;
import idlelens.core.set.Mesher;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Predicate;
import org.joml.Vector3d;

/**
 * How far from a camera, along its axis, the pieces are that are in its picture.
 *
 * @param pieces those that are in it at some sample, in the order of the set
 * @param more how many others there are beyond the number that was asked for
 */
public record Depths(List<OfPiece> pieces, int more) {

  /**
   * One piece.
   *
   * @param id of it
   * @param metres to the middle of its box on each sample; NaN where nothing of the box is in the
   *     picture, where it is not to be seen then, or where it reaches behind the camera, as the
   *     ground does
   */
  public record OfPiece(String id, double[] metres) {}

  /**
   * @param motion any samples
   * @param shows whether a piece is shown in the picture at all
   * @param most pieces
   */
  public static Depths of(Evaluation motion, String cameraId, Predicate<Node> shows, int most) {
    Views views = new Views(motion, cameraId);
    int samples = motion.grid().count();
    Sight[] sights = new Sight[samples];
    Arrays.setAll(sights, views::at);
    List<OfPiece> seen = new ArrayList<>();
    int more = 0;
    for (Node node : motion.shot().nodes()) {
      if (node instanceof Node.Piece piece && shows.test(node)) {
        StoppedException.check();
        double[] metres = of(motion, piece, sights);
        boolean any = Arrays.stream(metres).anyMatch(m -> m == m);
        if (any && seen.size() < most) {
          seen.add(new OfPiece(node.id(), metres));
        } else if (any) {
          more++;
        }
      }
    }
    return new Depths(seen, more);
  }

  private static double[] of(Evaluation motion, Node.Piece piece, Sight[] sights) {
    Bounds box = Mesher.bounds(piece.shape());
    double[] metres = new double[sights.length];
    for (int i = 0; i < metres.length; i++) {
      RigidPose pose = motion.pose(piece.id(), i);
      Bounds sized = box.times(motion.size(piece.id(), i));
      Vector3d middle = new Vector3d(sized.centreX(), sized.centreY(), sized.centreZ());
      boolean seen =
          motion.isShown(piece.id(), i) && InView.isBeforeAndInPicture(sights[i], pose, sized);
      metres[i] = seen ? -sights[i].seen(pose.apply(middle)).z : Double.NaN;
    }
    return metres;
  }
}

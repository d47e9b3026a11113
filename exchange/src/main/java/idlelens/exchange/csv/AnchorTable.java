package idlelens.exchange.csv;

import idlelens.core.check.Views;
import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.Sight;
import idlelens.core.motion.Evaluation;
import idlelens.core.scene.Node;
import idlelens.core.set.Bounds;
import idlelens.core.set.Mesher;
import idlelens.core.set.Shape;
import idlelens.exchange.format.TextOut;
import idlelens.exchange.outgoing.HandOff;
import idlelens.exchange.scenefile.PictureSpace;
import java.util.List;
import org.joml.Vector3d;

/**
 * Where pieces and lights stand in the picture of a camera, a row for each on each frame: {@code
 * frame, name, x_px, y_px, depth_m, seen, wide_m, high_m, deep_m}. Seen is 1 where the middle lies
 * before the camera and in its picture, and the node is shown; what stands before it is not asked.
 */
public final class AnchorTable {
  private final HandOff handOff;
  private final Evaluation motion;
  private final Views views;
  private final TextOut out = new TextOut();

  private AnchorTable(HandOff handOff, String camera) {
    this.handOff = handOff;
    this.motion = Evaluation.of(handOff.shot(), handOff.grid(), null);
    this.views = new Views(motion, camera);
  }

  /**
   * @param camera id of the camera in whose picture they stand
   */
  public static byte[] write(HandOff handOff, String camera) {
    return new AnchorTable(handOff, camera).write();
  }

  private byte[] write() {
    out.add("frame,name,x_px,y_px,depth_m,seen,wide_m,high_m,deep_m\n");
    List<Node> anchors =
        handOff.shot().nodes().stream()
            .filter(n -> n instanceof Node.Piece || n instanceof Node.Light)
            .filter(n -> !n.hidden().files())
            .toList();
    for (int i = 0; i < motion.grid().count(); i++) {
      Sight sight = views.at(i);
      for (Node anchor : anchors) {
        row(i, sight, anchor);
      }
    }
    return out.octets();
  }

  private void row(int sample, Sight sight, Node anchor) {
    RigidPose pose = motion.pose(anchor.id(), sample);
    Bounds box = box(anchor);
    Vector3d middle = pose.apply(new Vector3d(box.centreX(), box.centreY(), box.centreZ()));
    Vector3d seen = sight.seen(middle);
    boolean before = seen.z < 0;
    double[] at = before ? sight.inPicture(seen) : new double[2];
    PictureSpace picture = handOff.profile().picture();
    double tall = picture.heightPx(handOff.shot().header().aspect());
    boolean corner = picture.origin() == PictureSpace.Origin.CORNER;
    double x = at[0] * picture.widthPx() + (corner ? picture.widthPx() / 2.0 : 0);
    double y = -at[1] / sight.height() * tall + (corner ? tall / 2 : 0);
    boolean inside = Math.abs(at[0]) <= 0.5 && Math.abs(at[1]) <= sight.height() / 2;
    boolean shown = before && inside && !anchor.hidden().picture();
    out.add((double) handOff.firstFrame() + sample).add(",\"");
    out.add(anchor.name().replace("\"", "\"\"")).add("\",");
    out.add(x).add(',').add(y).add(',').add(-seen.z).add(shown ? ",1," : ",0,");
    out.add(box.maxX() - box.minX()).add(',').add(box.maxY() - box.minY());
    out.add(',').add(box.maxZ() - box.minZ()).add('\n');
  }

  private static Bounds box(Node node) {
    if (!(node instanceof Node.Piece piece)) {
      return new Bounds(0, 0, 0, 0, 0, 0);
    }
    return piece.shape() instanceof Shape.Imported imported
        ? imported.bounds()
        : Mesher.mesh(piece.shape()).bounds();
  }
}

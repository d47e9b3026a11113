package idlelens.exchange.csv;

import idlelens.core.check.PictureTiles;
import idlelens.core.check.SetObstacles;
import idlelens.core.check.Views;
import idlelens.core.clearance.Obstacle;
import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.Sight;
import idlelens.core.motion.Evaluation;
import idlelens.core.rule.StoppedException;
import idlelens.core.scene.Node;
import idlelens.core.set.Bounds;
import idlelens.core.set.Mesh;
import idlelens.core.set.Mesher;
import idlelens.core.set.Shape;
import idlelens.exchange.format.TextOut;
import idlelens.exchange.outgoing.HandOff;
import idlelens.exchange.scenefile.PictureSpace;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import org.joml.Vector3d;

/**
 * Where pieces and lights stand in the picture of a camera, a row for each on each frame: {@code
 * frame, name, x_px, y_px, depth_m, seen, wide_m, high_m, deep_m}. Seen is 1 where the middle lies
 * before the camera and in its picture, the node is shown, and no triangle of another piece lies
 * between it and the camera. What the node itself carries does not hide it.
 */
public final class AnchorTable {
  private static final double HALF = 0.5;
  private static final double AT_IT_M = 1e-3;

  private final HandOff handOff;
  private final Evaluation motion;
  private final Views views;
  private final SetObstacles set;
  private final List<Obstacle> obstacles;
  private final TextOut out = new TextOut();

  /** A node with the box around it, in its own numbers. */
  private record Anchor(Node node, Bounds box) {}

  private AnchorTable(HandOff handOff, String camera, Function<Shape, Mesh> meshes) {
    this.handOff = handOff;
    this.motion = Evaluation.of(handOff.shot(), handOff.grid(), null);
    this.views = new Views(motion, camera);
    this.set = new SetObstacles(motion, meshes);
    this.obstacles = set.allBut(Set.of());
  }

  /**
   * @param camera id of the camera in whose picture they stand
   * @param meshes gives the triangles of a shape
   */
  public static byte[] write(HandOff handOff, String camera, Function<Shape, Mesh> meshes) {
    return new AnchorTable(handOff, camera, meshes).write();
  }

  private byte[] write() {
    out.add("frame,name,x_px,y_px,depth_m,seen,wide_m,high_m,deep_m\n");
    List<Anchor> anchors =
        handOff.shot().nodes().stream()
            .filter(n -> n instanceof Node.Piece || n instanceof Node.Light)
            .filter(n -> !n.hidden().files())
            .map(n -> new Anchor(n, box(n)))
            .toList();
    for (int i = 0; i < motion.grid().count(); i++) {
      StoppedException.check();
      Sight sight = views.at(i);
      PictureTiles tiles = new PictureTiles(obstacles, sight, i);
      for (Anchor anchor : anchors) {
        row(i, sight, anchor, tiles);
      }
    }
    return out.octets();
  }

  private void row(int sample, Sight sight, Anchor anchor, PictureTiles tiles) {
    RigidPose pose = motion.pose(anchor.node().id(), sample);
    Bounds box = anchor.box().times(motion.size(anchor.node().id(), sample));
    Vector3d middle = pose.apply(new Vector3d(box.centreX(), box.centreY(), box.centreZ()));
    Vector3d seen = sight.seen(middle);
    double[] at = seen.z < 0 ? sight.inPicture(seen) : new double[2];
    out.add((double) handOff.firstFrame() + sample).add(",\"");
    out.add(anchor.node().name().replace("\"", "\"\"")).add("\",");
    place(at, sight);
    boolean shown =
        !set.isHidden(anchor.node().id())
            && isInside(seen, at, sight)
            && isFree(sample, sight.eye(seen), middle, anchor.node().id(), tiles.at(at));
    out.add(',').add(-seen.z).add(shown ? ",1," : ",0,");
    out.add(box.maxX() - box.minX()).add(',').add(box.maxY() - box.minY());
    out.add(',').add(box.maxZ() - box.minZ()).add('\n');
  }

  /** In pixels as the receiver counts them, rows downwards. */
  private void place(double[] at, Sight sight) {
    PictureSpace picture = handOff.profile().picture();
    double tall = picture.heightPx(handOff.shot().header().aspect());
    boolean corner = picture.origin() == PictureSpace.Origin.CORNER;
    double x = at[0] * picture.widthPx() + (corner ? picture.widthPx() / 2.0 : 0);
    double y = -at[1] / sight.height() * tall + (corner ? tall / 2 : 0);
    out.add(x).add(',').add(y);
  }

  private static boolean isInside(Vector3d seen, double[] at, Sight sight) {
    return seen.z < 0 && Math.abs(at[0]) <= HALF && Math.abs(at[1]) <= sight.height() * HALF;
  }

  /** Whether nothing lies between the camera and a point; what is nearer to it than 1 mm is it. */
  private boolean isFree(
      int sample, Vector3d from, Vector3d middle, String id, List<Obstacle> near) {
    Vector3d to = new Vector3d(middle).sub(from);
    double far = to.length();
    if (far <= AT_IT_M) {
      return true;
    }
    to.mul((far - AT_IT_M) / far).add(from);
    double[] way = {from.x, from.y, from.z, to.x, to.y, to.z};
    return near.stream().noneMatch(o -> o.hides(sample, way) && !belongs(o.id(), id));
  }

  private boolean belongs(String piece, String to) {
    return piece.equals(to)
        || handOff.shot().carriersOf(piece).stream().anyMatch(carrier -> carrier.id().equals(to));
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

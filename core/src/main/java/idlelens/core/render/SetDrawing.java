package idlelens.core.render;

import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.Sight;
import idlelens.core.motion.Evaluation;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.set.Mesh;
import idlelens.core.set.Mesher;
import idlelens.core.set.Shape;
import java.util.HashMap;
import java.util.Map;
import java.util.function.Function;
import org.joml.Vector3d;

/** Draws the pieces of a shot as a camera sees them, each triangle in one tone. */
public final class SetDrawing {
  private static final int SKY = 0xC9D3D6;
  private static final double SHADE = 0.55;
  private static final Vector3d USUAL_LIGHT = new Vector3d(0.4, 0.8, 0.45).normalize();

  private final Evaluation motion;
  private final Function<String, Mesh> stored;
  private final Map<Shape, Mesh> meshes = new HashMap<>();

  /**
   * @param stored finds the triangles of an imported piece by their SHA-256
   */
  public SetDrawing(Evaluation motion, Function<String, Mesh> stored) {
    this.motion = motion;
    this.stored = stored;
  }

  /** The picture at a sample. */
  public Plate draw(Sight sight, int sample, int width) {
    int height = (int) Math.rint(width * sight.height());
    Plate plate = new Plate(width, height, SKY);
    Shot shot = motion.shot();
    Vector3d light =
        shot.nodes().stream()
            .filter(Node.Sun.class::isInstance)
            .findFirst()
            .map(n -> motion.pose(n.id(), sample).forward().negate())
            .orElse(USUAL_LIGHT);
    for (Node node : shot.nodes()) {
      if (node instanceof Node.Piece piece
          && !node.hidden().picture()
          && motion.isShown(node.id(), sample)) {
        draw(plate, sight, piece, sample, light);
      }
    }
    return plate;
  }

  private void draw(Plate plate, Sight sight, Node.Piece piece, int sample, Vector3d light) {
    RigidPose pose = motion.pose(piece.id(), sample);
    Mesh mesh = meshes.computeIfAbsent(piece.shape(), this::mesh);
    int colour = Integer.parseInt(piece.finish().colour().substring(1), 16);
    double size = motion.size(piece.id(), sample);
    Vector3d[] corners = new Vector3d[mesh.vertices()];
    for (int i = 0; i < corners.length; i++) {
      float[] p = mesh.positions();
      corners[i] = pose.apply(new Vector3d(p[3 * i], p[3 * i + 1], p[3 * i + 2]).mul(size));
    }
    int[] indices = mesh.indices();
    for (int i = 0; i + 2 < indices.length; i += 3) {
      Vector3d a = corners[indices[i]];
      Vector3d b = corners[indices[i + 1]];
      Vector3d c = corners[indices[i + 2]];
      Vector3d normal = new Vector3d(b).sub(a).cross(new Vector3d(c).sub(a));
      double lit = normal.length() > 0 ? Math.abs(normal.normalize().dot(light)) : 0;
      plate.triangle(sight, a, b, c, toned(colour, SHADE + (1 - SHADE) * lit));
    }
  }

  private Mesh mesh(Shape shape) {
    return shape instanceof Shape.Imported imported
        ? stored.apply(imported.asset())
        : Mesher.mesh(shape);
  }

  private static int toned(int colour, double by) {
    int r = (int) ((colour >> 16 & 0xFF) * by);
    int g = (int) ((colour >> 8 & 0xFF) * by);
    int b = (int) ((colour & 0xFF) * by);
    return r << 16 | g << 8 | b;
  }
}

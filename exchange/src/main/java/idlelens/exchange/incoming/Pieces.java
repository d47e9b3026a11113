package idlelens.exchange.incoming;

import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.set.Finish;
import idlelens.core.set.Mesh;
import idlelens.core.set.Shape;
import idlelens.exchange.format.ContentHash;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.json.PieceJson;
import idlelens.exchange.mesh.MeshOctets;
import idlelens.exchange.scenefile.Content;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.joml.Matrix3d;
import org.joml.Vector3d;

/** The pieces of a file. A mesh that stands in many places in one size is stored once. */
final class Pieces {
  /** A size that changes by less than this, in metres, does not change. */
  private static final double NO_CHANGE_M = 1e-4;

  private final Set<String> notes;
  private final Matrix3d axes;
  private final Map<Sized, List<Piece>> known = new HashMap<>();
  private final Map<String, byte[]> assets = new LinkedHashMap<>();

  /** A mesh in a size. */
  private record Sized(Content.FileMesh mesh, Matrix3d size) {}

  /** Stored triangles of one colour. */
  private record Piece(Shape.Imported shape, Finish finish) {}

  /**
   * @param axes from the axes of the file to ours
   */
  Pieces(Matrix3d axes, Set<String> notes) {
    this.axes = axes;
    this.notes = notes;
  }

  /** Stored triangles by their SHA-256. */
  Map<String, byte[]> assets() {
    return assets;
  }

  /**
   * @param body a body to give each
   * @param inner the sizes that are left for what stands at the node, in the axes of the file
   */
  List<Node> read(Content.Piece content, NodeBody body, Leftover inner) throws FormatException {
    Matrix3d left = inner.at(inner.largest());
    if (Sizes.isFlat(left)) {
      notes.add(content.where() + ": its mesh has no size along an axis and is left out");
      return List.of();
    }
    Matrix3d size = new Matrix3d(axes).mul(left);
    Optional<JsonPlace> ours = content.ours();
    boolean plain = Sizes.distance(size, new Matrix3d()) == 0 && !inner.moves();
    if (ours.isPresent() && ours.get().has("shape") && plain) {
      PieceJson.Look look = PieceJson.read(ours.get());
      if (!(look.shape() instanceof Shape.Imported)) {
        return List.of(new Node.Piece(body, look.shape(), look.finish()));
      }
    }
    List<Piece> pieces = pieces(content.mesh(), size);
    if (inner.moves()) {
      sayChange(content.where(), pieces, inner);
    }
    List<Node> nodes = new ArrayList<>();
    pieces.forEach(p -> nodes.add(new Node.Piece(body, p.shape, p.finish)));
    return nodes;
  }

  private List<Piece> pieces(Content.FileMesh mesh, Matrix3d size) throws FormatException {
    Sized sized = new Sized(mesh, new Matrix3d(size));
    List<Piece> pieces = known.get(sized);
    if (pieces == null) {
      pieces = new ArrayList<>();
      for (Content.Part part : mesh.parts()) {
        Mesh made = SizedMeshes.of(part, size);
        byte[] octets = MeshOctets.write(made);
        String hash = ContentHash.of(octets);
        assets.put(hash, octets);
        Shape.Imported shape = new Shape.Imported(hash, made.bounds(), made.triangles());
        pieces.add(new Piece(shape, part.finish()));
      }
      known.put(sized, pieces);
    }
    return pieces;
  }

  private void sayChange(String where, List<Piece> pieces, Leftover inner) {
    int kept = inner.largest();
    Matrix3d back = new Matrix3d(axes).mul(inner.at(kept)).invert();
    double most = 0;
    for (Piece piece : pieces) {
      for (Vector3d corner : piece.shape.bounds().corners()) {
        Vector3d own = back.transform(new Vector3d(corner));
        for (Matrix3d frame : inner.frames()) {
          Vector3d there = axes.transform(frame.transform(new Vector3d(own)));
          most = Math.max(most, there.distance(corner));
        }
      }
    }
    if (most > NO_CHANGE_M) {
      notes.add(
          String.format(
              Locale.ROOT,
              "%s: its size changes over time; it is kept as it is at its largest, up to %.4g m off",
              where,
              most));
    }
  }
}

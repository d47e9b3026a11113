package idlelens.exchange.outgoing;

import idlelens.core.set.Mesh;
import idlelens.core.set.Mesher;
import idlelens.core.set.Shape;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.json.PieceJson;
import idlelens.exchange.scenefile.Content;
import idlelens.exchange.scenefile.Conventions;
import idlelens.exchange.scenefile.Corners;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.joml.Vector3d;

/** The triangles of pieces, each look once. */
final class OutgoingPieces {
  private final OutgoingAxes axes;
  private final boolean mirrors;
  private final Function<String, Mesh> stored;
  private final Set<String> notes;
  private final Map<PieceJson.Look, Content.FileMesh> known = new HashMap<>();

  OutgoingPieces(Conventions conventions, Function<String, Mesh> stored, Set<String> notes) {
    this.axes = new OutgoingAxes(conventions);
    this.mirrors = !conventions.axes().isRightHanded();
    this.stored = stored;
    this.notes = notes;
  }

  /** What stands at the node of a piece; nothing if it has no triangles, which is said. */
  List<Content> of(PieceJson.Look whole, String name) {
    PieceJson.Look look = new PieceJson.Look(whole.shape(), whole.finish().withoutPictures());
    Content.FileMesh mesh = known.computeIfAbsent(look, l -> mesh(l, name));
    if (mesh.parts().isEmpty()) {
      notes.add(name + " has no triangles");
    }
    return List.of(
        new Content.Piece(name, mesh, Optional.of(new JsonPlace(PieceJson.write(look), name))));
  }

  private Content.FileMesh mesh(PieceJson.Look look, String name) {
    Mesh mesh =
        look.shape() instanceof Shape.Imported imported
            ? stored.apply(imported.asset())
            : Mesher.mesh(look.shape());
    if (mesh.triangles() == 0) {
      return new Content.FileMesh(name, List.of());
    }
    Content.Part part =
        new Content.Part(
            name,
            vectors(mesh.positions(), axes.length(1)),
            vectors(mesh.normals(), 1),
            mesh.shades(),
            mirrors ? Corners.turnedOver(mesh.indices()) : mesh.indices(),
            look.finish());
    return new Content.FileMesh(name, List.of(part));
  }

  private double[] vectors(float[] ours, double factor) {
    double[] out = new double[ours.length];
    Vector3d v = new Vector3d();
    for (int i = 0; i < out.length; i += 3) {
      Vector3d turned = axes.vector(v.set(ours[i], ours[i + 1], ours[i + 2])).mul(factor);
      out[i] = turned.x;
      out[i + 1] = turned.y;
      out[i + 2] = turned.z;
    }
    return out;
  }
}

package idlelens.exchange.usd;

import idlelens.core.set.Finish;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.format.ReadBudget;
import idlelens.exchange.scenefile.Content;
import idlelens.exchange.scenefile.Corners;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** Meshes of polygons, as triangles. */
final class UsdMeshes {
  private static final String COLOUR = "primvars:displayColor";

  private UsdMeshes() {}

  static Content.FileMesh read(UsdPrim prim, ReadBudget budget) throws FormatException {
    double[] points = numbers(prim, "points");
    if (points.length % 3 != 0) {
      throw new FormatException(prim.path() + ".points", points.length, "three numbers a point");
    }
    int vertices = points.length / 3;
    double[] counts = numbers(prim, "faceVertexCounts");
    double[] indices = numbers(prim, "faceVertexIndices");
    String where = prim.path();
    budget.take(ReadBudget.Thing.TRIANGLES, indices.length + vertices / 3, where);
    Corners corners = Corners.of(where, counts, indices, vertices);
    Optional<double[]> normals = prim.numbers("normals").filter(n -> n.length > 0);
    boolean byVertex = normals.isPresent() && normals.get().length == points.length;
    boolean byCorner =
        normals.isPresent() && !byVertex && normals.get().length == indices.length * 3;
    Finish finish = finish(prim);
    Corners.Flat flat =
        byCorner
            ? corners.apart(points, normals.get())
            : new Corners.Flat(points, byVertex ? normals.get() : null, corners.triangles());
    boolean clockwise = prim.words("orientation").contains("leftHanded");
    return mesh(where, clockwise ? flat.turnedOver() : flat, finish);
  }

  private static Content.FileMesh mesh(String where, Corners.Flat flat, Finish finish) {
    float[] shades = new float[flat.positions().length / 3];
    Arrays.fill(shades, 1);
    Content.Part part =
        new Content.Part(where, flat.positions(), flat.normals(), shades, flat.indices(), finish);
    return new Content.FileMesh(where, flat.indices().length == 0 ? List.of() : List.of(part));
  }

  private static double[] numbers(UsdPrim prim, String name) throws FormatException {
    double[] found = prim.numbers(name).orElse(new double[0]);
    if (found.length == 0 && prim.samples.containsKey(name)) {
      UsdValue.Samples samples = prim.samples.get(name);
      return Arrays.copyOf(samples.values(), samples.each());
    }
    for (double number : found) {
      if (!Double.isFinite(number)) {
        throw new FormatException(prim.path() + "." + name, number, "finite numbers");
      }
    }
    return found;
  }

  private static Finish finish(UsdPrim prim) {
    return prim.numbers(COLOUR)
        .filter(c -> c.length >= 3)
        .map(c -> Finish.matt(Finish.hex(c[0], c[1], c[2])))
        .orElse(Finish.matt("#c8c4bc"));
  }
}

package idlelens.exchange.gltf;

import idlelens.core.rule.RefusedException;
import idlelens.core.set.Finish;
import idlelens.core.set.Mesh;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.format.ReadBudget;
import idlelens.exchange.json.JsonPlace;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import org.joml.Matrix3d;
import org.joml.Vector3d;

/** The triangles and colours of a file. */
final class GltfMeshes {
  private static final int TRIANGLES = 4;
  private static final int STRIP = 5;
  private static final int FAN = 6;

  private final GltfFile file;
  private final GltfAccessors numbers;
  private final Set<String> notes;

  GltfMeshes(GltfFile file, GltfAccessors numbers, Set<String> notes) {
    this.file = file;
    this.numbers = numbers;
    this.notes = notes;
  }

  /** Triangles of one colour. */
  record Part(Mesh mesh, Finish finish) {}

  /** The parts of the mesh that an index points to, in a size that can be inverted. */
  List<Part> parts(JsonPlace index, Matrix3d size) throws FormatException {
    List<Part> parts = new ArrayList<>();
    for (JsonPlace primitive : file.resolve("meshes", index).get("primitives").list(10_000)) {
      int mode = primitive.has("mode") ? primitive.get("mode").whole() : TRIANGLES;
      if (mode < TRIANGLES || mode > FAN) {
        notes.add(primitive.path() + ": points and lines are left out");
        continue;
      }
      if (primitive.has("targets")) {
        notes.add(primitive.path() + ": morph targets are left out");
      }
      parts.add(new Part(mesh(primitive, mode, size), finish(primitive)));
    }
    return parts;
  }

  private Mesh mesh(JsonPlace primitive, int mode, Matrix3d size) throws FormatException {
    JsonPlace attributes = primitive.get("attributes");
    double[] raw = numbers.numbers(attributes.get("POSITION"), "VEC3");
    int vertices = raw.length / 3;
    int[] indices = triangles(indices(primitive, vertices), mode);
    long room = indices.length / 3 + vertices / 3;
    file.budget().take(ReadBudget.Thing.TRIANGLES, room, primitive.path());
    if (size.determinant() < 0) {
      mirror(indices);
    }
    float[] positions = positions(raw, size, attributes.path());
    float[] shades = new float[vertices];
    Arrays.fill(shades, 1);
    if (attributes.has("COLOR_0")) {
      shade(attributes.get("COLOR_0"), shades);
    }
    try {
      return attributes.has("NORMAL")
          ? new Mesh(positions, normals(attributes.get("NORMAL"), size, vertices), shades, indices)
          : flat(positions, shades, indices);
    } catch (RefusedException e) {
      throw new FormatException(primitive.path() + "." + e.where(), e.found(), e.allowed());
    }
  }

  private static float[] positions(double[] raw, Matrix3d size, String path)
      throws FormatException {
    float[] positions = new float[raw.length];
    Vector3d v = new Vector3d();
    for (int i = 0; i < raw.length; i += 3) {
      size.transform(v.set(raw[i], raw[i + 1], raw[i + 2]));
      positions[i] = (float) v.x;
      positions[i + 1] = (float) v.y;
      positions[i + 2] = (float) v.z;
      if (!(Math.abs(positions[i]) + Math.abs(positions[i + 1]) + Math.abs(positions[i + 2])
          < Float.MAX_VALUE)) {
        throw new FormatException(path + ".POSITION[" + i / 3 + "]", raw[i], "finite numbers");
      }
    }
    return positions;
  }

  /** The corners of triangles that a strip or a fan strings together (glTF 2.0, 3.7.2.1). */
  private static int[] triangles(int[] strung, int mode) {
    if (mode == TRIANGLES) {
      return Arrays.copyOf(strung, strung.length / 3 * 3);
    }
    int count = Math.max(0, strung.length - 2);
    int[] corners = new int[count * 3];
    for (int i = 0; i < count; i++) {
      boolean odd = mode == STRIP && i % 2 == 1;
      corners[3 * i] = mode == FAN ? strung[i + 1] : strung[i];
      corners[3 * i + 1] = mode == FAN ? strung[i + 2] : strung[odd ? i + 2 : i + 1];
      corners[3 * i + 2] = mode == FAN ? strung[0] : strung[odd ? i + 1 : i + 2];
    }
    return corners;
  }

  private int[] indices(JsonPlace primitive, int vertices) throws FormatException {
    int[] indices;
    if (primitive.has("indices")) {
      double[] raw = numbers.numbers(primitive.get("indices"), "SCALAR");
      indices = Arrays.stream(raw).mapToInt(v -> (int) Math.min(v, Integer.MAX_VALUE)).toArray();
    } else {
      indices = new int[vertices];
      Arrays.setAll(indices, i -> i);
    }
    for (int index : indices) {
      if (index >= vertices) {
        throw new FormatException(primitive.path() + ".indices", index, "0 to " + (vertices - 1));
      }
    }
    return indices;
  }

  private static void mirror(int[] indices) {
    for (int i = 0; i < indices.length; i += 3) {
      int first = indices[i];
      indices[i] = indices[i + 1];
      indices[i + 1] = first;
    }
  }

  private float[] normals(JsonPlace index, Matrix3d size, int vertices) throws FormatException {
    double[] raw = numbers.numbers(index, "VEC3");
    if (raw.length != vertices * 3) {
      throw new FormatException(index.path(), raw.length / 3 + " normals", vertices + " normals");
    }
    Matrix3d turning = new Matrix3d(size).invert().transpose();
    float[] out = new float[raw.length];
    Vector3d n = new Vector3d();
    for (int i = 0; i < vertices; i++) {
      turning.transform(n.set(raw[3 * i], raw[3 * i + 1], raw[3 * i + 2]));
      double length = n.length();
      boolean there = length > 0 && length < Double.POSITIVE_INFINITY;
      out[3 * i] = (float) (there ? n.x / length : 0);
      out[3 * i + 1] = (float) (there ? n.y / length : 1);
      out[3 * i + 2] = (float) (there ? n.z / length : 0);
    }
    return out;
  }

  private void shade(JsonPlace index, float[] shades) throws FormatException {
    double[] raw = numbers.numbers(index, "VEC3", "VEC4");
    int each = shades.length == 0 ? 3 : raw.length / shades.length;
    if (raw.length != shades.length * each || each < 3) {
      throw new FormatException(index.path(), raw.length + " numbers", "one colour a vertex");
    }
    for (int i = 0; i < shades.length; i++) {
      double mean = (raw[i * each] + raw[i * each + 1] + raw[i * each + 2]) / 3;
      shades[i] = (float) Math.max(0, Math.min(1, mean));
    }
  }

  /** Without normals, every triangle is flat: its corners stand alone. */
  private static Mesh flat(float[] positions, float[] shades, int[] indices) {
    float[] p = new float[indices.length * 3];
    float[] n = new float[p.length];
    float[] s = new float[indices.length];
    int[] order = new int[indices.length];
    Vector3d[] corner = {new Vector3d(), new Vector3d(), new Vector3d()};
    for (int i = 0; i < indices.length; i++) {
      System.arraycopy(positions, indices[i] * 3, p, i * 3, 3);
      s[i] = shades[indices[i]];
      order[i] = i;
      corner[i % 3].set(p[3 * i], p[3 * i + 1], p[3 * i + 2]);
      if (i % 3 == 2) {
        Vector3d normal =
            new Vector3d(corner[1]).sub(corner[0]).cross(new Vector3d(corner[2]).sub(corner[0]));
        double length = normal.length();
        for (int k = i - 2; k <= i; k++) {
          n[3 * k] = (float) (length > 0 ? normal.x / length : 0);
          n[3 * k + 1] = (float) (length > 0 ? normal.y / length : 1);
          n[3 * k + 2] = (float) (length > 0 ? normal.z / length : 0);
        }
      }
    }
    return new Mesh(p, n, s, order);
  }

  private Finish finish(JsonPlace primitive) throws FormatException {
    if (!primitive.has("material")) {
      return Finish.matt("#c8c4bc");
    }
    JsonPlace material = file.resolve("materials", primitive.get("material"));
    double[] base = {1, 1, 1};
    if (material.has("pbrMetallicRoughness")) {
      JsonPlace pbr = material.get("pbrMetallicRoughness");
      if (pbr.has("baseColorTexture")) {
        notes.add(material.path() + ": its texture is left out, its colour is kept");
      }
      if (pbr.has("baseColorFactor")) {
        for (int i = 0; i < 3; i++) {
          base[i] = pbr.get("baseColorFactor").at(i).number();
        }
      }
    }
    boolean glows = false;
    if (material.has("emissiveFactor")) {
      double[] shine = new double[3];
      for (int i = 0; i < 3; i++) {
        shine[i] = material.get("emissiveFactor").at(i).number();
      }
      glows = Math.max(shine[0], Math.max(shine[1], shine[2])) > 0.2;
      base = glows ? shine : base;
    }
    return new Finish(
        Finish.hex(base[0], base[1], base[2]), glows ? Finish.Kind.GLOW : Finish.Kind.MATT);
  }
}

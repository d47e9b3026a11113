package idlelens.exchange.gltf;

import idlelens.core.set.Finish;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.format.ReadBudget;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.scenefile.Content;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The triangles and colours of a file. */
final class GltfMeshes {
  private static final int TRIANGLES = 4;
  private static final int STRIP = 5;
  private static final int FAN = 6;

  private final GltfFile file;
  private final GltfAccessors numbers;
  private final Set<String> notes;
  private final Map<Integer, Content.FileMesh> known = new HashMap<>();

  GltfMeshes(GltfFile file, GltfAccessors numbers, Set<String> notes) {
    this.file = file;
    this.numbers = numbers;
    this.notes = notes;
  }

  /** The mesh that an index points to; the same for the same index. */
  Content.FileMesh mesh(JsonPlace index) throws FormatException {
    JsonPlace mesh = file.resolve("meshes", index);
    Content.FileMesh found = known.get(index.whole());
    if (found == null) {
      found = new Content.FileMesh(mesh.path(), parts(mesh));
      known.put(index.whole(), found);
    }
    return found;
  }

  private List<Content.Part> parts(JsonPlace mesh) throws FormatException {
    List<Content.Part> parts = new ArrayList<>();
    for (JsonPlace primitive : mesh.get("primitives").list(10_000)) {
      int mode = primitive.has("mode") ? primitive.get("mode").whole() : TRIANGLES;
      if (mode < TRIANGLES || mode > FAN) {
        notes.add(primitive.path() + ": points and lines are left out");
        continue;
      }
      if (primitive.has("targets")) {
        notes.add(primitive.path() + ": morph targets are left out");
      }
      parts.add(part(primitive, mode));
    }
    return parts;
  }

  private Content.Part part(JsonPlace primitive, int mode) throws FormatException {
    JsonPlace attributes = primitive.get("attributes");
    double[] positions = numbers.numbers(attributes.get("POSITION"), "VEC3");
    int vertices = positions.length / 3;
    int[] indices = triangles(indices(primitive, vertices), mode);
    long room = indices.length / 3 + vertices / 3;
    file.budget().take(ReadBudget.Thing.TRIANGLES, room, primitive.path());
    float[] shades = new float[vertices];
    Arrays.fill(shades, 1);
    if (attributes.has("COLOR_0")) {
      shade(attributes.get("COLOR_0"), shades);
    }
    double[] normals =
        attributes.has("NORMAL") ? normals(attributes.get("NORMAL"), vertices) : null;
    return new Content.Part(
        primitive.path(), positions, normals, shades, indices, finish(primitive));
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

  private double[] normals(JsonPlace index, int vertices) throws FormatException {
    double[] raw = numbers.numbers(index, "VEC3");
    if (raw.length != vertices * 3) {
      throw new FormatException(index.path(), raw.length / 3 + " normals", vertices + " normals");
    }
    return raw;
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

package idlelens.exchange.gltf;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import java.net.URLDecoder;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Map;

/** The definitions of a file with their buffers. Every index of the file is resolved here. */
final class GltfFile {
  private static final int MOST_DEFINITIONS = 100_000;
  private static final long MOST_ELEMENTS = 60_000_000;

  private final JsonPlace root;
  private final byte[] binary;
  private final Map<String, byte[]> beside;
  private final List<byte[]> buffers = new ArrayList<>();

  private GltfFile(JsonPlace root, byte[] binary, Map<String, byte[]> beside) {
    this.root = root;
    this.binary = binary;
    this.beside = beside;
  }

  /**
   * @param file the {@code .glb} or {@code .gltf}
   * @param beside other files that were sent along, by name
   */
  static GltfFile read(byte[] file, Map<String, byte[]> beside) throws FormatException {
    GlbContainer container = GlbContainer.open(file);
    GltfFile gltf = new GltfFile(JsonPlace.parse(container.json()), container.binary(), beside);
    String version = gltf.root.get("asset").get("version").text();
    if (!version.startsWith("2.")) {
      throw new FormatException("asset.version", version, "2.0");
    }
    gltf.refuseUnknownNeeds();
    gltf.loadBuffers();
    return gltf;
  }

  private void refuseUnknownNeeds() throws FormatException {
    List<String> known =
        List.of(
            "KHR_animation_pointer",
            "KHR_lights_punctual",
            "KHR_mesh_quantization",
            "KHR_materials_unlit");
    if (root.has("extensionsRequired")) {
      for (JsonPlace each : root.get("extensionsRequired").list(1000)) {
        if (!known.contains(each.text())) {
          throw each.refusal(String.join(", ", known));
        }
      }
    }
  }

  JsonPlace root() {
    return root;
  }

  /** All definitions of a kind; none if the file has no such list. */
  List<JsonPlace> all(String kind) throws FormatException {
    return root.has(kind) ? root.get(kind).list(MOST_DEFINITIONS) : List.of();
  }

  /** The definition that an index points to. */
  JsonPlace resolve(String kind, JsonPlace index) throws FormatException {
    List<JsonPlace> all = all(kind);
    int i = index.whole();
    if (i < 0 || i >= all.size()) {
      throw new FormatException(
          index.path(),
          i,
          "0 to " + (all.size() - 1) + " (the file has " + all.size() + " " + kind + ")");
    }
    return all.get(i);
  }

  private void loadBuffers() throws FormatException {
    for (JsonPlace buffer : all("buffers")) {
      byte[] data = buffer.has("uri") ? fetch(buffer.get("uri")) : embedded(buffer);
      long length = size(buffer.get("byteLength"));
      if (length > data.length) {
        throw new FormatException(
            buffer.path() + ".byteLength", length, "0 to " + data.length + ", the bytes there are");
      }
      buffers.add(data);
    }
  }

  private byte[] embedded(JsonPlace buffer) throws FormatException {
    if (binary == null || !buffers.isEmpty()) {
      throw new FormatException(buffer.path() + ".uri", "missing", "a data URI or a file name");
    }
    return binary;
  }

  private byte[] fetch(JsonPlace place) throws FormatException {
    String uri = place.text();
    if (uri.startsWith("data:")) {
      int comma = uri.indexOf(";base64,");
      try {
        if (comma > 0) {
          return Base64.getDecoder().decode(uri.substring(comma + 8));
        }
      } catch (IllegalArgumentException e) {
        throw new FormatException(place.path(), "not base64", "a base64 data URI");
      }
    }
    byte[] data = beside.get(fileName(uri));
    if (data == null) {
      String shown = uri.length() > 60 ? uri.substring(0, 60) + "…" : uri;
      throw new FormatException(
          place.path(), "'" + shown + "'", "a data URI or the plain name of a file sent along");
    }
    return data;
  }

  private static String fileName(String uri) {
    try {
      return URLDecoder.decode(uri.replace("+", "%2B"), StandardCharsets.UTF_8);
    } catch (IllegalArgumentException e) {
      return uri;
    }
  }

  private static long size(JsonPlace place) throws FormatException {
    double value = place.number();
    if (!(value >= 0 && value <= Integer.MAX_VALUE) || value != Math.rint(value)) {
      throw place.refusal("a whole number from 0 to " + Integer.MAX_VALUE);
    }
    return (long) value;
  }

  /**
   * The numbers of an accessor, normalised integers as fractions.
   *
   * @param index where the accessor's index stands
   * @param type SCALAR, VEC2, VEC3 or VEC4
   */
  double[] numbers(JsonPlace index, String... type) throws FormatException {
    JsonPlace accessor = resolve("accessors", index);
    String found = accessor.get("type").text();
    if (!List.of(type).contains(found)) {
      throw new FormatException(accessor.path() + ".type", found, String.join(", ", type));
    }
    int components = found.equals("SCALAR") ? 1 : found.charAt(3) - '0';
    long count = size(accessor.get("count"));
    if (count * components > MOST_ELEMENTS) {
      throw new FormatException(
          accessor.path() + ".count", count, "0 to " + MOST_ELEMENTS / components);
    }
    int kind = accessor.get("componentType").whole();
    boolean normalised = accessor.flag("normalized", false);
    double[] out;
    if (accessor.has("bufferView")) {
      out =
          block(
              accessor.get("bufferView"),
              accessor.number("byteOffset", 0),
              count,
              components,
              kind,
              normalised,
              accessor.path());
    } else {
      out = new double[(int) count * components];
    }
    if (accessor.has("sparse")) {
      applySparse(accessor, out, components, kind, normalised);
    }
    return out;
  }

  private void applySparse(
      JsonPlace accessor, double[] out, int components, int kind, boolean normalised)
      throws FormatException {
    JsonPlace sparse = accessor.get("sparse");
    long count = size(sparse.get("count"));
    JsonPlace at = sparse.get("indices");
    JsonPlace values = sparse.get("values");
    double[] indices =
        block(
            at.get("bufferView"),
            at.number("byteOffset", 0),
            count,
            1,
            at.get("componentType").whole(),
            false,
            at.path());
    double[] changed =
        block(
            values.get("bufferView"),
            values.number("byteOffset", 0),
            count,
            components,
            kind,
            normalised,
            values.path());
    for (int i = 0; i < indices.length; i++) {
      if (indices[i] < 0 || (indices[i] + 1) * components > out.length) {
        throw new FormatException(
            at.path() + "[" + i + "]", indices[i], "0 to " + (out.length / components - 1));
      }
      System.arraycopy(changed, i * components, out, (int) indices[i] * components, components);
    }
  }

  private double[] block(
      JsonPlace viewIndex,
      double byteOffset,
      long count,
      int components,
      int kind,
      boolean normalised,
      String path)
      throws FormatException {
    JsonPlace view = resolve("bufferViews", viewIndex);
    resolve("buffers", view.get("buffer"));
    byte[] data = buffers.get(view.get("buffer").whole());
    long start = view.has("byteOffset") ? size(view.get("byteOffset")) : 0;
    long length = size(view.get("byteLength"));
    if (start + length > data.length) {
      throw new FormatException(
          view.path() + ".byteLength", length, "0 to " + (data.length - start));
    }
    int width = width(kind, path);
    long stride = view.has("byteStride") ? size(view.get("byteStride")) : (long) width * components;
    long needed = count == 0 ? 0 : (count - 1) * stride + (long) width * components;
    if (!(byteOffset >= 0) || byteOffset + needed > length) {
      throw new FormatException(
          path + ".count",
          count,
          "at most what its buffer view holds ("
              + length
              + " bytes, "
              + (long) byteOffset
              + " skipped, "
              + needed
              + " needed)");
    }
    ByteBuffer in = ByteBuffer.wrap(data).order(ByteOrder.LITTLE_ENDIAN);
    double[] out = new double[(int) count * components];
    for (int i = 0; i < count; i++) {
      int at = (int) (start + (long) byteOffset + i * stride);
      for (int j = 0; j < components; j++) {
        out[i * components + j] = number(in, at + j * width, kind, normalised);
      }
    }
    return out;
  }

  private static int width(int kind, String path) throws FormatException {
    return switch (kind) {
      case 5120, 5121 -> 1;
      case 5122, 5123 -> 2;
      case 5125, 5126 -> 4;
      default ->
          throw new FormatException(
              path + ".componentType", kind, "5120, 5121, 5122, 5123, 5125, 5126");
    };
  }

  private static double number(ByteBuffer in, int at, int kind, boolean normalised) {
    return switch (kind) {
      case 5120 -> normalised ? Math.max(in.get(at) / 127.0, -1) : in.get(at);
      case 5121 -> normalised ? (in.get(at) & 0xFF) / 255.0 : in.get(at) & 0xFF;
      case 5122 -> normalised ? Math.max(in.getShort(at) / 32767.0, -1) : in.getShort(at);
      case 5123 -> normalised ? (in.getShort(at) & 0xFFFF) / 65535.0 : in.getShort(at) & 0xFFFF;
      case 5125 -> in.getInt(at) & 0xFFFFFFFFL;
      default -> in.getFloat(at);
    };
  }
}

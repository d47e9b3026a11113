package idlelens.exchange.gltf;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.format.ReadBudget;
import idlelens.exchange.json.JsonPlace;
import java.nio.ByteBuffer;
import java.nio.FloatBuffer;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The numbers in the buffers of a file. An accessor that is asked for again is not read again. */
final class GltfAccessors {
  private static final int FLOAT = 5126;

  private final GltfFile file;
  private final Map<Integer, double[]> known = new HashMap<>();

  GltfAccessors(GltfFile file) {
    this.file = file;
  }

  /** How the numbers of a block are laid out. */
  private record Layout(long count, int components, int kind, boolean normalised, String path) {
    long octets() throws FormatException {
      return (long) width(kind, path) * components;
    }
  }

  /**
   * The numbers of an accessor, normalised integers as fractions. Not to be changed.
   *
   * @param index where the accessor's index stands
   * @param type SCALAR, VEC2, VEC3 or VEC4
   */
  double[] numbers(JsonPlace index, String... type) throws FormatException {
    JsonPlace accessor = file.resolve("accessors", index);
    String found = accessor.get("type").text();
    if (!List.of(type).contains(found)) {
      throw new FormatException(accessor.path() + ".type", found, String.join(", ", type));
    }
    double[] numbers = known.get(index.whole());
    if (numbers == null) {
      numbers = read(accessor, found.equals("SCALAR") ? 1 : found.charAt(3) - '0');
      known.put(index.whole(), numbers);
    }
    return numbers;
  }

  private double[] read(JsonPlace accessor, int components) throws FormatException {
    Layout layout =
        new Layout(
            GltfFile.size(accessor.get("count")),
            components,
            accessor.get("componentType").whole(),
            accessor.flag("normalized", false),
            accessor.path());
    double[] out;
    if (accessor.has("bufferView")) {
      out = block(accessor, layout);
    } else {
      take(layout, accessor.path() + ".count");
      out = new double[(int) layout.count * components];
    }
    if (accessor.has("sparse")) {
      applySparse(accessor.get("sparse"), out, layout);
    }
    return out;
  }

  private void take(Layout layout, String where) throws FormatException {
    file.budget().take(ReadBudget.Thing.NUMBERS, layout.count * layout.components, where);
  }

  private void applySparse(JsonPlace sparse, double[] out, Layout layout) throws FormatException {
    long count = GltfFile.size(sparse.get("count"));
    if (count > layout.count) {
      throw new FormatException(
          sparse.path() + ".count", count, "0 to " + layout.count + ", the accessor's own count");
    }
    JsonPlace at = sparse.get("indices");
    JsonPlace values = sparse.get("values");
    double[] indices =
        block(at, new Layout(count, 1, at.get("componentType").whole(), false, at.path()));
    int each = layout.components;
    double[] changed =
        block(values, new Layout(count, each, layout.kind, layout.normalised, values.path()));
    for (int i = 0; i < indices.length; i++) {
      if (indices[i] < 0 || (indices[i] + 1) * each > out.length) {
        throw new FormatException(
            at.path() + "[" + i + "]", indices[i], "0 to " + (out.length / each - 1));
      }
      System.arraycopy(changed, i * each, out, (int) indices[i] * each, each);
    }
  }

  /** Numbers from the buffer view that a definition names, from its offset there. */
  private double[] block(JsonPlace place, Layout layout) throws FormatException {
    JsonPlace view = file.resolve("bufferViews", place.get("bufferView"));
    ByteBuffer data = file.buffer(view.get("buffer"));
    long start = view.has("byteOffset") ? GltfFile.size(view.get("byteOffset")) : 0;
    long length = GltfFile.size(view.get("byteLength"));
    if (start + length > data.limit()) {
      throw new FormatException(
          view.path() + ".byteLength", length, "0 to " + Math.max(0, data.limit() - start));
    }
    long offset = place.has("byteOffset") ? GltfFile.size(place.get("byteOffset")) : 0;
    long stride = stride(view, layout);
    long needed = layout.count == 0 ? 0 : (layout.count - 1) * stride + layout.octets();
    if (offset + needed > length) {
      throw new FormatException(
          layout.path + ".count",
          layout.count,
          "at most what its buffer view holds ("
              + length
              + " bytes, "
              + offset
              + " skipped, "
              + needed
              + " needed)");
    }
    take(layout, layout.path + ".count");
    return read(data, start + offset, stride, layout);
  }

  private static long stride(JsonPlace view, Layout layout) throws FormatException {
    if (!view.has("byteStride")) {
      return layout.octets();
    }
    long stride = GltfFile.size(view.get("byteStride"));
    if (stride < layout.octets()) {
      throw new FormatException(
          view.path() + ".byteStride", stride, "at least " + layout.octets() + ", one element");
    }
    return stride;
  }

  private static double[] read(ByteBuffer in, long start, long stride, Layout layout)
      throws FormatException {
    int components = layout.components;
    int width = width(layout.kind, layout.path);
    double[] out = new double[(int) layout.count * components];
    if (layout.kind == FLOAT && stride == layout.octets()) {
      int octets = Float.BYTES * out.length;
      FloatBuffer floats = in.slice((int) start, octets).order(in.order()).asFloatBuffer();
      for (int i = 0; i < out.length; i++) {
        out[i] = floats.get(i);
      }
      return out;
    }
    for (int i = 0; i < layout.count; i++) {
      int at = (int) (start + i * stride);
      for (int j = 0; j < components; j++) {
        out[i * components + j] = number(in, at + j * width, layout.kind, layout.normalised);
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

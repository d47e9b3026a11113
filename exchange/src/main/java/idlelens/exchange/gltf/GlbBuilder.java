package idlelens.exchange.gltf;

import idlelens.exchange.json.JsonPlace;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Gathers accessors into one buffer, and packs definitions and buffer into a {@code .glb}. */
final class GlbBuilder {
  private static final int FLOAT = 5126;
  private static final int UNSIGNED_INT = 5125;
  private static final int ARRAY_BUFFER = 34962;
  private static final int ELEMENT_ARRAY_BUFFER = 34963;

  private final ObjectNode root = JsonNodeFactory.instance.objectNode();
  private final List<ByteBuffer> blocks = new ArrayList<>();
  private int length;

  ObjectNode root() {
    return root;
  }

  /** A list of definitions, made when it is first asked for. */
  ArrayNode list(String name) {
    return root.has(name) ? (ArrayNode) root.get(name) : root.putArray(name);
  }

  void extensionUsed(String name) {
    ArrayNode used = list("extensionsUsed");
    for (int i = 0; i < used.size(); i++) {
      if (used.get(i).stringValue().equals(name)) {
        return;
      }
    }
    used.add(name);
  }

  /** Numbers that an animation reads. */
  int animationNumbers(float[] numbers, String type) {
    return floats(numbers, type, 0, type.equals("SCALAR"));
  }

  /** Numbers of a vertex; positions state their bounds. */
  int vertexNumbers(float[] numbers, String type, boolean bounds) {
    return floats(numbers, type, ARRAY_BUFFER, bounds);
  }

  int indices(int[] indices) {
    ByteBuffer block = allocate(indices.length);
    block.asIntBuffer().put(indices);
    ObjectNode accessor = accessor(block, ELEMENT_ARRAY_BUFFER, UNSIGNED_INT, indices.length);
    accessor.put("type", "SCALAR");
    return list("accessors").size() - 1;
  }

  private int floats(float[] numbers, String type, int target, boolean bounds) {
    int components = type.equals("SCALAR") ? 1 : type.charAt(3) - '0';
    ByteBuffer block = allocate(numbers.length);
    block.asFloatBuffer().put(numbers);
    ObjectNode accessor = accessor(block, target, FLOAT, numbers.length / components);
    accessor.put("type", type);
    if (bounds) {
      addBounds(accessor, numbers, components);
    }
    return list("accessors").size() - 1;
  }

  private static void addBounds(ObjectNode accessor, float[] numbers, int components) {
    ArrayNode low = accessor.putArray("min");
    ArrayNode high = accessor.putArray("max");
    for (int c = 0; c < components; c++) {
      float least = Float.POSITIVE_INFINITY;
      float most = Float.NEGATIVE_INFINITY;
      for (int i = c; i < numbers.length; i += components) {
        least = Math.min(least, numbers[i]);
        most = Math.max(most, numbers[i]);
      }
      low.add(least);
      high.add(most);
    }
  }

  private static ByteBuffer allocate(int words) {
    return ByteBuffer.allocate(words * 4).order(ByteOrder.LITTLE_ENDIAN);
  }

  private ObjectNode accessor(ByteBuffer block, int target, int componentType, int count) {
    ObjectNode view = list("bufferViews").addObject();
    view.put("buffer", 0).put("byteOffset", length).put("byteLength", block.capacity());
    if (target != 0) {
      view.put("target", target);
    }
    blocks.add(block);
    length += block.capacity();
    return list("accessors")
        .addObject()
        .put("bufferView", list("bufferViews").size() - 1)
        .put("componentType", componentType)
        .put("count", count);
  }

  byte[] pack() {
    if (length > 0) {
      list("buffers").addObject().put("byteLength", length);
    }
    byte[] text = JsonPlace.mapper().writeValueAsBytes(root);
    int padded = (text.length + 3) / 4 * 4;
    int total = 12 + 8 + padded + (length > 0 ? 8 + length : 0);
    ByteBuffer out = ByteBuffer.allocate(total).order(ByteOrder.LITTLE_ENDIAN);
    out.putInt(0x46546C67).putInt(2).putInt(total);
    out.putInt(padded).putInt(0x4E4F534A).put(text);
    while (out.position() % 4 != 0) {
      out.put((byte) ' ');
    }
    if (length > 0) {
      out.putInt(length).putInt(0x004E4942);
      blocks.forEach(block -> out.put(block.array()));
    }
    return out.array();
  }
}

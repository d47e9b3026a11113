package idlelens.web.shot;

import idlelens.exchange.json.JsonPlace;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * A JSON head and columns of 32-bit numbers behind it, little-endian: the letters {@code ILO1}, the
 * length of the head as uint32, the head padded with blanks to four bytes, the columns. In the head
 * a column is {@code {"at": first number, "n": count}}, counted in numbers from the end of the
 * head.
 */
final class OctetBundle {
  private static final int MAGIC = 0x314F4C49;

  private final ObjectNode head = JsonNodeFactory.instance.objectNode();
  private final List<Object> columns = new ArrayList<>();
  private int length;

  ObjectNode head() {
    return head;
  }

  /** A column of float32. */
  void add(ObjectNode to, String name, float[] numbers) {
    place(to, name, numbers, numbers.length);
  }

  /** A column of doubles, written as float32. */
  void add(ObjectNode to, String name, double[] numbers, double factor) {
    float[] column = new float[numbers.length];
    for (int i = 0; i < column.length; i++) {
      column[i] = (float) (numbers[i] * factor);
    }
    add(to, name, column);
  }

  /** A column of uint32. */
  void add(ObjectNode to, String name, int[] numbers) {
    place(to, name, numbers, numbers.length);
  }

  private void place(ObjectNode to, String name, Object column, int count) {
    to.putObject(name).put("at", length).put("n", count);
    columns.add(column);
    length += count;
  }

  byte[] pack() {
    byte[] text = JsonPlace.mapper().writeValueAsBytes(head);
    byte[] padded = Arrays.copyOf(text, (text.length + 3) / 4 * 4);
    Arrays.fill(padded, text.length, padded.length, (byte) ' ');
    ByteBuffer out =
        ByteBuffer.allocate(8 + padded.length + length * 4).order(ByteOrder.LITTLE_ENDIAN);
    out.putInt(MAGIC).putInt(padded.length).put(padded);
    for (Object column : columns) {
      ByteBuffer at = out.slice().order(ByteOrder.LITTLE_ENDIAN);
      if (column instanceof float[] floats) {
        at.asFloatBuffer().put(floats);
        out.position(out.position() + floats.length * 4);
      } else if (column instanceof int[] whole) {
        at.asIntBuffer().put(whole);
        out.position(out.position() + whole.length * 4);
      }
    }
    return out.array();
  }
}

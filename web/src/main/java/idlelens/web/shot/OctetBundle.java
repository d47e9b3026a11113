package idlelens.web.shot;

import idlelens.exchange.json.JsonPlace;
import idlelens.web.wire.Pieces;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.IntUnaryOperator;
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
  private static final int PIECE = 64 << 10;

  private final ObjectNode head = JsonNodeFactory.instance.objectNode();
  private final List<Column> columns = new ArrayList<>();
  private int length;

  ObjectNode head() {
    return head;
  }

  /** Numbers of 32 bits, made when they are sent. */
  private record Column(int length, IntUnaryOperator bits) {}

  /** A column of float32. */
  void add(ObjectNode to, String name, float[] numbers) {
    place(to, name, new Column(numbers.length, i -> Float.floatToRawIntBits(numbers[i])));
  }

  /** A column of doubles, written as float32. */
  void add(ObjectNode to, String name, double[] numbers, double factor) {
    place(
        to,
        name,
        new Column(numbers.length, i -> Float.floatToRawIntBits((float) (numbers[i] * factor))));
  }

  /** A column of uint32. */
  void add(ObjectNode to, String name, int[] numbers) {
    place(to, name, new Column(numbers.length, i -> numbers[i]));
  }

  private void place(ObjectNode to, String name, Column column) {
    to.putObject(name).put("at", length).put("n", column.length());
    columns.add(column);
    length += column.length();
  }

  private byte[] packedHead() {
    byte[] text = JsonPlace.mapper().writeValueAsBytes(head);
    int padded = (text.length + 3) / 4 * 4;
    ByteBuffer out = ByteBuffer.allocate(8 + padded).order(ByteOrder.LITTLE_ENDIAN);
    out.putInt(MAGIC).putInt(padded).put(text);
    while (out.hasRemaining()) {
      out.put((byte) ' ');
    }
    return out.array();
  }

  /** All of it at once, for what is small. */
  byte[] pack() {
    byte[] first = packedHead();
    ByteBuffer out = ByteBuffer.allocate(first.length + length * 4).order(ByteOrder.LITTLE_ENDIAN);
    out.put(first);
    for (Column column : columns) {
      put(out, column, 0, column.length());
    }
    return out.array();
  }

  private static void put(ByteBuffer out, Column column, int from, int to) {
    for (int i = from; i < to; i++) {
      out.putInt(column.bits().applyAsInt(i));
    }
  }

  /** The same piece by piece: the columns are never a second time in memory. */
  Pieces inPieces() {
    return new Pieces() {
      private byte[] first = packedHead();
      private int column;
      private int at;

      @Override
      public long octets() {
        return 4L * length;
      }

      @Override
      public byte[] next() {
        if (first != null) {
          byte[] head = first;
          first = null;
          return head;
        }
        ByteBuffer out = ByteBuffer.allocate(PIECE).order(ByteOrder.LITTLE_ENDIAN);
        while (out.hasRemaining() && column < columns.size()) {
          fill(out);
        }
        return out.position() == 0 ? null : Arrays.copyOf(out.array(), out.position());
      }

      private void fill(ByteBuffer out) {
        Column now = columns.get(column);
        int to = Math.min(now.length(), at + out.remaining() / 4);
        put(out, now, at, to);
        at = to;
        if (at == now.length()) {
          column++;
          at = 0;
        }
      }
    };
  }
}

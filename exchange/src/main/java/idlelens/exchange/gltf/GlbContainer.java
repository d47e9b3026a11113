package idlelens.exchange.gltf;

import idlelens.exchange.format.FormatException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;

/**
 * The two chunks of a binary file, or the whole of a text file.
 *
 * @param binary a part of the file itself, little-endian; null if there is none
 */
record GlbContainer(byte[] json, ByteBuffer binary) {
  private static final int MAGIC = 0x46546C67;
  private static final int JSON_CHUNK = 0x4E4F534A;
  private static final int BINARY_CHUNK = 0x004E4942;

  static GlbContainer open(byte[] file) throws FormatException {
    if (file.length == 0) {
      throw new FormatException("file", "empty", "a .glb or .gltf file");
    }
    ByteBuffer in = ByteBuffer.wrap(file).order(ByteOrder.LITTLE_ENDIAN);
    if (file.length < 4 || in.getInt(0) != MAGIC) {
      return new GlbContainer(file, null); // text; the JSON reader says what is wrong with it
    }
    if (file.length < 20) {
      throw new FormatException("file", file.length + " bytes long", "at least 20 bytes");
    }
    long version = in.getInt(4) & 0xFFFFFFFFL;
    if (version != 2) {
      throw new FormatException("header.version at byte 4", version, "2");
    }
    long length = in.getInt(8) & 0xFFFFFFFFL;
    if (length != file.length) {
      throw new FormatException(
          "header.length at byte 8", length, file.length + ", the length of the file");
    }
    return chunks(file, in);
  }

  private static GlbContainer chunks(byte[] file, ByteBuffer in) throws FormatException {
    byte[] json = null;
    ByteBuffer binary = null;
    int at = 12;
    for (int i = 0; at < file.length; i++) {
      if (file.length - at < 8) {
        throw new FormatException(
            "chunk[" + i + "] at byte " + at, "cut off", "a chunk of at least 8 bytes");
      }
      long length = in.getInt(at) & 0xFFFFFFFFL;
      int kind = in.getInt(at + 4);
      if (length > file.length - at - 8) {
        throw new FormatException(
            "chunk[" + i + "].length at byte " + at, length, "0 to " + (file.length - at - 8));
      }
      if (i == 0 && kind != JSON_CHUNK) {
        throw new FormatException("chunk[0].type at byte " + (at + 4), kind, "JSON");
      }
      if (kind == JSON_CHUNK && json == null) {
        json = Arrays.copyOfRange(file, at + 8, at + 8 + (int) length);
      } else if (kind == BINARY_CHUNK && binary == null) {
        binary = in.slice(at + 8, (int) length).order(ByteOrder.LITTLE_ENDIAN);
      }
      at += 8 + (int) length;
    }
    if (json == null) {
      throw new FormatException("chunk[0]", "missing", "a JSON chunk");
    }
    return new GlbContainer(json, binary);
  }
}

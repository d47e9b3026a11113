package idlelens.web.shot;

import idlelens.core.rule.RefusedException;
import java.io.ByteArrayOutputStream;
import java.util.zip.DataFormatException;
import java.util.zip.Deflater;
import java.util.zip.Inflater;

/** Text as it is stored: compressed (RFC 1950), or plain as it was written before. */
final class PackedText {
  private static final int FIRST_OF_PACKED = 0x78;
  private static final int LEVEL = 3; // twice as fast as the usual 6, a tenth longer
  private static final int MOST_BYTES = 256 << 20;

  private PackedText() {}

  static byte[] pack(byte[] text) {
    Deflater deflater = new Deflater(LEVEL);
    try {
      deflater.setInput(text);
      deflater.finish();
      ByteArrayOutputStream out = new ByteArrayOutputStream(text.length / 4 + 64);
      byte[] piece = new byte[16 << 10];
      while (!deflater.finished()) {
        out.write(piece, 0, deflater.deflate(piece));
      }
      return out.toByteArray();
    } finally {
      deflater.end();
    }
  }

  /** The text; what is plain is given back as it is. */
  static byte[] unpack(byte[] stored) {
    if (stored.length == 0 || stored[0] != FIRST_OF_PACKED) {
      return stored;
    }
    Inflater inflater = new Inflater();
    try {
      inflater.setInput(stored);
      ByteArrayOutputStream out = new ByteArrayOutputStream(stored.length * 4 + 64);
      byte[] piece = new byte[16 << 10];
      while (!inflater.finished()) {
        int count = inflater.inflate(piece);
        if (count == 0 && inflater.needsInput() || out.size() > MOST_BYTES) {
          throw new RefusedException("stored text", "cut short or too long", "all of it");
        }
        out.write(piece, 0, count);
      }
      return out.toByteArray();
    } catch (DataFormatException e) {
      throw new RefusedException("stored text", "damaged (" + e.getMessage() + ")", "RFC 1950");
    } finally {
      inflater.end();
    }
  }
}

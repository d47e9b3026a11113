package idlelens.exchange.ply;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.format.NumberScan;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;

/** The numbers behind a head, one after the other. */
final class PlyNumbers {
  private final byte[] octets;
  private final ByteBuffer binary;
  private final boolean text;
  private final NumberScan scan;
  private int at;

  PlyNumbers(byte[] octets, PlyHead head) {
    this.octets = octets;
    this.text = head.coding() == PlyHead.Coding.ASCII;
    boolean big = head.coding() == PlyHead.Coding.BIG;
    this.binary =
        ByteBuffer.wrap(octets).order(big ? ByteOrder.BIG_ENDIAN : ByteOrder.LITTLE_ENDIAN);
    this.scan = new NumberScan(octets, octets.length);
    this.at = head.body();
  }

  /** Octets that are left. */
  long left() {
    return octets.length - at;
  }

  double next(String type) throws FormatException {
    return text ? nextText() : nextBinary(type);
  }

  private double nextText() throws FormatException {
    while (at < octets.length && octets[at] <= ' ' && octets[at] >= 0) {
      at++;
    }
    double value = scan.read(at);
    if (scan.at() == at || !Double.isFinite(value)) {
      throw new FormatException(
          "byte " + at, at >= octets.length ? "the end of the file" : "no number", "a number");
    }
    at = scan.at();
    return value;
  }

  private double nextBinary(String type) throws FormatException {
    int width = PlyHead.width(type);
    if (octets.length - at < width) {
      throw new FormatException("byte " + at, "the end of the file", width + " bytes more");
    }
    int from = at;
    at += width;
    switch (type) {
      case "char", "int8":
        return binary.get(from);
      case "uchar", "uint8":
        return binary.get(from) & 0xFF;
      case "short", "int16":
        return binary.getShort(from);
      case "ushort", "uint16":
        return binary.getShort(from) & 0xFFFF;
      case "int", "int32":
        return binary.getInt(from);
      case "uint", "uint32":
        return binary.getInt(from) & 0xFFFFFFFFL;
      case "float", "float32":
        return binary.getFloat(from);
      default:
        return binary.getDouble(from);
    }
  }
}

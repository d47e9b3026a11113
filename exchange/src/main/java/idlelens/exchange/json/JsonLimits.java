package idlelens.exchange.json;

import idlelens.exchange.format.FormatException;

/**
 * How much JSON is read in one place. A value takes some 100 octets of memory, however short its
 * text is: so values are counted while they are read, and not only octets.
 */
public enum JsonLimits {
  /** A few fields: a name, a number. */
  SMALL(64 << 10, 2_000),
  /** What an edit may hold at most: an import put in as nodes, say. */
  EDITS(16 << 20, 1_500_000),
  /** A whole shot with its triangles, or a glTF file's head. */
  DOCUMENT(256 << 20, 4_000_000);

  private final int mostOctets;
  private final int mostValues;

  JsonLimits(int mostOctets, int mostValues) {
    this.mostOctets = mostOctets;
    this.mostValues = mostValues;
  }

  int mostValues() {
    return mostValues;
  }

  String allowed() {
    return "at most " + mostOctets + " octets and " + mostValues + " values";
  }

  void checkLength(int octets) throws FormatException {
    if (octets > mostOctets) {
      throw new FormatException("file", octets + " octets", allowed());
    }
  }
}

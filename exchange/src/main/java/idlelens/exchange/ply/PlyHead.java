package idlelens.exchange.ply;

import idlelens.exchange.format.FormatException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * What the head of a file says.
 *
 * @param body where the numbers begin
 */
record PlyHead(Coding coding, List<Kind> kinds, int body) {
  private static final int MOST_LINES = 1000;
  private static final Map<String, Integer> WIDTHS =
      Map.ofEntries(
          Map.entry("char", 1),
          Map.entry("int8", 1),
          Map.entry("uchar", 1),
          Map.entry("uint8", 1),
          Map.entry("short", 2),
          Map.entry("int16", 2),
          Map.entry("ushort", 2),
          Map.entry("uint16", 2),
          Map.entry("int", 4),
          Map.entry("int32", 4),
          Map.entry("uint", 4),
          Map.entry("uint32", 4),
          Map.entry("float", 4),
          Map.entry("float32", 4),
          Map.entry("double", 8),
          Map.entry("float64", 8));

  /** How numbers stand. */
  enum Coding {
    ASCII,
    LITTLE,
    BIG
  }

  /** An element: its name, how many there are, and what each has. */
  record Kind(String name, long count, List<Property> properties) {
    int place(String property) {
      for (int i = 0; i < properties.size(); i++) {
        if (properties.get(i).name.equals(property)) {
          return i;
        }
      }
      return -1;
    }
  }

  /**
   * A number, or a list of numbers.
   *
   * @param length type of the length of a list, or null
   */
  record Property(String name, String type, String length) {
    boolean isList() {
      return length != null;
    }

    int width() {
      return WIDTHS.get(type);
    }
  }

  static PlyHead read(byte[] octets) throws FormatException {
    List<Kind> kinds = new ArrayList<>();
    Coding coding = null;
    int from = 0;
    for (int line = 1; line <= MOST_LINES; line++) {
      int to = from;
      while (to < octets.length && octets[to] != '\n') {
        to++;
      }
      if (to == octets.length) {
        throw new FormatException("line " + line, "the end of the file", "end_header");
      }
      String text = new String(octets, from, to - from, StandardCharsets.ISO_8859_1).strip();
      from = to + 1;
      String[] words = text.split("\\s+");
      String where = "line " + line;
      if (line == 1 && !text.equals("ply")) {
        throw new FormatException(where, "'" + shown(text) + "'", "ply");
      } else if (words[0].equals("format")) {
        coding = coding(where, text, words);
      } else if (words[0].equals("element")) {
        kinds.add(kind(where, words));
      } else if (words[0].equals("property")) {
        property(where, words, kinds);
      } else if (text.equals("end_header")) {
        return finished(coding, kinds, from);
      }
    }
    throw new FormatException("the head", "of more than " + MOST_LINES + " lines", "fewer");
  }

  private static String shown(String text) {
    return text.length() > 30 ? text.substring(0, 30) + "…" : text;
  }

  private static PlyHead finished(Coding coding, List<Kind> kinds, int body)
      throws FormatException {
    if (coding == null) {
      throw new FormatException("the head", "without a format", "format ascii 1.0 or a binary one");
    }
    return new PlyHead(coding, kinds, body);
  }

  private static Coding coding(String where, String text, String[] words) throws FormatException {
    String word = words.length > 1 ? words[1] : "";
    switch (word) {
      case "ascii":
        return Coding.ASCII;
      case "binary_little_endian":
        return Coding.LITTLE;
      case "binary_big_endian":
        return Coding.BIG;
      default:
        throw new FormatException(
            where, "'" + shown(text) + "'", "ascii, binary_little_endian or binary_big_endian");
    }
  }

  private static Kind kind(String where, String[] words) throws FormatException {
    try {
      long count = Long.parseLong(words[2]);
      if (count >= 0 && count <= Integer.MAX_VALUE) {
        return new Kind(words[1], count, new ArrayList<>());
      }
    } catch (NumberFormatException | ArrayIndexOutOfBoundsException e) {
      // said below
    }
    throw new FormatException(where, shown(String.join(" ", words)), "element NAME COUNT");
  }

  private static void property(String where, String[] words, List<Kind> kinds)
      throws FormatException {
    boolean list = words.length == 5 && words[1].equals("list");
    boolean known =
        list
            ? WIDTHS.containsKey(words[2]) && WIDTHS.containsKey(words[3])
            : words.length == 3 && WIDTHS.containsKey(words[1]);
    if (!known || kinds.isEmpty()) {
      throw new FormatException(
          where, "'" + shown(String.join(" ", words)) + "'", "property TYPE NAME, of an element");
    }
    kinds
        .get(kinds.size() - 1)
        .properties()
        .add(
            list
                ? new Property(words[4], words[3], words[2])
                : new Property(words[2], words[1], null));
  }

  static int width(String type) {
    return WIDTHS.get(type);
  }
}

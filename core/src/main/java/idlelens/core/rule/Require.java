package idlelens.core.rule;

import java.util.Locale;

/** Checks that hand the value back, or refuse it. All of them refuse NaN. */
public final class Require {
  private Require() {}

  /** A finite number. */
  public static double finite(double value, String where) {
    if (!Double.isFinite(value)) {
      throw new RefusedException(where, value, "a finite number");
    }
    return value;
  }

  /** A finite number in [least, most]. */
  public static double within(double value, double least, double most, String where) {
    if (!(value >= least && value <= most)) {
      throw new RefusedException(where, value, plain(least) + " to " + plain(most));
    }
    return value;
  }

  /** A whole number in [least, most]. */
  public static int within(int value, int least, int most, String where) {
    if (value < least || value > most) {
      throw new RefusedException(where, value, least + " to " + most);
    }
    return value;
  }

  /** A finite number greater than zero. */
  public static double positive(double value, String where) {
    if (!(value > 0 && value < Double.POSITIVE_INFINITY)) {
      throw new RefusedException(where, value, "greater than 0");
    }
    return value;
  }

  /**
   * A colour, sRGB as {@code #rrggbb}.
   *
   * @param such one that is allowed, for an example
   */
  public static String colour(String value, String where, String such) {
    if (value == null || !value.matches("#[0-9a-fA-F]{6}")) {
      throw new RefusedException(where, "'" + value + "'", "#rrggbb, such as " + such);
    }
    return value;
  }

  /** The id of something within a chain: 1 to 40 lower-case letters, digits or '-'. */
  public static String partId(String value, String where) {
    if (value == null || !value.matches("[a-z0-9-]{1,40}")) {
      throw new RefusedException(
          where, "'" + value + "'", "1 to 40 lower-case letters, digits or '-'");
    }
    return value;
  }

  /** The id of something of a shot: 1 to 60 letters, digits, '-' or '_'. */
  public static String id(String value, String where) {
    if (value == null || !value.matches("[A-Za-z0-9_-]{1,60}")) {
      throw new RefusedException(where, "'" + value + "'", "1 to 60 letters, digits, '-' or '_'");
    }
    return value;
  }

  /** The SHA-256 of something stored, in hexadecimal. */
  public static String hash(String value, String where) {
    if (value == null || !value.matches("[0-9a-f]{64}")) {
      throw new RefusedException(where, value, "64 hexadecimal digits");
    }
    return value;
  }

  /**
   * Text of 1 to {@code most} characters once trimmed: whole ones (no halves of surrogate pairs),
   * none that control or turn what stands around them, and at least one that can be seen.
   */
  public static String name(String value, int most, String where) {
    String trimmed = value == null ? "" : value.strip();
    int length = trimmed.codePointCount(0, trimmed.length());
    if (trimmed.isEmpty() || length > most) {
      throw new RefusedException(
          where, "'" + shorten(trimmed) + "'", "a text of 1 to " + most + " characters");
    }
    if (trimmed.codePoints().anyMatch(Require::isNoCharacter)) {
      throw new RefusedException(
          where,
          "'" + shorten(trimmed) + "'",
          "whole characters, no control characters and none that change the direction of writing");
    }
    if (trimmed.codePoints().noneMatch(Require::isSeen)) {
      throw new RefusedException(where, "invisible", "at least one character that can be seen");
    }
    return trimmed;
  }

  /**
   * A name made of any text: without what a name may not hold, and cut between characters.
   *
   * @param otherwise the name where nothing is left that can be seen
   */
  public static String asName(String text, int most, String otherwise) {
    StringBuilder name = new StringBuilder();
    text.strip()
        .codePoints()
        .map(c -> Character.isWhitespace(c) ? ' ' : c)
        .filter(c -> !isNoCharacter(c))
        .limit(most)
        .forEach(name::appendCodePoint);
    String made = name.toString().strip();
    return made.codePoints().anyMatch(Require::isSeen) ? made : otherwise;
  }

  private static boolean isNoCharacter(int c) {
    boolean turns = c >= 0x202A && c <= 0x202E || c >= 0x2066 && c <= 0x2069;
    int type = Character.getType(c);
    return turns
        || Character.isISOControl(c)
        || type == Character.SURROGATE
        || type == Character.LINE_SEPARATOR
        || type == Character.PARAGRAPH_SEPARATOR;
  }

  private static boolean isSeen(int c) {
    int type = Character.getType(c);
    boolean blank = c == 0x2800 || c == 0x3164 || c == 0x115F || c == 0x1160 || c == 0xFFA0;
    return !blank
        && type != Character.FORMAT
        && type != Character.SPACE_SEPARATOR
        && type != Character.UNASSIGNED
        && type != Character.PRIVATE_USE
        && type != Character.NON_SPACING_MARK
        && type != Character.ENCLOSING_MARK;
  }

  /** A value that is there. */
  public static <T> T present(T value, String where) {
    if (value == null) {
      throw new RefusedException(where, "missing", "a value");
    }
    return value;
  }

  private static String shorten(String text) {
    String shown =
        text.codePoints()
            .filter(c -> !isNoCharacter(c))
            .limit(40)
            .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
            .toString();
    return shown.length() < text.length() ? shown + "…" : shown;
  }

  private static String plain(double value) {
    return value == Math.rint(value) && Math.abs(value) < 1e15
        ? String.format(Locale.ROOT, "%.0f", value)
        : Double.toString(value);
  }
}

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

  /** Text of 1 to {@code most} characters once trimmed, without control characters. */
  public static String name(String value, int most, String where) {
    String trimmed = value == null ? "" : value.strip();
    if (trimmed.isEmpty() || trimmed.length() > most) {
      throw new RefusedException(
          where, "'" + shorten(trimmed) + "'", "a text of 1 to " + most + " characters");
    }
    if (trimmed.chars().anyMatch(Character::isISOControl)) {
      throw new RefusedException(where, "'" + shorten(trimmed) + "'", "no control characters");
    }
    return trimmed;
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
            .filter(c -> !Character.isISOControl(c))
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

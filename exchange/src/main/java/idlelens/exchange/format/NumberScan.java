package idlelens.exchange.format;

import java.nio.charset.StandardCharsets;

/**
 * Reads decimal numbers out of octets. Up to 15 digits and 22 places it is one exact multiplication
 * or division, which rounds right (Clinger, PLDI 1990, the fast path); else as {@link
 * Double#parseDouble}.
 */
public final class NumberScan {
  private static final int MOST_DIGITS = 15;
  private static final int MOST_TEN = 22;
  private static final int LONGEST = 400;
  private static final double[] TENS = new double[MOST_TEN + 1];

  static {
    TENS[0] = 1;
    for (int i = 1; i < TENS.length; i++) {
      TENS[i] = TENS[i - 1] * 10;
    }
  }

  private final byte[] text;
  private final int end;
  private int at;

  /**
   * @param end where the text ends
   */
  public NumberScan(byte[] text, int end) {
    this.text = text;
    this.end = end;
  }

  /** Where the last number ended. */
  public int at() {
    return at;
  }

  /**
   * The number that begins at a place; NaN if none does, and then {@link #at} stands there.
   *
   * @param from where it begins
   */
  public double read(int from) {
    int i = from;
    boolean minus = i < end && text[i] == '-';
    if (minus || i < end && text[i] == '+') {
      i++;
    }
    int first = i;
    long digits = 0;
    while (i < end && (byte) (text[i] - '0') >= 0 && text[i] <= '9' && i - first < MOST_DIGITS) {
      digits = digits * 10 + (text[i++] - '0');
    }
    int seen = i - first;
    int places = 0;
    if (i < end && text[i] == '.') {
      int dot = i++;
      int stop = Math.min(end, dot + 1 + MOST_DIGITS - seen);
      while (i < stop && text[i] >= '0' && text[i] <= '9') {
        digits = digits * 10 + (text[i++] - '0');
      }
      places = i - dot - 1;
      seen += places;
    }
    if (seen == 0) {
      at = from;
      return Double.NaN;
    }
    if (i < end && goesOn(text[i])) {
      return slow(from, longEnd(i));
    }
    at = i;
    double value = digits / TENS[places];
    return minus ? -value : value;
  }

  /** Whether a number has more digits than are exact, or a power of ten. */
  private static boolean goesOn(byte next) {
    return next >= '0' && next <= '9' || next == 'e' || next == 'E' || next == '.';
  }

  /** Where a number ends that goes on. */
  private int longEnd(int from) {
    int i = from;
    boolean dot = false;
    for (int k = from - 1; k >= 0 && isOfNumber(text[k]); k--) {
      dot |= text[k] == '.';
    }
    while (i < end && (text[i] >= '0' && text[i] <= '9' || text[i] == '.' && !dot)) {
      dot |= text[i++] == '.';
    }
    boolean power = i < end && (text[i] == 'e' || text[i] == 'E');
    return power ? powerEnd(i) : i;
  }

  private static boolean isOfNumber(byte letter) {
    return letter >= '0' && letter <= '9' || letter == '.';
  }

  private int powerEnd(int e) {
    int i = e + 1;
    if (i < end && (text[i] == '-' || text[i] == '+')) {
      i++;
    }
    int first = i;
    while (i < end && text[i] >= '0' && text[i] <= '9') {
      i++;
    }
    return i == first ? e : i;
  }

  private double slow(int from, int to) {
    at = to;
    if (to - from > LONGEST) {
      at = from;
      return Double.NaN;
    }
    return Double.parseDouble(new String(text, from, to - from, StandardCharsets.US_ASCII));
  }
}

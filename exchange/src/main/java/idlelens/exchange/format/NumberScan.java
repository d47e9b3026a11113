package idlelens.exchange.format;

import java.nio.charset.StandardCharsets;

/**
 * Reads decimal numbers out of octets. Up to 15 digits and 22 places it is one exact multiplication
 * or division, which rounds right (Clinger, PLDI 1990, the fast path); else as {@link
 * Double#parseDouble}.
 */
public final class NumberScan {
  private static final long MOST_EXACT = 1L << 53;
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
    if (i < end && (minus || text[i] == '+')) {
      i++;
    }
    long digits = 0;
    int places = 0;
    int seen = 0;
    boolean dot = false;
    for (; i < end; i++) {
      int digit = text[i] - '0';
      if (digit >= 0 && digit <= 9) {
        digits = digits < MOST_EXACT ? digits * 10 + digit : digits;
        seen++;
        places += dot ? 1 : 0;
      } else if (text[i] == '.' && !dot) {
        dot = true;
      } else {
        break;
      }
    }
    if (seen == 0) {
      at = from;
      return Double.NaN;
    }
    boolean power = i < end && (text[i] == 'e' || text[i] == 'E');
    if (power || seen > 15 || places > MOST_TEN) {
      return slow(from, power ? powerEnd(i) : i);
    }
    at = i;
    double value = digits / TENS[places];
    return minus ? -value : value;
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

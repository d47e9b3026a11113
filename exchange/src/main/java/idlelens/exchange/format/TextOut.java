package idlelens.exchange.format;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;

/**
 * Text in the making, as octets. Numbers are written without a locale, with up to 15 digits and 13
 * decimals: below 100 exact to 5e-14, below 100,000 to 5e-11; larger ones in full.
 */
public final class TextOut {
  private static final double[] LIMITS = {1e2, 1e3, 1e4, 1e5};
  private static final long[] SCALES = {
    10_000_000_000_000L, 1_000_000_000_000L, 100_000_000_000L, 10_000_000_000L
  };
  private static final int MOST_DECIMALS = 13;
  private static final int LONGEST_NUMBER = 32;

  private byte[] octets = new byte[1 << 16];
  private int length;

  private void room(int more) {
    if (octets.length - length < more) {
      octets = Arrays.copyOf(octets, Math.max(octets.length * 2, length + more));
    }
  }

  /** Adds text. */
  public TextOut add(String text) {
    return add(text.getBytes(StandardCharsets.UTF_8));
  }

  /** Adds octets as they are. */
  public TextOut add(byte[] more) {
    room(more.length);
    System.arraycopy(more, 0, octets, length, more.length);
    length += more.length;
    return this;
  }

  /** How many octets there are. */
  public int length() {
    return length;
  }

  /** Adds a letter below 128. */
  public TextOut add(char letter) {
    room(1);
    octets[length++] = (byte) letter;
    return this;
  }

  /** Adds a number that is finite. */
  public TextOut add(double value) {
    room(LONGEST_NUMBER);
    double size = Math.abs(value);
    int step = 0;
    while (step < LIMITS.length && size >= LIMITS[step]) {
      step++;
    }
    if (step == LIMITS.length || !(size < LIMITS[step])) {
      return add(large(value));
    }
    long scaled = Math.round(size * SCALES[step]);
    if (value < 0 && scaled != 0) {
      octets[length++] = '-';
    }
    whole(scaled / SCALES[step]);
    fraction(scaled % SCALES[step], MOST_DECIMALS - step);
    return this;
  }

  private static String large(double value) {
    boolean whole = value == Math.rint(value) && Math.abs(value) < 1e15;
    return whole ? Long.toString((long) value) : Double.toString(value);
  }

  private void whole(long value) {
    int digits = 1;
    for (long rest = value; rest >= 10; rest /= 10) {
      digits++;
    }
    long rest = value;
    for (int i = length + digits - 1; i >= length; i--) {
      octets[i] = (byte) ('0' + rest % 10);
      rest /= 10;
    }
    length += digits;
  }

  private void fraction(long value, int decimals) {
    if (value == 0) {
      return;
    }
    octets[length++] = '.';
    long rest = value;
    int digits = decimals;
    while (rest % 10 == 0) {
      rest /= 10;
      digits--;
    }
    for (int i = length + digits - 1; i >= length; i--) {
      octets[i] = (byte) ('0' + rest % 10);
      rest /= 10;
    }
    length += digits;
  }

  /** Adds numbers with something between them. */
  public TextOut add(double[] values, int from, int count, String between) {
    for (int i = 0; i < count; i++) {
      if (i > 0) {
        add(between);
      }
      add(values[from + i]);
    }
    return this;
  }

  public byte[] octets() {
    return Arrays.copyOf(octets, length);
  }
}

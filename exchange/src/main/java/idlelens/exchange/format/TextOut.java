package idlelens.exchange.format;

import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

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
  private static final double ROUNDING = 0.5;

  /** Decimals are written in two parts that integers hold. */
  private static final int LOW_DIGITS = 8;

  private static final int LOW_PART = 100_000_000;

  private static final int MYRIAD = 10_000;

  /** The four digits of each number below ten thousand, the first in the lowest octet. */
  private static final int[] FOURS = new int[MYRIAD];

  private static final VarHandle FOUR_OCTETS =
      MethodHandles.byteArrayViewVarHandle(int[].class, ByteOrder.LITTLE_ENDIAN);

  static {
    for (int i = 0; i < MYRIAD; i++) {
      for (int rest = i, digit = 3; digit >= 0; rest /= 10, digit--) {
        FOURS[i] |= ('0' + rest % 10) << (8 * digit);
      }
    }
  }

  private static final int LONGEST_NUMBER = 32;

  private static final int USUAL_ROOM = 1 << 14;

  private byte[] octets;
  private int length;

  /** What stands before the octets at hand, and how long it is. */
  private final List<TextOut> parts = new ArrayList<>();

  private int inParts;

  public TextOut() {
    this(USUAL_ROOM);
  }

  /**
   * @param expected how many octets there will be, about; with fewer it grows
   */
  public TextOut(int expected) {
    octets = new byte[Math.max(USUAL_ROOM, expected)];
  }

  private TextOut(byte[] octets, int length) {
    this.octets = octets;
    this.length = length;
  }

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

  /** Adds all of another text, which is not to be added to any more; it is not copied yet. */
  public TextOut add(TextOut other) {
    TextOut before = new TextOut(octets, length);
    parts.add(before);
    parts.add(other);
    inParts += before.length + other.length();
    octets = new byte[USUAL_ROOM];
    length = 0;
    return this;
  }

  /** How many octets there are. */
  public int length() {
    return inParts + length;
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
    long scale = SCALES[step];
    int whole = (int) size;
    long part = (long) ((size - whole) * scale + ROUNDING); // the difference is exact
    if (part == scale) {
      whole++;
      part = 0;
    }
    if (value < 0 && (whole != 0 || part != 0)) {
      octets[length++] = '-';
    }
    whole(whole);
    fraction(part, MOST_DECIMALS - step);
    return this;
  }

  private static String large(double value) {
    boolean whole = value == Math.rint(value) && Math.abs(value) < 1e15;
    return whole ? Long.toString((long) value) : Double.toString(value);
  }

  private void whole(int value) {
    int count = 1;
    for (int rest = value; rest >= 10; rest /= 10) {
      count++;
    }
    digits(value, count);
  }

  /** Writes so many digits of a number, four at a time, with zeros before it. */
  private void digits(int value, int count) {
    int rest = value;
    int at = length + count;
    length = at;
    int left = count;
    for (; left >= 4; left -= 4) {
      at -= 4;
      FOUR_OCTETS.set(octets, at, FOURS[rest % MYRIAD]);
      rest /= MYRIAD;
    }
    for (; left > 0; left--) {
      octets[--at] = (byte) ('0' + rest % 10);
      rest /= 10;
    }
  }

  private void fraction(long value, int decimals) {
    if (value == 0) {
      return;
    }
    octets[length++] = '.';
    digits((int) (value / LOW_PART), decimals - LOW_DIGITS);
    digits((int) (value % LOW_PART), LOW_DIGITS);
    while (octets[length - 1] == '0') {
      length--;
    }
  }

  /** Adds numbers with something between them. */
  public TextOut add(double[] values, int from, int count, String between) {
    byte[] gap = between.getBytes(StandardCharsets.UTF_8);
    for (int i = 0; i < count; i++) {
      if (i > 0) {
        add(gap);
      }
      add(values[from + i]);
    }
    return this;
  }

  public byte[] octets() {
    byte[] all = new byte[length()];
    copyTo(all, 0);
    return all;
  }

  private void copyTo(byte[] all, int from) {
    int at = from;
    for (TextOut part : parts) {
      part.copyTo(all, at);
      at += part.length();
    }
    System.arraycopy(octets, 0, all, at, length);
  }
}

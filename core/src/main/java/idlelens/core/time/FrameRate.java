package idlelens.core.time;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import java.math.BigInteger;
import java.util.Locale;
import java.util.Optional;

/** Frames per second as a fraction, so that 24000/1001 stays exact. From 1 to 240 a second. */
public record FrameRate(int numerator, int denominator) {
  private static final int MOST_NUMERATOR = 1_000_000;
  private static final int MOST_DENOMINATOR = 10_000;
  private static final double SLOWEST = 1;
  private static final double FASTEST = 240;

  public FrameRate {
    Require.within(numerator, 1, MOST_NUMERATOR, "rate.numerator");
    Require.within(denominator, 1, MOST_DENOMINATOR, "rate.denominator");
    Require.within((double) numerator / denominator, SLOWEST, FASTEST, "rate");
  }

  public static FrameRate of(int framesPerSecond) {
    return new FrameRate(framesPerSecond, 1);
  }

  /** Reads {@code 24}, {@code 25/1}, {@code 24000/1001}, or one of 23.976, 29.97, 59.94. */
  public static FrameRate parse(String text) {
    String plain = text == null ? "" : text.strip();
    switch (plain) {
      case "23.976", "23.98":
        return new FrameRate(24000, 1001);
      case "29.97":
        return new FrameRate(30000, 1001);
      case "59.94":
        return new FrameRate(60000, 1001);
      default:
        break;
    }
    if (!plain.matches("\\d{1,6}(/\\d{1,5})?")) {
      throw new RefusedException("rate", "'" + plain + "'", "24, 25, 23.976 or 24000/1001");
    }
    String[] parts = plain.split("/");
    return new FrameRate(
        Integer.parseInt(parts[0]), parts.length > 1 ? Integer.parseInt(parts[1]) : 1);
  }

  /** The rate of a fraction in its lowest terms, if it is one. */
  public static Optional<FrameRate> find(long numerator, long denominator) {
    long by = BigInteger.valueOf(numerator).gcd(BigInteger.valueOf(denominator)).longValue();
    long over = numerator / by;
    long under = denominator / by;
    boolean fits = over <= MOST_NUMERATOR && under <= MOST_DENOMINATOR;
    double rate = (double) over / under;
    return fits && rate >= SLOWEST && rate <= FASTEST
        ? Optional.of(new FrameRate((int) over, (int) under))
        : Optional.empty();
  }

  public double framesPerSecond() {
    return (double) numerator / denominator;
  }

  /** Seconds that so many frames last. */
  public double seconds(double frames) {
    return frames * denominator / numerator;
  }

  /** Frames that last so many seconds. */
  public double frames(double seconds) {
    return seconds * numerator / denominator;
  }

  /** Whole frames a second as timecode counts them: 24 for 24000/1001. */
  public int timecodeBase() {
    return (int) Math.ceil(framesPerSecond() - 1e-9);
  }

  /** As written: {@code 24} or {@code 24000/1001}. */
  @Override
  public String toString() {
    return denominator == 1 ? Integer.toString(numerator) : numerator + "/" + denominator;
  }

  /** As shown: {@code 24 fps} or {@code 23.976 fps}. */
  public String label() {
    return denominator == 1
        ? numerator + " fps"
        : String.format(Locale.ROOT, "%.3f fps", framesPerSecond());
  }
}

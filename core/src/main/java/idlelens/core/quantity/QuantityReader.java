package idlelens.core.quantity;

import idlelens.core.rule.RefusedException;
import idlelens.core.time.FrameRate;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads a typed quantity: numbers with units, joined by {@code + - * /} and round brackets. A sum
 * adds measures; a product or quotient takes one measure and one bare number. A bare number is in
 * the base unit of its kind.
 */
public final class QuantityReader {
  private static final Pattern TIMECODE =
      Pattern.compile("(\\d{1,2}):(\\d{2}):(\\d{2}):(\\d{2,3})");
  private static final Pattern NUMBER =
      Pattern.compile("(\\d+(?:[.,]\\d*)?|[.,]\\d+)(?:[eE]([+-]?\\d{1,2}))?");
  private static final Pattern FEET =
      Pattern.compile("(\\d+(?:\\.\\d*)?)\\s*(?:'|ft)\\s*(?:(\\d+(?:\\.\\d*)?)\\s*(?:\"|in))?");
  private static final Pattern UNIT = Pattern.compile("[A-Za-z°%'\"]+");
  private static final int LONGEST = 120;
  private static final int DEEPEST = 16;

  private final String text;
  private final QuantityKind kind;
  private final FrameRate rate;
  private final double bare;
  private int at;
  private int depth;

  private QuantityReader(String text, QuantityKind kind, FrameRate rate, double bare) {
    this.text = text;
    this.kind = kind;
    this.rate = rate;
    this.bare = bare;
  }

  /** Reads a quantity whose bare numbers are in the base unit of its kind. */
  public static double read(String typed, QuantityKind kind, FrameRate rate) {
    return read(typed, kind, rate, "");
  }

  /**
   * @param typed what was typed
   * @param kind what it measures
   * @param rate the shot's rate, for seconds and timecode
   * @param bareUnit the unit of bare numbers, or "" for the base unit
   * @return the number in the kind's base unit
   * @throws RefusedException naming the text and what may be typed
   */
  public static double read(String typed, QuantityKind kind, FrameRate rate, String bareUnit) {
    Double bare = bareUnit.isEmpty() ? Double.valueOf(1) : kind.factor(bareUnit);
    if (bare == null) {
      throw new RefusedException("unit", "'" + bareUnit + "'", kind.factors().keySet().toString());
    }
    String text =
        typed == null ? "" : typed.strip().replace('−', '-').replace('’', '\'').replace('”', '"');
    if (text.length() > LONGEST) {
      throw new RefusedException(
          "number", text.length() + " characters long", "at most " + LONGEST);
    }
    QuantityReader reader = new QuantityReader(text, kind, rate, bare);
    double value = reader.inBase(reader.sum());
    reader.skipBlanks();
    if (reader.at < text.length() || !Double.isFinite(value)) {
      throw reader.refusal();
    }
    return value;
  }

  /** A value and whether a unit was typed with it. */
  private record Term(double value, boolean measured) {}

  private Term sum() {
    Term left = product();
    while (true) {
      char sign = peek();
      if (sign != '+' && sign != '-') {
        return left;
      }
      at++;
      Term right = product();
      boolean measured = left.measured || right.measured;
      double a = measured ? inBase(left) : left.value;
      double b = measured ? inBase(right) : right.value;
      left = new Term(sign == '+' ? a + b : a - b, measured);
    }
  }

  /** The value in the base unit. */
  private double inBase(Term term) {
    return term.measured ? term.value : term.value * bare;
  }

  private Term product() {
    Term left = signed();
    while (true) {
      char sign = peek();
      if (sign != '*' && sign != '/' && sign != '×') {
        return left;
      }
      at++;
      Term right = signed();
      if (sign == '/' ? right.measured : left.measured && right.measured) {
        throw refusal();
      }
      left =
          new Term(
              sign == '/' ? left.value / right.value : left.value * right.value,
              left.measured || right.measured);
    }
  }

  private Term signed() {
    char sign = peek();
    if (sign == '-' || sign == '+') {
      at++;
      Term term = measure();
      return sign == '-' ? new Term(-term.value, term.measured) : term;
    }
    return measure();
  }

  private Term measure() {
    if (peek() == '(') {
      if (++depth > DEEPEST) {
        throw refusal();
      }
      at++;
      Term inner = sum();
      if (peek() != ')') {
        throw refusal();
      }
      at++;
      depth--;
      return inner;
    }
    skipBlanks();
    if (kind == QuantityKind.STOP && text.regionMatches(true, at, "f/", 0, 2)) {
      at += 2;
    }
    Matcher code = kind == QuantityKind.FRAMES ? find(TIMECODE) : null;
    if (code != null) {
      return new Term(timecode(code), true);
    }
    Matcher feet = kind == QuantityKind.LENGTH ? find(FEET) : null;
    if (feet != null) {
      double inches = feet.group(2) == null ? 0 : Double.parseDouble(feet.group(2));
      return new Term(Double.parseDouble(feet.group(1)) * 0.3048 + inches * 0.0254, true);
    }
    return numberWithUnit();
  }

  private Term numberWithUnit() {
    Matcher number = find(NUMBER);
    if (number == null) {
      throw refusal();
    }
    double value = Double.parseDouble(number.group().replace(',', '.'));
    skipBlanks();
    Matcher unit = find(UNIT);
    return unit == null ? new Term(value, false) : new Term(scale(value, unit.group()), true);
  }

  private double scale(double value, String unit) {
    if (kind == QuantityKind.FRAMES && unit.equalsIgnoreCase("s")) {
      return rate.frames(value);
    }
    if (kind == QuantityKind.LENGTH && unit.equals("\"")) {
      return value * 0.0254;
    }
    Double factor = kind.factor(unit.toLowerCase(Locale.ROOT));
    if (factor == null) {
      throw refusal();
    }
    return value * factor;
  }

  private double timecode(Matcher code) {
    int base = rate.timecodeBase();
    int minutes = Integer.parseInt(code.group(2));
    int seconds = Integer.parseInt(code.group(3));
    int frames = Integer.parseInt(code.group(4));
    if (minutes > 59 || seconds > 59 || frames >= base) {
      throw new RefusedException(
          "timecode",
          "'" + code.group() + "'",
          "hours:minutes:seconds:frames with minutes and seconds to 59, frames to " + (base - 1));
    }
    return ((Integer.parseInt(code.group(1)) * 60.0 + minutes) * 60 + seconds) * base + frames;
  }

  private Matcher find(Pattern pattern) {
    Matcher matcher = pattern.matcher(text).region(at, text.length());
    if (!matcher.lookingAt()) {
      return null;
    }
    at = matcher.end();
    return matcher;
  }

  private char peek() {
    skipBlanks();
    return at < text.length() ? text.charAt(at) : '\0';
  }

  private void skipBlanks() {
    while (at < text.length() && Character.isWhitespace(text.charAt(at))) {
      at++;
    }
  }

  private RefusedException refusal() {
    return new RefusedException("number", "'" + text + "'", "a number such as " + kind.examples());
  }
}

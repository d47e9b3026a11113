package idlelens.exchange.usd;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.format.Growing;
import idlelens.exchange.format.NumberScan;
import java.nio.charset.StandardCharsets;

/** The text of a layer, read mark by mark. Nothing nests here, so nothing can nest too deep. */
final class UsdText {
  private static final int SHOWN = 24;
  private static final int LONGEST_STRING = 1 << 20;

  private final byte[] text;
  private final NumberScan numbers;
  private int at;

  /** The line that was told last, and where; the next is counted from there. */
  private int toldLine = 1;

  private int toldAt;

  UsdText(byte[] text) {
    this.text = text;
    this.numbers = new NumberScan(text, text.length);
    boolean mark = text.length > 2 && text[0] == (byte) 0xEF && text[1] == (byte) 0xBB;
    this.at = mark ? 3 : 0;
  }

  int length() {
    return text.length;
  }

  /** The line, for what is said of an error. */
  String place() {
    if (at < toldAt) {
      toldLine = 1;
      toldAt = 0;
    }
    for (; toldAt < at && toldAt < text.length; toldAt++) {
      toldLine += text[toldAt] == '\n' ? 1 : 0;
    }
    return "line " + toldLine;
  }

  FormatException refusal(String allowed) {
    return new FormatException(place(), found(), allowed);
  }

  private String found() {
    if (at >= text.length) {
      return "the end of the file";
    }
    int to = at;
    while (to < text.length && to - at < SHOWN && text[to] != '\n') {
      to++;
    }
    return "'" + new String(text, at, to - at, StandardCharsets.UTF_8).strip() + "'";
  }

  /** A place to come back to. */
  record Mark(int at) {}

  Mark mark() {
    return new Mark(at);
  }

  void back(Mark mark) {
    at = mark.at;
  }

  /** Goes past spaces, lines and what is only for readers. */
  private void skip() {
    while (at < text.length) {
      byte c = text[at];
      if (c == ' ' || c == '\n' || c == '\t' || c == '\r' || c == ';') {
        at++;
      } else if (c == '#') {
        while (at < text.length && text[at] != '\n') {
          at++;
        }
      } else {
        return;
      }
    }
  }

  boolean atEnd() {
    skip();
    return at >= text.length;
  }

  /** The next letter; 0 at the end. */
  int peek() {
    skip();
    return at < text.length ? text[at] : 0;
  }

  /** Takes a letter if it is there. */
  boolean take(char letter) {
    if (peek() != letter) {
      return false;
    }
    at++;
    return true;
  }

  void need(char letter) throws FormatException {
    if (!take(letter)) {
      throw refusal("'" + letter + "'");
    }
  }

  private static boolean isWord(byte c) {
    return c >= 'a' && c <= 'z'
        || c >= 'A' && c <= 'Z'
        || c >= '0' && c <= '9'
        || c == '_'
        || c == ':'
        || c == '.'
        || c == '-'
        || c == '!'
        || c < 0;
  }

  /**
   * A name with its spaces and dots: {@code xformOp:translate.timeSamples}; "" if there is none.
   */
  String word() {
    skip();
    int from = at;
    while (at < text.length && isWord(text[at])) {
      at++;
    }
    return new String(text, from, at - from, StandardCharsets.UTF_8);
  }

  boolean isString() {
    int c = peek();
    return c == '"' || c == '\'';
  }

  /** A text in quotes, single or triple. */
  String string() throws FormatException {
    skip();
    byte quote = text[at];
    boolean triple = at + 2 < text.length && text[at + 1] == quote && text[at + 2] == quote;
    int width = triple ? 3 : 1;
    int from = at + width;
    StringBuilder escaped = null;
    for (int i = from; i < text.length && i - from < LONGEST_STRING; i++) {
      if (text[i] == '\\' && i + 1 < text.length) {
        escaped = escaped == null ? new StringBuilder() : escaped;
        escaped.append(utf8(from, i)).append(unescaped(text[i + 1]));
        from = i + 2;
        i++;
      } else if (text[i] == quote && (!triple || isQuoted(i, quote))) {
        String last = utf8(from, i);
        at = i + width;
        return escaped == null ? last : escaped.append(last).toString();
      } else if (text[i] == '\n' && !triple) {
        break;
      }
    }
    throw refusal("a text that ends with its quote, of at most " + LONGEST_STRING + " letters");
  }

  private boolean isQuoted(int i, byte quote) {
    return i + 2 < text.length && text[i + 1] == quote && text[i + 2] == quote;
  }

  private String utf8(int from, int to) {
    return new String(text, from, to - from, StandardCharsets.UTF_8);
  }

  private static char unescaped(byte letter) {
    return letter == 'n' ? '\n' : letter == 't' ? '\t' : (char) letter;
  }

  /** A path or an asset between two marks, which is passed by. */
  void skipTo(char close) throws FormatException {
    while (at < text.length && text[at] != close) {
      at++;
    }
    need(close);
  }

  boolean isNumber() {
    int c = peek();
    return c >= '0' && c <= '9' || c == '-' || c == '+' || c == '.' || isSpecial();
  }

  private boolean isSpecial() {
    return startsWith("inf") || startsWith("nan");
  }

  boolean startsWith(String word) {
    if (at + word.length() > text.length) {
      return false;
    }
    for (int i = 0; i < word.length(); i++) {
      if (text[at + i] != word.charAt(i)) {
        return false;
      }
    }
    return true;
  }

  double number() throws FormatException {
    skip();
    double value = numbers.read(at);
    if (numbers.at() == at) {
      throw refusal("a number that is finite");
    }
    at = numbers.at();
    return value;
  }

  /**
   * Adds all numbers of a value, however they are put in brackets.
   *
   * @throws FormatException if there is anything else, or a bracket is not closed
   */
  void numbers(Growing into) throws FormatException {
    int open = 0;
    do {
      int c = at < text.length ? text[at] : 0;
      if (c == ' ' || c == ',' && open > 0) {
        at++;
      } else if (c == '(' || c == '[') {
        open++;
        at++;
      } else if (c == ')' || c == ']') {
        open--;
        at++;
      } else {
        open += word(into);
      }
      if (open < 0) {
        throw refusal("as many brackets opened as closed");
      }
    } while (open > 0);
  }

  /** A number, or what stands before one; always 0. */
  private int word(Growing into) throws FormatException {
    double value = numbers.read(at);
    if (numbers.at() != at) {
      at = numbers.at();
      into.add(value);
      return 0;
    }
    int before = at;
    skip();
    if (at == before) {
      throw refusal("a number that is finite");
    }
    return 0;
  }

  /** Passes by a value of any kind: brackets within brackets, texts, words. */
  void skipValue() throws FormatException {
    int open = 0;
    do {
      int c = peek();
      if (c == 0) {
        throw refusal("a value that ends");
      } else if (c == '"' || c == '\'') {
        string();
      } else if (c == '@') {
        at++;
        skipTo('@');
      } else if (c == '<') {
        skipTo('>');
      } else if (c == '(' || c == '[' || c == '{') {
        open++;
        at++;
      } else if (c == ')' || c == ']' || c == '}') {
        open--;
        at++;
      } else if (open > 0) {
        passWithin();
      } else if (word().isEmpty()) {
        throw refusal("a value");
      }
    } while (open > 0);
    if (open < 0) {
      throw refusal("as many brackets opened as closed");
    }
  }

  private void passWithin() {
    if (word().isEmpty()) {
      at++;
    }
  }
}

package idlelens.exchange.json;

import idlelens.core.rule.Require;
import idlelens.exchange.format.FormatException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.StreamWriteFeature;
import tools.jackson.core.TokenStreamLocation;
import tools.jackson.core.exc.StreamConstraintsException;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A value in a JSON text together with its path, so that every refusal can name the place. */
public record JsonPlace(JsonNode node, String path) {
  /** Octets that a refusal shows. */
  private static final int SHOWN = 16;

  private static final int DEEPEST = 64;
  private static final int LONGEST_NUMBER = 60;
  private static final int LONGEST_TEXT = 200_000_000;
  private static final String ALLOWED =
      "at most "
          + DEEPEST
          + " levels, numbers of "
          + LONGEST_NUMBER
          + " and texts of "
          + LONGEST_TEXT
          + " characters";

  private static final JsonMapper MAPPER =
      JsonMapper.builder(
              JsonFactory.builder()
                  .enable(StreamReadFeature.USE_FAST_DOUBLE_PARSER)
                  .enable(StreamWriteFeature.USE_FAST_DOUBLE_WRITER)
                  .streamReadConstraints(
                      StreamReadConstraints.builder()
                          .maxNestingDepth(DEEPEST)
                          .maxNumberLength(LONGEST_NUMBER)
                          .maxStringLength(LONGEST_TEXT)
                          .build())
                  .build())
          .build();

  /** The mapper that all JSON of the product is read and written with. */
  public static JsonMapper mapper() {
    return MAPPER;
  }

  /** Reads a text of our own, which may be as long as a document. */
  public static JsonPlace parse(byte[] text) throws FormatException {
    return parse(text, JsonLimits.DOCUMENT);
  }

  /**
   * Reads a text.
   *
   * @throws FormatException with line and column, if it is not JSON or more than is allowed
   */
  public static JsonPlace parse(byte[] text, JsonLimits limits) throws FormatException {
    limits.checkLength(text.length);
    try (JsonParser parser = new CountingParser(MAPPER.createParser(text), limits)) {
      JsonNode node = read(parser);
      if (node == null || node.isMissingNode()) {
        throw new FormatException("file", "empty", "JSON");
      }
      return new JsonPlace(node, "");
    } catch (CountingParser.TooMany e) {
      throw new FormatException("file", e.getMessage(), limits.allowed());
    } catch (JacksonException e) {
      throw new FormatException(
          place(e), "not JSON (" + shown(text, e) + ")", "well-formed JSON in UTF-8");
    }
  }

  private static JsonNode read(JsonParser parser) throws FormatException {
    try {
      return MAPPER.readTree(parser);
    } catch (StreamConstraintsException e) {
      throw new FormatException(
          place(parser.currentLocation()),
          "nested deeper, or a longer number or text, than is read",
          ALLOWED);
    }
  }

  /** A few characters of what stands where reading ended. */
  private static String shown(byte[] text, JacksonException e) {
    long at = e.getLocation() == null ? text.length : e.getLocation().getByteOffset();
    if (at < 0 || at >= text.length) {
      return "it ends there";
    }
    int length = Math.min(SHOWN, text.length - (int) at);
    String some = new String(text, (int) at, length, StandardCharsets.UTF_8);
    return "'" + Require.asName(some, SHOWN, "…") + "'";
  }

  private static String place(JacksonException e) {
    return e.getLocation() == null ? "file" : place(e.getLocation());
  }

  private static String place(TokenStreamLocation at) {
    return "line " + at.getLineNr() + ", column " + at.getColumnNr();
  }

  /** A field that must be there. */
  public JsonPlace get(String field) throws FormatException {
    return find(field).orElseThrow(() -> new FormatException(inside(field), "missing", "a value"));
  }

  /** A field that may be there. */
  public Optional<JsonPlace> find(String field) throws FormatException {
    if (!node.isObject()) {
      throw refusal("an object");
    }
    JsonNode found = node.get(field);
    return found == null || found.isNull()
        ? Optional.empty()
        : Optional.of(new JsonPlace(found, inside(field)));
  }

  public boolean has(String field) throws FormatException {
    return find(field).isPresent();
  }

  /** Refuses fields that are not among the given ones. */
  public JsonPlace only(String... fields) throws FormatException {
    if (!node.isObject()) {
      throw refusal("an object");
    }
    List<String> known = Arrays.asList(fields);
    for (String name : node.propertyNames()) {
      if (!known.contains(name)) {
        throw new FormatException(inside(shown(name)), "unknown", String.join(", ", known));
      }
    }
    return this;
  }

  /** Whether there is a list here. */
  public boolean isList() {
    return node.isArray();
  }

  /** The elements of a list. */
  public List<JsonPlace> list(int most) throws FormatException {
    if (!node.isArray()) {
      throw refusal("a list");
    }
    if (node.size() > most) {
      throw new FormatException(path + ".length", node.size(), "at most " + most);
    }
    List<JsonPlace> places = new ArrayList<>(node.size());
    for (int i = 0; i < node.size(); i++) {
      places.add(at(i));
    }
    return places;
  }

  /** Reads one value. */
  public interface Reading<T> {
    T of(JsonPlace place) throws FormatException;
  }

  /** The elements of a list, each read. */
  public <T> List<T> list(int most, Reading<T> reading) throws FormatException {
    List<T> all = new ArrayList<>();
    for (JsonPlace each : list(most)) {
      all.add(reading.of(each));
    }
    return all;
  }

  /** One element of a list. */
  public JsonPlace at(int index) throws FormatException {
    if (!node.isArray() || index >= node.size()) {
      throw refusal("a list with at least " + (index + 1) + " elements");
    }
    return new JsonPlace(node.get(index), path + "[" + index + "]");
  }

  /** The number of elements of a list. */
  int size() throws FormatException {
    if (!node.isArray()) {
      throw refusal("a list");
    }
    return node.size();
  }

  /** The names of an object's fields. */
  public List<String> names() throws FormatException {
    if (!node.isObject()) {
      throw refusal("an object");
    }
    return new ArrayList<>(node.propertyNames());
  }

  public double number() throws FormatException {
    if (!node.isNumber() || !Double.isFinite(node.doubleValue())) {
      throw refusal("a finite number");
    }
    return node.doubleValue();
  }

  public double number(String field, double otherwise) throws FormatException {
    Optional<JsonPlace> place = find(field);
    return place.isPresent() ? place.get().number() : otherwise;
  }

  public int whole() throws FormatException {
    double value = number();
    if (value != Math.rint(value) || Math.abs(value) > Integer.MAX_VALUE) {
      throw refusal("a whole number");
    }
    return (int) value;
  }

  public String text() throws FormatException {
    if (!node.isString()) {
      throw refusal("a text");
    }
    if (hasHalfCharacter(node.stringValue())) {
      throw new FormatException(path, "with half a character", "whole characters");
    }
    return node.stringValue();
  }

  /** Whether a surrogate stands alone, which is no character and cannot be stored. */
  private static boolean hasHalfCharacter(String text) {
    return text.codePoints().anyMatch(c -> c >= 0xD800 && c <= 0xDFFF);
  }

  public String text(String field, String otherwise) throws FormatException {
    Optional<JsonPlace> place = find(field);
    return place.isPresent() ? place.get().text() : otherwise;
  }

  public boolean flag() throws FormatException {
    if (!node.isBoolean()) {
      throw refusal("true or false");
    }
    return node.booleanValue();
  }

  public boolean flag(String field, boolean otherwise) throws FormatException {
    Optional<JsonPlace> place = find(field);
    return place.isPresent() ? place.get().flag() : otherwise;
  }

  /** One of an enum's constants, or another where the field is missing. */
  public <E extends Enum<E>> E choice(String field, Class<E> type, E otherwise)
      throws FormatException {
    Optional<JsonPlace> place = find(field);
    return place.isPresent() ? place.get().choice(type) : otherwise;
  }

  /** One of an enum's constants, written in lower case with dashes. */
  public <E extends Enum<E>> E choice(Class<E> type) throws FormatException {
    return choice(
        type,
        String.join(", ", Arrays.stream(type.getEnumConstants()).map(JsonPlace::word).toList()));
  }

  /**
   * @param allowed what the refusal says is allowed
   */
  <E extends Enum<E>> E choice(Class<E> type, String allowed) throws FormatException {
    String text = node.isString() ? node.stringValue() : "";
    for (E constant : type.getEnumConstants()) {
      if (word(constant).equals(text)) {
        return constant;
      }
    }
    throw refusal(allowed);
  }

  /** An enum constant as it is written. */
  public static String word(Enum<?> constant) {
    return constant.name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  public FormatException refusal(String allowed) {
    return new FormatException(path.isEmpty() ? "file" : path, shown(node.toString()), allowed);
  }

  private String inside(String field) {
    return path.isEmpty() ? field : path + "." + field;
  }

  private static String shown(String text) {
    return text.length() > 60 ? text.substring(0, 60) + "…" : text;
  }
}

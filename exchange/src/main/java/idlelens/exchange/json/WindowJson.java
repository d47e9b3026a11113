package idlelens.exchange.json;

import idlelens.core.part.Window;
import idlelens.exchange.format.FormatException;
import java.util.OptionalDouble;
import tools.jackson.databind.node.ObjectNode;

/**
 * A window: {@code from}, {@code to}, {@code fadeIn}, {@code fadeOut}; what is open is not there.
 */
final class WindowJson {
  static final String[] FIELDS = {"from", "to", "fadeIn", "fadeOut"};

  private WindowJson() {}

  static ObjectNode write(Window window, ObjectNode out) {
    window.from().ifPresent(f -> out.put("from", f));
    window.to().ifPresent(f -> out.put("to", f));
    if (window.fadeIn() != 0) {
      out.put("fadeIn", window.fadeIn());
    }
    if (window.fadeOut() != 0) {
      out.put("fadeOut", window.fadeOut());
    }
    return out;
  }

  static Window read(JsonPlace place) throws FormatException {
    return new Window(
        maybe(place, "from"),
        maybe(place, "to"),
        place.number("fadeIn", 0),
        place.number("fadeOut", 0));
  }

  private static OptionalDouble maybe(JsonPlace place, String field) throws FormatException {
    return place.has(field) ? OptionalDouble.of(place.get(field).number()) : OptionalDouble.empty();
  }
}

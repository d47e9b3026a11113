package idlelens.exchange.json;

import idlelens.core.scene.Hidden;
import idlelens.exchange.format.FormatException;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Where something is hidden: left out where it is shown everywhere, {@code true} where it is out of
 * sight in views and pictures, else a list of views, picture, files.
 */
final class HiddenJson {
  private static final List<String> ALL = List.of("views", "picture", "files");

  private HiddenJson() {}

  static void write(Hidden hidden, ObjectNode out) {
    if (hidden.equals(Hidden.IN_SIGHT)) {
      out.put("hidden", true);
    } else if (!hidden.equals(Hidden.NOWHERE)) {
      ArrayNode in = out.putArray("hidden");
      boolean[] is = {hidden.views(), hidden.picture(), hidden.files()};
      for (int i = 0; i < is.length; i++) {
        if (is[i]) {
          in.add(ALL.get(i));
        }
      }
    }
  }

  /** The field {@code hidden} of an object. */
  static Hidden read(JsonPlace place) throws FormatException {
    if (!place.has("hidden") || !place.get("hidden").isList()) {
      return Hidden.of(place.flag("hidden", false));
    }
    Set<String> in = new HashSet<>();
    for (JsonPlace each : place.get("hidden").list(ALL.size())) {
      if (!ALL.contains(each.text())) {
        throw each.refusal("views, picture, files");
      }
      in.add(each.text());
    }
    return new Hidden(in.contains("views"), in.contains("picture"), in.contains("files"));
  }
}

package idlelens.exchange.json;

import idlelens.core.part.Path;
import idlelens.core.scene.TakesKeys;
import idlelens.exchange.format.FormatException;
import java.util.Set;
import tools.jackson.databind.node.ObjectNode;

/** Which curves take keys: {@code leftOut} and {@code locked}, each a list of paths. */
final class TakesKeysJson {
  static final String[] FIELDS = {"leftOut", "locked"};

  private TakesKeysJson() {}

  static TakesKeys read(JsonPlace place) throws FormatException {
    return new TakesKeys(paths(place, "leftOut"), paths(place, "locked"));
  }

  private static Set<Path> paths(JsonPlace place, String field) throws FormatException {
    return place.has(field) ? Set.copyOf(EditParts.pathList(place.get(field))) : Set.of();
  }

  static void write(TakesKeys takesKeys, ObjectNode out) {
    EditParts.paths(out, "leftOut", takesKeys.leftOut());
    EditParts.paths(out, "locked", takesKeys.locked());
  }
}

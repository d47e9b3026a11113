package idlelens.web.handoff;

import idlelens.exchange.json.JsonPlace;
import java.util.LinkedHashMap;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * What became of a file that came into a shot.
 *
 * @param nodes the id of the node that became of each thing in it, by its path
 * @param said what was said beside it, by name
 */
public record Came(Map<String, String> nodes, Map<String, String> said) {
  public static final Came NOTHING = new Came(Map.of(), Map.of());

  /** As they are stored: an object of texts, or null where there are none. */
  static String json(Map<String, String> texts) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    texts.forEach(out::put);
    return texts.isEmpty() ? null : out.toString();
  }

  static Came stored(String nodes, String said) {
    return new Came(texts(nodes), texts(said));
  }

  private static Map<String, String> texts(String json) {
    Map<String, String> texts = new LinkedHashMap<>();
    if (json != null) {
      JsonNode all = JsonPlace.mapper().readTree(json);
      all.propertyNames().forEach(name -> texts.put(name, all.get(name).stringValue()));
    }
    return texts;
  }
}

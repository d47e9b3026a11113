package idlelens.web.handoff;

import idlelens.exchange.json.JsonPlace;
import java.util.LinkedHashMap;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Which node became of what in a file, as it is stored. */
final class CameJson {
  private CameJson() {}

  static String write(Map<String, String> came) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    came.forEach(out::put);
    return out.toString();
  }

  static Map<String, String> read(String text) {
    JsonNode all = JsonPlace.mapper().readTree(text);
    Map<String, String> came = new LinkedHashMap<>();
    all.propertyNames().forEach(path -> came.put(path, all.get(path).stringValue()));
    return came;
  }
}

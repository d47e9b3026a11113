package idlelens.exchange.json;

import idlelens.core.part.Target;
import idlelens.exchange.format.FormatException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import tools.jackson.databind.node.ObjectNode;

/** A target: {@code node} with a {@code point} if it is not the origin, or a {@code place}. */
final class TargetJson {
  private TargetJson() {}

  static ObjectNode write(Target target, ObjectNode out) {
    if (target instanceof Target.OfNode node) {
      out.put("node", node.node());
      if (node.x() != 0 || node.y() != 0 || node.z() != 0) {
        out.putArray("point").add(node.x()).add(node.y()).add(node.z());
      }
    } else if (target instanceof Target.Place place) {
      out.putArray("place").add(place.x()).add(place.y()).add(place.z());
    }
    return out;
  }

  /**
   * @param more fields that may stand beside those of the target
   */
  static Target read(JsonPlace place, String... more) throws FormatException {
    List<String> fields = new ArrayList<>(List.of("node", "point", "place"));
    fields.addAll(Arrays.asList(more));
    place.only(fields.toArray(String[]::new));
    if (place.has("place") == place.has("node")) {
      throw place.refusal("a node, with a point if wanted, or a place");
    }
    if (place.has("place")) {
      JsonPlace at = place.get("place");
      return new Target.Place(at.at(0).number(), at.at(1).number(), at.at(2).number());
    }
    String node = place.get("node").text();
    if (!place.has("point")) {
      return Target.OfNode.origin(node);
    }
    JsonPlace at = place.get("point");
    return new Target.OfNode(node, at.at(0).number(), at.at(1).number(), at.at(2).number());
  }
}

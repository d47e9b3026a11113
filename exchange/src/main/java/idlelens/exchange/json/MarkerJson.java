package idlelens.exchange.json;

import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Marker;
import idlelens.exchange.format.FormatException;
import java.util.List;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** A marker: id, frame, name, kind, and the node it belongs to if it does. */
final class MarkerJson {
  private MarkerJson() {}

  static ArrayNode write(List<Marker> markers) {
    ArrayNode all = JsonNodeFactory.instance.arrayNode();
    for (Marker marker : markers) {
      ObjectNode out = all.addObject().put("id", marker.id()).put("frame", marker.frame());
      out.put("name", marker.name()).put("kind", JsonPlace.word(marker.kind()));
      if (!marker.nodeId().isEmpty()) {
        out.put("node", marker.nodeId());
      }
    }
    return all;
  }

  static Marker read(JsonPlace place) throws FormatException {
    place.only("id", "frame", "name", "kind", "node");
    try {
      return new Marker(
          place.get("id").text(),
          place.get("frame").number(),
          place.get("name").text(),
          place.choice("kind", Marker.Kind.class, Marker.Kind.NOTE),
          place.text("node", ""));
    } catch (RefusedException e) {
      throw Refusals.inside(place.path(), e);
    }
  }
}

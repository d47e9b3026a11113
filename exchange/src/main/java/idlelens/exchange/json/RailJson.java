package idlelens.exchange.json;

import idlelens.core.rail.Anchor;
import idlelens.core.rail.Offset;
import idlelens.core.rail.Rail;
import idlelens.exchange.format.FormatException;
import java.util.List;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * The shape of a rail: its anchors, those that are not smooth with a kind, free ones with tangents.
 */
final class RailJson {
  private RailJson() {}

  static ObjectNode write(Rail rail) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    if (rail.closed()) {
      out.put("closed", true);
    }
    ArrayNode anchors = out.putArray("anchors");
    for (Anchor anchor : rail.anchors()) {
      ObjectNode each = anchors.addObject().put("id", anchor.id());
      each.put("x", anchor.x()).put("y", anchor.y()).put("z", anchor.z());
      if (anchor.kind() != Anchor.Kind.SMOOTH) {
        each.put("kind", JsonPlace.word(anchor.kind()));
      }
      if (anchor.isSetByHand()) {
        offset(each.putArray("in"), anchor.in());
        offset(each.putArray("out"), anchor.out());
      }
    }
    return out;
  }

  private static void offset(ArrayNode out, Offset offset) {
    out.add(offset.x()).add(offset.y()).add(offset.z());
  }

  static Rail read(JsonPlace place) throws FormatException {
    place.only("closed", "anchors");
    List<Anchor> anchors = place.get("anchors").list(Rail.MOST, RailJson::anchor);
    return new Rail(anchors, place.flag("closed", false));
  }

  private static Anchor anchor(JsonPlace p) throws FormatException {
    p.only("id", "x", "y", "z", "kind", "in", "out");
    return new Anchor(
        p.get("id").text(),
        p.number("x", 0),
        p.number("y", 0),
        p.number("z", 0),
        p.choice("kind", Anchor.Kind.class, Anchor.Kind.SMOOTH),
        offset(p, "in"),
        offset(p, "out"));
  }

  private static Offset offset(JsonPlace p, String field) throws FormatException {
    if (!p.has(field)) {
      return Offset.NONE;
    }
    JsonPlace o = p.get(field);
    return new Offset(o.at(0).number(), o.at(1).number(), o.at(2).number());
  }
}

package idlelens.exchange.json;

import idlelens.core.set.Lamp;
import idlelens.exchange.format.FormatException;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** A light that stands on set. */
final class LampJson {
  private static final double USUAL_REACH_M = 12;

  private LampJson() {}

  static ObjectNode write(Lamp lamp) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    out.put("as", JsonPlace.word(lamp.kind())).put("colour", lamp.colour());
    out.put("strength", lamp.strength()).put("reach", lamp.reachM());
    if (lamp.shadows()) {
      out.put("shadows", true);
    }
    return out;
  }

  static Lamp read(JsonPlace p) throws FormatException {
    p.only("as", "colour", "strength", "reach", "shadows");
    return new Lamp(
        p.get("as").choice(Lamp.Kind.class),
        p.text("colour", "#ffffff"),
        p.number("strength", 1),
        p.number("reach", USUAL_REACH_M),
        p.flag("shadows", false));
  }
}

package idlelens.exchange.json;

import idlelens.core.set.Repetition;
import idlelens.exchange.format.FormatException;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** How something is repeated: the number of copies, and of step and time what is not 0. */
final class RepeatJson {
  private RepeatJson() {}

  static ObjectNode write(Repetition all) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    out.put("count", all.count());
    if (all.first() != 0) {
      out.put("first", all.first());
    }
    put(out, "x", all.x());
    put(out, "y", all.y());
    put(out, "z", all.z());
    put(out, "pan", all.pan());
    put(out, "tilt", all.tilt());
    put(out, "roll", all.roll());
    put(out, "later", all.later());
    put(out, "spread", all.spread());
    if (all.seed() != SeedJson.USUAL) {
      out.put("seed", all.seed());
    }
    return out;
  }

  private static void put(ObjectNode out, String field, double value) {
    if (value != 0) {
      out.put(field, value);
    }
  }

  static Repetition read(JsonPlace p) throws FormatException {
    p.only("count", "first", "x", "y", "z", "pan", "tilt", "roll", "later", "spread", "seed");
    return new Repetition(
        p.has("first") ? p.get("first").whole() : 0,
        p.get("count").whole(),
        p.number("x", 0),
        p.number("y", 0),
        p.number("z", 0),
        p.number("pan", 0),
        p.number("tilt", 0),
        p.number("roll", 0),
        p.number("later", 0),
        p.number("spread", 0),
        SeedJson.read(p, "seed"));
  }
}

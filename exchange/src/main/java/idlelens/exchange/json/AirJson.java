package idlelens.exchange.json;

import idlelens.core.set.Drift;
import idlelens.core.set.Haze;
import idlelens.exchange.format.FormatException;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** What is in the air: mist that drifts, and haze. */
final class AirJson {
  private static final String USUAL_COLOUR = "#dfe6ea";

  private AirJson() {}

  static ObjectNode write(Drift mist) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    out.put("count", mist.count()).put("seed", mist.seed());
    out.put("width", mist.width()).put("height", mist.height()).put("depth", mist.depth());
    out.put("puff", mist.puff()).put("x", mist.x()).put("y", mist.y()).put("z", mist.z());
    out.put("colour", mist.colour()).put("density", mist.density()).put("loops", mist.loops());
    return out;
  }

  static Drift readMist(JsonPlace p) throws FormatException {
    p.only(
        "count", "seed", "width", "height", "depth", "puff", "x", "y", "z", "colour", "density",
        "loops");
    return new Drift(
        p.get("count").whole(),
        SeedJson.read(p, "seed"),
        p.get("width").number(),
        p.get("height").number(),
        p.get("depth").number(),
        p.get("puff").number(),
        p.number("x", 0),
        p.number("y", 0),
        p.number("z", 0),
        p.text("colour", USUAL_COLOUR),
        p.number("density", 0.2),
        p.flag("loops", false));
  }

  static ObjectNode write(Haze haze) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    return out.put("colour", haze.colour()).put("half", haze.halfM());
  }

  static Haze readHaze(JsonPlace p) throws FormatException {
    p.only("colour", "half");
    return new Haze(p.text("colour", USUAL_COLOUR), p.get("half").number());
  }
}

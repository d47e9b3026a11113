package idlelens.exchange.json;

import idlelens.core.cut.Cut;
import idlelens.core.cut.Program;
import idlelens.core.rule.RefusedException;
import idlelens.exchange.format.FormatException;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Which camera is seen when: cuts with their frames, cameras and, if they have one, dissolves. */
final class ProgramJson {
  private static final int MOST = 5000;

  private ProgramJson() {}

  static ArrayNode write(Program program) {
    ArrayNode all = JsonNodeFactory.instance.arrayNode();
    for (Cut cut : program.cuts()) {
      ObjectNode out = all.addObject().put("frame", cut.frame()).put("camera", cut.camera());
      if (cut.dissolve() > 0) {
        out.put("dissolve", cut.dissolve());
      }
    }
    return all;
  }

  static Program read(JsonPlace place) throws FormatException {
    try {
      return new Program(place.list(MOST, ProgramJson::cut));
    } catch (RefusedException e) {
      throw Refusals.inside(place.path(), e);
    }
  }

  private static Cut cut(JsonPlace place) throws FormatException {
    place.only("frame", "camera", "dissolve");
    return new Cut(
        place.get("frame").whole(),
        place.get("camera").text(),
        place.has("dissolve") ? place.get("dissolve").whole() : 0);
  }
}

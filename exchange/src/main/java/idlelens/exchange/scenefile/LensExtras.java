package idlelens.exchange.scenefile;

import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Numbers of a lens for which a format has no place, in our own part of it. */
public final class LensExtras {
  private LensExtras() {}

  /** One number, or a list with one for each frame. */
  public static void samples(ObjectNode out, String field, Lane lane) {
    if (lane.isConstant()) {
      out.put(field, lane.channel().value(0, 0));
      return;
    }
    ArrayNode all = out.putArray(field);
    for (double value : lane.channel().values()) {
      all.add(value);
    }
  }
}

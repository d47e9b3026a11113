package idlelens.exchange.json;

import idlelens.core.part.Carried;
import idlelens.core.part.Chain;
import idlelens.core.part.Keys;
import idlelens.core.part.Lens;
import idlelens.core.part.Part;
import idlelens.core.part.Slot;
import idlelens.exchange.format.FormatException;
import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.node.ArrayNode;

/** A chain as the list of its parts; one that carries nothing and is on is not written. */
final class ChainJson {
  private ChainJson() {}

  static void write(Chain chain, ArrayNode out) {
    for (Part part : chain.parts()) {
      if (!part.equals(Carried.WORLD)) {
        out.add(PartJson.write(part));
      }
    }
  }

  /** Reads a chain; parts that every chain has are as usual where they are not given. */
  static Chain read(JsonPlace place, boolean withLens) throws FormatException {
    List<Part> parts = new ArrayList<>(place.list(Chain.MOST, PartJson::read));
    if (parts.stream().noneMatch(Keys.class::isInstance)) {
      parts.add(0, Keys.STILL);
    }
    if (parts.stream().noneMatch(Carried.class::isInstance)) {
      int own = 0;
      while (own < parts.size() && parts.get(own).kind().slot() == Slot.OWN) {
        own++;
      }
      parts.add(own, Carried.WORLD);
    }
    if (withLens && parts.stream().noneMatch(Lens.class::isInstance)) {
      parts.add(Lens.PLAIN);
    }
    return new Chain(parts);
  }
}

package idlelens.exchange.json;

import idlelens.core.part.Feels;
import idlelens.core.part.Part;
import idlelens.core.part.Shake;
import idlelens.core.rule.Require;
import idlelens.exchange.format.FormatException;
import java.util.List;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Feels as JSON: {@code name}, {@code says}, and {@code layers} as they stand in a chain. */
public final class FeelJson {
  /** The most layers of a feel. */
  public static final int MOST_LAYERS = 8;

  private FeelJson() {}

  /**
   * Reads an object with the field {@code layers}.
   *
   * @throws FormatException with its place, if a layer is no shake or not allowed
   */
  public static List<Shake> readLayers(JsonPlace place) throws FormatException {
    JsonPlace layers = place.get("layers");
    List<Shake> all = layers.list(MOST_LAYERS, FeelJson::layer);
    Require.within(all.size(), 1, MOST_LAYERS, "layers.count");
    return all;
  }

  private static Shake layer(JsonPlace place) throws FormatException {
    Part part = PartJson.read(place);
    if (part instanceof Shake shake) {
      return shake;
    }
    throw place.refusal("a layer of shake");
  }

  /** Layers as they are read. */
  public static ArrayNode writeLayers(List<Shake> layers) {
    ArrayNode out = JsonNodeFactory.instance.arrayNode();
    layers.forEach(layer -> out.add(PartJson.write(layer)));
    return out;
  }

  /** A feel that ships with the product. */
  public static ObjectNode write(Feels.Feel feel) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    out.put("name", feel.name()).put("says", feel.says());
    out.set("layers", writeLayers(feel.layers()));
    return out;
  }
}

package idlelens.exchange.gltf;

import idlelens.core.set.Finish;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.scenefile.Content;
import java.util.Optional;
import java.util.Set;

/** The lights of a file: directional ones are suns. */
final class GltfLights {
  private static final String EXTENSION = "KHR_lights_punctual";
  private static final double STRONGEST = 10;

  private GltfLights() {}

  /** The sun of a node, if it has one. */
  static Optional<Content> read(GltfFile file, JsonPlace place, Set<String> notes)
      throws FormatException {
    if (!place.has("extensions") || !place.get("extensions").has(EXTENSION)) {
      return Optional.empty();
    }
    JsonPlace lights = file.root().get("extensions").get(EXTENSION).get("lights");
    JsonPlace index = place.get("extensions").get(EXTENSION).get("light");
    int i = index.whole();
    if (i < 0 || i >= lights.node().size()) {
      throw new FormatException(index.path(), i, "0 to " + (lights.node().size() - 1));
    }
    JsonPlace light = lights.at(i);
    if (!light.get("type").text().equals("directional")) {
      notes.add(light.path() + ": lights other than directional ones are left out");
      return Optional.empty();
    }
    double stated = light.number("intensity", 1);
    double strength = Math.max(0, Math.min(STRONGEST, stated));
    if (strength != stated) {
      notes.add(
          light.path() + ": a strength of " + stated + " is beyond 0 to 10; it is " + strength);
    }
    return Optional.of(new Content.Sun(light.path(), colour(light), strength));
  }

  private static String colour(JsonPlace light) throws FormatException {
    if (!light.has("color")) {
      return "#ffffff";
    }
    JsonPlace c = light.get("color");
    return Finish.hex(c.at(0).number(), c.at(1).number(), c.at(2).number());
  }
}

package idlelens.exchange.json;

import idlelens.core.curve.Curve;
import idlelens.core.part.Chain;
import idlelens.core.part.Lens;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.TakesKeys;
import idlelens.exchange.format.FormatException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** What nodes had before version 3: channels, a carrier, a lens, and a list of what is off. */
final class OldNodeJson {
  static final String[] FIELDS = {"carrier", "offset", "filter", "off", "channels", "lens"};

  private OldNodeJson() {}

  static Chain chain(JsonPlace place, boolean withLens) throws FormatException {
    Chain chain = withLens ? Chain.poseAndLens() : Chain.pose();
    if (place.has("channels")) {
      chain = chain.with(curves(place.get("channels")));
    }
    chain = chain.carriedBy(CarriageJson.read(place, "carrier"));
    if (place.has("lens")) {
      Lens settings = LensJson.read(place.get("lens"));
      chain = chain.with(settings.withBody(chain.part(Lens.ID).body()));
      chain = chain.with(Map.of(Path.SQUEEZE, settings.curves().get(Lens.SQUEEZE)));
    }
    return place.has("off") ? withOff(chain, place.get("off")) : chain;
  }

  private static Map<Path, Curve> curves(JsonPlace channels) throws FormatException {
    Map<Path, Curve> curves = new LinkedHashMap<>();
    for (String name : channels.names()) {
      JsonPlace at = channels.get(name);
      try {
        curves.put(Path.parse(name), CurveJson.read(at));
      } catch (RefusedException e) {
        throw Refusals.inside(at.path(), e);
      }
    }
    return curves;
  }

  private static Chain withOff(Chain chain, JsonPlace list) throws FormatException {
    Set<String> off = Set.copyOf(list.list(Chain.MOST, JsonPlace::text));
    for (String id : off) {
      chain.part(id);
    }
    return chain.mapped(part -> off.contains(part.id()) ? switchedOff(part) : part);
  }

  private static Part switchedOff(Part part) {
    return part.withBody(part.body().withOn(false));
  }

  static TakesKeys takesKeys(JsonPlace place) throws FormatException {
    return place.has("filter")
        ? TakesKeysJson.read(place.get("filter").only(TakesKeysJson.FIELDS))
        : TakesKeys.ALL;
  }

  /** Whether a node has a field of the older shape. */
  static boolean is(JsonPlace place) throws FormatException {
    for (String field : List.of(FIELDS)) {
      if (place.has(field)) {
        return true;
      }
    }
    return false;
  }
}

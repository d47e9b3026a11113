package idlelens.exchange.json;

import idlelens.core.part.Hit;
import idlelens.core.part.PartBody;
import idlelens.core.part.Shake;
import idlelens.core.part.ShakeWay;
import idlelens.exchange.format.FormatException;
import java.util.List;
import java.util.Optional;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Layers of shake: {@code way} says which of its other settings it has. */
final class ShakeJson {
  static final List<String> FIELDS =
      List.of(
          "way",
          "seed",
          "loops",
          "start",
          "octaves",
          "roughness",
          "phases",
          "beat",
          "beatDepth",
          "damping",
          "hits",
          "strewn");

  /** The ways a layer may shake. */
  private enum Way {
    HANDHELD,
    SWELL,
    JOLT
  }

  private ShakeJson() {}

  static Shake read(PartBody body, JsonPlace p) throws FormatException {
    return new Shake(
        body,
        switch (p.get("way").choice(Way.class)) {
          case HANDHELD -> handheld(p);
          case SWELL -> swell(p);
          case JOLT -> jolt(p);
        },
        SeedJson.read(p, "seed"),
        p.flag("loops", false),
        p.number("start", 0));
  }

  private static ShakeWay handheld(JsonPlace p) throws FormatException {
    int octaves = p.has("octaves") ? p.get("octaves").whole() : ShakeWay.Handheld.USUAL.octaves();
    return new ShakeWay.Handheld(
        octaves, p.number("roughness", ShakeWay.Handheld.USUAL.roughness()));
  }

  private static ShakeWay swell(JsonPlace p) throws FormatException {
    ShakeWay.Swell usual = ShakeWay.Swell.USUAL;
    return new ShakeWay.Swell(
        p.has("phases")
            ? p.get("phases").list(Shake.CHANNELS, JsonPlace::number)
            : usual.phasesDeg(),
        p.number("beat", 0),
        p.number("beatDepth", usual.beatDepth()));
  }

  private static ShakeWay jolt(JsonPlace p) throws FormatException {
    return new ShakeWay.Jolt(
        p.number("damping", ShakeWay.Jolt.USUAL.damping()),
        p.has("hits") ? p.get("hits").list(ShakeWay.Jolt.MOST_HITS, ShakeJson::hit) : List.of(),
        p.has("strewn") ? Optional.of(strewn(p.get("strewn"))) : Optional.empty());
  }

  private static Hit hit(JsonPlace p) throws FormatException {
    p.only("id", "frame");
    return new Hit(p.get("id").text(), p.get("frame").number());
  }

  private static ShakeWay.Strewn strewn(JsonPlace p) throws FormatException {
    p.only("rate", "unevenness");
    return new ShakeWay.Strewn(p.get("rate").number(), p.number("unevenness", 0));
  }

  static void write(Shake part, ObjectNode out) {
    out.put("way", part.way().word()).put("seed", part.seed());
    if (part.loops()) {
      out.put("loops", true);
    }
    out.put("start", part.start());
    if (part.way() instanceof ShakeWay.Handheld hand) {
      out.put("octaves", hand.octaves()).put("roughness", hand.roughness());
    } else if (part.way() instanceof ShakeWay.Swell swell) {
      ArrayNode phases = out.putArray("phases");
      swell.phasesDeg().forEach(phases::add);
      out.put("beat", swell.beatHz()).put("beatDepth", swell.beatDepth());
    } else if (part.way() instanceof ShakeWay.Jolt jolt) {
      write(jolt, out);
    }
  }

  private static void write(ShakeWay.Jolt jolt, ObjectNode out) {
    out.put("damping", jolt.damping());
    if (!jolt.hits().isEmpty()) {
      ArrayNode hits = out.putArray("hits");
      jolt.hits().forEach(h -> hits.addObject().put("id", h.id()).put("frame", h.frame()));
    }
    jolt.strewn()
        .ifPresent(
            s ->
                out.putObject("strewn").put("rate", s.aSecond()).put("unevenness", s.unevenness()));
  }
}

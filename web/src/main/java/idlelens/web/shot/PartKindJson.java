package idlelens.web.shot;

import idlelens.core.part.Family;
import idlelens.core.part.Parameter;
import idlelens.core.part.PartKind;
import idlelens.core.part.Parts;
import idlelens.core.quantity.QuantityKind;
import idlelens.exchange.json.JsonPlace;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * The kinds of part with their parameters the families of these, and the units that numbers may be
 * typed in, as the browser gets them.
 */
final class PartKindJson {
  /** Hues of the palette; parameters of one family and kind take them in turn. */
  private static final Map<Family, List<String>> HUES =
      new EnumMap<>(
          Map.ofEntries(
              Map.entry(Family.PLACE, List.of("tide", "kelp", "brass")),
              Map.entry(Family.TURN, List.of("plum", "slate", "ember")),
              Map.entry(Family.FOCAL, List.of("ink")),
              Map.entry(Family.STOP, List.of("soft")),
              Map.entry(Family.FOCUS, List.of("ink")),
              Map.entry(Family.WEIGHT, List.of("slate", "kelp", "plum")),
              Map.entry(Family.PACE, List.of("tide")),
              Map.entry(Family.FRAMING, List.of("tide", "kelp", "plum")),
              Map.entry(Family.SCALE, List.of("tide", "kelp")),
              Map.entry(Family.EXPOSURE, List.of("brass")),
              Map.entry(Family.OFFSET, List.of("tide", "kelp", "brass")),
              Map.entry(Family.IRIS, List.of("plum")),
              Map.entry(Family.SHUTTER, List.of("slate")),
              Map.entry(Family.SHIFT, List.of("tide", "kelp")),
              Map.entry(Family.SWITCH, List.of("ink")),
              Map.entry(
                  Family.RATE, List.of("tide", "kelp", "brass", "plum", "slate", "ember", "ink"))));

  private PartKindJson() {}

  static ObjectNode all() {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    ArrayNode parts = out.putArray("parts");
    Parts.KINDS.forEach(kind -> write(kind, parts.addObject()));
    ArrayNode families = out.putArray("families");
    Stream.of(Family.values()).forEach(family -> write(family, families.addObject()));
    ObjectNode quantities = out.putObject("quantities");
    for (QuantityKind kind : QuantityKind.values()) {
      ObjectNode units = quantities.putObject(JsonPlace.word(kind));
      new TreeMap<>(kind.factors()).forEach(units::put);
    }
    return out;
  }

  private static void write(PartKind kind, ObjectNode out) {
    out.put("part", kind.word()).put("label", kind.label()).put("says", kind.says());
    out.put("slot", JsonPlace.word(kind.slot())).put("many", kind.many());
    out.put("source", kind.source()).put("window", kind.window());
    ArrayNode nodes = out.putArray("nodes");
    kind.nodes().stream().sorted().forEach(nodes::add);
    ArrayNode parameters = out.putArray("parameters");
    Map<Family, Integer> seen = new EnumMap<>(Family.class);
    for (Parameter parameter : kind.parameters()) {
      int nth = seen.merge(parameter.family(), 1, Integer::sum) - 1;
      write(parameter, nth, parameters.addObject());
    }
  }

  private static void write(Parameter parameter, int nth, ObjectNode out) {
    List<String> hues = HUES.get(parameter.family());
    out.put("id", parameter.id()).put("label", parameter.label());
    out.put("family", parameter.family().id());
    out.put("least", parameter.least()).put("most", parameter.most());
    out.put("usual", parameter.usual());
    out.put("colour", hues.get(nth % hues.size()));
  }

  private static void write(Family family, ObjectNode out) {
    out.put("id", family.id()).put("unit", family.unit());
    out.put("quantity", JsonPlace.word(family.quantity()));
    out.put("digits", family.digits()).put("step", family.step());
    out.put("tolerance", family.tolerance());
  }
}

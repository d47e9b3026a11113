package idlelens.exchange.json;

import idlelens.core.curve.Curve;
import idlelens.core.part.Curves;
import idlelens.core.part.Move;
import idlelens.core.part.Parameter;
import idlelens.core.part.Part;
import idlelens.core.part.PartBody;
import idlelens.core.part.PartKind;
import idlelens.core.part.Parts;
import idlelens.core.part.Window;
import idlelens.core.rule.RefusedException;
import idlelens.exchange.format.FormatException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * A part of a chain: {@code part} says its kind, {@code id} which it is where there may be several,
 * {@code on} is false where it is off, {@code window} the frames at which it takes effect; then its
 * settings, and a curve for each parameter that is not as usual.
 */
final class PartJson {
  /** By the word of the kind: to hash a whole kind takes longer than to write most parts. */
  private static final Map<String, PartForm<?>> FORMS =
      PartForms.ALL.stream().collect(Collectors.toMap(f -> f.kind().word(), Function.identity()));

  private PartJson() {}

  static ObjectNode write(Part part) {
    ObjectNode out = form(part);
    if (!part.isOn()) {
      out.put("on", false);
    }
    if (!part.body().window().equals(Window.OPEN) && !out.has("window")) {
      WindowJson.write(part.body().window(), out.putObject("window"));
    }
    Curves curves = part.curves();
    for (Parameter parameter : curves.parameters()) {
      Curve curve = curves.get(parameter);
      if (!curve.equals(Curve.still(parameter.usual()))) {
        out.set(parameter.id(), CurveJson.write(curve));
      }
    }
    return out;
  }

  /**
   * What a part is set to, without its window and its switch.
   *
   * @param with ids of the parameters whose curves are written, however they are
   */
  static ObjectNode settings(Part part, Set<String> with) {
    ObjectNode out = form(part);
    for (Parameter parameter : part.curves().parameters()) {
      if (with.contains(parameter.id())) {
        out.set(parameter.id(), CurveJson.write(part.curves().get(parameter)));
      } else {
        out.remove(parameter.id());
      }
    }
    return out;
  }

  private static ObjectNode form(Part part) {
    ObjectNode out = JsonNodeFactory.instance.objectNode().put("part", part.kind().word());
    if (part.kind().many()) {
      out.put("id", part.id());
    }
    FORMS.get(part.kind().word()).write(part, out);
    if (part instanceof Move) { // which is none without its frames
      WindowJson.write(part.body().window(), out.putObject("window"));
    }
    return out;
  }

  static Part read(JsonPlace place) throws FormatException {
    try {
      return read(place, FORMS.get(Parts.kind(place.get("part").text()).word()));
    } catch (RefusedException e) {
      throw Refusals.inside(place.path(), e);
    }
  }

  private static <P extends Part> P read(JsonPlace place, PartForm<P> form) throws FormatException {
    PartKind kind = form.kind();
    List<String> fields = new ArrayList<>(List.of("part", "on"));
    if (kind.many()) {
      fields.add("id");
    }
    if (kind.window()) {
      fields.add("window");
    }
    fields.addAll(form.settings());
    kind.parameters().forEach(p -> fields.add(p.id()));
    place.only(fields.toArray(String[]::new));
    return form.reader().read(body(place, kind), place);
  }

  private static PartBody body(JsonPlace place, PartKind kind) throws FormatException {
    Curves curves = Curves.usual(kind.parameters());
    for (Parameter parameter : kind.parameters()) {
      if (place.has(parameter.id())) {
        curves = curves.with(parameter, CurveJson.read(place.get(parameter.id())));
      }
    }
    return new PartBody(
        kind.many() ? place.get("id").text() : kind.word(),
        place.flag("on", true),
        curves,
        place.has("window")
            ? WindowJson.read(place.get("window").only(WindowJson.FIELDS))
            : Window.OPEN);
  }
}

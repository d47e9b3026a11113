package idlelens.exchange.json;

import static idlelens.exchange.json.EditParts.frame;
import static idlelens.exchange.json.EditParts.id;
import static idlelens.exchange.json.EditParts.texts;

import idlelens.core.edit.AddPart;
import idlelens.core.edit.MoveStamp;
import idlelens.core.edit.OrderParts;
import idlelens.core.edit.RemovePart;
import idlelens.core.edit.RemoveStamp;
import idlelens.core.edit.SetPart;
import idlelens.core.edit.SetStamp;
import idlelens.core.edit.SwitchPart;
import idlelens.core.part.Chain;
import idlelens.core.part.Parameter;
import idlelens.core.part.Part;
import idlelens.core.part.Pull;
import idlelens.core.part.Stamp;
import idlelens.core.part.Window;
import idlelens.exchange.format.FormatException;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import tools.jackson.databind.node.ObjectNode;

/** Edits of any part of a chain. */
final class PartEditForms {
  /** Fields of a stamp that is set: those of a window, or of a pull. */
  private static final String STAMP =
      "id part stamp "
          + String.join(" ", WindowJson.FIELDS)
          + " "
          + String.join(" ", FocusJson.PULL);

  static final List<EditForm<?>> ALL =
      List.of(
          EditForm.of(
              "add-part",
              AddPart.class,
              "id part",
              p -> new AddPart(id(p), PartJson.read(p.get("part"))),
              (e, out) -> out.put("id", e.id()).set("part", PartJson.write(e.part()))),
          EditForm.of(
              "remove-part",
              RemovePart.class,
              "id part",
              p -> new RemovePart(id(p), p.get("part").text()),
              (e, out) -> out.put("id", e.id()).put("part", e.part())),
          EditForm.of(
              "order-parts",
              OrderParts.class,
              "id parts",
              p -> new OrderParts(id(p), p.get("parts").list(Chain.MOST, JsonPlace::text)),
              (e, out) -> texts(out.put("id", e.id()), "parts", e.parts())),
          EditForm.of(
              "set-part",
              SetPart.class,
              "id part",
              p -> setPart(id(p), PartJson.read(p.get("part")), p.get("part")),
              (e, out) -> out.put("id", e.id()).set("part", PartJson.settings(e.part(), e.with()))),
          EditForm.older(
              "set-lens",
              SetPart.class,
              "id lens",
              p -> setPart(id(p), LensJson.read(p.get("lens")), p.get("lens"))),
          EditForm.of(
              "switch-part",
              SwitchPart.class,
              "id part on",
              p -> new SwitchPart(id(p), p.get("part").text(), p.get("on").flag()),
              (e, out) -> out.put("id", e.id()).put("part", e.part()).put("on", e.on())),
          EditForm.of(
              "set-stamp",
              SetStamp.class,
              STAMP,
              p -> new SetStamp(id(p), p.get("part").text(), stamp(p)),
              PartEditForms::stamp),
          EditForm.of(
              "move-stamp",
              MoveStamp.class,
              "id part stamp frame",
              p -> new MoveStamp(id(p), p.get("part").text(), p.get("stamp").text(), frame(p)),
              (e, out) ->
                  out.put("id", e.id())
                      .put("part", e.part())
                      .put("stamp", e.stamp())
                      .put("frame", e.frame())),
          EditForm.of(
              "remove-stamp",
              RemoveStamp.class,
              "id part stamp",
              p -> new RemoveStamp(id(p), p.get("part").text(), p.get("stamp").text()),
              (e, out) -> out.put("id", e.id()).put("part", e.part()).put("stamp", e.stamp())));

  private PartEditForms() {}

  private static Stamp stamp(JsonPlace p) throws FormatException {
    String id = p.get("stamp").text();
    return id.equals(Window.ID) ? WindowJson.read(p) : FocusJson.pull(id, p);
  }

  private static void stamp(SetStamp e, ObjectNode out) {
    out.put("id", e.id()).put("part", e.part()).put("stamp", e.stamp().id());
    if (e.stamp() instanceof Window window) {
      WindowJson.write(window, out);
    } else if (e.stamp() instanceof Pull pull) {
      FocusJson.write(pull, out);
    }
  }

  /** With the curves that are given beside the settings. */
  private static SetPart setPart(String id, Part part, JsonPlace given) throws FormatException {
    Set<String> with = new HashSet<>();
    for (Parameter parameter : part.kind().parameters()) {
      if (given.has(parameter.id())) {
        with.add(parameter.id());
      }
    }
    return new SetPart(id, part, with);
  }
}

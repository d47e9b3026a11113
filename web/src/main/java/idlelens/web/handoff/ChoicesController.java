package idlelens.web.handoff;

import idlelens.exchange.formats.SceneFormats;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.scenefile.Axes;
import idlelens.exchange.scenefile.LensNumber;
import idlelens.exchange.scenefile.SceneFormat;
import idlelens.exchange.scenefile.TurnOrder;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import org.joml.Matrix3d;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** What can be chosen for a hand-off: formats, axes, orders of turns, numbers of a lens. */
@RestController
@Tag(name = "Hand-off")
class ChoicesController {

  @GetMapping("/api/hand-off/choices")
  @Needs(Right.ACCOUNT)
  @Operation(
      summary = "Formats, axes (with where they point in ours), orders of turns, numbers of a lens")
  ObjectNode choices() {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    ArrayNode formats = out.putArray("formats");
    SceneFormats.ALL.forEach(f -> format(f, formats.addObject()));
    ArrayNode axes = out.putArray("axes");
    for (Axes each : Axes.values()) {
      axes(each, axes.addObject());
    }
    ArrayNode orders = out.putArray("orders");
    for (TurnOrder order : TurnOrder.values()) {
      orders.addObject().put("id", JsonPlace.word(order)).put("label", order.label());
    }
    ArrayNode lens = out.putArray("lens");
    for (LensNumber number : LensNumber.values()) {
      lens.addObject().put("id", JsonPlace.word(number)).put("label", number.label());
    }
    return out;
  }

  private static void format(SceneFormat format, ObjectNode out) {
    out.put("id", format.id()).put("label", format.label());
    out.put("written", format.isWritten()).put("nodes", format.holds().nodes());
    ArrayNode endings = out.putArray("endings");
    format.endings().forEach(endings::add);
  }

  /** Its three axes, each as x, y and z of ours. */
  private static void axes(Axes each, ObjectNode out) {
    out.put("id", JsonPlace.word(each)).put("label", each.label());
    out.put("rightHanded", each.isRightHanded());
    Matrix3d ours = each.toOurs();
    ArrayNode columns = out.putArray("columns");
    for (int column = 0; column < 3; column++) {
      ArrayNode one = columns.addArray();
      for (int row = 0; row < 3; row++) {
        one.add(ours.get(column, row));
      }
    }
  }
}

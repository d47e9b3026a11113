package idlelens.exchange.json;

import idlelens.core.rule.RefusedException;
import idlelens.core.set.Finish;
import idlelens.core.set.Shape;
import idlelens.exchange.format.FormatException;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The look of a piece, for files of other formats that carry it along. */
public final class PieceJson {
  private PieceJson() {}

  /** Shape and finish of a piece. */
  public record Look(Shape shape, Finish finish) {}

  /** An object with the fields {@code shape} and {@code finish}. */
  public static ObjectNode write(Look look) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    out.set("shape", ShapeJson.write(look.shape()));
    out.set("finish", ShapeJson.write(look.finish()));
    return out;
  }

  public static Look read(JsonPlace place) throws FormatException {
    try {
      return new Look(
          ShapeJson.read(place.get("shape")), ShapeJson.readFinish(place.get("finish")));
    } catch (RefusedException e) {
      throw Refusals.inside(place.path(), e);
    }
  }
}

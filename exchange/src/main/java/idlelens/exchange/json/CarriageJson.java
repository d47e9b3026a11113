package idlelens.exchange.json;

import idlelens.core.geometry.RigidPose;
import idlelens.core.part.Carriage;
import idlelens.exchange.format.FormatException;
import tools.jackson.databind.node.ObjectNode;

/** The offset of a carriage: seven numbers, place and quaternion. */
final class CarriageJson {
  private CarriageJson() {}

  static void write(Carriage by, ObjectNode out) {
    if (by.isCarried()) {
      out.put("node", by.carrierId());
    }
    if (!by.offset().equals(RigidPose.IDENTITY)) {
      write(by.offset(), out);
    }
  }

  static void write(RigidPose o, ObjectNode out) {
    out.putArray("offset")
        .add(o.x())
        .add(o.y())
        .add(o.z())
        .add(o.qx())
        .add(o.qy())
        .add(o.qz())
        .add(o.qw());
  }

  static Carriage read(JsonPlace place, String carrierField) throws FormatException {
    return new Carriage(place.text(carrierField, ""), offset(place));
  }

  private static RigidPose offset(JsonPlace place) throws FormatException {
    if (!place.has("offset")) {
      return RigidPose.IDENTITY;
    }
    JsonPlace o = place.get("offset");
    return new RigidPose(
        o.at(0).number(),
        o.at(1).number(),
        o.at(2).number(),
        o.at(3).number(),
        o.at(4).number(),
        o.at(5).number(),
        o.at(6).number());
  }
}

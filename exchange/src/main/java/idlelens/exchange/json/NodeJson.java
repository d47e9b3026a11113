package idlelens.exchange.json;

import idlelens.core.curve.Curve;
import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.LensBody;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Carriage;
import idlelens.core.scene.ChainPart;
import idlelens.core.scene.Channel;
import idlelens.core.scene.Channels;
import idlelens.core.scene.KeyFilter;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.exchange.format.FormatException;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.Map;
import java.util.Set;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Nodes. What is not given when reading is as in a new node. */
final class NodeJson {
  private NodeJson() {}

  static ObjectNode write(Node node) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    out.put("id", node.id()).put("name", node.name()).put("kind", node.kind());
    if (node.hidden()) {
      out.put("hidden", true);
    }
    if (node.carriage().isCarried()) {
      out.put("carrier", node.carriage().carrierId());
    }
    RigidPose o = node.carriage().offset();
    if (!o.equals(RigidPose.IDENTITY)) {
      out.putArray("offset")
          .add(o.x())
          .add(o.y())
          .add(o.z())
          .add(o.qx())
          .add(o.qy())
          .add(o.qz())
          .add(o.qw());
    }
    if (!node.filter().equals(KeyFilter.OPEN)) {
      FilterJson.write(node.filter(), out.putObject("filter"));
    }
    if (!node.body().off().isEmpty()) {
      EditParts.texts(
          out, "off", node.body().off().stream().sorted().map(JsonPlace::word).toList());
    }
    ObjectNode channels = out.putObject("channels");
    node.channels().curves().forEach((c, curve) -> channels.set(c.id(), CurveJson.write(curve)));
    if (node instanceof Node.Camera camera) {
      out.set("lens", LensJson.write(camera.lens()));
    } else if (node instanceof Node.Piece piece) {
      out.set("shape", ShapeJson.write(piece.shape()));
      out.set("finish", ShapeJson.write(piece.finish()));
    } else if (node instanceof Node.Sun sun) {
      out.put("colour", sun.colour()).put("strength", sun.strength());
    }
    return out;
  }

  static Node read(JsonPlace place) throws FormatException {
    try {
      return readKind(place);
    } catch (RefusedException e) {
      throw Refusals.inside(place.path(), e);
    }
  }

  private static Node readKind(JsonPlace place) throws FormatException {
    switch (place.get("kind").text()) {
      case "camera":
        common(place, "lens");
        LensBody lens = place.has("lens") ? LensJson.read(place.get("lens")) : LensBody.PLAIN;
        return new Node.Camera(body(place, Channels.poseAndLens()), lens);
      case "null":
        common(place);
        return new Node.Null(body(place, Channels.pose()));
      case "piece":
        common(place, "shape", "finish");
        return new Node.Piece(
            body(place, Channels.pose()),
            ShapeJson.read(place.get("shape")),
            ShapeJson.readFinish(place.get("finish")));
      case "sun":
        common(place, "colour", "strength");
        return new Node.Sun(
            body(place, Channels.pose()),
            place.text("colour", "#ffffff"),
            place.number("strength", 1));
      default:
        throw place.get("kind").refusal("camera, null, piece, sun");
    }
  }

  private static void common(JsonPlace place, String... more) throws FormatException {
    String[] usual = {
      "id", "name", "kind", "hidden", "carrier", "offset", "filter", "off", "channels"
    };
    String[] all = Arrays.copyOf(usual, usual.length + more.length);
    System.arraycopy(more, 0, all, usual.length, more.length);
    place.only(all);
  }

  private static NodeBody body(JsonPlace place, Channels usual) throws FormatException {
    RigidPose offset = RigidPose.IDENTITY;
    if (place.has("offset")) {
      JsonPlace o = place.get("offset");
      offset =
          new RigidPose(
              o.at(0).number(),
              o.at(1).number(),
              o.at(2).number(),
              o.at(3).number(),
              o.at(4).number(),
              o.at(5).number(),
              o.at(6).number());
    }
    return new NodeBody(
        place.get("id").text(),
        place.get("name").text(),
        place.flag("hidden", false),
        new Carriage(place.text("carrier", ""), offset),
        channels(place, usual),
        place.has("filter")
            ? FilterJson.read(place.get("filter").only("leftOut", "locked"))
            : KeyFilter.OPEN,
        place.has("off") ? off(place.get("off")) : Set.of());
  }

  private static Set<ChainPart> off(JsonPlace list) throws FormatException {
    return Set.copyOf(list.list(ChainPart.values().length, p -> p.choice(ChainPart.class)));
  }

  private static Channels channels(JsonPlace place, Channels usual) throws FormatException {
    if (!place.has("channels")) {
      return usual;
    }
    JsonPlace channels = place.get("channels");
    Map<Channel, Curve> curves = new EnumMap<>(Channel.class);
    for (String name : channels.names()) {
      JsonPlace at = channels.get(name);
      try {
        curves.put(Channel.of(name), CurveJson.read(at));
      } catch (RefusedException e) {
        throw Refusals.inside(at.path(), e);
      }
    }
    return usual.with(curves);
  }
}

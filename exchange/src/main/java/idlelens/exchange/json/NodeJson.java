package idlelens.exchange.json;

import idlelens.core.part.Chain;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.TakesKeys;
import idlelens.exchange.format.FormatException;
import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Nodes. What is not given when reading is as in a new node. A node is read by its shape: with a
 * chain, or as it was before version 3.
 */
final class NodeJson {
  private NodeJson() {}

  static ObjectNode write(Node node) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    out.put("id", node.id()).put("name", node.name()).put("kind", node.kind());
    HiddenJson.write(node.hidden(), out);
    if (!node.takesKeys().equals(TakesKeys.ALL)) {
      TakesKeysJson.write(node.takesKeys(), out.putObject("takesKeys"));
    }
    ChainJson.write(node.chain(), out.putArray("chain"));
    if (node instanceof Node.Piece piece) {
      out.set("shape", ShapeJson.write(piece.shape()));
      out.set("finish", ShapeJson.write(piece.finish()));
    } else if (node instanceof Node.Rail rail) {
      out.set("rail", RailJson.write(rail.rail()));
    } else if (node instanceof Node.Repeat repeat) {
      out.set("repeat", RepeatJson.write(repeat.repetition()));
    } else if (node instanceof Node.Light light) {
      out.set("lamp", LampJson.write(light.lamp()));
    } else if (node instanceof Node.Mist mist) {
      out.set("mist", AirJson.write(mist.drift()));
    } else if (node instanceof Node.Hazy hazy) {
      out.set("haze", AirJson.write(hazy.haze()));
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
        return new Node.Camera(body(place, true));
      case "null":
        return new Node.Null(body(place, false));
      case "piece":
        return new Node.Piece(
            body(place, false, "shape", "finish"),
            ShapeJson.read(place.get("shape")),
            ShapeJson.readFinish(place.get("finish")));
      case "rail":
        return new Node.Rail(body(place, false, "rail"), RailJson.read(place.get("rail")));
      case "repeat":
        return new Node.Repeat(body(place, false, "repeat"), RepeatJson.read(place.get("repeat")));
      case "light":
        return new Node.Light(body(place, false, "lamp"), LampJson.read(place.get("lamp")));
      case "mist":
        return new Node.Mist(body(place, false, "mist"), AirJson.readMist(place.get("mist")));
      case "haze":
        return new Node.Hazy(body(place, false, "haze"), AirJson.readHaze(place.get("haze")));
      case "sun":
        return new Node.Sun(
            body(place, false, "colour", "strength"),
            place.text("colour", "#ffffff"),
            place.number("strength", 1));
      default:
        throw place
            .get("kind")
            .refusal("camera, null, piece, rail, repeat, sun, light, mist, haze");
    }
  }

  private static NodeBody body(JsonPlace place, boolean withLens, String... more)
      throws FormatException {
    boolean old = OldNodeJson.is(place);
    if (old && place.has("chain")) {
      throw place.get("chain").refusal("a chain, or what nodes had before version 3, not both");
    }
    List<String> fields = new ArrayList<>(List.of("id", "name", "kind", "hidden"));
    fields.addAll(List.of(old ? OldNodeJson.FIELDS : new String[] {"chain", "takesKeys"}));
    fields.addAll(List.of(more));
    place.only(fields.toArray(String[]::new));
    return new NodeBody(
        place.get("id").text(),
        place.get("name").text(),
        HiddenJson.read(place),
        old ? OldNodeJson.chain(place, withLens) : chain(place, withLens),
        old ? OldNodeJson.takesKeys(place) : takesKeys(place));
  }

  private static Chain chain(JsonPlace place, boolean withLens) throws FormatException {
    if (place.has("chain")) {
      return ChainJson.read(place.get("chain"), withLens);
    }
    return withLens ? Chain.poseAndLens() : Chain.pose();
  }

  private static TakesKeys takesKeys(JsonPlace place) throws FormatException {
    return place.has("takesKeys")
        ? TakesKeysJson.read(place.get("takesKeys").only(TakesKeysJson.FIELDS))
        : TakesKeys.ALL;
  }
}

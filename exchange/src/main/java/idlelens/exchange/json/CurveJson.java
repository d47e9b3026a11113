package idlelens.exchange.json;

import idlelens.core.curve.Beyond;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.rule.RefusedException;
import idlelens.exchange.format.FormatException;
import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * A curve: a bare number for a still channel, otherwise keys as {@code [frame, value, tangent]} or
 * {@code [frame, value, "free", inFrames, inValue, outFrames, outValue, joined]}.
 */
final class CurveJson {
  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

  private CurveJson() {}

  static JsonNode write(Curve curve) {
    boolean plain = curve.before() == Beyond.HOLD && curve.after() == Beyond.HOLD;
    if (!curve.isKeyed() && plain) {
      return NODES.numberNode(curve.rest());
    }
    ObjectNode out = NODES.objectNode();
    if (!curve.isKeyed()) {
      out.put("rest", curve.rest());
    }
    if (!plain) {
      out.put("before", JsonPlace.word(curve.before()));
      out.put("after", JsonPlace.word(curve.after()));
    }
    ArrayNode keys = out.putArray("keys");
    curve.keys().forEach(key -> keys.add(write(key)));
    return out;
  }

  private static JsonNode write(Key key) {
    ArrayNode out = NODES.arrayNode().add(key.frame()).add(key.value());
    if (key.tangent() instanceof Tangent.Free free) {
      return out.add("free")
          .add(free.in().frames())
          .add(free.in().value())
          .add(free.out().frames())
          .add(free.out().value())
          .add(free.joined());
    }
    return out.add(JsonPlace.word((Tangent.Kind) key.tangent()));
  }

  static Curve read(JsonPlace place) throws FormatException {
    if (place.node().isNumber()) {
      return Curve.still(place.number());
    }
    place.only("rest", "keys", "before", "after");
    List<Key> keys = new ArrayList<>();
    if (place.has("keys")) {
      for (JsonPlace key : place.get("keys").list(Curve.MOST_KEYS)) {
        keys.add(readKey(key));
      }
    }
    double rest = place.number("rest", keys.isEmpty() ? 0 : keys.get(0).value());
    return new Curve(rest, keys, beyond(place, "before"), beyond(place, "after"));
  }

  private static Beyond beyond(JsonPlace place, String field) throws FormatException {
    return place.has(field) ? place.get(field).choice(Beyond.class) : Beyond.HOLD;
  }

  private static Key readKey(JsonPlace place) throws FormatException {
    double frame = place.at(0).number();
    double value = place.at(1).number();
    try {
      return new Key(frame, value, readTangent(place));
    } catch (RefusedException e) {
      throw Refusals.inside(place.path(), e);
    }
  }

  private static Tangent readTangent(JsonPlace key) throws FormatException {
    if (!key.at(2).text().equals("free")) {
      return key.at(2).choice(Tangent.Kind.class);
    }
    return new Tangent.Free(
        new Tangent.Handle(key.at(3).number(), key.at(4).number()),
        new Tangent.Handle(key.at(5).number(), key.at(6).number()),
        key.at(7).flag());
  }
}

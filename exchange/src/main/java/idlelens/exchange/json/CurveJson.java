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
 * A curve: a bare number for a still channel, otherwise keys as {@code [frame, value, tangent]}, as
 * {@code [frame, value, "free", inFrames, inValue, outFrames, outValue, joined, ownLength]}, or as
 * {@code [frame, value, "straight" or "hold", inFrames, inValue]} where a key is reached by a
 * handle set by hand. Before version 2 all handles of free tangents had their own length, and did
 * not say so.
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

  static JsonNode write(Key key) {
    ArrayNode out = NODES.arrayNode().add(key.frame()).add(key.value());
    if (key.tangent() instanceof Tangent.Free free) {
      handle(out.add("free"), free.in());
      return handle(out, free.out()).add(free.joined()).add(free.ownLength());
    }
    if (key.tangent() instanceof Tangent.Reached reached) {
      return handle(out.add(JsonPlace.word(reached.leaving())), reached.in());
    }
    return out.add(JsonPlace.word((Tangent.Kind) key.tangent()));
  }

  private static ArrayNode handle(ArrayNode out, Tangent.Handle handle) {
    return out.add(handle.frames()).add(handle.value());
  }

  static Curve read(JsonPlace place) throws FormatException {
    if (place.node().isNumber()) {
      return Curve.still(place.number());
    }
    place.only("rest", "keys", "before", "after");
    List<Key> keys = place.has("keys") ? apart(readKeys(place.get("keys"))) : List.of();
    double rest = place.number("rest", keys.isEmpty() ? 0 : keys.get(0).value());
    return new Curve(rest, keys, beyond(place, "before"), beyond(place, "after"));
  }

  /** Keys that earlier versions kept closer together than is allowed now, set apart. */
  private static List<Key> apart(List<Key> keys) {
    List<Key> apart = new ArrayList<>(keys);
    for (int i = 1; i < apart.size(); i++) {
      double least = apart.get(i - 1).frame() + Key.LEAST_APART;
      boolean inOrder = keys.get(i).frame() > keys.get(i - 1).frame();
      if (inOrder && keys.get(i).frame() < least) {
        apart.set(i, keys.get(i).withFrame(least));
      }
    }
    return apart;
  }

  private static Beyond beyond(JsonPlace place, String field) throws FormatException {
    return place.choice(field, Beyond.class, Beyond.HOLD);
  }

  static List<Key> readKeys(JsonPlace place) throws FormatException {
    return place.list(Curve.MOST_KEYS, CurveJson::readKey);
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
    if (key.at(2).text().equals("free")) {
      boolean ownLength = key.size() < 9 || key.at(8).flag();
      return new Tangent.Free(handle(key, 3), handle(key, 5), key.at(7).flag(), ownLength);
    }
    Tangent.Kind kind = key.at(2).choice(Tangent.Kind.class, "settle, flow, straight, hold, free");
    return key.size() < 4 ? kind : new Tangent.Reached(handle(key, 3), kind);
  }

  private static Tangent.Handle handle(JsonPlace key, int from) throws FormatException {
    return new Tangent.Handle(key.at(from).number(), key.at(from + 1).number());
  }
}

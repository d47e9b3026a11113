package idlelens.exchange.json;

import idlelens.core.curve.Tangent;
import idlelens.core.edit.AddNodes;
import idlelens.core.edit.Carry;
import idlelens.core.edit.ChangeHeader;
import idlelens.core.edit.Duplicate;
import idlelens.core.edit.Edit;
import idlelens.core.edit.KeyPose;
import idlelens.core.edit.Keying;
import idlelens.core.edit.MoveInWorld;
import idlelens.core.edit.MoveKeys;
import idlelens.core.edit.Operate;
import idlelens.core.edit.RemoveKeys;
import idlelens.core.edit.RemoveNodes;
import idlelens.core.edit.Rename;
import idlelens.core.edit.Restore;
import idlelens.core.edit.SetFieldOfView;
import idlelens.core.edit.SetHidden;
import idlelens.core.edit.SetLens;
import idlelens.core.edit.SetPiece;
import idlelens.core.edit.SetSun;
import idlelens.core.edit.SetTangents;
import idlelens.core.edit.SetValues;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Channel;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.exchange.format.FormatException;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Edits as objects with a field {@code edit} that says which; see {@code docs/formats.md}. */
public final class EditJson {
  private static final int MOST_EDITS = 500;
  private static final int MOST_FRAMES = 100_000;

  private EditJson() {}

  /** A list of edits as text. */
  public static String text(List<Edit> edits) {
    ArrayNode all = JsonNodeFactory.instance.arrayNode();
    edits.forEach(e -> all.add(write(e)));
    return JsonPlace.mapper().writeValueAsString(all);
  }

  /** Reads a list of edits. */
  public static List<Edit> readList(JsonPlace place) throws FormatException {
    List<Edit> edits = new ArrayList<>();
    for (JsonPlace each : place.list(MOST_EDITS)) {
      edits.add(read(each));
    }
    return edits;
  }

  /** Reads the header of a shot: name, rate, in, out, handles, aspect, metresPerUnit, newKeys. */
  public static ShotHeader readHeader(JsonPlace place) throws FormatException {
    try {
      return ShotJson.readHeader(place);
    } catch (RefusedException e) {
      throw Refusals.inside(place.path(), e);
    }
  }

  /** Reads one edit. */
  public static Edit read(JsonPlace place) throws FormatException {
    try {
      return readKind(place);
    } catch (RefusedException e) {
      throw Refusals.inside(place.path(), e);
    }
  }

  private static Edit readKind(JsonPlace p) throws FormatException {
    switch (p.get("edit").text()) {
      case "change-header":
        p.only(
            "edit", "name", "rate", "in", "out", "handles", "aspect", "metresPerUnit", "newKeys");
        return new ChangeHeader(ShotJson.readHeader(p));
      case "add-nodes":
        p.only("edit", "nodes");
        return new AddNodes(nodes(p.get("nodes")));
      case "remove-nodes":
        p.only("edit", "ids", "frame", "withCarried");
        return new RemoveNodes(texts(p.get("ids")), frame(p), p.flag("withCarried", false));
      case "duplicate":
        p.only("edit", "id", "newId", "newName");
        return new Duplicate(id(p), p.get("newId").text(), p.get("newName").text());
      case "rename":
        p.only("edit", "id", "name");
        return new Rename(id(p), p.get("name").text());
      case "set-hidden":
        p.only("edit", "id", "hidden");
        return new SetHidden(id(p), p.get("hidden").flag());
      case "carry":
        p.only("edit", "id", "carrier", "frame", "keepPlace");
        return new Carry(id(p), p.text("carrier", ""), frame(p), p.flag("keepPlace", true));
      case "set-values":
        p.only("edit", "id", "frame", "values", "keying");
        return new SetValues(id(p), frame(p), values(p.get("values")), keying(p));
      case "operate":
        p.only(
            "edit", "id", "frame", "truck", "pedestal", "dolly", "pan", "tilt", "roll", "keying");
        return new Operate(
            id(p),
            frame(p),
            p.number("truck", 0),
            p.number("pedestal", 0),
            p.number("dolly", 0),
            p.number("pan", 0),
            p.number("tilt", 0),
            p.number("roll", 0),
            keying(p));
      case "move-in-world":
        p.only("edit", "id", "frame", "dx", "dy", "dz", "turn", "keying");
        return new MoveInWorld(
            id(p),
            frame(p),
            p.number("dx", 0),
            p.number("dy", 0),
            p.number("dz", 0),
            p.number("turn", 0),
            keying(p));
      default:
        return readKeysAndLooks(p);
    }
  }

  private static Edit readKeysAndLooks(JsonPlace p) throws FormatException {
    switch (p.get("edit").text()) {
      case "key-pose":
        p.only("edit", "id", "frame", "channels");
        return new KeyPose(id(p), frame(p), channels(p));
      case "remove-keys":
        p.only("edit", "id", "frames", "channels");
        return new RemoveKeys(id(p), frames(p), channels(p));
      case "move-keys":
        p.only("edit", "id", "frames", "channels", "by", "landing");
        return new MoveKeys(
            id(p),
            frames(p),
            channels(p),
            p.get("by").number(),
            p.has("landing")
                ? p.get("landing").choice(MoveKeys.Landing.class)
                : MoveKeys.Landing.REFUSE);
      case "set-tangents":
        p.only("edit", "id", "frames", "channels", "tangent");
        return new SetTangents(
            id(p), frames(p), channels(p), p.get("tangent").choice(Tangent.Kind.class));
      case "set-lens":
        p.only("edit", "id", "lens");
        return new SetLens(id(p), LensJson.read(p.get("lens")));
      case "set-field-of-view":
        p.only("edit", "id", "frame", "side", "degrees", "keying");
        return new SetFieldOfView(
            id(p),
            frame(p),
            p.get("side").choice(SetFieldOfView.Side.class),
            p.get("degrees").number(),
            keying(p));
      case "set-piece":
        p.only("edit", "id", "shape", "finish");
        return new SetPiece(
            id(p), ShapeJson.read(p.get("shape")), ShapeJson.readFinish(p.get("finish")));
      case "set-sun":
        p.only("edit", "id", "colour", "strength");
        return new SetSun(id(p), p.get("colour").text(), p.get("strength").number());
      case "restore":
        p.only("edit", "header", "nodes", "order");
        Optional<ShotHeader> header =
            p.has("header") ? Optional.of(ShotJson.readHeader(p.get("header"))) : Optional.empty();
        return new Restore(header, nodes(p.get("nodes")), texts(p.get("order")));
      default:
        throw p.get("edit").refusal("the name of an edit, such as set-values or key-pose");
    }
  }

  private static String id(JsonPlace p) throws FormatException {
    return p.get("id").text();
  }

  private static double frame(JsonPlace p) throws FormatException {
    return p.get("frame").number();
  }

  private static Keying keying(JsonPlace p) throws FormatException {
    return p.has("keying") ? p.get("keying").choice(Keying.class) : Keying.STILL;
  }

  private static List<Double> frames(JsonPlace p) throws FormatException {
    List<Double> frames = new ArrayList<>();
    for (JsonPlace each : p.get("frames").list(MOST_FRAMES)) {
      frames.add(each.number());
    }
    return frames;
  }

  private static List<Channel> channels(JsonPlace p) throws FormatException {
    if (!p.has("channels")) {
      return Channel.POSE;
    }
    List<Channel> channels = new ArrayList<>();
    for (JsonPlace each : p.get("channels").list(Channel.values().length)) {
      channels.add(Channel.of(each.text()));
    }
    return channels;
  }

  private static Map<Channel, Double> values(JsonPlace place) throws FormatException {
    Map<Channel, Double> values = new EnumMap<>(Channel.class);
    for (String name : place.names()) {
      values.put(Channel.of(name), place.get(name).number());
    }
    return values;
  }

  private static List<String> texts(JsonPlace place) throws FormatException {
    List<String> texts = new ArrayList<>();
    for (JsonPlace each : place.list(Shot.MOST_NODES)) {
      texts.add(each.text());
    }
    return texts;
  }

  private static List<Node> nodes(JsonPlace place) throws FormatException {
    List<Node> nodes = new ArrayList<>();
    for (JsonPlace each : place.list(Shot.MOST_NODES)) {
      nodes.add(NodeJson.read(each));
    }
    return nodes;
  }

  /** Writes one edit. */
  public static ObjectNode write(Edit edit) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    if (edit instanceof ChangeHeader e) {
      out.put("edit", "change-header").setAll(ShotJson.writeHeader(e.header()));
    } else if (edit instanceof AddNodes e) {
      out.put("edit", "add-nodes").set("nodes", nodes(e.nodes()));
    } else if (edit instanceof RemoveNodes e) {
      out.put("edit", "remove-nodes").set("ids", texts(e.ids()));
      out.put("frame", e.frame()).put("withCarried", e.withCarried());
    } else if (edit instanceof Duplicate e) {
      out.put("edit", "duplicate").put("id", e.id());
      out.put("newId", e.newId()).put("newName", e.newName());
    } else if (edit instanceof Rename e) {
      out.put("edit", "rename").put("id", e.id()).put("name", e.name());
    } else if (edit instanceof SetHidden e) {
      out.put("edit", "set-hidden").put("id", e.id()).put("hidden", e.hidden());
    } else if (edit instanceof Carry e) {
      out.put("edit", "carry").put("id", e.id()).put("carrier", e.carrierId());
      out.put("frame", e.frame()).put("keepPlace", e.keepPlace());
    } else if (edit instanceof SetValues e) {
      keyed(out, "set-values", e.id(), e.frame(), e.keying());
      ObjectNode values = out.putObject("values");
      e.values().forEach((c, v) -> values.put(c.id(), v));
    } else if (edit instanceof Operate e) {
      keyed(out, "operate", e.id(), e.frame(), e.keying());
      out.put("truck", e.truckM()).put("pedestal", e.pedestalM()).put("dolly", e.dollyM());
      out.put("pan", e.pan()).put("tilt", e.tilt()).put("roll", e.roll());
    } else if (edit instanceof MoveInWorld e) {
      keyed(out, "move-in-world", e.id(), e.frame(), e.keying());
      out.put("dx", e.dxM()).put("dy", e.dyM()).put("dz", e.dzM()).put("turn", e.turn());
    } else {
      writeKeysAndLooks(out, edit);
    }
    return out;
  }

  private static void writeKeysAndLooks(ObjectNode out, Edit edit) {
    if (edit instanceof KeyPose e) {
      out.put("edit", "key-pose").put("id", e.id()).put("frame", e.frame());
      channels(out, e.channels());
    } else if (edit instanceof RemoveKeys e) {
      keys(out, "remove-keys", e.id(), e.frames(), e.channels());
    } else if (edit instanceof MoveKeys e) {
      keys(out, "move-keys", e.id(), e.frames(), e.channels());
      out.put("by", e.by()).put("landing", JsonPlace.word(e.landing()));
    } else if (edit instanceof SetTangents e) {
      keys(out, "set-tangents", e.id(), e.frames(), e.channels());
      out.put("tangent", JsonPlace.word((Tangent.Kind) e.tangent()));
    } else if (edit instanceof SetLens e) {
      out.put("edit", "set-lens").put("id", e.id()).set("lens", LensJson.write(e.lens()));
    } else if (edit instanceof SetFieldOfView e) {
      keyed(out, "set-field-of-view", e.id(), e.frame(), e.keying());
      out.put("side", JsonPlace.word(e.side())).put("degrees", e.degrees());
    } else if (edit instanceof SetPiece e) {
      out.put("edit", "set-piece").put("id", e.id());
      out.set("shape", ShapeJson.write(e.shape()));
      out.set("finish", ShapeJson.write(e.finish()));
    } else if (edit instanceof SetSun e) {
      out.put("edit", "set-sun").put("id", e.id());
      out.put("colour", e.colour()).put("strength", e.strength());
    } else if (edit instanceof Restore e) {
      out.put("edit", "restore").set("nodes", nodes(e.nodes()));
      out.set("order", texts(e.order()));
      e.header().ifPresent(h -> out.set("header", ShotJson.writeHeader(h)));
    }
  }

  private static void keyed(ObjectNode out, String kind, String id, double frame, Keying keying) {
    out.put("edit", kind).put("id", id).put("frame", frame);
    out.put("keying", JsonPlace.word(keying));
  }

  private static void keys(
      ObjectNode out, String kind, String id, List<Double> frames, List<Channel> channels) {
    out.put("edit", kind).put("id", id);
    ArrayNode all = out.putArray("frames");
    frames.forEach(all::add);
    channels(out, channels);
  }

  private static void channels(ObjectNode out, List<Channel> channels) {
    out.set("channels", texts(channels.stream().map(Channel::id).toList()));
  }

  private static JsonNode texts(List<String> texts) {
    ArrayNode all = JsonNodeFactory.instance.arrayNode();
    texts.forEach(all::add);
    return all;
  }

  private static JsonNode nodes(List<Node> nodes) {
    ArrayNode all = JsonNodeFactory.instance.arrayNode();
    nodes.forEach(n -> all.add(NodeJson.write(n)));
    return all;
  }
}

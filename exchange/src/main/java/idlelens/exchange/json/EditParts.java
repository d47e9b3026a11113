package idlelens.exchange.json;

import idlelens.core.edit.KeyPick;
import idlelens.core.edit.Keying;
import idlelens.core.edit.Picks;
import idlelens.core.part.Path;
import idlelens.core.retime.Landing;
import idlelens.core.scene.Marker;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.exchange.format.FormatException;
import java.util.Collection;
import java.util.List;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The fields that several kinds of edit share. */
final class EditParts {
  private static final int MOST_FRAMES = 100_000;
  private static final int MOST_PATHS = 1000;

  /** The fields of picked keys: those of one node, or a list of such objects. */
  static final String PICKS = "id channels frames picks";

  private EditParts() {}

  static String id(JsonPlace p) throws FormatException {
    return p.get("id").text();
  }

  static double frame(JsonPlace p) throws FormatException {
    return p.get("frame").number();
  }

  static Keying keying(JsonPlace p) throws FormatException {
    return p.choice("keying", Keying.class, Keying.STILL);
  }

  static Landing landing(JsonPlace p) throws FormatException {
    return p.choice("landing", Landing.class, Landing.REFUSE);
  }

  static List<Double> frames(JsonPlace list) throws FormatException {
    return list.list(MOST_FRAMES, JsonPlace::number);
  }

  static List<String> texts(JsonPlace list) throws FormatException {
    return list.list(Math.max(Shot.MOST_NODES, Marker.MOST), JsonPlace::text);
  }

  static List<Node> nodes(JsonPlace list) throws FormatException {
    return list.list(Shot.MOST_NODES, NodeJson::read);
  }

  /** The paths named, or those of a pose. */
  static List<Path> paths(JsonPlace p) throws FormatException {
    return p.has("channels") ? pathList(p.get("channels")) : Path.POSE;
  }

  static List<Path> pathList(JsonPlace list) throws FormatException {
    return list.list(MOST_PATHS, p -> Path.parse(p.text()));
  }

  static Picks picks(JsonPlace p) throws FormatException {
    return new Picks(p.has("picks") ? p.get("picks").list(Picks.MOST, EditParts::pick) : one(p));
  }

  private static List<KeyPick> one(JsonPlace p) throws FormatException {
    return List.of(new KeyPick(id(p), paths(p), frames(p.get("frames"))));
  }

  private static KeyPick pick(JsonPlace p) throws FormatException {
    return one(p.only("id", "channels", "frames")).get(0);
  }

  static void keyed(ObjectNode out, String id, double frame, Keying keying) {
    out.put("id", id).put("frame", frame).put("keying", JsonPlace.word(keying));
  }

  static void frames(ObjectNode out, String field, List<Double> frames) {
    ArrayNode all = out.putArray(field);
    frames.forEach(all::add);
  }

  static void texts(ObjectNode out, String field, List<String> texts) {
    ArrayNode all = out.putArray(field);
    texts.forEach(all::add);
  }

  static void paths(ObjectNode out, String field, Collection<Path> paths) {
    texts(out, field, paths.stream().map(Path::toString).toList());
  }

  static void nodes(ObjectNode out, String field, List<Node> nodes) {
    ArrayNode all = out.putArray(field);
    nodes.forEach(n -> all.add(NodeJson.write(n)));
  }

  static void picks(ObjectNode out, Picks picks) {
    if (picks.list().size() == 1) {
      pick(out, picks.list().get(0));
      return;
    }
    ArrayNode all = out.putArray("picks");
    picks.list().forEach(p -> pick(all.addObject(), p));
  }

  private static void pick(ObjectNode out, KeyPick pick) {
    out.put("id", pick.id());
    paths(out, "channels", pick.paths());
    frames(out, "frames", pick.frames());
  }
}

package idlelens.core.edit;

import idlelens.core.part.Path;
import idlelens.core.rule.Require;
import java.util.Optional;

/**
 * Something in a shot that an edit changes or relies on. Places are nested: a curve is in its part,
 * that in the chain of its node, that in the node, and all are in the shot. Written with strokes
 * between, as {@code node/cam/chain/keys/x}; the shot is the empty text.
 */
public record Place(String text) {
  /** All there is. */
  public static final Place SHOT = new Place("");

  public Place {
    Require.present(text, "place");
  }

  /** All markers. */
  static final Place MARKERS = new Place("markers");

  /** Which camera is seen when. */
  static final Place PROGRAM = new Place("program");

  /** How the picture is laid out. */
  static final Place PICTURE = new Place("picture");

  /** The order in which nodes stand in the list, and which there are. */
  static final Place ORDER = new Place("order");

  /** The frames between whole ones at which nodes come to be handed over. */
  static final Place MOMENTS = new Place("moments");

  static Place header(String field) {
    return new Place("header/" + field);
  }

  static Place marker(String id) {
    return new Place("markers/" + id);
  }

  /** That a node is in the list. */
  static Place inOrder(String id) {
    return new Place("order/" + id);
  }

  static Place node(String id) {
    return new Place("node/" + id);
  }

  /** That a node is there at all. */
  static Place there(String id) {
    return node(id).in("there");
  }

  /** That a node carries, or is copied with, another. */
  static Place carries(String carrier, String child) {
    return new Place("node/" + carrier + "/carries/" + child);
  }

  /** All that a node carries. */
  static Place carried(String id) {
    return node(id).in("carries");
  }

  /** Who reads where a node is, besides those that it carries. */
  static Place readers(String id) {
    return node(id).in("readers");
  }

  /** What a node is besides its chain: the shape and finish of a piece, the numbers of a light. */
  static Place look(String id) {
    return node(id).in("look");
  }

  /** The shape of a rail. */
  static Place rail(String id) {
    return node(id).in("rail");
  }

  static Place takesKeys(String id) {
    return node(id).in("takes-keys");
  }

  static Place chain(String id) {
    return node(id).in("chain");
  }

  /** What a chain reads of other nodes. */
  static Place leans(String id) {
    return chain(id).in(".leans");
  }

  /** The order of a chain's parts, and which there are. */
  static Place parts(String id) {
    return chain(id).in(".parts");
  }

  static Place part(String id, String part) {
    return chain(id).in(part);
  }

  /** All of a part's settings that are no curves. */
  static Place settings(String id, String part) {
    return part(id, part).in(".settings");
  }

  /** Whether a part is on. */
  static Place on(String id, String part) {
    return part(id, part).in(".on");
  }

  /** The frames that a part holds. */
  static Place stamp(String id, String part, String stamp) {
    return stamps(id, part).in(stamp);
  }

  /** All frames that a part holds. */
  static Place stamps(String id, String part) {
    return part(id, part).in(".stamp");
  }

  static Place path(String id, Path path) {
    return part(id, path.part()).in(path.parameter());
  }

  /** The node that this is, or is in; empty for what is in none. */
  Optional<String> nodeId() {
    String[] steps = text.split("/", 3);
    return steps.length > 1 && steps[0].equals("node") ? Optional.of(steps[1]) : Optional.empty();
  }

  /** Something inside this. */
  Place in(String inner) {
    return new Place(text.isEmpty() ? inner : text + "/" + inner);
  }

  /** What this is in, or null for the shot. */
  Place outer() {
    int end = text.lastIndexOf('/');
    return text.isEmpty() ? null : end < 0 ? SHOT : new Place(text.substring(0, end));
  }
}

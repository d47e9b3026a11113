package idlelens.web.handoff;

import idlelens.core.curve.Curve;
import idlelens.core.edit.AddNodes;
import idlelens.core.edit.Edit;
import idlelens.core.edit.Restore;
import idlelens.core.part.Carriage;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.exchange.format.ContentHash;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A file that is read again: what came from it gets its keys, its lens values and its triangles
 * anew, and keeps what was built on top; what is new in it is added.
 *
 * @param renewed nodes of the shot as they will be
 * @param added nodes that were not in the file before
 * @param missing names of nodes that came from the file and are no more in it
 * @param came the ids of all that ever came from the file, by their paths in it
 */
record Renewal(
    List<Node> renewed, List<Node> added, List<String> missing, Map<String, String> came) {
  private static final int LONGEST_PATH = 2000;

  /** Where each node stands among those that carry it, by names; two of one name are numbered. */
  static Map<String, String> paths(List<Node> nodes) {
    Map<String, Node> below = new LinkedHashMap<>();
    nodes.forEach(node -> below.put(node.id(), node));
    Map<String, String> byId = new HashMap<>();
    Map<String, Integer> taken = new HashMap<>();
    nodes.forEach(node -> path(node.id(), below, byId, taken));
    Map<String, String> ids = new LinkedHashMap<>();
    nodes.forEach(node -> ids.put(byId.get(node.id()), node.id()));
    return ids;
  }

  private static String path(
      String id, Map<String, Node> nodes, Map<String, String> byId, Map<String, Integer> taken) {
    Node node = nodes.get(id);
    if (node == null) {
      return "";
    }
    if (!byId.containsKey(id)) {
      String above = shortened(path(node.carriage().carrierId(), nodes, byId, taken));
      String plain = above + "/" + node.kind() + ":" + node.name();
      int again = taken.merge(plain, 1, Integer::sum);
      byId.put(id, again == 1 ? plain : plain + "#" + again);
    }
    return byId.get(id);
  }

  /** Long paths by their hash: those of a deep rig together would grow with its square. */
  private static String shortened(String path) {
    return path.length() <= LONGEST_PATH
        ? path
        : "#" + ContentHash.of(path.getBytes(StandardCharsets.UTF_8));
  }

  /**
   * @param before the nodes of the shot by their paths in the file as it was
   * @param found what is in the file now
   */
  static Renewal of(Shot shot, Map<String, String> before, List<Node> found) {
    Map<String, String> now = paths(found);
    Map<String, String> oldIds = new HashMap<>(); // of new ids
    now.forEach(
        (path, id) ->
            Optional.ofNullable(before.get(path))
                .filter(old -> shot.find(old).isPresent())
                .ifPresent(old -> oldIds.put(id, old)));
    List<Node> renewed = new ArrayList<>();
    List<Node> added = new ArrayList<>();
    for (Node node : found) {
      String old = oldIds.get(node.id());
      if (old == null) {
        added.add(recarried(node, oldIds));
      } else {
        renewed.add(renewed(shot.node(old), node));
      }
    }
    List<String> missing =
        before.entrySet().stream()
            .filter(e -> !now.containsKey(e.getKey()) && shot.find(e.getValue()).isPresent())
            .map(e -> shot.node(e.getValue()).name())
            .toList();
    Map<String, String> came = new LinkedHashMap<>(before);
    now.forEach((path, id) -> came.put(path, oldIds.getOrDefault(id, id)));
    return new Renewal(renewed, added, missing, came);
  }

  private static Node recarried(Node node, Map<String, String> oldIds) {
    String carrier = node.carriage().carrierId();
    return oldIds.containsKey(carrier)
        ? node.withCarriage(new Carriage(oldIds.get(carrier), node.carriage().offset()))
        : node;
  }

  private static Node renewed(Node old, Node now) {
    Map<Path, Curve> curves = new LinkedHashMap<>();
    Path.POSE.forEach(p -> curves.put(p, now.chain().curve(p)));
    if (old instanceof Node.Camera && now instanceof Node.Camera) {
      Path.LENS.forEach(p -> curves.put(p, now.chain().curve(p)));
    }
    Node moved = old.withChain(old.chain().with(curves));
    return moved instanceof Node.Piece piece && now instanceof Node.Piece shaped
        ? new Node.Piece(piece.body(), shaped.shape(), piece.finish())
        : moved;
  }

  List<Edit> edits(Shot shot) {
    List<Edit> edits = new ArrayList<>();
    if (!renewed.isEmpty()) {
      List<String> order = shot.nodes().stream().map(Node::id).toList();
      edits.add(Restore.ofNodes(renewed, order));
    }
    if (!added.isEmpty()) {
      edits.add(new AddNodes(added));
    }
    return edits;
  }

  List<String> notes() {
    List<String> notes = new ArrayList<>();
    notes.add(
        renewed.size() == 1
            ? "1 node that came from the file before is renewed"
            : renewed.size() + " nodes that came from the file before are renewed");
    if (!added.isEmpty()) {
      notes.add(added.size() + (added.size() == 1 ? " is" : " are") + " new in it");
    }
    missing.forEach(name -> notes.add(name + ": is no more in the file, and stays as it was"));
    return notes;
  }
}

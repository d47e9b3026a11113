package idlelens.exchange.gltf;

import idlelens.core.scene.Shot;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Set;

/** The nodes of a file as they carry one another, and which of them are in its scene. */
final class SceneTree {
  private static final int DEEPEST = Shot.MOST_NODES;

  private final GltfFile file;
  private final List<JsonPlace> nodes;
  private final int[] parents;
  private final BitSet inScene = new BitSet();
  private final List<Integer> roots = new ArrayList<>();

  private SceneTree(GltfFile file) throws FormatException {
    this.file = file;
    this.nodes = file.all("nodes");
    if (nodes.size() > Shot.MOST_NODES) {
      throw new FormatException("nodes.length", nodes.size(), "at most " + Shot.MOST_NODES);
    }
    this.parents = new int[nodes.size()];
    Arrays.fill(parents, -1);
  }

  /**
   * @throws FormatException if a node has two parents, carries itself, or if there is none at all
   */
  static SceneTree read(GltfFile file, Set<String> notes) throws FormatException {
    SceneTree tree = new SceneTree(file);
    if (tree.nodes.isEmpty()) {
      throw new FormatException(
          "nodes", "none", "at least one: a camera, a null, a piece or a sun");
    }
    tree.findParents();
    tree.findRoots();
    int left = tree.nodes.size() - tree.inScene.cardinality();
    if (left > 0) {
      notes.add(left + (left == 1 ? " node" : " nodes") + " outside the file's scene left out");
    }
    return tree;
  }

  private void findParents() throws FormatException {
    for (int i = 0; i < nodes.size(); i++) {
      for (JsonPlace child : children(i)) {
        file.resolve("nodes", child);
        int c = child.whole();
        if (parents[c] >= 0) {
          throw new FormatException(
              child.path(), c + ", already a child of node " + parents[c], "one parent a node");
        }
        parents[c] = i;
      }
    }
    for (int i = 0; i < parents.length; i++) {
      refuseLoop(i);
    }
  }

  private void refuseLoop(int start) throws FormatException {
    int depth = 0;
    for (int i = parents[start]; i >= 0; i = parents[i]) {
      if (i == start) {
        throw new FormatException(
            "nodes[" + start + "].children", "a loop (" + loop(start) + ")", "a tree");
      }
      if (++depth > DEEPEST) {
        throw new FormatException(
            "nodes[" + start + "]", "nested deeper than " + DEEPEST, "at most " + DEEPEST);
      }
    }
  }

  private String loop(int start) {
    StringBuilder loop = new StringBuilder().append(start);
    int i = start;
    do {
      i = parents[i];
      loop.append(" < ").append(i);
    } while (i != start);
    return loop.toString();
  }

  /** Those of the file's scene; where it has no scenes, all nodes that nothing carries. */
  private void findRoots() throws FormatException {
    if (file.all("scenes").isEmpty()) {
      for (int i = 0; i < parents.length; i++) {
        if (parents[i] < 0) {
          addRoot(i);
        }
      }
      return;
    }
    JsonPlace root = file.root();
    JsonPlace scene =
        root.has("scene") ? file.resolve("scenes", root.get("scene")) : file.all("scenes").get(0);
    for (JsonPlace index :
        scene.has("nodes") ? scene.get("nodes").list(nodes.size()) : List.<JsonPlace>of()) {
      file.resolve("nodes", index);
      if (!inScene.get(index.whole())) {
        addRoot(index.whole());
      }
    }
    if (roots.isEmpty()) {
      throw new FormatException(scene.path() + ".nodes", "none", "at least one node in the scene");
    }
  }

  private void addRoot(int index) throws FormatException {
    roots.add(index);
    List<Integer> open = new ArrayList<>(List.of(index));
    while (!open.isEmpty()) {
      int next = open.remove(open.size() - 1);
      inScene.set(next);
      for (JsonPlace child : children(next)) {
        open.add(child.whole());
      }
    }
  }

  List<Integer> roots() {
    return roots;
  }

  JsonPlace node(int index) {
    return nodes.get(index);
  }

  boolean has(int index) {
    return index >= 0 && inScene.get(index);
  }

  /** What a node carries. */
  List<JsonPlace> children(int index) throws FormatException {
    JsonPlace node = nodes.get(index);
    return node.has("children") ? node.get("children").list(Shot.MOST_NODES) : List.of();
  }
}

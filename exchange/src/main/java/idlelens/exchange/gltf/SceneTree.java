package idlelens.exchange.gltf;

import idlelens.core.scene.Shot;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;

/** The nodes of a file as they carry one another, and which of them are in its scene. */
final class SceneTree {
  private final GltfFile file;
  private final List<JsonPlace> nodes;
  private final int[] parents;
  private final List<List<Integer>> children = new ArrayList<>();
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
    tree.refuseLoops();
    tree.findRoots();
    int left = tree.nodes.size() - tree.inScene.cardinality();
    if (left > 0) {
      notes.add(left + (left == 1 ? " node" : " nodes") + " outside the file's scene left out");
    }
    return tree;
  }

  private void findParents() throws FormatException {
    for (int i = 0; i < nodes.size(); i++) {
      children.add(new ArrayList<>());
      for (JsonPlace child : listed(nodes.get(i), "children")) {
        file.resolve("nodes", child);
        int c = child.whole();
        if (parents[c] >= 0) {
          throw new FormatException(
              child.path(), c + ", already a child of node " + parents[c], "one parent a node");
        }
        parents[c] = i;
        children.get(i).add(c);
      }
    }
  }

  /** On the way up from each node, as far as none was before; who meets the own way, goes round. */
  private void refuseLoops() throws FormatException {
    int[] metFrom = new int[parents.length];
    Arrays.fill(metFrom, -1);
    for (int start = 0; start < parents.length; start++) {
      int i = start;
      while (i >= 0 && metFrom[i] < 0) {
        metFrom[i] = start;
        i = parents[i];
      }
      if (i >= 0 && metFrom[i] == start) {
        throw new FormatException(
            "nodes[" + i + "].children", "a loop (" + loop(i) + ")", "a tree");
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

  /** A node that is listed, but also carried by one that is in the scene, is there once. */
  private void findRoots() throws FormatException {
    List<Integer> listed = ofScene();
    listed.forEach(this::reach);
    listed.stream()
        .distinct()
        .filter(index -> parents[index] < 0 || !inScene.get(parents[index]))
        .forEach(roots::add);
  }

  /** Those that the file's scene lists; where it has no scenes, all nodes that nothing carries. */
  private List<Integer> ofScene() throws FormatException {
    if (file.all("scenes").isEmpty()) {
      return IntStream.range(0, parents.length).filter(i -> parents[i] < 0).boxed().toList();
    }
    JsonPlace root = file.root();
    JsonPlace scene =
        root.has("scene") ? file.resolve("scenes", root.get("scene")) : file.all("scenes").get(0);
    List<Integer> listed = new ArrayList<>();
    for (JsonPlace index : listed(scene, "nodes")) {
      file.resolve("nodes", index);
      listed.add(index.whole());
    }
    if (listed.isEmpty()) {
      throw new FormatException(scene.path() + ".nodes", "none", "at least one node in the scene");
    }
    return listed;
  }

  /** A node and all below it are in the scene. */
  private void reach(int index) {
    List<Integer> open = new ArrayList<>(List.of(index));
    while (!open.isEmpty()) {
      int next = open.remove(open.size() - 1);
      if (!inScene.get(next)) {
        inScene.set(next);
        open.addAll(children(next));
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
  List<Integer> children(int index) {
    return children.get(index);
  }

  private List<JsonPlace> listed(JsonPlace of, String name) throws FormatException {
    return of.has(name) ? of.get(name).list(nodes.size()) : List.of();
  }
}

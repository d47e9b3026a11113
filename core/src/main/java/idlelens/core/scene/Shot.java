package idlelens.core.scene;

import idlelens.core.lens.FocusRule;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/**
 * A shot: its header, everything on set in the order of the list, and its markers in the order of
 * their frames. Immutable and valid.
 */
public final class Shot {
  /** The most nodes a shot may have. */
  public static final int MOST_NODES = 2000;

  private final ShotHeader header;
  private final List<Node> nodes;
  private final List<Marker> markers;
  private final Map<String, Node> byId;

  /**
   * @throws RefusedException if two nodes share an id, a carrier or focus target is missing, or
   *     nodes carry each other in a loop (which is named)
   */
  public Shot(ShotHeader header, List<Node> nodes, List<Marker> markers) {
    this.header = Require.present(header, "header");
    this.nodes = List.copyOf(nodes);
    Require.within(nodes.size(), 0, MOST_NODES, "nodes.count");
    this.byId = new HashMap<>();
    for (Node node : this.nodes) {
      if (byId.put(node.id(), node) != null) {
        throw new RefusedException("nodes.id", "'" + node.id() + "' twice", "each id once");
      }
    }
    for (Node node : this.nodes) {
      checkReferences(node);
      refuseLoop(node);
    }
    this.markers = sorted(markers);
  }

  /** A shot without markers. */
  public Shot(ShotHeader header, List<Node> nodes) {
    this(header, nodes, List.of());
  }

  private List<Marker> sorted(List<Marker> all) {
    Require.within(all.size(), 0, Marker.MOST, "markers.count");
    Set<String> ids = new HashSet<>();
    for (Marker marker : all) {
      if (!ids.add(marker.id())) {
        throw new RefusedException("markers.id", "'" + marker.id() + "' twice", "each id once");
      }
      if (!marker.nodeId().isEmpty() && !byId.containsKey(marker.nodeId())) {
        throw new RefusedException(
            "markers.node", "'" + marker.nodeId() + "'", "the id of a node of this shot");
      }
    }
    return all.stream().sorted(Comparator.comparingDouble(Marker::frame)).toList();
  }

  private void checkReferences(Node node) {
    if (node.carriage().isCarried()) {
      Node carrier = byId.get(node.carriage().carrierId());
      if (!(carrier instanceof Node.Null)) {
        throw new RefusedException(
            node.name() + ".carrier",
            "'" + node.carriage().carrierId() + "'",
            "the id of a null of this shot");
      }
    }
    if (node instanceof Node.Camera camera
        && camera.lens().focus() instanceof FocusRule.Follow follow
        && (!byId.containsKey(follow.nodeId()) || follow.nodeId().equals(node.id()))) {
      throw new RefusedException(
          node.name() + ".focus.node",
          "'" + follow.nodeId() + "'",
          "the id of another node of this shot");
    }
  }

  private void refuseLoop(Node start) {
    Set<String> seen = new LinkedHashSet<>();
    Node node = start;
    while (node != null) {
      if (!seen.add(node.id())) {
        List<String> names = new ArrayList<>(seen.stream().map(id -> byId.get(id).name()).toList());
        names.add(node.name());
        throw new RefusedException(
            start.name() + ".carrier",
            "a loop (" + String.join(" > ", names) + ")",
            "a null that this node does not carry itself");
      }
      node = byId.get(node.carriage().carrierId());
    }
  }

  public ShotHeader header() {
    return header;
  }

  public List<Node> nodes() {
    return nodes;
  }

  public List<Marker> markers() {
    return markers;
  }

  public Optional<Node> find(String id) {
    return Optional.ofNullable(byId.get(id));
  }

  /** The node with that id. */
  public Node node(String id) {
    return find(id)
        .orElseThrow(
            () -> new RefusedException("node", "'" + id + "'", "the id of a node of this shot"));
  }

  /** The camera with that id. */
  public Node.Camera camera(String id) {
    if (node(id) instanceof Node.Camera camera) {
      return camera;
    }
    throw new RefusedException("camera", "'" + node(id).name() + "'", "a camera");
  }

  public List<Node.Camera> cameras() {
    return nodes.stream()
        .filter(Node.Camera.class::isInstance)
        .map(Node.Camera.class::cast)
        .toList();
  }

  /** The nodes that a null carries itself. */
  public List<Node> carriedBy(String id) {
    return nodes.stream().filter(n -> n.carriage().carrierId().equals(id)).toList();
  }

  /** The node and all that it carries, at any depth. */
  public List<Node> family(String id) {
    List<Node> family = new ArrayList<>(List.of(node(id)));
    for (int i = 0; i < family.size(); i++) {
      family.addAll(carriedBy(family.get(i).id()));
    }
    return family;
  }

  /** The carriers of a node from the outermost to the one that carries it. */
  public List<Node> carriersOf(String id) {
    List<Node> chain = new ArrayList<>();
    Node node = byId.get(node(id).carriage().carrierId());
    while (node != null) {
      chain.add(0, node);
      node = byId.get(node.carriage().carrierId());
    }
    return chain;
  }

  public Shot withHeader(ShotHeader newHeader) {
    return new Shot(newHeader, nodes, markers);
  }

  /** With other nodes; markers of nodes that are gone go with them. */
  public Shot withNodes(List<Node> newNodes) {
    Set<String> ids = new HashSet<>(newNodes.stream().map(Node::id).toList());
    return new Shot(
        header,
        newNodes,
        markers.stream().filter(m -> m.nodeId().isEmpty() || ids.contains(m.nodeId())).toList());
  }

  /** With that node in place of the one with the same id. */
  public Shot withNode(Node changed) {
    node(changed.id());
    return withChanged(Map.of(changed.id(), changed));
  }

  /** With those nodes in place of the ones with the same ids. */
  public Shot withChanged(Map<String, Node> changed) {
    return withNodes(nodes.stream().map(n -> changed.getOrDefault(n.id(), n)).toList());
  }

  public Shot withMarkers(List<Marker> newMarkers) {
    return new Shot(header, nodes, newMarkers);
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Shot that
        && header.equals(that.header)
        && nodes.equals(that.nodes)
        && markers.equals(that.markers);
  }

  @Override
  public int hashCode() {
    return Objects.hash(header, nodes, markers);
  }

  @Override
  public String toString() {
    return "Shot[" + header.name() + ", " + nodes.size() + " nodes]";
  }
}

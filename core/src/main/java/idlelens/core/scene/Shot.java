package idlelens.core.scene;

import idlelens.core.cut.Program;
import idlelens.core.part.Carried;
import idlelens.core.part.Lean;
import idlelens.core.part.Part;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;

/**
 * A shot: its header, everything on set in the order of the list, its markers in the order of their
 * frames, which of its cameras is seen when, and how its picture is laid out. Immutable and valid.
 */
public final class Shot {
  /** The most nodes a shot may have. */
  public static final int MOST_NODES = 2000;

  private final ShotHeader header;
  private final List<Node> nodes;
  private final List<Marker> markers;
  private final Program program;
  private final PictureFrame picture;
  private final Map<String, Node> byId;

  /** Found when it is first asked for; the same, whoever finds it. */
  private Repeated repeated;

  /**
   * @throws RefusedException if two nodes share an id, a carrier or target is missing, or nodes
   *     depend on each other in a loop (which is named)
   */
  public Shot(
      ShotHeader header,
      List<Node> nodes,
      List<Marker> markers,
      Program program,
      PictureFrame picture) {
    this.header = Require.present(header, "header");
    this.nodes = List.copyOf(nodes);
    Require.within(nodes.size(), 0, MOST_NODES, "nodes.count");
    this.byId = new HashMap<>();
    for (Node node : this.nodes) {
      if (byId.put(node.id(), node) != null) {
        throw new RefusedException("nodes.id", "'" + node.id() + "' twice", "each id once");
      }
    }
    this.nodes.forEach(this::checkLeans);
    new RidesCheck(byId).check(this.nodes);
    new Leans(byId).refuseLoops();
    new RepeatsCheck(this.nodes).check();
    this.markers = sorted(markers);
    this.program = Require.present(program, "program");
    program.cameras().forEach(this::camera);
    this.picture = Require.present(picture, "picture");
  }

  /** A shot without a program, its picture as usual. */
  public Shot(ShotHeader header, List<Node> nodes, List<Marker> markers) {
    this(header, nodes, markers, Program.NONE, PictureFrame.USUAL);
  }

  /** An earlier shot with some nodes changed, none of which reads other nodes than before. */
  private Shot(Shot earlier, List<Node> nodes, Map<String, Node> changed) {
    this.header = earlier.header;
    this.markers = earlier.markers;
    this.program = earlier.program;
    this.picture = earlier.picture;
    this.nodes = nodes;
    this.byId = new HashMap<>(earlier.byId);
    byId.putAll(changed);
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
    return all.stream()
        .sorted(Comparator.comparingDouble(Marker::frame).thenComparing(Marker::id))
        .toList();
  }

  private void checkLeans(Node node) {
    for (Part part : node.chain().parts()) {
      for (Lean lean : part.leans()) {
        Node other = byId.get(lean.nodeId());
        boolean carrier = part instanceof Carried;
        if (other == null || carrier && !other.carries() || !carrier && other == node) {
          throw new RefusedException(
              node.name() + "." + lean.field(),
              "'" + lean.nodeId() + "'",
              carrier
                  ? "the id of a null, a piece, a rail or a repeat of this shot"
                  : "the id of another node of this shot");
        }
      }
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

  /** Which camera is seen when; none where nobody has said so yet. */
  public Program program() {
    return program;
  }

  /** How large its picture is, and what is drawn over it. */
  public PictureFrame picture() {
    return picture;
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

  /** The camera with that id, which has a field of view. */
  public Node.Camera perspective(String id) {
    Node.Camera camera = camera(id);
    if (camera.lens().lens().isOrthographic()) {
      throw new RefusedException(
          "camera", "'" + camera.name() + "', which is orthographic", "a camera in perspective");
    }
    return camera;
  }

  public List<Node.Camera> cameras() {
    return nodes.stream()
        .filter(Node.Camera.class::isInstance)
        .map(Node.Camera.class::cast)
        .toList();
  }

  /** The nodes that another carries itself at some frame. */
  public List<Node> carriedBy(String id) {
    return nodes.stream().filter(n -> n.chain().carried().carriers().contains(id)).toList();
  }

  /** The node and all that it ever carries, at any depth; its own first. */
  public List<Node> family(String id) {
    Map<String, List<Node>> carried = new HashMap<>();
    for (Node node : nodes) {
      for (String carrier : node.chain().carried().carriers()) {
        carried.computeIfAbsent(carrier, c -> new ArrayList<>()).add(node);
      }
    }
    List<Node> family = new ArrayList<>(List.of(node(id)));
    Set<String> met = new HashSet<>(Set.of(id));
    for (int i = 0; i < family.size(); i++) {
      for (Node node : carried.getOrDefault(family.get(i).id(), List.of())) {
        if (met.add(node.id())) {
          family.add(node);
        }
      }
    }
    return family;
  }

  /** The nodes on which the motion of a node depends, itself included, at any depth. */
  public Set<String> reachedFrom(String id) {
    return new Leans(byId).reachedFrom(node(id).id());
  }

  /** All that ever carries a node, at any depth, each after what carries it. */
  public List<Node> carriersOf(String id) {
    return carriersOf(node(id), known -> false);
  }

  /**
   * All that ever carries a node, at any depth, each after what carries it.
   *
   * @param isKnown whether what is to be worked out of a node is known; it is left out, with all
   *     that carries it
   */
  public List<Node> carriersOf(Node node, Predicate<String> isKnown) {
    return node.chain().carried().isFree()
        ? List.of()
        : Upwards.from(node, Upwards.Way.CARRIED, unless(isKnown));
  }

  /**
   * All that the pose of a node in the world depends on, at any depth, each after what it depends
   * on itself: worked out in this order, nothing has to wait for another thing.
   *
   * @param isKnown whether what is to be worked out of a node is known; it is left out, with all
   *     that it depends on
   */
  public List<Node> readBy(Node node, Predicate<String> isKnown) {
    return Upwards.from(node, Upwards.Way.READING, unless(isKnown));
  }

  /** Ids of what is not shown in pictures, by itself or by what carries it. */
  public Set<String> hiddenInPictures() {
    Set<String> hidden = new HashSet<>();
    for (Node node : nodes) {
      if (node.hidden().picture() && !hidden.contains(node.id())) {
        family(node.id()).forEach(each -> hidden.add(each.id()));
      }
    }
    return hidden;
  }

  /** Whether a node is there to be seen at a frame, with what carries it then. */
  public boolean isThere(String id, double frame) {
    for (String at = id; !at.isEmpty(); at = node(at).chain().carried().carrierAt(frame)) {
      if (node(at).visible().filter(part -> !part.isThere(frame)).isPresent()) {
        return false;
      }
    }
    return true;
  }

  /** The repeat that carries a node for all frames, at any depth. */
  public Optional<Node.Repeat> repeatOf(String id) {
    Repeated known = repeated;
    if (known == null) {
      known = new Repeated(byId);
      repeated = known;
    }
    return known.of(id);
  }

  private Function<String, Node> unless(Predicate<String> isKnown) {
    return id -> isKnown.test(id) ? null : byId.get(id);
  }

  /**
   * The rig that a node belongs to, from the top down: all that carries it, itself, and what it
   * carries as far as a camera hangs on that.
   */
  public List<Node> rigOf(String id) {
    List<Node> rig = new ArrayList<>(carriersOf(id));
    rig.add(node(id));
    List<Node> family = family(id);
    Set<String> below = new HashSet<>(family.stream().skip(1).map(Node::id).toList());
    Set<String> carrying = new HashSet<>();
    for (Node camera : family) {
      if (camera instanceof Node.Camera && below.contains(camera.id())) {
        carrying.add(camera.id());
        carriersOf(camera.id()).stream()
            .map(Node::id)
            .filter(below::contains)
            .forEach(carrying::add);
      }
    }
    family.stream().filter(n -> carrying.contains(n.id())).forEach(rig::add);
    return rig;
  }

  public Shot withHeader(ShotHeader newHeader) {
    return new Shot(newHeader, nodes, markers, program, picture);
  }

  /** With other nodes; markers of nodes that are gone go with them, and cuts to cameras. */
  public Shot withNodes(List<Node> newNodes) {
    Set<String> ids = new HashSet<>(newNodes.stream().map(Node::id).toList());
    return new Shot(
        header,
        newNodes,
        markers.stream().filter(m -> m.nodeId().isEmpty() || ids.contains(m.nodeId())).toList(),
        program.among(ids::contains),
        picture);
  }

  /** With that node in place of the one with the same id. */
  public Shot withNode(Node changed) {
    node(changed.id());
    return withChanged(Map.of(changed.id(), changed));
  }

  /** With those nodes in place of the ones with the same ids. */
  public Shot withChanged(Map<String, Node> changed) {
    boolean reads = changed.values().stream().allMatch(n -> readsAsBefore(byId.get(n.id()), n));
    List<Node> next = nodes.stream().map(n -> changed.getOrDefault(n.id(), n)).toList();
    return reads ? new Shot(this, next, changed) : withNodes(next);
  }

  /** With nothing that shakes some of its nodes, made up or recorded. */
  public Shot calmed(Set<String> ids) {
    Map<String, Node> calm = new HashMap<>();
    ids.forEach(id -> calm.put(id, node(id).withoutParts(Part::shakes)));
    return withChanged(calm);
  }

  /** Whether nothing about a node changed that the rules between nodes look at. */
  private static boolean readsAsBefore(Node old, Node changed) {
    return old != null
        && old.getClass() == changed.getClass()
        && !RidesCheck.concerns(old, changed)
        && !RepeatsCheck.concerns(old, changed)
        && old.chain().leans(Lean.Of.WORLD).equals(changed.chain().leans(Lean.Of.WORLD))
        && old.chain().leans(Lean.Of.LENS).equals(changed.chain().leans(Lean.Of.LENS));
  }

  public Shot withMarkers(List<Marker> newMarkers) {
    return new Shot(header, nodes, newMarkers, program, picture);
  }

  public Shot withProgram(Program newProgram) {
    return new Shot(header, nodes, markers, newProgram, picture);
  }

  public Shot withPicture(PictureFrame newPicture) {
    return new Shot(header, nodes, markers, program, newPicture);
  }

  /** This shot, with the instances of equal earlier nodes, parts and curves in their places. */
  public Shot reusing(Shot earlier) {
    List<Node> next = new ArrayList<>();
    for (Node node : nodes) {
      Node old = earlier.byId.get(node.id());
      if (old == null || old == node) {
        next.add(node);
      } else if (old.equals(node)) {
        next.add(old);
      } else {
        next.add(node.withChain(node.chain().reusing(old.chain())));
      }
    }
    return new Shot(header, next, markers, program, picture);
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Shot that
        && header.equals(that.header)
        && nodes.equals(that.nodes)
        && markers.equals(that.markers)
        && program.equals(that.program)
        && picture.equals(that.picture);
  }

  @Override
  public int hashCode() {
    return Objects.hash(header, nodes, markers, program, picture);
  }

  @Override
  public String toString() {
    return "Shot[" + header.name() + ", " + nodes.size() + " nodes]";
  }
}

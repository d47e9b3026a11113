package idlelens.core.edit;

import idlelens.core.cut.Program;
import idlelens.core.scene.Marker;
import idlelens.core.scene.Node;
import idlelens.core.scene.PictureFrame;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Puts parts of a shot back as they were: the inverse of every other edit.
 *
 * @param header the former header, if it changed
 * @param nodes former nodes that changed or went
 * @param order ids of all nodes in their former order
 * @param markers the former markers, if they changed
 * @param program the former program, if it changed
 * @param picture how the picture was laid out, if that changed
 */
public record Restore(
    Optional<ShotHeader> header,
    List<Node> nodes,
    List<String> order,
    Optional<List<Marker>> markers,
    Optional<Program> program,
    Optional<PictureFrame> picture)
    implements Edit {
  public Restore {
    nodes = List.copyOf(nodes);
    order = List.copyOf(order);
    markers = markers.map(List::copyOf);
  }

  /** Other nodes in the places of those of their ids, and nothing else. */
  public static Restore ofNodes(List<Node> nodes, List<String> order) {
    return new Restore(
        Optional.empty(), nodes, order, Optional.empty(), Optional.empty(), Optional.empty());
  }

  /** The edit that leads from one shot to another. */
  static Restore from(Shot now, Shot target) {
    List<Node> changed =
        target.nodes().stream().filter(n -> now.find(n.id()).filter(n::equals).isEmpty()).toList();
    return new Restore(
        target.header().equals(now.header()) ? Optional.empty() : Optional.of(target.header()),
        changed,
        target.nodes().stream().map(Node::id).toList(),
        target.markers().equals(now.markers()) ? Optional.empty() : Optional.of(target.markers()),
        target.program().equals(now.program()) ? Optional.empty() : Optional.of(target.program()),
        target.picture().equals(now.picture()) ? Optional.empty() : Optional.of(target.picture()));
  }

  @Override
  public Shot apply(Shot shot) {
    Map<String, Node> byId = new HashMap<>();
    nodes.forEach(n -> byId.put(n.id(), n));
    boolean sameNodes = order.equals(shot.nodes().stream().map(Node::id).toList());
    Shot nodesBack = sameNodes ? shot.withChanged(byId) : shot.withNodes(inOrder(shot, byId));
    if (header.isEmpty() && markers.isEmpty() && program.isEmpty() && picture.isEmpty()) {
      return nodesBack;
    }
    return new Shot(
        header.orElse(shot.header()),
        nodesBack.nodes(),
        markers.orElse(nodesBack.markers()),
        program.orElse(nodesBack.program()),
        picture.orElse(shot.picture()));
  }

  private List<Node> inOrder(Shot shot, Map<String, Node> byId) {
    List<Node> all = new ArrayList<>();
    for (String id : order) {
      all.add(byId.containsKey(id) ? byId.get(id) : shot.node(id));
    }
    return all;
  }

  private static Set<String> ids(List<Node> nodes) {
    return nodes.stream().map(Node::id).collect(Collectors.toSet());
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places = Footprint.of(shot);
    nodes.forEach(n -> places.changes(Place.node(n.id())));
    Set<String> here = ids(shot.nodes());
    Set<String> kept = Set.copyOf(order);
    Stream.concat(here.stream(), order.stream())
        .filter(id -> !here.contains(id) || !kept.contains(id))
        .forEach(id -> places.changes(gone(id)));
    if (!shot.nodes().stream()
        .map(Node::id)
        .filter(kept::contains)
        .toList()
        .equals(order.stream().filter(here::contains).toList())) {
      places.changes(Place.ORDER);
    }
    header.ifPresent(h -> places.changes(new Place("header")));
    markers.ifPresent(m -> places.changes(Place.MARKERS));
    program.ifPresent(p -> places.changes(Place.PROGRAM));
    picture.ifPresent(p -> places.changes(Place.PICTURE));
    return places.reliesOn(Place.ORDER).done(); // it names all nodes that are to be there
  }

  /** What a node that comes or goes touches: markers and cuts go with it. */
  private static Place[] gone(String id) {
    return new Place[] {Place.node(id), Place.inOrder(id), Place.MARKERS, Place.PROGRAM};
  }

  @Override
  public String summary() {
    return "Put back";
  }
}

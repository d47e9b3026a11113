package idlelens.core.edit;

import idlelens.core.part.Carried;
import idlelens.core.part.Ride;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Takes nodes off the set. What a removed null carried goes to the null's own carrier and keeps its
 * place at the given frame or its motion, or goes with it. A lens that followed a removed node
 * keeps the focus distance it has at that frame; what aimed at one aims at the place where it was.
 *
 * @param ids the nodes
 * @param frame the frame at which places are kept
 * @param withCarried whether all that they carry goes too
 * @param keep what stays of what they carried
 */
public record RemoveNodes(List<String> ids, double frame, boolean withCarried, Keep keep)
    implements Edit {
  public RemoveNodes {
    ids = List.copyOf(ids);
    Require.within(ids.size(), 1, Shot.MOST_NODES, "ids.count");
    Require.finite(frame, "frame");
    Require.present(keep, "keep");
  }

  @Override
  public Shot apply(Shot shot) {
    Set<String> gone = gone(shot);
    Map<String, String> carriers = new LinkedHashMap<>(); // of those that lose theirs
    List<Node> handedOver = new ArrayList<>();
    for (Node node : shot.nodes()) {
      Carried carried = node.chain().carried();
      if (gone.contains(node.id()) || Collections.disjoint(carried.carriers(), gone)) {
        continue;
      }
      if (carried.later().isEmpty() || keep.isMotion()) {
        carriers.put(node.id(), staying(shot, node, carried.carrier(0), gone));
      } else {
        handedOver.add(node);
      }
    }
    Shot after = carried(new LettingGo(shot, gone, frame).apply(), carriers);
    for (Node node : handedOver) {
      after = handedOver(after, node.id(), gone);
    }
    return after.withNodes(
        after.nodes().stream()
            .filter(n -> !gone.contains(n.id()))
            .map(n -> withoutRides(n, gone))
            .toList());
  }

  /** A ride ends with its rail. */
  private static Node withoutRides(Node node, Set<String> gone) {
    return node.withoutParts(part -> part instanceof Ride ride && gone.contains(ride.railId()));
  }

  /** Those whose new carrier is given to another one too come after it, one by one. */
  private Shot carried(Shot shot, Map<String, String> carriers) {
    Map<String, String> atOnce = new LinkedHashMap<>(carriers);
    atOnce
        .values()
        .removeIf(carrier -> keep == Keep.NUMBERS || isGivenAway(shot, carrier, carriers.keySet()));
    Shot after = atOnce.isEmpty() ? shot : new Recarrying(shot, atOnce, frame, keep).apply();
    for (Map.Entry<String, String> each : carriers.entrySet()) {
      if (!atOnce.containsKey(each.getKey())) {
        after = new Carry(each.getKey(), each.getValue(), frame, keep).apply(after);
      }
    }
    return after;
  }

  private static boolean isGivenAway(Shot shot, String carrier, Set<String> given) {
    return !carrier.isEmpty()
        && (given.contains(carrier)
            || shot.carriersOf(carrier).stream().anyMatch(n -> given.contains(n.id())));
  }

  /** Each stretch by a carrier that goes is given on, its place kept as near the frame as it is. */
  private Shot handedOver(Shot shot, String id, Set<String> gone) {
    Shot after = shot;
    Carried carried = shot.node(id).chain().carried();
    for (int k = 0; k <= carried.later().size(); k++) {
      if (gone.contains(carried.carrier(k))) {
        String carrier = staying(shot, shot.node(id), carried.carrier(k), gone);
        after = new Carry(id, carrier, nearest(carried, k), keep).apply(after);
      }
    }
    return after;
  }

  /** The frame nearest to that of this edit in a stretch between hand-overs. */
  private double nearest(Carried carried, int stretch) {
    double first = stretch == 0 ? frame : carried.later().get(stretch - 1).frame();
    boolean isLast = stretch == carried.later().size();
    double last = isLast ? frame : carried.later().get(stretch).frame() - 1;
    return stretch == 0 ? Math.min(frame, last) : Math.max(first, Math.min(frame, last));
  }

  private Set<String> gone(Shot shot) {
    return ids.stream()
        .flatMap(id -> withCarried ? shot.family(id).stream() : List.of(shot.node(id)).stream())
        .map(Node::id)
        .collect(Collectors.toSet());
  }

  private static boolean leansOn(Node node, Set<String> gone) {
    return node.chain().parts().stream()
        .flatMap(part -> part.leans().stream())
        .anyMatch(lean -> gone.contains(lean.nodeId()));
  }

  /** The next carrier above that stays, and that the node can have without a ride of its own. */
  private String staying(Shot shot, Node node, String carrier, Set<String> gone) {
    String id = carrier;
    while (gone.contains(id) || isRailNotRidden(shot, node, id)) {
      id = shot.node(id).chain().carried().carrierAt(frame);
    }
    return id;
  }

  private static boolean isRailNotRidden(Shot shot, Node node, String id) {
    return !id.isEmpty() && shot.node(id) instanceof Node.Rail && node.chain().ride(id).isEmpty();
  }

  @Override
  public boolean writesMotion() {
    return keep.isMotion();
  }

  @Override
  public Footprint footprint(Shot shot) {
    Set<String> gone = gone(shot);
    Footprint.Builder places = Footprint.of(shot);
    if (keep.isMotion()) {
      places.writesMotion();
    }
    for (String id : gone) {
      places.changes(Place.node(id), Place.inOrder(id));
      for (String carrier : shot.node(id).chain().carried().carriers()) {
        places.changes(Place.carries(carrier, id));
      }
    }
    for (Node node : shot.nodes()) {
      if (!gone.contains(node.id()) && leansOn(node, gone)) {
        places.changesChain(node.id()).reliesOnMotion(node.id());
        for (String carrier : node.chain().carried().carriers()) {
          String staying = staying(shot, node, carrier, gone);
          if (!staying.isEmpty()) {
            places.changes(Place.carries(staying, node.id())).reliesOnMotion(staying);
          }
        }
      }
    }
    shot.markers().stream()
        .filter(m -> gone.contains(m.nodeId()))
        .forEach(m -> places.changes(Place.marker(m.id())));
    if (shot.program().cameras().stream().anyMatch(gone::contains)) {
      places.changes(Place.PROGRAM);
    }
    return places.done();
  }

  @Override
  public String summary() {
    return ids.size() == 1 ? "Remove a node" : "Remove " + ids.size() + " nodes";
  }
}

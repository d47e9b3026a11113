package idlelens.core.edit;

import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
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
    for (Node node : shot.nodes()) {
      String carrier = node.carriage().carrierId();
      if (!gone.contains(node.id()) && gone.contains(carrier)) {
        carriers.put(node.id(), staying(shot, carrier, gone));
      }
    }
    Shot after = carried(new LettingGo(shot, gone, frame).apply(), carriers);
    return after.withNodes(after.nodes().stream().filter(n -> !gone.contains(n.id())).toList());
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
    for (String id = carrier; !id.isEmpty(); id = shot.node(id).carriage().carrierId()) {
      if (given.contains(id)) {
        return true;
      }
    }
    return false;
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

  private static String staying(Shot shot, String carrier, Set<String> gone) {
    String id = carrier;
    while (gone.contains(id)) {
      id = shot.node(id).carriage().carrierId();
    }
    return id;
  }

  @Override
  public Footprint footprint(Shot shot) {
    Set<String> gone = gone(shot);
    Footprint.Builder places = Footprint.of(shot);
    for (String id : gone) {
      places.changes(Place.node(id), Place.inOrder(id));
      String carrier = shot.node(id).carriage().carrierId();
      if (!carrier.isEmpty()) {
        places.changes(Place.carries(carrier, id));
      }
    }
    for (Node node : shot.nodes()) {
      if (!gone.contains(node.id()) && leansOn(node, gone)) {
        places.changesChain(node.id()).reliesOnMotion(node.id());
        String carrier = staying(shot, node.carriage().carrierId(), gone);
        if (!carrier.isEmpty()) {
          places.changes(Place.carries(carrier, node.id())).reliesOnMotion(carrier);
        }
      }
    }
    shot.markers().stream()
        .filter(m -> gone.contains(m.nodeId()))
        .forEach(m -> places.changes(Place.marker(m.id())));
    return places.done();
  }

  @Override
  public String summary() {
    return ids.size() == 1 ? "Remove a node" : "Remove " + ids.size() + " nodes";
  }
}

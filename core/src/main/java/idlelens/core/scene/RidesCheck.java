package idlelens.core.scene;

import idlelens.core.part.Part;
import idlelens.core.part.Pin;
import idlelens.core.part.Ride;
import idlelens.core.rail.Rail;
import idlelens.core.rule.RefusedException;
import java.util.List;
import java.util.Map;

/** That who rides a rail can: it has a ride there, and its pins are on the rail, in its order. */
final class RidesCheck {
  private final Map<String, Node> byId;

  RidesCheck(Map<String, Node> byId) {
    this.byId = byId;
  }

  /** Whether a change of a node may concern rides. */
  static boolean concerns(Node old, Node changed) {
    return changed instanceof Node.Rail && !changed.equals(old)
        || !rides(old).equals(rides(changed));
  }

  private static List<List<Pin>> rides(Node node) {
    return node.chain().parts().stream()
        .filter(Ride.class::isInstance)
        .map(part -> ((Ride) part).pins())
        .toList();
  }

  void check(List<Node> nodes) {
    for (Node node : nodes) {
      for (String carrier : node.chain().carried().carriers()) {
        if (byId.get(carrier) instanceof Node.Rail && node.chain().ride(carrier).isEmpty()) {
          throw new RefusedException(
              node.name() + ".carrier",
              "'" + byId.get(carrier).name() + "', a rail that it has no ride on",
              "a rail that it rides");
        }
      }
      for (Part part : node.chain().parts()) {
        if (part instanceof Ride ride) {
          check(node, ride);
        }
      }
    }
  }

  private void check(Node node, Ride ride) {
    String field = node.name() + "." + ride.id();
    if (!(byId.get(ride.railId()) instanceof Node.Rail on)) {
      throw new RefusedException(field + ".rail", "'" + ride.railId() + "'", "the id of a rail");
    }
    Rail rail = on.rail();
    int last = -1;
    for (Pin pin : ride.pins()) {
      if (!rail.has(pin.anchorId())) {
        throw new RefusedException(
            field + ".pin at " + pin.frame(),
            "at '" + pin.anchorId() + "', which is not on " + on.name(),
            "to take the pin away first");
      }
      int at = rail.index(pin.anchorId());
      if (at <= last) {
        throw new RefusedException(
            field + ".pin at " + pin.frame(),
            "before a pin that comes earlier on " + on.name(),
            "pins in the order of the rail; take one of both away");
      }
      last = at;
    }
  }
}

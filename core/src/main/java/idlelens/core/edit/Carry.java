package idlelens.core.edit;

import idlelens.core.part.Carriage;
import idlelens.core.part.Carried;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.List;
import java.util.Map;

/**
 * Gives a node to a carrier, or to the world. With its place kept, the node stays where it is at
 * the given frame and rides along from there: {@code W(t) = Q(t) [Q(f)^-1 P(f)] L(t)}. A node
 * without keys gets new numbers of its own; the keys of a keyed one stay as they are, and the
 * constant in brackets becomes the offset of its carriage. With its motion kept, it goes on as it
 * went: where the carriers move to one another, its motion is written into its own keys.
 *
 * @param id the node
 * @param carrierId a null, or "" for the world
 * @param frame the frame f at which the place is kept
 * @param keep what stays of it
 */
public record Carry(String id, String carrierId, double frame, Keep keep) implements Edit {
  public Carry {
    Require.present(id, "id");
    Require.present(carrierId, "carrier");
    Require.finite(frame, "frame");
    Require.present(keep, "keep");
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    refuseLoop(shot, node);
    Shot plain = shot.withNode(node.withCarriage(Carriage.by(carrierId)));
    return keep == Keep.NUMBERS
        ? plain
        : new Recarrying(shot, Map.of(id, carrierId), frame, keep).apply();
  }

  private void refuseLoop(Shot shot, Node node) {
    if (shot.family(id).stream().anyMatch(n -> n.id().equals(carrierId))) {
      StringBuilder loop = new StringBuilder(node.name());
      shot.carriersOf(carrierId).stream()
          .dropWhile(n -> !n.id().equals(id))
          .skip(1)
          .forEach(n -> loop.append(" > ").append(n.name()));
      String target = shot.node(carrierId).name();
      loop.append(" > ").append(target);
      if (!carrierId.equals(id)) {
        loop.append(" > ").append(node.name());
      }
      throw new RefusedException(
          node.name() + ".carrier",
          "a loop (" + loop + ")",
          "a null that this node does not carry itself");
    }
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places =
        Footprint.of(shot)
            .changes(Place.leans(id), Place.settings(id, Carried.ID))
            .reliesOn(Place.there(id));
    for (String carrier : List.of(carrierId, shot.node(id).carriage().carrierId())) {
      if (!carrier.isEmpty()) {
        places.changes(Place.carries(carrier, id));
      }
    }
    if (!carrierId.isEmpty()) {
      places.leansOn(carrierId);
    }
    if (keep != Keep.NUMBERS) {
      places.changes(id, Path.POSE).reliesOnMotion(id);
      shot.find(carrierId).ifPresent(c -> places.reliesOnMotion(carrierId));
    }
    return places.done();
  }

  @Override
  public String summary() {
    return carrierId.isEmpty() ? "Let go of a carrier" : "Carry a node";
  }
}

package idlelens.core.edit;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Carriage;
import idlelens.core.part.Carried;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Gives a node to a carrier, or to the world. With its place kept, the node stays where it is at
 * the given frame and rides along from there: {@code W(t) = Q(t) [Q(f)^-1 P(f)] L(t)}. A node
 * without keys gets new numbers of its own; the keys of a keyed one stay as they are, and the
 * constant in brackets becomes the offset of its carriage.
 *
 * @param id the node
 * @param carrierId a null, or "" for the world
 * @param frame the frame f at which the place is kept
 * @param keepPlace false to take the node's own numbers as they are, with no offset
 */
public record Carry(String id, String carrierId, double frame, boolean keepPlace) implements Edit {
  public Carry {
    Require.present(id, "id");
    Require.present(carrierId, "carrier");
    Require.finite(frame, "frame");
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    refuseLoop(shot, node);
    Shot plain = shot.withNode(node.withCarriage(Carriage.by(carrierId)));
    if (!keepPlace) {
      return plain;
    }
    Evaluation before = Evaluation.at(shot, frame);
    return shot.withNode(kept(node, carrierId, before, Evaluation.at(plain, frame)));
  }

  /**
   * Gives many nodes to other carriers at once, all with their places kept: as one after another,
   * but the shot is evaluated twice in all.
   *
   * @param carriers the new carrier of each node; none of these may be among the nodes, or be
   *     carried by one of them at any depth
   */
  static Shot all(Shot shot, Map<String, String> carriers, double frame) {
    Map<String, Node> plain = new HashMap<>();
    carriers.forEach(
        (id, carrier) -> plain.put(id, shot.node(id).withCarriage(Carriage.by(carrier))));
    Evaluation before = Evaluation.at(shot, frame);
    Evaluation after = Evaluation.at(shot.withChanged(plain), frame);
    Map<String, Node> kept = new HashMap<>();
    carriers.forEach((id, carrier) -> kept.put(id, kept(shot.node(id), carrier, before, after)));
    return shot.withChanged(kept);
  }

  /** The node where it was, in its new carriage. */
  private static Node kept(Node node, String carrierId, Evaluation before, Evaluation after) {
    String id = node.id();
    RigidPose offset = after.ownSpace(id, 0).inverse().times(before.ownSpace(id, 0));
    return node.chain().isKeyed(Path.POSE)
        ? node.withCarriage(new Carriage(carrierId, offset))
        : rested(node.withCarriage(Carriage.by(carrierId)), offset);
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

  /** The node with the offset worked into its own still values. */
  private static Node rested(Node node, RigidPose offset) {
    double[] v = new double[6];
    Path.POSE.forEach(c -> v[Path.POSE.indexOf(c)] = node.chain().curve(c).rest());
    double[] near = {Math.toRadians(v[3]), Math.toRadians(v[4]), Math.toRadians(v[5])};
    RigidPose own = offset.times(RigidPose.of(v[0], v[1], v[2], near[0], near[1], near[2]));
    double[] turn = Turns.panTiltRoll(own.turn(), near);
    return node.withChain(
        node.chain()
            .restingAt(
                own.x(),
                own.y(),
                own.z(),
                Math.toDegrees(turn[0]),
                Math.toDegrees(turn[1]),
                Math.toDegrees(turn[2])));
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
    if (keepPlace) {
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

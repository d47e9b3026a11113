package idlelens.core.edit;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.Keys;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;

/**
 * Gives nodes to other carriers at once and keeps them where they are, at one frame or at all.
 * Where the old carrier and the new one stand still to one another, a constant between them is all
 * it takes; else the motion is written into keys: {@code L'(t) = Q(t)^-1 P(t) L(t)}.
 */
final class Recarrying {
  /** Carriers that move to one another by less than this, in metres or radians, stand still. */
  private static final double STILL = 1e-12;

  private final Shot shot;
  private final Map<String, String> carriers;
  private final Keep keep;
  private final MotionFrames frames;
  private final MotionFrames.Sampled before;
  private final MotionFrames.Sampled after;

  /**
   * @param carriers the new carrier of each node; none of these may be among the nodes, or be
   *     carried by one of them at any depth
   * @param frame where the place is kept
   */
  Recarrying(Shot shot, Map<String, String> carriers, double frame, Keep keep) {
    this.shot = shot;
    this.carriers = carriers;
    this.keep = keep;
    Map<String, Node> plain = new HashMap<>();
    carriers.forEach((id, to) -> plain.put(id, shot.node(id).withCarriage(Carriage.by(to))));
    this.frames = keep.isMotion() ? MotionFrames.of(shot) : MotionFrames.at(frame);
    this.before = sampled(shot);
    this.after = sampled(shot.withChanged(plain));
  }

  private MotionFrames.Sampled sampled(Shot of) {
    Set<String> needed = new HashSet<>();
    carriers.keySet().forEach(id -> needed.addAll(of.reachedFrom(id)));
    return frames.sampled(of, needed);
  }

  Shot apply() {
    Map<String, Node> kept = new HashMap<>();
    carriers.forEach((id, carrier) -> kept.put(id, kept(shot.node(id), carrier)));
    return shot.withChanged(kept);
  }

  private Node kept(Node node, String carrierId) {
    return isStill(node.id()) ? placed(node, carrierId) : moving(node, carrierId);
  }

  /** From the node's space below its old carrier into that below its new one. */
  private RigidPose between(String id, int sample) {
    return after.ownSpace(id, sample).inverse().times(before.ownSpace(id, sample));
  }

  private boolean isStill(String id) {
    RigidPose first = between(id, 0);
    for (int i = 1; i < frames.count(); i++) {
      RigidPose now = between(id, i);
      if (now.place().distance(first.place()) > STILL
          || Turns.angleBetween(now.turn(), first.turn()) > STILL) {
        return false;
      }
    }
    return true;
  }

  private Node placed(Node node, String carrierId) {
    RigidPose offset = between(node.id(), 0);
    return node.chain().isKeyed(Path.POSE) || WithoutMoves.has(node)
        ? node.withCarriage(new Carriage(carrierId, offset))
        : rested(node.withCarriage(Carriage.by(carrierId)), offset);
  }

  /** The node with the offset worked into its own still values. */
  private Node rested(Node node, RigidPose offset) {
    RigidPose own = offset.times(OwnNumbers.pose(node.chain(), frames.frame(0)));
    return node.withChain(OwnNumbers.rested(node.chain(), own));
  }

  private Node moving(Node node, String carrierId) {
    refuseSwitchedOff(node);
    Chain written =
        new WrittenMotion(frames, keep)
            .into(
                node.chain(),
                i ->
                    after.ownSpace(node.id(), i).inverse().times(before.carriedPose(node.id(), i)));
    return WithoutMoves.of(node, written).withCarriage(Carriage.by(carrierId));
  }

  private static void refuseSwitchedOff(Node node) {
    if (!node.chain().part(Keys.ID).isOn()) {
      throw new RefusedException(
          node.name() + ".keep",
          "its motion, while its keys are switched off",
          "its place at one frame, or its motion after switching Keys on");
    }
  }
}

package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.part.Carriage;
import idlelens.core.part.Carried;
import idlelens.core.part.Chain;
import idlelens.core.part.HandOver;
import idlelens.core.part.Keys;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.part.Slot;
import idlelens.core.part.Target;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * Lays the axes of a null elsewhere, while nothing that it carries moves: its own pose is followed
 * by a constant, {@code L'(t) = L(t) * C}, and what it carries is preceded by the inverse of that.
 * Exact at all frames where the null does not turn: then its place takes a constant too. Where it
 * turns, its new place is another motion, which is written into its keys.
 */
final class Rebasing {
  private static final double NOTHING = 1e-12;

  private final Shot shot;
  private final Node moved;
  private final RigidPose inner;
  private final Keep keep;

  /**
   * @param inner the constant C: the new axes, seen from the old ones
   * @param keep how a motion is written, if one has to be
   */
  Rebasing(Shot shot, String id, RigidPose inner, Keep keep) {
    this.shot = shot;
    this.moved = shot.node(id);
    this.inner = inner;
    this.keep = keep;
  }

  Shot apply() {
    refuseUnfit();
    Map<String, Node> changed = new LinkedHashMap<>();
    changed.put(moved.id(), moved.withChain(followed(moved.chain())));
    for (Node node : shot.nodes()) {
      Node next = node.id().equals(moved.id()) ? changed.get(node.id()) : node;
      next = next.withChain(next.chain().mapped(this::aimed));
      if (node.chain().carried().carriers().contains(moved.id())) {
        next = preceded(next);
      }
      if (!next.equals(node)) {
        changed.put(node.id(), next);
      }
    }
    return shot.withChanged(changed);
  }

  private void refuseUnfit() {
    WithoutMoves.refuse(moved, "pivot");
    if (!(moved instanceof Node.Null)) {
      throw new RefusedException(moved.name() + ".pivot", "that of a " + moved.kind(), "a null");
    }
    for (Part part : moved.chain().parts()) {
      if (part.kind().slot() == Slot.WORLD && part.isOn()) {
        throw new RefusedException(
            moved.name() + ".pivot",
            "where " + part.kind().label() + " starts from",
            "a null without parts behind Carried by, or to switch " + part.id() + " off before");
      }
    }
    if (!moved.chain().part(Keys.ID).isOn() && moved.chain().isKeyed(Path.POSE)) {
      throw new RefusedException(
          moved.name() + ".pivot", "of switched-off keys", "to switch Keys on before");
    }
  }

  /** The chain with its own pose followed by the constant. */
  private Chain followed(Chain chain) {
    boolean turns = Path.TURN.stream().anyMatch(p -> !chain.curve(p).isConstant());
    if (!turns) {
      RigidPose still = OwnNumbers.pose(chain, shot.header().range().in());
      Vector3d step = inner.place().rotate(still.turn());
      return turned(shifted(chain, step), still.turn().mul(inner.turn()));
    }
    if (isTurn() || inner.place().length() > NOTHING) {
      requireMotion(chain);
      MotionFrames frames = MotionFrames.of(shot);
      return new WrittenMotion(frames, keep)
          .into(chain, i -> OwnNumbers.pose(chain, frames.frame(i)).times(inner));
    }
    return chain;
  }

  private void requireMotion(Chain chain) {
    if (!keep.isMotion()) {
      Path keyed =
          Path.TURN.stream().filter(p -> !chain.curve(p).isConstant()).findFirst().orElseThrow();
      throw new RefusedException(
          moved.name() + "." + keyed,
          "keyed, so that another pivot is another motion",
          "to keep the motion as keys, few or one a frame");
    }
  }

  private boolean isTurn() {
    return Turns.angleBetween(inner.turn(), new Quaterniond()) > NOTHING;
  }

  private Chain turned(Chain chain, Quaterniond turn) {
    if (!isTurn()) {
      return chain;
    }
    double[] near = new double[3];
    for (int i = 0; i < 3; i++) {
      near[i] = Math.toRadians(chain.curve(Path.TURN.get(i)).at(shot.header().range().in()));
    }
    double[] angles = Turns.panTiltRoll(turn, near);
    Map<Path, Curve> still = new LinkedHashMap<>();
    for (int i = 0; i < 3; i++) {
      still.put(Path.TURN.get(i), Curve.still(Math.toDegrees(angles[i])));
    }
    return chain.with(still);
  }

  /** The chain with all places a step away. */
  private static Chain shifted(Chain chain, Vector3d step) {
    Map<Path, Curve> next = new LinkedHashMap<>();
    for (int i = 0; i < 3; i++) {
      double by = step.get(i);
      Curve curve = chain.curve(Path.PLACE.get(i));
      List<Key> keys = new ArrayList<>();
      curve.keys().forEach(k -> keys.add(new Key(k.frame(), k.value() + by, k.tangent())));
      next.put(Path.PLACE.get(i), curve.withKeys(keys).withRest(curve.rest() + by));
    }
    return chain.with(next);
  }

  /** What points at the null goes on pointing at the same place. */
  private Part aimed(Part part) {
    List<Target> targets = part.targets();
    if (targets.stream().noneMatch(this::isOnIt)) {
      return part;
    }
    return part.withTargets(targets.stream().map(t -> isOnIt(t) ? kept(t) : t).toList());
  }

  private boolean isOnIt(Target target) {
    return target.nodeId().filter(moved.id()::equals).isPresent();
  }

  private Target kept(Target target) {
    Target.OfNode on = (Target.OfNode) target;
    Vector3d point = inner.inverse().apply(new Vector3d(on.x(), on.y(), on.z()));
    return new Target.OfNode(on.node(), point.x, point.y, point.z);
  }

  /** What the null carries, where it was: the constant's inverse comes before it. */
  private Node preceded(Node child) {
    Carried carried = child.chain().carried();
    RigidPose back = inner.inverse();
    if (carried.later().isEmpty()) {
      RigidPose offset = carried.by().offset();
      RigidPose before = offset.inverse().times(back).times(offset);
      Optional<Node> plain = inNumbers(child, before);
      if (plain.isPresent()) {
        return plain.get();
      }
    }
    Carriage first = carried.by();
    Carried next = carried;
    if (first.carrierId().equals(moved.id())) {
      next = next.withFirst(new Carriage(first.carrierId(), back.times(first.offset())));
    }
    List<HandOver> later =
        carried.later().stream()
            .map(
                h ->
                    h.carrierId().equals(moved.id())
                        ? h.to(h.carrierId(), h.offset().map(back::times))
                        : h)
            .toList();
    return child.withChain(child.chain().with(next.withLater(later)));
  }

  /** The same by its own numbers alone, where these can say it and may be changed. */
  private Optional<Node> inNumbers(Node child, RigidPose before) {
    Chain chain = child.chain();
    boolean locked = Path.POSE.stream().anyMatch(child.takesKeys().locked()::contains);
    if (locked) {
      return Optional.empty();
    }
    if (!isTurn()) {
      return Optional.of(child.withChain(shifted(chain, before.place())));
    }
    return chain.isKeyed(Path.POSE) || WithoutMoves.has(child)
        ? Optional.empty()
        : Optional.of(
            child.withChain(
                OwnNumbers.rested(
                    chain, before.times(OwnNumbers.pose(chain, shot.header().range().in())))));
  }
}

package idlelens.core.motion;

import idlelens.core.part.Aim;
import idlelens.core.part.Carried;
import idlelens.core.part.Keys;
import idlelens.core.part.Part;
import idlelens.core.part.Target;
import idlelens.core.scene.Node;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** The stage that each part of a node's chain becomes; what lenses do comes later. */
final class Stages {
  private final Evaluation motion;
  private final Node node;
  private final Space space;
  private final Function<String, PoseTrack> world;

  /**
   * @param space where the node's own space lies
   * @param world gives the pose in the world of another node
   */
  Stages(Evaluation motion, Node node, Space space, Function<String, PoseTrack> world) {
    this.motion = motion;
    this.node = node;
    this.space = space;
    this.world = world;
  }

  /** The stages of a node, in order; parts that change nothing have none. */
  List<StageRun.Step> all(Map<String, PartTrack> tracks) {
    List<StageRun.Step> steps = new ArrayList<>();
    for (Part part : node.chain().parts()) {
      of(part, tracks.get(part.id()))
          .ifPresent(stage -> steps.add(new StageRun.Step(part.kind().slot(), stage)));
    }
    return steps;
  }

  private Optional<Stage> of(Part part, PartTrack values) {
    if (part instanceof Keys) {
      return Optional.of(keys(part, values));
    }
    if (part instanceof Carried) {
      return space.isWorld() ? Optional.empty() : Optional.of(new Stage.Carried(space));
    }
    if (part instanceof Aim aim && motion.isOn(aim)) {
      return Optional.of(
          new Stage.Aimed(
              aim, values, track(aim.target()), aim.second().map(this::track).orElse(null)));
    }
    return Optional.empty();
  }

  private Stage keys(Part keys, PartTrack values) {
    return motion.isOn(keys)
        ? new Stage.Posed(values)
        : new Stage.Held(motion.grid(), motion.start().reached(node).own().pose(0));
  }

  /** The pose of the node that a target is on, or null for a place. */
  private PoseTrack track(Target target) {
    return target.nodeId().map(world).orElse(null);
  }
}

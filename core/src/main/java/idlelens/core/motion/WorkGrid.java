package idlelens.core.motion;

import idlelens.core.part.Lean;
import idlelens.core.part.Part;
import idlelens.core.part.Smooth;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameRange;
import idlelens.core.time.SampleGrid;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The whole frames on which filters run: the range of the shot and as far beyond it as they reach,
 * one after another. It does not depend on the handles, so nothing that is filtered does.
 */
final class WorkGrid {
  /** What is to be filtered besides, before and behind what filters need. */
  private static final int AIR = 64;

  private final Shot shot;
  private final Map<String, Integer> reaches = new HashMap<>();

  private WorkGrid(Shot shot) {
    this.shot = shot;
  }

  /**
   * The grid, and the nodes that are evaluated on it.
   *
   * @param nodes ids of what smooths, and of all that this reads
   */
  record Work(SampleGrid grid, Set<String> nodes) {
    /** Whether another grid is a part of this one. */
    boolean covers(SampleGrid other) {
      return other.stepsPerFrame() == 1
          && other.first() == Math.rint(other.first())
          && other.first() >= grid.first()
          && other.last() <= grid.last();
    }
  }

  /** The work grid of a shot; none where nothing smooths. */
  static Optional<Work> of(Shot shot) {
    WorkGrid all = new WorkGrid(shot);
    Set<String> nodes = new HashSet<>();
    int reach = 0;
    for (Node node : shot.nodes()) {
      if (node.chain().parts().stream().anyMatch(p -> p instanceof Smooth && p.isOn())) {
        nodes.addAll(shot.reachedFrom(node.id()));
        reach = Math.max(reach, all.reach(node));
      }
    }
    if (nodes.isEmpty()) {
      return Optional.empty();
    }
    int wide = Integer.highestOneBit(2 * (reach + AIR) - 1); // seldom another one
    FrameRange range = shot.header().range();
    return Optional.of(
        new Work(new SampleGrid(range.in() - (double) wide, range.length() + 2 * wide, 1), nodes));
  }

  /** Frames that the motion of a node depends on before and behind, by filters. */
  private int reach(Node node) {
    Integer known = reaches.get(node.id());
    if (known != null) {
      return known;
    }
    int own = 0;
    int read = 0;
    for (Part part : node.chain().parts()) {
      if (part instanceof Smooth smooth && smooth.isOn()) {
        own += smooth.way().reach();
      }
    }
    for (Lean lean : node.chain().leans(Lean.Of.WORLD)) {
      read = Math.max(read, reach(shot.node(lean.nodeId())));
    }
    reaches.put(node.id(), own + read);
    return own + read;
  }
}

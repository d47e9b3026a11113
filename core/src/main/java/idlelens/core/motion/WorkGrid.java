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
  private final Map<String, Reach> reaches = new HashMap<>();

  /** Frames before a frame and behind it. */
  private record Reach(int before, int behind) {
    static final Reach NONE = new Reach(0, 0);

    Reach widest(Reach other) {
      return new Reach(Math.max(before, other.before), Math.max(behind, other.behind));
    }

    Reach and(int moreBefore, int moreBehind) {
      return new Reach(before + moreBefore, behind + moreBehind);
    }
  }

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
    Reach reach = Reach.NONE;
    for (Node node : shot.nodes()) {
      if (node.chain().parts().stream().anyMatch(p -> p instanceof Smooth && p.isOn())) {
        nodes.addAll(shot.reachedFrom(node.id()));
        reach = reach.widest(all.reach(node));
      }
    }
    if (nodes.isEmpty()) {
      return Optional.empty();
    }
    int before = wide(reach.before());
    int behind = wide(reach.behind());
    FrameRange range = shot.header().range();
    SampleGrid grid =
        new SampleGrid(range.in() - (double) before, before + range.length() + behind, 1);
    return Optional.of(new Work(grid, nodes));
  }

  /** With room for handles; seldom another number. */
  private static int wide(int reach) {
    return Integer.highestOneBit(2 * (reach + AIR) - 1);
  }

  /** Frames that the motion of a node depends on, by filters. */
  private Reach reach(Node node) {
    if (!reaches.containsKey(node.id())) {
      shot.readBy(node, reaches::containsKey).forEach(this::find);
      find(node);
    }
    return reaches.get(node.id());
  }

  /** Those of a node, when those of what it reads are known. */
  private void find(Node node) {
    Reach reach = Reach.NONE;
    for (Lean lean : node.chain().leans(Lean.Of.WORLD)) {
      reach = reach.widest(reaches.get(lean.nodeId()));
    }
    for (Part part : node.chain().parts()) {
      if (part instanceof Smooth smooth && smooth.isOn()) {
        reach = reach.and(smooth.way().reach(), smooth.way().reachAhead());
      }
    }
    reaches.put(node.id(), reach);
  }
}

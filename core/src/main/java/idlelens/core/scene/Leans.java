package idlelens.core.scene;

import idlelens.core.part.Lean;
import idlelens.core.part.Part;
import idlelens.core.rule.RefusedException;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Who reads whose motion. Its corners are the pose of each node in the world and its lens; a lens
 * stands on its own node's pose, so two cameras may focus on each other.
 */
final class Leans {
  private final Map<String, Node> byId;

  Leans(Map<String, Node> byId) {
    this.byId = byId;
  }

  private record Corner(String nodeId, Lean.Of of) {}

  /** A step of the walk: a corner, the leans it goes on to, and how many of them are done. */
  private record Step(Corner corner, List<Lean> leans, int[] done) {}

  /** All that a corner reads. */
  private List<Lean> of(Corner corner) {
    List<Lean> own = byId.get(corner.nodeId()).chain().leans(corner.of());
    if (corner.of() == Lean.Of.WORLD) {
      return own;
    }
    List<Lean> all = new ArrayList<>(own);
    all.add(new Lean(corner.nodeId(), Lean.Of.WORLD, "lens"));
    return all;
  }

  /**
   * @throws RefusedException naming all nodes of a loop
   */
  void refuseLoops() {
    Map<Corner, Boolean> finished = new HashMap<>();
    for (Node node : byId.values()) {
      for (Lean.Of of : Lean.Of.values()) {
        walk(new Corner(node.id(), of), finished);
      }
    }
  }

  /** Depth first, without recursion; a corner met again while it is open closes a loop. */
  private void walk(Corner start, Map<Corner, Boolean> finished) {
    Deque<Step> way = new ArrayDeque<>();
    open(start, way, finished);
    while (!way.isEmpty()) {
      Step step = way.peekLast();
      if (step.done()[0] == step.leans().size()) {
        finished.put(step.corner(), true);
        way.removeLast();
        continue;
      }
      Lean lean = step.leans().get(step.done()[0]++);
      Corner next = new Corner(lean.nodeId(), lean.of());
      if (Boolean.FALSE.equals(finished.get(next))) {
        throw loop(way, next);
      }
      open(next, way, finished);
    }
  }

  private void open(Corner corner, Deque<Step> way, Map<Corner, Boolean> finished) {
    if (finished.putIfAbsent(corner, false) == null) {
      way.addLast(new Step(corner, of(corner), new int[1]));
    }
  }

  private RefusedException loop(Deque<Step> way, Corner end) {
    List<Step> steps = way.stream().dropWhile(s -> !s.corner().equals(end)).toList();
    Step first = steps.get(0);
    List<String> names = new ArrayList<>();
    steps.forEach(s -> names.add(byId.get(s.corner().nodeId()).name()));
    names.add(names.get(0));
    String field = first.leans().get(first.done()[0] - 1).field();
    return new RefusedException(
        names.get(0) + "." + field,
        "a loop (" + String.join(" > ", names) + ")",
        field.equals("carrier")
            ? "a null or a piece that this node does not carry itself"
            : "a node that does not depend on this one");
  }

  /** All nodes that a node reads, itself included, at any depth. */
  Set<String> reachedFrom(String id) {
    Set<String> reached = new HashSet<>(Set.of(id));
    Deque<String> open = new ArrayDeque<>(reached);
    while (!open.isEmpty()) {
      for (Part part : byId.get(open.remove()).chain().parts()) {
        for (Lean lean : part.leans()) {
          if (reached.add(lean.nodeId())) {
            open.add(lean.nodeId());
          }
        }
      }
    }
    return reached;
  }
}

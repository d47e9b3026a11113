package idlelens.core.scene;

import idlelens.core.part.Lean;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.Iterator;
import java.util.List;
import java.util.Set;
import java.util.function.Function;

/** All that a node depends on in one way, at any depth. */
final class Upwards {
  private final Way way;
  private final Function<String, Node> byId;
  private final List<Node> done = new ArrayList<>();
  private final Set<String> met = new HashSet<>();

  private Upwards(Way way, Function<String, Node> byId) {
    this.way = way;
    this.byId = byId;
  }

  /** From a node to those it depends on itself. */
  enum Way {
    CARRIED {
      @Override
      Iterator<String> from(Node node) {
        return node.chain().carried().carriers().iterator();
      }
    },
    READING {
      @Override
      Iterator<String> from(Node node) {
        return node.chain().leans(Lean.Of.WORLD).stream().map(Lean::nodeId).iterator();
      }
    };

    /** The ids of nodes. */
    abstract Iterator<String> from(Node node);
  }

  /** A node on the way up, and those that it depends on and that have not been gone to. */
  private record Step(Node node, Iterator<String> open) {}

  /**
   * The nodes above one, each after those that it depends on itself.
   *
   * @param byId gives the node of an id, or null where the way ends before it
   */
  static List<Node> from(Node node, Way way, Function<String, Node> byId) {
    Upwards upwards = new Upwards(way, byId);
    upwards.walk(node);
    return upwards.done.subList(0, upwards.done.size() - 1);
  }

  /** Depth first, without recursion: rigs may be 2,000 deep. */
  private void walk(Node start) {
    Deque<Step> steps = new ArrayDeque<>(List.of(step(start)));
    while (!steps.isEmpty()) {
      Step step = steps.getLast();
      if (!step.open().hasNext()) {
        done.add(steps.removeLast().node());
        continue;
      }
      String id = step.open().next();
      Node next = met.add(id) ? byId.apply(id) : null;
      if (next != null) {
        steps.addLast(step(next));
      }
    }
  }

  private Step step(Node node) {
    return new Step(node, way.from(node));
  }
}

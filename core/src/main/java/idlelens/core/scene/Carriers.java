package idlelens.core.scene;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.Iterator;
import java.util.List;
import java.util.Set;
import java.util.function.Function;

/** All that ever carries a node. */
final class Carriers {
  private final Function<String, Node> byId;
  private final List<Node> done = new ArrayList<>();
  private final Set<String> met = new HashSet<>();

  private Carriers(Function<String, Node> byId) {
    this.byId = byId;
  }

  /** A node on the way up, and its carriers that have not been gone to. */
  private record Step(Node node, Iterator<String> open) {
    static Step of(Node node) {
      return new Step(node, node.chain().carried().carriers().iterator());
    }
  }

  /**
   * The carriers at any depth, each after what carries it.
   *
   * @param byId gives the node of an id, or null where there is none
   */
  static List<Node> above(Node node, Function<String, Node> byId) {
    if (node.chain().carried().isFree()) {
      return List.of();
    }
    Carriers carriers = new Carriers(byId);
    carriers.walk(node);
    return carriers.done.subList(0, carriers.done.size() - 1);
  }

  /** Depth first, without recursion: rigs may be 2,000 deep. */
  private void walk(Node start) {
    Deque<Step> way = new ArrayDeque<>(List.of(Step.of(start)));
    while (!way.isEmpty()) {
      Step step = way.getLast();
      if (!step.open().hasNext()) {
        done.add(way.removeLast().node());
        continue;
      }
      String id = step.open().next();
      Node next = met.add(id) ? byId.apply(id) : null;
      if (next != null) {
        way.addLast(Step.of(next));
      }
    }
  }
}

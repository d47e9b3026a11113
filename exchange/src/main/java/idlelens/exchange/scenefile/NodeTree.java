package idlelens.exchange.scenefile;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.function.IntConsumer;

/** The nodes of a file as they carry one another, for formats that write one inside the other. */
public final class NodeTree {
  private static final int WORLD = -1;

  private final Map<Integer, List<Integer>> carried = new HashMap<>();

  public NodeTree(List<FileNode> nodes) {
    for (int i = 0; i < nodes.size(); i++) {
      carried.computeIfAbsent(nodes.get(i).parent(), p -> new ArrayList<>()).add(i);
    }
  }

  /**
   * Goes through all nodes, each around those that it carries, however deep they stand.
   *
   * @param enter takes the place of a node in the list, before what it carries
   * @param leave takes it after all that it carries
   */
  public void walk(IntConsumer enter, IntConsumer leave) {
    Deque<Integer> entered = new ArrayDeque<>();
    Deque<Iterator<Integer>> left = new ArrayDeque<>();
    left.push(carriedBy(WORLD));
    while (true) {
      if (left.peek().hasNext()) {
        int node = left.peek().next();
        enter.accept(node);
        entered.push(node);
        left.push(carriedBy(node));
      } else if (entered.isEmpty()) {
        return;
      } else {
        left.pop();
        leave.accept(entered.pop());
      }
    }
  }

  private Iterator<Integer> carriedBy(int node) {
    return carried.getOrDefault(node, List.of()).iterator();
  }
}

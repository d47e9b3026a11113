package idlelens.exchange.scenefile;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;

/** The nodes of a file as they carry one another, for formats that write one inside the other. */
public final class NodeTree {
  private static final int WORLD = -1;

  private final Map<Integer, List<Integer>> carried = new HashMap<>();

  public NodeTree(List<FileNode> nodes) {
    for (int i = 0; i < nodes.size(); i++) {
      carried.computeIfAbsent(nodes.get(i).parent(), p -> new ArrayList<>()).add(i);
    }
  }

  /** What is done at a node, given by its place in the list. */
  public interface Visit {
    /** Before what the node carries. */
    void enter(int node);

    /** After all that the node carries. */
    void leave(int node);
  }

  /** Goes through all nodes, each around those that it carries, however deep they stand. */
  public void walk(Visit visit) {
    Deque<Integer> entered = new ArrayDeque<>();
    Deque<Iterator<Integer>> left = new ArrayDeque<>();
    left.push(carriedBy(WORLD));
    while (true) {
      if (left.peek().hasNext()) {
        int node = left.peek().next();
        visit.enter(node);
        entered.push(node);
        left.push(carriedBy(node));
      } else if (entered.isEmpty()) {
        return;
      } else {
        left.pop();
        visit.leave(entered.pop());
      }
    }
  }

  private Iterator<Integer> carriedBy(int node) {
    return carried.getOrDefault(node, List.of()).iterator();
  }
}

package idlelens.exchange.scenefile;

import idlelens.core.scene.Shot;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;

/**
 * What is still to be read of a file whose nodes stand inside one another: each comes before those
 * that it carries, and all in the order of the file, however deep they stand.
 *
 * @param <T> a node as its format has it
 */
public final class Unread<T> {
  /**
   * How deep what stands in a file may be nested: a shot may be one line of nodes, around which
   * stand the scene and what a node holds.
   */
  public static final int DEEPEST = Shot.MOST_NODES + 20;

  private final Deque<Found<T>> open = new ArrayDeque<>();

  /** A node, and the place of what carries it in the list of those that are read; -1 for none. */
  public record Found<T>(T node, int parent) {}

  /** Adds what stands directly inside something; it comes next. */
  public void add(List<T> inside, int parent) {
    for (int i = inside.size() - 1; i >= 0; i--) {
      open.push(new Found<>(inside.get(i), parent));
    }
  }

  public boolean isEmpty() {
    return open.isEmpty();
  }

  /** Takes the next one. */
  public Found<T> next() {
    return open.pop();
  }
}

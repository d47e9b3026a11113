package idlelens.exchange.scenefile;

import java.util.Arrays;
import java.util.List;

/**
 * A node of a file.
 *
 * @param key what it is called by in the ids of the nodes made of it: short, unique in the file
 * @param name as it is shown
 * @param where where it stands in the file
 * @param parent index of what carries it, less than its own; -1 for none
 * @param ops its transform
 * @param seen 1 while it is to be seen and 0 while it is not, over time in steps
 * @param contents what stands at it
 */
public record FileNode(
    String key,
    String name,
    String where,
    int parent,
    List<Op> ops,
    Channel seen,
    List<Content> contents) {

  /** One that is seen always or never. */
  public FileNode(
      String key,
      String name,
      String where,
      int parent,
      List<Op> ops,
      boolean hidden,
      List<Content> contents) {
    this(key, name, where, parent, ops, Channel.still(where, hidden ? 0 : 1), contents);
  }

  /** Whether it is never seen. */
  public boolean hidden() {
    return Arrays.stream(seen.values()).allMatch(v -> v == 0);
  }
}

package idlelens.exchange.scenefile;

import java.util.List;

/**
 * A node of a file.
 *
 * @param key what it is called by in the ids of the nodes made of it: short, unique in the file
 * @param name as it is shown
 * @param where where it stands in the file
 * @param parent index of what carries it, less than its own; -1 for none
 * @param ops its transform
 * @param hidden whether it is not seen
 * @param contents what stands at it
 */
public record FileNode(
    String key,
    String name,
    String where,
    int parent,
    List<Op> ops,
    boolean hidden,
    List<Content> contents) {}

package idlelens.core.scene;

import idlelens.core.rule.RefusedException;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** That no repeat is repeated itself, and that all of them together can be drawn. */
final class RepeatsCheck {
  /** The most copies in a shot. */
  private static final int MOST = 100_000;

  /** The most frames that nodes are followed outside the shot, for copies that are late. */
  private static final long MOST_FRAMES = 1_000_000;

  private final Map<String, List<Node>> carried = new HashMap<>();
  private final List<Node.Repeat> repeats = new ArrayList<>();

  RepeatsCheck(List<Node> nodes) {
    for (Node node : nodes) {
      if (node instanceof Node.Repeat repeat) {
        repeats.add(repeat);
      }
    }
    for (Node node : repeats.isEmpty() ? List.<Node>of() : nodes) {
      for (String carrier : node.chain().carried().carriers()) {
        carried.computeIfAbsent(carrier, c -> new ArrayList<>()).add(node);
      }
    }
  }

  /** Whether a change of a node may concern repeats; what carries what is asked elsewhere. */
  static boolean concerns(Node old, Node changed) {
    return changed instanceof Node.Repeat && !changed.equals(old);
  }

  void check() {
    long copies = 0;
    long frames = 0;
    for (Node.Repeat repeat : repeats) {
      int copied = copied(repeat);
      copies += (long) copied * repeat.repetition().count();
      frames += (long) (copied * repeat.repetition().apart());
      if (frames > MOST_FRAMES) {
        throw new RefusedException(
            repeat.name() + ".repeat.later",
            frames + " frames of what is repeated outside the shot",
            "at most 1,000,000: fewer nodes, or copies that are closer in time");
      }
      if (copies > MOST) {
        throw new RefusedException(
            repeat.name() + ".repeat.count",
            copies + " copies in the shot",
            "at most 100,000 in all");
      }
    }
  }

  /** Of how many nodes it shows copies. */
  private int copied(Node.Repeat repeat) {
    int copied = 0;
    Set<String> met = new HashSet<>(Set.of(repeat.id()));
    Deque<Node> open = new ArrayDeque<>(List.of(repeat));
    while (!open.isEmpty()) {
      for (Node node : carried.getOrDefault(open.pop().id(), List.of())) {
        if (!met.add(node.id())) {
          continue;
        }
        if (node instanceof Node.Repeat) {
          throw new RefusedException(
              node.name() + ".carrier",
              "'" + repeat.name() + "', which would repeat a repeat",
              "carriers without a repeat among them");
        }
        copied += node.isRepeated() ? 1 : 0;
        open.push(node);
      }
    }
    return copied;
  }
}

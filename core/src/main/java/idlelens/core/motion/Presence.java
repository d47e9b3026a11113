package idlelens.core.motion;

import idlelens.core.part.Carried;
import idlelens.core.part.Visible;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.SampleGrid;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/**
 * When each node of a shot is there to be seen: at the samples at which neither it nor anything
 * that carries it then has vanished. Each node is worked out once, after what carries it.
 */
final class Presence {
  private static final boolean[] ALWAYS = {};

  private final Shot shot;
  private final SampleGrid grid;
  private final Map<String, boolean[]> known = new HashMap<>();

  Presence(Shot shot, SampleGrid grid) {
    this.shot = shot;
    this.grid = grid;
  }

  boolean isThere(String id, int sample) {
    boolean[] there = of(id);
    return there == ALWAYS || there[sample];
  }

  /** Whether nothing makes a node, or what ever carries it, appear or vanish. */
  boolean isAlways(String id) {
    return of(id) == ALWAYS;
  }

  private synchronized boolean[] of(String id) {
    boolean[] there = known.get(id);
    if (there == null) {
      Node node = shot.node(id);
      shot.carriersOf(node, known::containsKey).forEach(each -> known.put(each.id(), made(each)));
      there = made(node);
      known.put(id, there);
    }
    return there;
  }

  /** Of a node, when that of what carries it is known. */
  private boolean[] made(Node node) {
    Optional<Visible> own = node.visible();
    Carried carried = node.chain().carried();
    if (own.isEmpty() && carried.carriers().stream().allMatch(id -> known.get(id) == ALWAYS)) {
      return ALWAYS;
    }
    boolean[] there = new boolean[grid.count()];
    for (int i = 0; i < there.length; i++) {
      double frame = grid.frame(i);
      String carrier = carried.carrierAt(frame);
      there[i] =
          (own.isEmpty() || own.get().isThere(frame)) && (carrier.isEmpty() || at(carrier, i));
    }
    return there;
  }

  private boolean at(String id, int sample) {
    boolean[] there = known.get(id);
    return there == ALWAYS || there[sample];
  }
}

package idlelens.core.check;

import idlelens.core.curve.Curve;
import idlelens.core.part.Lean;
import idlelens.core.part.Part;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/**
 * How much a shot holds and computes, known without computing it.
 *
 * @param keys keys of all curves
 * @param samples frames, handles included, of all nodes that move
 */
public record ShotSize(long keys, long samples) {
  /** The most keys a shot may have. */
  public static final long MOST_KEYS = 400_000;

  /** The most samples a shot may have: some 700 moving nodes over a minute at 24 frames. */
  public static final long MOST_SAMPLES = 1_000_000;

  public static ShotSize of(Shot shot) {
    return new ShotSize(keys(shot), moving(shot) * frames(shot.header()));
  }

  private static long keys(Shot shot) {
    long keys = 0;
    for (Node node : shot.nodes()) {
      keys += keys(node);
    }
    return keys;
  }

  private static long frames(ShotHeader header) {
    return header.range().length() + 2L * header.handles();
  }

  /** The keys of all curves of a node. */
  public static long keys(Node node) {
    long keys = 0;
    for (Part part : node.chain().parts()) {
      for (Curve curve : part.curves().list()) {
        keys += curve.keys().size();
      }
    }
    return keys;
  }

  /** How many nodes move, by themselves or with what they read. */
  private static long moving(Shot shot) {
    Map<String, Boolean> known = new HashMap<>();
    return shot.nodes().stream().filter(n -> moves(shot, n, known)).count();
  }

  private static boolean moves(Shot shot, Node node, Map<String, Boolean> known) {
    Boolean before = known.get(node.id());
    if (before != null) {
      return before;
    }
    shot.readBy(node, known::containsKey).forEach(read -> findMoving(shot, read, known));
    return findMoving(shot, node, known);
  }

  /** Whether a node moves, when it is known of what it reads. */
  private static boolean findMoving(Shot shot, Node node, Map<String, Boolean> known) {
    known.put(node.id(), false); // two lenses may focus on one another
    boolean moves = false;
    for (Part part : node.chain().parts()) {
      moves |= part.curves().list().stream().anyMatch(c -> c.keys().size() > 1);
      for (Lean lean : part.leans()) {
        moves |= moves(shot, shot.node(lean.nodeId()), known);
      }
    }
    known.put(node.id(), moves);
    return moves;
  }

  /**
   * Refuses a shot that is too large, unless it gets smaller.
   *
   * @param before what it was, if it was there before
   */
  public static void requireRoom(Shot shot, Optional<Shot> before) {
    boolean evenIfAllMove = shot.nodes().size() * frames(shot.header()) <= MOST_SAMPLES;
    if (!evenIfAllMove || keys(shot) > MOST_KEYS) {
      of(shot).requireRoom(before.map(ShotSize::of));
    }
  }

  private void requireRoom(Optional<ShotSize> old) {
    if (keys > MOST_KEYS && old.filter(o -> keys <= o.keys).isEmpty()) {
      throw new RefusedException(
          "shot.keys", keys, "at most " + MOST_KEYS + " keys in a shot; reduce keys first");
    }
    if (samples > MOST_SAMPLES && old.filter(o -> samples <= o.samples).isEmpty()) {
      throw new RefusedException(
          "shot.samples",
          samples,
          "at most "
              + MOST_SAMPLES
              + " (moving nodes times frames with handles); a shorter range or fewer moving nodes");
    }
  }
}

package idlelens.core.check;

import idlelens.core.curve.Beyond;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Segment;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.NavigableSet;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * The pose keys of a rig, as one node of it is judged by them. A pose key is a frame at which one
 * motion ends or another begins: of what is keyed there, nothing moves both before and after. And
 * it is one at which half of the node's keyed channels, two or more, are keyed.
 */
final class PoseKeys {
  /** Movement smaller than this, in metres or degrees, is none. */
  private static final double NOTHING = 1e-6;

  private final NavigableMap<Double, Change> changes = new TreeMap<>();
  private final NavigableSet<Double> poses = new TreeSet<>();
  private final Set<Double> starts = new HashSet<>();

  /** What happens at a frame to the channels that are keyed there. */
  private static final class Change {
    private int own;
    private boolean ownEnds;
    private boolean ownBegins;
    private boolean ends;
    private boolean begins;
    private boolean goesOn;
    private int left; // motions of carriers that begin here
    private int reached; // and that end here

    void take(boolean before, boolean after, boolean isOwn) {
      own += isOwn ? 1 : 0;
      ownEnds |= isOwn && before && !after;
      ownBegins |= isOwn && after && !before;
      ends |= before && !after;
      begins |= after && !before;
      goesOn |= before && after;
      left += after && !isOwn ? 1 : 0;
      reached += before && !isOwn ? 1 : 0;
    }

    boolean isTurn() {
      return !goesOn && (ends || begins);
    }

    /**
     * Whether one motion parts from the next here. What a carrier begins is no sign that something
     * else should have waited for it; what it ends is one where all carriers come to rest.
     */
    boolean partsMotions(boolean carriersMove) {
      return !goesOn && (ownEnds || ownBegins || ends && !carriersMove);
    }
  }

  PoseKeys(Node node, List<Node> carriers) {
    List<Path> keyed = Creep.keyed(node);
    keyed.forEach(path -> take(node.chain().curve(path), true));
    for (Node carrier : carriers) {
      Creep.keyed(carrier).forEach(path -> take(carrier.chain().curve(path), false));
    }
    judge(Math.max(2, (keyed.size() + 1) / 2));
  }

  private void judge(int least) {
    int moving = 0; // carriers' channels that move on past a frame
    for (Map.Entry<Double, Change> each : changes.entrySet()) {
      Change change = each.getValue();
      moving -= change.reached;
      boolean isPose = change.own >= least;
      if (isPose || change.partsMotions(moving > 0)) {
        poses.add(each.getKey());
      }
      if (isPose || change.isTurn()) {
        starts.add(each.getKey());
      }
      moving += change.left;
    }
  }

  private void take(Curve curve, boolean isOwn) {
    List<Key> keys = curve.keys();
    List<Segment> segments = curve.segments();
    boolean moves = segments.stream().anyMatch(PoseKeys::moves);
    boolean before = moves && curve.before() != Beyond.HOLD;
    for (int i = 0; i < keys.size(); i++) {
      boolean isLast = i == segments.size();
      boolean after = isLast ? moves && curve.after() != Beyond.HOLD : moves(segments.get(i));
      changes.computeIfAbsent(keys.get(i).frame(), f -> new Change()).take(before, after, isOwn);
      before = after;
    }
  }

  private static boolean moves(Segment stretch) {
    double far =
        Math.max(Math.abs(stretch.v1() - stretch.v0()), Math.abs(stretch.v2() - stretch.v0()));
    return Math.max(far, Math.abs(stretch.v3() - stretch.v0())) > NOTHING;
  }

  /** Whether a motion of the rig begins or ends at a frame, so that a channel may set off there. */
  boolean setOffAt(double frame) {
    return starts.contains(frame);
  }

  /** The first pose key after a key, or null. */
  Double after(Key key) {
    Double pose = poses.higher(key.frame());
    while (pose != null && key.isAt(pose)) {
      pose = poses.higher(pose);
    }
    return pose;
  }
}

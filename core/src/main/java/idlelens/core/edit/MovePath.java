package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.joml.Vector3d;

/**
 * Moves keys of a node's path along the axes of the world, each as the carrier stands at its frame;
 * its timing stays. Without frames the whole path is moved, with all keys that place has; where
 * nothing is keyed, the node.
 *
 * @param frames of the keys that move; empty for all
 */
public record MovePath(String id, List<Double> frames, double dxM, double dyM, double dzM)
    implements Edit {
  /** The most keys that are moved at once. */
  private static final int MOST = 20_000;

  /** Moves smaller than this, in metres, are rounding. */
  private static final double NOTHING = 1e-10;

  public MovePath {
    frames = List.copyOf(frames);
    Require.within(frames.size(), 0, MOST, "frames.count");
    Require.within(dxM, -1e5, 1e5, "dx");
    Require.within(dyM, -1e5, 1e5, "dy");
    Require.within(dzM, -1e5, 1e5, "dz");
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    Collection<Double> keys = node.chain().keyFrames(Path.PLACE);
    if (!frames.isEmpty()) {
      refuseNoKeys(node, keys);
      keys = frames;
    } else if (keys.isEmpty()) {
      keys = List.of((double) shot.header().range().in());
    }
    Map<Double, Vector3d> ways = ways(shot, keys);
    Map<Path, Curve> moved = new LinkedHashMap<>();
    for (int i = 0; i < 3; i++) {
      Path path = Path.PLACE.get(i);
      Curve curve = node.chain().curve(path);
      Keyed.refuseSwitchedOff(node, path, curve);
      boolean first = lifts(ways, i) && !frames.isEmpty() && !curve.isKeyed();
      moved.put(path, moved(first ? standing(node, curve, shot) : curve, ways, i, shot));
    }
    return shot.withNode(node.withChain(node.chain().with(moved)));
  }

  private void refuseNoKeys(Node node, Collection<Double> keys) {
    for (double frame : frames) {
      if (keys.stream().noneMatch(k -> Math.abs(k - frame) < Key.SAME_FRAME)) {
        throw new RefusedException(
            node.name() + ".frames", "without a key of place at " + frame, "frames of its keys");
      }
    }
  }

  /** The way of the keyed place at each frame. */
  private Map<Double, Vector3d> ways(Shot shot, Collection<Double> keys) {
    Map<Double, Vector3d> ways = new LinkedHashMap<>();
    Evaluation motion = Evaluation.at(shot, shot.header().range().in());
    for (double frame : keys) {
      Evaluation at = motion.moment(frame);
      ways.put(frame, OwnNumbers.keyedWay(at, id, new Vector3d(dxM, dyM, dzM)));
    }
    return ways;
  }

  /** A curve that stood still, keyed wherever the path is: the keys that are not moved stay. */
  private static Curve standing(Node node, Curve curve, Shot shot) {
    return curve.withKeys(
        node.chain().keyFrames(Path.PLACE).stream()
            .map(frame -> new Key(frame, curve.rest(), shot.header().newKeys()))
            .toList());
  }

  /** A curve with its keys moved; where it has none at a frame and must move, it gets one. */
  private Curve moved(Curve curve, Map<Double, Vector3d> ways, int axis, Shot shot) {
    boolean lifts = lifts(ways, axis);
    if (!curve.isKeyed() && frames.isEmpty() && isSteady(ways, axis)) {
      return curve.withRest(curve.rest() + ways.values().iterator().next().get(axis));
    }
    List<Key> keys = new ArrayList<>(curve.keys());
    List<Key> missing = new ArrayList<>();
    ways.forEach(
        (frame, way) -> {
          int at = curve.indexOf(frame);
          if (at >= 0) {
            keys.set(at, keys.get(at).withValue(keys.get(at).value() + way.get(axis)));
          } else if (lifts) { // also where it does not move itself: keys beside it would bend it
            double value = curve.at(frame) + way.get(axis);
            missing.add(new Key(frame, value, shot.header().newKeys()));
          }
        });
    return missing.isEmpty() ? curve.withKeys(keys) : curve.withKeys(merged(keys, missing));
  }

  private static boolean lifts(Map<Double, Vector3d> ways, int axis) {
    return ways.values().stream().anyMatch(way -> Math.abs(way.get(axis)) > NOTHING);
  }

  private static boolean isSteady(Map<Double, Vector3d> ways, int axis) {
    double first = ways.values().iterator().next().get(axis);
    return ways.values().stream().allMatch(way -> Math.abs(way.get(axis) - first) < NOTHING);
  }

  private static List<Key> merged(List<Key> keys, List<Key> more) {
    List<Key> all = new ArrayList<>(keys);
    all.addAll(more);
    all.sort(Comparator.comparingDouble(Key::frame));
    return all;
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).keys(id, Path.PLACE).reliesOnMotion(id).done();
  }

  @Override
  public String summary() {
    if (frames.isEmpty()) {
      return "Move the path";
    }
    return frames.size() == 1
        ? "Move a key on the path"
        : "Move " + frames.size() + " keys of the path";
  }
}

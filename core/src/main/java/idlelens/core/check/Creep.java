package idlelens.core.check;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Segment;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.NavigableSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;

/**
 * A channel that starts to move before it was meant to: it is not keyed at a pose key of its node,
 * so it sets off at the key before that. Judged by what the curve does, whatever its tangents are:
 * one that swings out and comes back between two equal keys creeps too.
 *
 * @param path the channel
 * @param from frame of the key at which it sets off
 * @param missing frame of the first pose key after that, at which it has no key
 * @param amount how far it goes until there at the most, in the unit of the channel
 */
public record Creep(Path path, double from, double missing, double amount) {
  /** Movement smaller than this, in metres or degrees, is none. */
  private static final double NOTHING = 1e-6;

  /**
   * Finds creeping channels of a node. A pose key is a frame at which at least half of the node's
   * keyed pose channels, and two or more, have a key.
   */
  public static List<Creep> find(Node node) {
    List<Path> keyed = Path.POSE.stream().filter(c -> node.chain().curve(c).isKeyed()).toList();
    NavigableSet<Double> poses = poseKeys(node, keyed);
    List<Creep> found = new ArrayList<>();
    for (Path path : keyed) {
      if (node.takesKeys().passes(path)) {
        find(path, node.chain().curve(path), poses, found);
      }
    }
    return found;
  }

  private static NavigableSet<Double> poseKeys(Node node, List<Path> keyed) {
    TreeMap<Double, Integer> count = new TreeMap<>();
    keyed.forEach(
        c -> node.chain().curve(c).keys().forEach(k -> count.merge(k.frame(), 1, Integer::sum)));
    int least = Math.max(2, (keyed.size() + 1) / 2);
    return count.entrySet().stream()
        .filter(e -> e.getValue() >= least)
        .map(Map.Entry::getKey)
        .collect(Collectors.toCollection(TreeSet::new));
  }

  private static void find(Path path, Curve curve, NavigableSet<Double> poses, List<Creep> found) {
    List<Segment> segments = curve.segments();
    for (int i = 0; i < segments.size(); i++) {
      Key left = curve.keys().get(i);
      Key right = curve.keys().get(i + 1);
      Double pose = poses.contains(left.frame()) ? next(poses, left) : null;
      if (pose == null || pose >= right.frame() || right.isAt(pose)) {
        continue;
      }
      double amount = farthest(segments.get(i), pose) - left.value();
      if (Math.abs(amount) > NOTHING) {
        found.add(new Creep(path, left.frame(), pose, amount));
      }
    }
  }

  /** The value farthest from the one a stretch starts with, up to a frame within it. */
  private static double farthest(Segment stretch, double frame) {
    double far = stretch.at(frame);
    for (double u : stretch.turningPoints()) {
      double value = stretch.valueAt(u);
      boolean farther = Math.abs(value - stretch.v0()) > Math.abs(far - stretch.v0());
      far = stretch.frameAt(u) < frame && farther ? value : far;
    }
    return far;
  }

  /** The first pose key after a key, or null. */
  private static Double next(NavigableSet<Double> poses, Key key) {
    Double pose = poses.higher(key.frame());
    while (pose != null && key.isAt(pose)) {
      pose = poses.higher(pose);
    }
    return pose;
  }
}

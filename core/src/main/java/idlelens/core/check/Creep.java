package idlelens.core.check;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Segment;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.List;

/**
 * A channel that starts to move before it was meant to: it is not keyed at a pose key of its rig,
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

  /** Carriers above a node that are looked at; those higher up are far from it. */
  private static final int MOST_CARRIERS = 8;

  /**
   * Finds creeping channels of a node.
   *
   * @param shot the shot, whose carriers of the node pose with it
   */
  public static List<Creep> find(Shot shot, Node node) {
    List<Path> keyed = keyed(node);
    if (keyed.isEmpty()) {
      return List.of();
    }
    List<Node> carriers = shot.carriersOf(node.id());
    int from = Math.max(0, carriers.size() - MOST_CARRIERS);
    PoseKeys poses = new PoseKeys(node, carriers.subList(from, carriers.size()));
    List<Creep> found = new ArrayList<>();
    for (Path path : keyed) {
      if (node.takesKeys().passes(path)) {
        find(path, node.chain().curve(path), poses, found);
      }
    }
    return found;
  }

  static List<Path> keyed(Node node) {
    return Path.POSE.stream().filter(c -> node.chain().curve(c).isKeyed()).toList();
  }

  private static void find(Path path, Curve curve, PoseKeys poses, List<Creep> found) {
    List<Segment> segments = curve.segments();
    for (int i = 0; i < segments.size(); i++) {
      Key left = curve.keys().get(i);
      Key right = curve.keys().get(i + 1);
      Double pose = poses.setOffAt(left.frame()) ? poses.after(left) : null;
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
}

package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.part.Chain;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;

/**
 * What becomes of a channel that stood still when it gets its first key: where it stood, it stays
 * until the pose key before. So a turn laid at the end of a move neither jumps to the first frame
 * nor creeps in from there.
 */
final class FirstKey {
  private FirstKey() {}

  /**
   * The curve with a key of its still value at the pose key before a frame, or at the first frame
   * of the shot where the rig has none before; as it is where it has keys, and where the frame is
   * not after the shot's first.
   *
   * @param id the node that the curve is of
   * @param frame where the first key will stand
   */
  static Curve anchored(Shot shot, String id, Curve curve, double frame) {
    if (curve.isKeyed()) {
      return curve;
    }
    double before = poseKeyBefore(shot, id, frame);
    return before < frame - Key.SAME_FRAME
        ? curve.withKey(new Key(before, curve.rest(), shot.header().newKeys()))
        : curve;
  }

  /** Says that an edit may lay first keys on paths: it then relies on where the rig has its own. */
  static Footprint.Builder footprint(
      Footprint.Builder places, Shot shot, String id, Collection<Path> paths) {
    Chain chain = shot.node(id).chain();
    if (paths.stream().allMatch(p -> !chain.has(p) || chain.isKeyed(List.of(p)))) {
      return places;
    }
    rig(shot, id).forEach(n -> places.reliesOn(Place.chain(n.id())));
    return places.reliesOn(Place.header("range"));
  }

  /** The last frame before one at which the node or a carrier has a key of its pose. */
  private static double poseKeyBefore(Shot shot, String id, double frame) {
    double last = Double.NEGATIVE_INFINITY;
    for (Node node : rig(shot, id)) {
      for (Path path : Path.POSE) {
        Curve curve = node.chain().curve(path);
        int at = curve.keysUntil(frame - Key.SAME_FRAME) - 1;
        last = at < 0 ? last : Math.max(last, curve.keys().get(at).frame());
      }
    }
    return last == Double.NEGATIVE_INFINITY ? shot.header().range().in() : last;
  }

  private static List<Node> rig(Shot shot, String id) {
    List<Node> rig = new ArrayList<>(shot.carriersOf(id));
    rig.add(shot.node(id));
    return rig;
  }
}

package idlelens.core.check;

import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * A frame at which some of a rig is keyed, and some that moves across it is not: its motions do not
 * begin and end together.
 *
 * @param frame the frame of the key
 * @param keyed ids of the nodes that are keyed there
 * @param missing ids of the nodes that are not, though they have keys before and behind
 * @param near frames to the nearest key of one that is missing
 */
public record Misaligned(double frame, List<String> keyed, List<String> missing, double near) {
  private static final double ONE_FRAME = 1e-6;

  /**
   * @param id a node of the rig, see {@link Shot#rigOf}
   * @return in the order of the frames
   */
  public static List<Misaligned> find(Shot shot, String id) {
    Map<String, TreeSet<Double>> frames = new TreeMap<>();
    for (Node node : shot.rigOf(id)) {
      TreeSet<Double> own = new TreeSet<>(node.chain().keyFrames(Path.POSE));
      if (!own.isEmpty()) {
        frames.put(node.id(), own);
      }
    }
    TreeSet<Double> all = new TreeSet<>();
    frames.values().forEach(all::addAll);
    List<Misaligned> found = new ArrayList<>();
    for (double frame : all) {
      add(found, frame, frames);
    }
    return found;
  }

  private static void add(
      List<Misaligned> found, double frame, Map<String, TreeSet<Double>> frames) {
    List<String> keyed = new ArrayList<>();
    List<String> missing = new ArrayList<>();
    double near = Double.POSITIVE_INFINITY;
    for (Map.Entry<String, TreeSet<Double>> each : frames.entrySet()) {
      Double before = each.getValue().floor(frame);
      Double after = each.getValue().ceiling(frame);
      double distance =
          Math.min(
              before == null ? Double.POSITIVE_INFINITY : frame - before,
              after == null ? Double.POSITIVE_INFINITY : after - frame);
      if (distance <= ONE_FRAME) {
        keyed.add(each.getKey());
      } else if (before != null && after != null) {
        missing.add(each.getKey());
        near = Math.min(near, distance);
      }
    }
    if (!missing.isEmpty() && !keyed.isEmpty()) {
      found.add(new Misaligned(frame, keyed, missing, near));
    }
  }
}

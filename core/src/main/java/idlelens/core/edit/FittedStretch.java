package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.CurveFit;
import idlelens.core.curve.Key;
import idlelens.core.curve.KeyInsertion;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Writes numbers of a stretch of frames as few keys; what is before and behind the stretch stays.
 *
 * @param from first frame
 * @param to last frame
 * @param finer the part of a family's tolerance within which they are written
 */
record FittedStretch(Shot shot, int from, int to, double finer) {
  private static final double SAME = 1e-10;

  /**
   * @param rows for each path a number for every frame; those that are as they were stay untouched
   */
  Shot write(Node node, Map<Path, double[]> rows) {
    double[] frames = new double[to - from + 1];
    for (int i = 0; i < frames.length; i++) {
      frames[i] = from + i;
    }
    Map<Path, Curve> curves = new LinkedHashMap<>();
    rows.forEach(
        (path, values) -> {
          Curve curve = node.chain().curve(path);
          if (differs(curve, frames, values)) {
            Keyed.refuseSwitchedOff(node, path, curve);
            double tolerance = node.chain().parameter(path).family().tolerance() * finer;
            curves.put(path, replaced(curve, overAll(CurveFit.fit(frames, values, tolerance))));
          }
        });
    return curves.isEmpty() ? shot : shot.withNode(node.withChain(node.chain().with(curves)));
  }

  /** What stays the same is held from the first frame to the last one by a key at each. */
  private List<Key> overAll(List<Key> keys) {
    if (keys.size() > 1 || from == to) {
      return keys;
    }
    Key first = keys.get(0);
    return List.of(first, new Key(to, first.value(), first.tangent()));
  }

  private static boolean differs(Curve curve, double[] frames, double[] values) {
    for (int i = 0; i < frames.length; i++) {
      if (Math.abs(curve.at(frames[i]) - values[i]) > SAME) {
        return true;
      }
    }
    return false;
  }

  private Curve replaced(Curve curve, List<Key> keys) {
    Curve ready =
        KeyInsertion.insertAll(curve, List.of(from - 1.0, to + 1.0), shot.header().newKeys());
    List<Key> all = new ArrayList<>();
    ready.keys().stream().filter(k -> k.frame() < from).forEach(all::add);
    all.addAll(keys);
    ready.keys().stream().filter(k -> k.frame() > to).forEach(all::add);
    return ready.withKeys(all);
  }
}

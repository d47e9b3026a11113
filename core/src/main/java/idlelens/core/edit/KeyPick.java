package idlelens.core.edit;

import idlelens.core.curve.Key;
import idlelens.core.part.Path;
import idlelens.core.rule.Require;
import java.util.Collections;
import java.util.List;

/**
 * Some keys of a node: those of these channels at these frames.
 *
 * @param id the node
 * @param paths at least one
 * @param frames within 1e-6 of a frame
 */
public record KeyPick(String id, List<Path> paths, List<Double> frames) {
  private static final int MOST_PATHS = 1000;

  public KeyPick {
    Require.present(id, "id");
    paths = List.copyOf(paths);
    frames = frames.stream().sorted().distinct().toList();
    Require.within(paths.size(), 1, MOST_PATHS, "channels.count");
  }

  /** Whether a key is one of those. */
  public boolean holds(Key key) {
    return holds(key.frame());
  }

  /** Whether one of the frames is this one. */
  boolean holds(double frame) {
    int at = Collections.binarySearch(frames, frame);
    if (at >= 0) {
      return true;
    }
    int after = -at - 1;
    return after < frames.size() && frames.get(after) - frame < Key.SAME_FRAME
        || after > 0 && frame - frames.get(after - 1) < Key.SAME_FRAME;
  }
}

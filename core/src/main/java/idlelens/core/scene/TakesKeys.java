package idlelens.core.scene;

import idlelens.core.part.Path;
import idlelens.core.rule.Require;
import java.util.Collections;
import java.util.Set;
import java.util.TreeSet;

/**
 * Which curves of a node take keys.
 *
 * @param leftOut those that keying the whole pose and recording pass over
 * @param locked those that no edit may change
 */
public record TakesKeys(Set<Path> leftOut, Set<Path> locked) {
  /** All take keys. */
  public static final TakesKeys ALL = new TakesKeys(Set.of(), Set.of());

  public TakesKeys {
    leftOut = ordered(Require.present(leftOut, "takesKeys.leftOut"));
    locked = ordered(Require.present(locked, "takesKeys.locked"));
  }

  private static Set<Path> ordered(Set<Path> paths) {
    return Collections.unmodifiableSet(new TreeSet<>(paths));
  }

  /** Whether a whole-pose key holds this curve. */
  public boolean passes(Path path) {
    return !leftOut.contains(path) && !locked.contains(path);
  }

  /** Without what is said of a part, which is taken away. */
  public TakesKeys withoutPart(String partId) {
    return new TakesKeys(others(leftOut, partId), others(locked, partId));
  }

  private static Set<Path> others(Set<Path> paths, String partId) {
    Set<Path> kept = new TreeSet<>(paths);
    kept.removeIf(p -> p.part().equals(partId));
    return kept;
  }
}

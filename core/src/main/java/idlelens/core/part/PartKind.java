package idlelens.core.part;

import java.util.List;
import java.util.Set;

/**
 * A kind of part.
 *
 * @param word its name in files and in the API; parts that may stand once have it as their id
 * @param label as it stands on screen
 * @param says what it does, in a line
 * @param slot where in the chain it stands
 * @param many whether a chain may hold several
 * @param source whether it brings motion in: off, it stands still as at the first frame. What only
 *     changes motion is passed by
 * @param window whether it can be bound to a stretch of frames
 * @param parameters what can be keyed, in their order
 * @param nodes words of the kinds of node that may have it
 */
public record PartKind(
    String word,
    String label,
    String says,
    Slot slot,
    boolean many,
    boolean source,
    boolean window,
    List<Parameter> parameters,
    Set<String> nodes) {
  public PartKind {
    parameters = List.copyOf(parameters);
    nodes = Set.copyOf(nodes);
  }

  /** Whether every chain of such a node has it, so that it is neither added nor removed. */
  public boolean isAlways() {
    return !many && slot != Slot.WORLD && slot != Slot.NODE;
  }
}

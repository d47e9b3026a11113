package idlelens.core.part;

/**
 * What a part reads of another node.
 *
 * @param nodeId the other node
 * @param of which of its motions
 * @param field the field that names it, for refusals
 */
public record Lean(String nodeId, Of of, String field) {
  /** A motion that can be read. */
  public enum Of {
    /** The pose in the world. */
    WORLD,
    /** What the lens does, at its place in the world. */
    LENS
  }
}

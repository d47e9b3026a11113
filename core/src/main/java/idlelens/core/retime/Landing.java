package idlelens.core.retime;

/** What happens to a key on which another lands. */
public enum Landing {
  /** The move is refused. */
  REFUSE,
  /** The moved key takes its place. */
  MERGE
}

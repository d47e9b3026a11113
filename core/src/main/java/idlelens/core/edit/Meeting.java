package idlelens.core.edit;

/** How a node comes into the space of a new carrier at a hand-over. */
public enum Meeting {
  /** It goes on from where the carrier before leaves it, also when what is before changes later. */
  JOINED,
  /**
   * It goes on from where the carrier before leaves it, and from there to where it would stand had
   * that not shaken.
   */
  SETTLING,
  /** It stays where it is now, from the hand-over on, when what is before changes later. */
  FIXED,
  /** It jumps to where its own numbers mean in the new space. */
  NUMBERS
}

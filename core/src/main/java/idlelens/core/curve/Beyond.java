package idlelens.core.curve;

/** What a curve does before its first key or after its last. */
public enum Beyond {
  /** Keeps the value of the nearest key. */
  HOLD,
  /** Goes on with the slope it has at the nearest key. */
  RUN_ON,
  /** Repeats. */
  CYCLE,
  /** Repeats, adding the difference of last and first value each round. */
  CYCLE_AND_CARRY;

  /** Whether the keys are repeated, as they are or carried on. */
  public boolean cycles() {
    return this == CYCLE || this == CYCLE_AND_CARRY;
  }
}

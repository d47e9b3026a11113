package idlelens.web.wire;

import java.io.IOException;

/** An answer that is made piece by piece, whenever the other side has room for more. */
public interface Pieces {
  /** What {@link #next} gives while there is nothing, but may be something later. */
  byte[] NOTHING_YET = {};

  /** The next piece, some 64 KB at most; null at the end. */
  byte[] next() throws IOException;

  /**
   * Called once, before the first piece.
   *
   * @param wake to be run when there is something again after {@link #NOTHING_YET}
   * @param letGo to be run when the other side is to be let go, whether it reads or not; both
   *     return at once
   */
  default void begin(Runnable wake, Runnable letGo) {}

  /**
   * How long it may take to be read, in the time that so many octets may take; -1 for an answer
   * without an end.
   */
  long octets();

  /** All is sent, or the other side is gone. Called once. */
  default void end() {}
}

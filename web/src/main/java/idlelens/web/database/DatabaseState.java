package idlelens.web.database;

import java.time.Instant;

/**
 * How the database is, as far as it is ours to know.
 *
 * @param state up, or starting (again)
 * @param since since when
 * @param tries how often it was tried to start it again, in vain
 * @param why what went wrong last; empty if nothing did
 * @param diskFull whether its disk has no room
 */
public record DatabaseState(State state, Instant since, int tries, String why, boolean diskFull) {
  /** Whether it runs. */
  public enum State {
    UP,
    STARTING
  }

  /** A database of somebody else, of which nothing is known from here. */
  static DatabaseState foreign(Instant since) {
    return new DatabaseState(State.UP, since, 0, "", false);
  }

  /** A sentence for whoever waits for it. */
  public String words() {
    if (diskFull) {
      return "The disk of the database is full";
    }
    return state == State.UP
        ? "The database does not answer"
        : "The database ended and is being started again"
            + (tries > 0 ? " (tried " + tries + " times so far)" : "");
  }
}

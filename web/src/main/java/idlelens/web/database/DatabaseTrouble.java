package idlelens.web.database;

import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLTransientConnectionException;
import java.util.Set;

/** What is wrong when the database refuses, told from its own codes. */
public enum DatabaseTrouble {
  /** There is no connection, or it broke: worth trying again. */
  LOST(true),
  /** Others hold what is needed, or two waited for one another: worth trying again. */
  LOCKED(true),
  /** No room on its disk. */
  FULL(false),
  /** Larger than it takes at once. */
  TOO_LARGE(false),
  /** What was asked for cannot be stored as it is; ours to find before. */
  REFUSED(false);

  // https://mariadb.com/kb/en/mariadb-error-codes/
  private static final Set<Integer> LOCK_CODES = Set.of(1205, 1213, 1020);
  private static final Set<Integer> FULL_CODES = Set.of(1021, 1114, 28);
  private static final Set<Integer> SIZE_CODES = Set.of(1153, 1301);
  private static final Set<Integer> ENDING_CODES = Set.of(1053, 1927, 1040, 1203);

  private final boolean retry;

  DatabaseTrouble(boolean retry) {
    this.retry = retry;
  }

  /** Whether the same may work a little later. */
  public boolean isWorthRetrying() {
    return retry;
  }

  /** What the causes of an exception say. */
  public static DatabaseTrouble of(Throwable e) {
    DatabaseTrouble found = REFUSED;
    int steps = 0;
    for (Throwable t = e; t != null && steps < 30; t = t.getCause(), steps++) {
      DatabaseTrouble here = t instanceof SQLException sql ? of(sql) : REFUSED;
      if (here != REFUSED && found != FULL && found != TOO_LARGE) {
        found = here;
      }
    }
    return found;
  }

  private static DatabaseTrouble of(SQLException e) {
    String message = String.valueOf(e.getMessage());
    String state = String.valueOf(e.getSQLState());
    if (FULL_CODES.contains(e.getErrorCode()) || message.contains("No space left")) {
      return FULL;
    }
    if (SIZE_CODES.contains(e.getErrorCode()) || message.contains("max_allowed_packet")) {
      return TOO_LARGE;
    }
    if (LOCK_CODES.contains(e.getErrorCode()) || state.equals("40001")) {
      return LOCKED;
    }
    boolean lost =
        e instanceof SQLTransientConnectionException
            || e instanceof SQLNonTransientConnectionException
            || state.startsWith("08")
            || state.equals("70100")
            || ENDING_CODES.contains(e.getErrorCode());
    return lost ? LOST : REFUSED;
  }
}

package idlelens.web.database;

/** The connection broke while a transaction was being committed: it may be stored, or not. */
public final class OutcomeUnknownException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  OutcomeUnknownException(Throwable cause) {
    super("The connection broke while a change was being stored", cause);
  }
}

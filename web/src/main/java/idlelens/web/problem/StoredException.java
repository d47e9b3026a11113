package idlelens.web.problem;

/** A change is stored, but its answer could not be made. */
public final class StoredException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  public StoredException(Throwable cause) {
    super("This change is saved, but its answer could not be made; it is asked for again", cause);
  }
}

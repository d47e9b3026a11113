package idlelens.web.problem;

/** Something that a member may see, but not do. */
public final class ForbiddenException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  /**
   * @param message what the account is, and who may do it
   */
  public ForbiddenException(String message) {
    super(message);
  }
}

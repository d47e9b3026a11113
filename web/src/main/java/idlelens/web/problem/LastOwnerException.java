package idlelens.web.problem;

/** A production would be left without anybody who may manage it. */
public final class LastOwnerException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  public LastOwnerException() {
    super("A production needs an owner: make somebody else one first");
  }
}

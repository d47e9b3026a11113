package idlelens.web.problem;

/** Something that is not there, or that the account may not see. */
public final class NotFoundException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  public NotFoundException(String what) {
    super(what + " is not there, or belongs to a production of other people");
  }
}

package idlelens.web.problem;

/** Something stored is not what was stored: its SHA-256 is another one, or it cannot be read. */
public final class DamagedException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  public DamagedException(String what, String why) {
    super(
        what
            + " is damaged in the database ("
            + why
            + "). It is not shown, so that nothing wrong is built on it; other revisions and a"
            + " backup are untouched");
  }
}

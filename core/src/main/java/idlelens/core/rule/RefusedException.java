package idlelens.core.rule;

/**
 * A value or change that breaks a rule. The message reads "where is found; allowed: allowed", so
 * that an artist can mend it without a manual.
 */
public final class RefusedException extends IllegalArgumentException {
  private static final long serialVersionUID = 1L;

  private final String where;
  private final String found;
  private final String allowed;

  /**
   * @param where the field or place, such as {@code keys[3].frame}
   * @param found what stood there
   * @param allowed what may stand there
   */
  public RefusedException(String where, Object found, String allowed) {
    super(where + " is " + found + "; allowed: " + allowed);
    this.where = where;
    this.found = String.valueOf(found);
    this.allowed = allowed;
  }

  public String where() {
    return where;
  }

  public String found() {
    return found;
  }

  public String allowed() {
    return allowed;
  }

  /** The same refusal seen from outside: {@code keys[3].frame} inside {@code x} and so on. */
  public RefusedException inside(String outer) {
    return new RefusedException(where.isEmpty() ? outer : outer + "." + where, found, allowed);
  }
}

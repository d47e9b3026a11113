package idlelens.exchange.format;

/**
 * A file that cannot be read: "where is found; allowed: allowed", where is a line, a byte or a path
 * in the file.
 */
public final class FormatException extends Exception {
  private static final long serialVersionUID = 1L;

  private final String where;
  private final String found;
  private final String allowed;

  public FormatException(String where, Object found, String allowed) {
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
}

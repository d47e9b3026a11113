package idlelens.web.problem;

import java.util.Map;

/** Two changes to the same thing at the same time. */
public final class ConflictException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  private final transient Map<String, Object> details;

  /**
   * @param details what both sides wanted, for the answer
   */
  public ConflictException(String message, Map<String, Object> details) {
    super(message);
    this.details = Map.copyOf(details);
  }

  public Map<String, Object> details() {
    return details;
  }
}

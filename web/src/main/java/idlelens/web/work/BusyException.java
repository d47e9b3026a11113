package idlelens.web.work;

/** Too much is waiting already; nothing was begun. */
public final class BusyException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  public BusyException(int waiting) {
    super(
        "Too much is waiting here already ("
            + waiting
            + " calls in this place): this one was not begun, nothing of it is saved. Try again in a"
            + " moment");
  }
}

package idlelens.core.rule;

/** Work that was stopped on the way: by whoever asked for it, or because it took too long. */
public final class StoppedException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  public StoppedException(String why) {
    super(why);
  }

  /**
   * Asked by long loops as they go along.
   *
   * @throws StoppedException if the thread was interrupted
   */
  public static void check() {
    if (Thread.currentThread().isInterrupted()) {
      throw new StoppedException("Stopped on the way; nothing of it is saved");
    }
  }
}

package idlelens.web.work;

import idlelens.core.rule.StoppedException;
import java.time.Instant;

/** One piece of work that runs or waits. */
public final class Work {
  private static final ThreadLocal<Work> RUNNING = new ThreadLocal<>();

  private enum State {
    WAITING,
    RUNNING,
    SEALED,
    STOPPED,
    ENDED
  }

  private final String id;
  private final long accountId;
  private final String what;
  private final Instant since;
  private State state = State.WAITING;
  private Thread thread;
  private String stage = "waiting";
  private double done;
  private String why;

  Work(String id, long accountId, String what, Instant since) {
    this.id = id;
    this.accountId = accountId;
    this.what = what;
    this.since = since;
  }

  /**
   * What is told of it.
   *
   * @param done from 0 to 1
   */
  public record Told(String id, String what, String stage, double done, Instant since) {}

  synchronized Told told() {
    return new Told(id, what, stage, done, since);
  }

  String id() {
    return id;
  }

  long accountId() {
    return accountId;
  }

  synchronized void begin() {
    if (state == State.STOPPED) {
      throw new StoppedException(why);
    }
    state = State.RUNNING;
    stage = "running";
    thread = Thread.currentThread();
    RUNNING.set(this);
  }

  /** What an exception of it means: if it was stopped, why it was. */
  synchronized Throwable told(Throwable e) {
    return state == State.STOPPED && e instanceof StoppedException ? new StoppedException(why) : e;
  }

  /** One step is done, and the next waits for a thread; until then it can be stopped. */
  synchronized void rest() {
    leave(State.WAITING);
  }

  /** The thread goes on to other work, with nothing left of this one. */
  synchronized void end() {
    leave(State.ENDED);
  }

  /** What was stopped stays so: its next step is not begun. */
  private void leave(State next) {
    RUNNING.remove();
    state = state == State.STOPPED ? State.STOPPED : next;
    thread = null;
    Thread.interrupted();
  }

  /**
   * Stops it, unless it is being stored.
   *
   * @return whether it is stopped now, with nothing of it saved
   */
  synchronized boolean stop(String reason) {
    if (state == State.SEALED || state == State.ENDED) {
      return false;
    }
    why = reason;
    state = State.STOPPED;
    if (thread != null) {
      thread.interrupt();
    }
    return true;
  }

  /** Tells how far the work on this thread is. */
  public static void tell(String stage, double done) {
    Work work = RUNNING.get();
    if (work != null) {
      synchronized (work) {
        work.stage = stage;
        work.done = done;
      }
    }
  }

  /**
   * From here on the work on this thread is stored and can no longer be stopped.
   *
   * @throws StoppedException if it was stopped before
   */
  public static void seal() {
    Work work = RUNNING.get();
    if (work == null) {
      return;
    }
    synchronized (work) {
      if (work.state == State.STOPPED) {
        throw new StoppedException(work.why);
      }
      work.state = State.SEALED;
      work.stage = "storing";
    }
  }
}

package idlelens.web.wire;

import java.util.ArrayDeque;
import java.util.Queue;

/** Lets a number through at once; the others wait outside, without a thread. */
final class Turnstile {
  private final Queue<Runnable> waiting = new ArrayDeque<>();
  private int free;

  Turnstile(int places) {
    this.free = places;
  }

  /** Runs it now or when its turn comes. Whoever is through says so with {@link #leave}. */
  void enter(Runnable through) {
    synchronized (this) {
      if (free == 0) {
        waiting.add(through);
        return;
      }
      free--;
    }
    through.run();
  }

  void leave() {
    Runnable next;
    synchronized (this) {
      next = waiting.poll();
      if (next == null) {
        free++;
        return;
      }
    }
    next.run();
  }
}

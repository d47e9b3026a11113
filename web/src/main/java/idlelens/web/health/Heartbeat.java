package idlelens.web.health;

import idlelens.web.database.DatabasePulse;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;

/** Asks the database once a second whether it answers, so that nobody who wants to know waits. */
@Component
class Heartbeat implements DisposableBean {
  private static final long STALE_NANOS = TimeUnit.SECONDS.toNanos(5);

  private final DatabasePulse pulse;
  private final ScheduledExecutorService beats =
      Executors.newSingleThreadScheduledExecutor(
          work -> {
            Thread thread = new Thread(work, "heartbeat");
            thread.setDaemon(true);
            return thread;
          });
  private volatile long lastAnswer;

  Heartbeat(DatabasePulse pulse) {
    this.pulse = pulse;
    beats.scheduleWithFixedDelay(this::beat, 0, 1, TimeUnit.SECONDS);
  }

  private void beat() {
    if (pulse.isThere()) {
      lastAnswer = System.nanoTime();
    } else {
      lastAnswer = 0;
    }
  }

  /** Whether the database answered a moment ago. */
  boolean answers() {
    return lastAnswer != 0 && System.nanoTime() - lastAnswer < STALE_NANOS;
  }

  @Override
  public void destroy() {
    beats.shutdownNow();
  }
}

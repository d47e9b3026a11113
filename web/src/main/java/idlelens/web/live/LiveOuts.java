package idlelens.web.live;

import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Shot;
import java.io.IOException;
import java.net.SocketException;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;

/** What is sent live: nothing until somebody asks, and no longer than his page says so. */
@Component
class LiveOuts implements DisposableBean {
  private static final int MOST = 8;
  private static final double FORGOTTEN_S = 30;
  private static final Logger LOG = LoggerFactory.getLogger(LiveOuts.class);

  private final ScheduledExecutorService clock =
      Executors.newSingleThreadScheduledExecutor(
          task -> {
            Thread thread = new Thread(task, "live-out");
            thread.setDaemon(true);
            return thread;
          });
  private final Map<Key, Sending> open = new HashMap<>();

  private record Key(long account, long shot) {}

  private record Sending(LiveOut out, Future<?> ticks) {
    void close() {
      ticks.cancel(false);
      out.close();
    }
  }

  /** Begins to send, in place of what was sent of the same shot. */
  synchronized LiveOut open(
      long account, long shot, LiveOut.To to, Supplier<Shot> document, double frame) {
    close(account, shot);
    if (open.size() >= MOST) {
      throw new RefusedException(
          "live-out", "one more than " + MOST, "at most " + MOST + " at once");
    }
    try {
      LiveOut out = new LiveOut(to, document, frame);
      long every = (long) (TimeUnit.SECONDS.toNanos(1) / to.rateHz());
      Key key = new Key(account, shot);
      Future<?> ticks =
          clock.scheduleAtFixedRate(() -> tick(key, out), 0, every, TimeUnit.NANOSECONDS);
      open.put(key, new Sending(out, ticks));
      return out;
    } catch (SocketException e) {
      throw new IllegalStateException("no socket to send from", e);
    }
  }

  /** What goes wrong with one ends that one, and nothing else. */
  private void tick(Key key, LiveOut out) {
    try {
      if (out.silentS() > FORGOTTEN_S) {
        LOG.info("Nobody says where the playhead of shot {} is: it is sent no more", key.shot());
        close(key.account(), key.shot());
      } else {
        out.tick();
      }
    } catch (IOException | RuntimeException e) {
      LOG.warn("Shot {} cannot be sent live and is sent no more", key.shot(), e);
      close(key.account(), key.shot());
    }
  }

  synchronized Optional<LiveOut> find(long account, long shot) {
    return Optional.ofNullable(open.get(new Key(account, shot))).map(Sending::out);
  }

  synchronized void close(long account, long shot) {
    Sending sending = open.remove(new Key(account, shot));
    if (sending != null) {
      sending.close();
    }
  }

  @Override
  public synchronized void destroy() {
    open.values().forEach(Sending::close);
    open.clear();
    clock.shutdownNow();
  }
}

package idlelens.web.wire;

import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Queue;

/**
 * Server-sent events for one listener. Whoever tells an event only puts it here; a listener that
 * does not read is let go once its queue is full.
 */
public final class EventQueue implements Pieces {
  private final int most;
  private final Runnable onEnd;
  private final Queue<byte[]> events = new ArrayDeque<>();
  private Runnable wake = () -> {};
  private Runnable letGo = () -> {};
  private boolean closed;

  /**
   * @param most the most events that wait
   * @param onEnd run when the listener is gone, perhaps twice
   */
  public EventQueue(int most, Runnable onEnd) {
    this.most = most;
    this.onEnd = onEnd;
  }

  /** An event as it is sent. */
  public static byte[] event(String name, String data) {
    return ("event:" + name + "\ndata:" + data + "\n\n").getBytes(StandardCharsets.UTF_8);
  }

  /** Puts an event at the end, without waiting. */
  public void tell(byte[] event) {
    Runnable awake;
    boolean full;
    synchronized (this) {
      if (closed) {
        return;
      }
      full = events.size() >= most;
      if (full) {
        closed = true;
        awake = letGo;
      } else {
        events.add(event);
        awake = wake;
      }
    }
    awake.run();
    if (full) {
      onEnd.run(); // also where it never began to read
    }
  }

  /** What waits is sent, and nothing after it. */
  public void close() {
    Runnable awake;
    synchronized (this) {
      closed = true;
      awake = wake;
    }
    awake.run();
  }

  @Override
  public synchronized void begin(Runnable newWake, Runnable newLetGo) {
    wake = newWake;
    letGo = newLetGo;
  }

  @Override
  public synchronized byte[] next() {
    byte[] event = events.poll();
    return event != null ? event : closed ? null : NOTHING_YET;
  }

  @Override
  public long octets() {
    return -1;
  }

  @Override
  public void end() {
    synchronized (this) {
      closed = true;
      events.clear();
    }
    onEnd.run();
  }
}

package idlelens.web.wire;

import jakarta.servlet.AsyncContext;
import jakarta.servlet.AsyncEvent;
import jakarta.servlet.AsyncListener;
import jakarta.servlet.ServletOutputStream;
import jakarta.servlet.WriteListener;
import java.io.IOException;
import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicBoolean;

/**
 * Sends pieces as fast as the other side reads, without a thread that waits for it.
 *
 * <p>Whatever touches the answer, and whatever ends it, has this object's monitor: the server uses
 * the answer of a connection that is over for another one, so that nobody may still be writing when
 * {@link #onComplete} returns. Nothing here waits, so neither does the server.
 */
final class Pump implements WriteListener, AsyncListener {
  private final AsyncContext context;
  private final ServletOutputStream out;
  private final Pieces pieces;
  private final Executor threads;
  private final AtomicBoolean woken = new AtomicBoolean();
  private boolean started;
  private boolean unflushed;
  private boolean ended;

  private Pump(AsyncContext context, ServletOutputStream out, Pieces pieces, Executor threads) {
    this.context = context;
    this.out = out;
    this.pieces = pieces;
    this.threads = threads;
  }

  /**
   * Begins to send.
   *
   * @param patienceMs how long it may take in all; 0 for always
   * @param threads where it goes on when there is something again
   */
  static void start(AsyncContext context, long patienceMs, Pieces pieces, Executor threads)
      throws IOException {
    ServletOutputStream out = context.getResponse().getOutputStream();
    Pump pump = new Pump(context, out, pieces, threads);
    context.setTimeout(patienceMs);
    context.addListener(pump);
    pieces.begin(pump::wake, () -> threads.execute(pump::end));
    out.setWriteListener(pump);
  }

  @Override
  public synchronized void onWritePossible() throws IOException {
    started = true;
    goOn();
  }

  private void wake() {
    if (!woken.getAndSet(true)) {
      threads.execute(this::wokenUp);
    }
  }

  private synchronized void wokenUp() {
    woken.set(false);
    if (!started) {
      return;
    }
    try {
      goOn();
    } catch (IOException | IllegalStateException e) {
      end();
    }
  }

  private void goOn() throws IOException {
    while (!ended && out.isReady()) {
      byte[] piece = pieces.next();
      if (piece == null) {
        end();
      } else if (piece.length > 0) {
        out.write(piece);
        unflushed = true;
      } else if (unflushed) {
        unflushed = false;
        out.flush();
      } else {
        return;
      }
    }
  }

  private synchronized void end() {
    if (!ended) {
      over();
      try {
        context.complete();
      } catch (IllegalStateException alreadyGone) {
        // the server let go of the connection itself
      }
    }
  }

  private void over() {
    ended = true;
    pieces.end();
  }

  @Override
  public void onError(Throwable e) {
    end();
  }

  @Override
  public void onTimeout(AsyncEvent event) {
    end();
  }

  @Override
  public void onError(AsyncEvent event) {
    end();
  }

  @Override
  public synchronized void onComplete(AsyncEvent event) {
    if (!ended) {
      over();
    }
  }

  @Override
  public void onStartAsync(AsyncEvent event) {
    // is not begun again
  }
}

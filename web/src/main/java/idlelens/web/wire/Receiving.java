package idlelens.web.wire;

import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import java.io.IOException;

/** Takes a body as it arrives, without a thread that waits for it. */
final class Receiving implements ReadListener {
  private static final int PIECE = 16 << 10;

  /** What becomes of it: it is here, or gone; before that it may be found too long, once. */
  interface Outcome {
    void here(Spool body);

    void tooLong();

    void gone();
  }

  private final ServletInputStream in;
  private final long mostBytes;
  private final Outcome outcome;
  private final Spool body = new Spool();
  private final byte[] piece = new byte[PIECE];
  private boolean over;
  private boolean thrownAway;

  Receiving(ServletInputStream in, long mostBytes, Outcome outcome) {
    this.in = in;
    this.mostBytes = mostBytes;
    this.outcome = outcome;
  }

  /** Takes what is here already; gives the body if that is all of it. */
  Spool now(long length) throws IOException {
    while (body.length() < length) {
      int count = in.read(piece, 0, (int) Math.min(PIECE, length - body.length()));
      if (count < 0) {
        throw new IOException("The body ends after " + body.length() + " of " + length + " octets");
      }
      body.write(piece, count);
    }
    return body;
  }

  @Override
  public synchronized void onDataAvailable() throws IOException {
    while (!over && in.isReady()) {
      int count = in.read(piece);
      if (count < 0) {
        return;
      }
      if (thrownAway) {
        continue;
      }
      if (body.length() + count > mostBytes) {
        outcome.tooLong();
      } else {
        body.write(piece, count);
      }
    }
  }

  /** What comes from here on is read and not kept. */
  void throwAway() {
    thrownAway = true;
  }

  @Override
  public synchronized void onAllDataRead() {
    if (thrownAway) {
      giveUp();
    } else if (!over) {
      over = true;
      outcome.here(body);
    }
  }

  @Override
  public void onError(Throwable e) {
    giveUp();
  }

  /** Nothing more is waited for. */
  synchronized void giveUp() {
    if (!over) {
      over = true;
      try {
        body.close();
      } catch (IOException e) {
        // a file less to delete
      }
      outcome.gone();
    }
  }
}

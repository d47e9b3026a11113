package idlelens.web.wire;

import jakarta.servlet.AsyncContext;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.Arrays;
import java.util.concurrent.Executor;

/** Sends what was gathered: little at once, much as fast as the other side reads. */
final class Sending {
  private static final int AT_ONCE = 16 << 10;
  private static final int PIECE = 64 << 10;

  private final Duration deadline;
  private final Executor threads;

  Sending(Duration deadline, Executor threads) {
    this.deadline = deadline;
    this.threads = threads;
  }

  void send(HttpServletRequest request, GatheredResponse gathered) throws IOException {
    HttpServletResponse response = (HttpServletResponse) gathered.getResponse();
    byte[] octets = gathered.octets();
    if (gathered.pieces() != null) {
      pump(request, response, gathered.pieces(), 0);
    } else if (response.isCommitted() || request.getMethod().equals("HEAD")) {
      return; // an error page follows, or nothing is asked for
    } else if (octets.length <= AT_ONCE) {
      response.getOutputStream().write(octets);
    } else {
      pump(request, response, inPieces(octets), WireSettings.patienceMs(deadline, octets.length));
    }
  }

  private void pump(
      HttpServletRequest request, HttpServletResponse response, Pieces pieces, long patienceMs)
      throws IOException {
    AsyncContext context = request.startAsync(request, response);
    Pump.start(context, patienceMs, pieces, threads);
  }

  private static Pieces inPieces(byte[] octets) {
    return new Pieces() {
      private int at;

      @Override
      public byte[] next() {
        if (at == octets.length) {
          return null;
        }
        int from = at;
        at = Math.min(octets.length, at + PIECE);
        return Arrays.copyOfRange(octets, from, at);
      }
    };
  }
}

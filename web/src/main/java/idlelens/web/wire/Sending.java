package idlelens.web.wire;

import jakarta.servlet.AsyncContext;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
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
    List<byte[]> parts = gathered.octets();
    long length = parts.stream().mapToLong(p -> p.length).sum();
    Pieces pieces = gathered.pieces();
    if (response.isCommitted() || request.getMethod().equals("HEAD")) {
      if (pieces != null) {
        pieces.end(); // an error page follows, or nothing is asked for
      }
    } else if (pieces != null) {
      pump(request, response, pieces);
    } else if (length <= AT_ONCE) {
      for (byte[] part : parts) {
        response.getOutputStream().write(part);
      }
    } else {
      pump(request, response, inPieces(parts, length));
    }
  }

  private void pump(HttpServletRequest request, HttpServletResponse response, Pieces pieces)
      throws IOException {
    long octets = pieces.octets();
    try {
      AsyncContext context = request.startAsync(request, response);
      long patienceMs = octets < 0 ? 0 : WireSettings.patienceMs(deadline, octets);
      Pump.start(context, patienceMs, pieces, threads);
    } catch (IOException | IllegalStateException e) {
      pieces.end(); // the other side is gone already
      throw e;
    }
  }

  private static Pieces inPieces(List<byte[]> parts, long length) {
    return new Pieces() {
      @Override
      public long octets() {
        return length;
      }

      private int part;
      private int at;

      @Override
      public byte[] next() {
        if (part == parts.size()) {
          return null;
        }
        byte[] from = parts.get(part);
        byte[] piece = Arrays.copyOfRange(from, at, Math.min(from.length, at + PIECE));
        at += piece.length;
        if (at == from.length) {
          part++;
          at = 0;
        }
        return piece;
      }
    };
  }
}

package idlelens.web.wire;

import jakarta.servlet.ServletOutputStream;
import jakarta.servlet.WriteListener;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpServletResponseWrapper;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/** An answer that is gathered first, so that nobody who makes one waits for the other side. */
final class GatheredResponse extends HttpServletResponseWrapper {
  private final Gathered gathered = new Gathered();
  private PrintWriter writer;
  private Pieces pieces;

  GatheredResponse(HttpServletResponse response) {
    super(response);
  }

  /** An answer in pieces, in place of all that is written. */
  void send(Pieces answer) {
    this.pieces = answer;
  }

  Pieces pieces() {
    return pieces;
  }

  /** All that was written, in the parts in which it was. */
  List<byte[]> octets() {
    if (writer != null) {
      writer.flush();
    }
    return gathered.parts();
  }

  @Override
  public ServletOutputStream getOutputStream() {
    return gathered;
  }

  @Override
  public PrintWriter getWriter() {
    if (writer == null) {
      if (getContentType() != null && !getContentType().contains("charset")) {
        setCharacterEncoding("UTF-8");
      }
      writer = new PrintWriter(new OutputStreamWriter(gathered, StandardCharsets.UTF_8));
    }
    return writer;
  }

  @Override
  public void flushBuffer() {
    // all goes out at the end
  }

  @Override
  public void resetBuffer() {
    super.resetBuffer();
    forget();
  }

  private void forget() {
    octets();
    gathered.clear();
  }

  @Override
  public void reset() {
    super.reset();
    forget();
  }

  /** What is large is kept as it is, and not copied: an answer of 64 MB takes 64 MB. */
  private static final class Gathered extends ServletOutputStream {
    private static final int LARGE = 64 << 10;

    private final List<byte[]> parts = new ArrayList<>();
    private final ByteArrayOutputStream small = new ByteArrayOutputStream();

    List<byte[]> parts() {
      if (small.size() > 0) {
        parts.add(small.toByteArray());
        small.reset();
      }
      return parts;
    }

    void clear() {
      small.reset();
      parts.clear();
    }

    @Override
    public void write(int octet) {
      small.write(octet);
    }

    @Override
    public void write(byte[] from, int at, int length) {
      if (length >= LARGE && length == from.length) {
        parts().add(from); // whole arrays of that size are made for the answer
      } else {
        small.write(from, at, length);
      }
    }

    @Override
    public boolean isReady() {
      return true;
    }

    @Override
    public void setWriteListener(WriteListener listener) {
      throw new IllegalStateException("the answer is gathered; there is nothing to wait for");
    }

    @Override
    public void flush() throws IOException {
      // all goes out at the end
    }
  }
}

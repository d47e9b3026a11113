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

  byte[] octets() {
    if (writer != null) {
      writer.flush();
    }
    return gathered.octets.toByteArray();
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
    octets();
    gathered.octets.reset();
  }

  @Override
  public void reset() {
    super.reset();
    octets();
    gathered.octets.reset();
  }

  private static final class Gathered extends ServletOutputStream {
    private final ByteArrayOutputStream octets = new ByteArrayOutputStream();

    @Override
    public void write(int octet) {
      octets.write(octet);
    }

    @Override
    public void write(byte[] from, int at, int length) {
      octets.write(from, at, length);
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

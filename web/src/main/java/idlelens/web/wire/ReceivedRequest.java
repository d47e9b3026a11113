package idlelens.web.wire;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.Part;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.Collection;
import java.util.Collections;
import java.util.Enumeration;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** A request whose body is here as a whole. */
final class ReceivedRequest extends HttpServletRequestWrapper {
  private final Spool body;
  private ServletInputStream in;
  private FormFields fields;
  private List<Part> parts;
  private boolean putOff;

  ReceivedRequest(HttpServletRequest request, Spool body) {
    super(request);
    this.body = body;
  }

  /** From here on it is answered on another thread. */
  void putOff() {
    putOff = true;
  }

  /** That the body was waited for is nobody's business: for all behind, it has just come in. */
  @Override
  public DispatcherType getDispatcherType() {
    return putOff ? super.getDispatcherType() : DispatcherType.REQUEST;
  }

  @Override
  public ServletInputStream getInputStream() throws IOException {
    if (in == null) {
      in = new Stream(body.read());
    }
    return in;
  }

  @Override
  public BufferedReader getReader() throws IOException {
    return new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
  }

  private FormFields fields() {
    if (fields == null) {
      Map<String, String[]> address = super.getParameterMap();
      fields =
          FormParts.isMultipart(getContentType())
              ? FormFields.of(address, partsOrNone())
              : FormFields.of(address, getContentType(), body);
    }
    return fields;
  }

  @Override
  public String getParameter(String name) {
    String[] values = getParameterValues(name);
    return values == null ? null : values[0];
  }

  @Override
  public String[] getParameterValues(String name) {
    return getParameterMap().get(name);
  }

  @Override
  public Map<String, String[]> getParameterMap() {
    return fields().all();
  }

  @Override
  public Enumeration<String> getParameterNames() {
    return Collections.enumeration(Set.copyOf(getParameterMap().keySet()));
  }

  @Override
  public Collection<Part> getParts() throws IOException, ServletException {
    if (parts == null) {
      parts = FormParts.of(this, body.length());
    }
    return parts;
  }

  /** A form that cannot be read has no fields; whoever asks for its parts hears why. */
  private List<Part> partsOrNone() {
    try {
      return List.copyOf(getParts());
    } catch (IOException | ServletException e) {
      return List.of();
    }
  }

  @Override
  public Part getPart(String name) throws IOException, ServletException {
    return getParts().stream().filter(p -> p.getName().equals(name)).findFirst().orElse(null);
  }

  /** The body as a stream that never blocks. */
  private static final class Stream extends ServletInputStream {
    private final InputStream from;
    private boolean finished;

    Stream(InputStream from) {
      this.from = from;
    }

    @Override
    public int read() throws IOException {
      int next = from.read();
      finished = next < 0;
      return next;
    }

    @Override
    public int read(byte[] into, int at, int length) throws IOException {
      int count = from.read(into, at, length);
      finished = count < 0;
      return count;
    }

    @Override
    public boolean isFinished() {
      return finished;
    }

    @Override
    public boolean isReady() {
      return true;
    }

    @Override
    public void setReadListener(ReadListener listener) {
      throw new IllegalStateException("the body is here already");
    }

    @Override
    public void close() throws IOException {
      from.close();
    }
  }
}

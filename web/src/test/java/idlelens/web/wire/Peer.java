package idlelens.web.wire;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.cert.X509Certificate;
import java.util.Arrays;
import javax.net.ssl.SSLContext;
import javax.net.ssl.TrustManager;
import javax.net.ssl.X509TrustManager;

/** The other side of a connection, as slow and as deaf as a test wants it. */
public final class Peer implements AutoCloseable {
  private final Socket socket;

  public Peer(int port) throws IOException {
    this(port, new Socket());
  }

  private Peer(int port, Socket plain) throws IOException {
    socket = plain;
    socket.setReceiveBufferSize(4096); // a deaf one is soon full
    socket.connect(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 2000);
    socket.setSoTimeout(20_000);
  }

  /** Speaks TLS, and trusts everybody. */
  public static Peer tls(int port) throws IOException, GeneralSecurityException {
    SSLContext context = SSLContext.getInstance("TLS");
    context.init(null, new TrustManager[] {new TrustsAll()}, null);
    return new Peer(port, context.getSocketFactory().createSocket());
  }

  private static final class TrustsAll implements X509TrustManager {
    @Override
    public void checkClientTrusted(X509Certificate[] chain, String type) {}

    @Override
    public void checkServerTrusted(X509Certificate[] chain, String type) {}

    @Override
    public X509Certificate[] getAcceptedIssuers() {
      return new X509Certificate[0];
    }
  }

  /** Sends some text, and waits for nothing. */
  public Peer say(String text) throws IOException {
    OutputStream out = socket.getOutputStream();
    out.write(text.getBytes(StandardCharsets.ISO_8859_1));
    out.flush();
    return this;
  }

  /** Asks for something with no body. */
  public Peer ask(String method, String path, String... headers) throws IOException {
    boolean named = Arrays.stream(headers).anyMatch(header -> header.startsWith("Host:"));
    StringBuilder head = new StringBuilder(method + " " + path + " HTTP/1.1\r\n");
    if (!named) {
      head.append("Host: localhost\r\n");
    }
    for (String header : headers) {
      head.append(header).append("\r\n");
    }
    return say(head.append("\r\n").toString());
  }

  /** Reads until some text has come; gives all up to it, or up to the end of the connection. */
  public String hear(String until) throws IOException {
    StringBuilder heard = new StringBuilder();
    InputStream in = socket.getInputStream();
    while (heard.indexOf(until) < 0) {
      int next = in.read();
      if (next < 0) {
        return heard.toString();
      }
      heard.append((char) next);
    }
    return heard.toString();
  }

  /**
   * Waits until the answer is over: its last chunk has come, or the end of the connection.
   *
   * @throws java.net.SocketTimeoutException if it goes on
   */
  public void awaitEnd() throws IOException {
    hear("\r\n0\r\n\r\n");
  }

  @Override
  public void close() throws IOException {
    socket.close();
  }
}

package idlelens.receiver;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.Properties;

/** Serves the page, the loaders and the files that were handed over, on loopback only. */
public final class ReceiverServer implements AutoCloseable {
  private static final String PAGE = "/receiver/";
  private static final String LOADERS = "/META-INF/resources/webjars/three/";
  private static final Map<String, String> TYPES =
      Map.of(
          "html", "text/html;charset=utf-8",
          "js", "text/javascript;charset=utf-8",
          "css", "text/css;charset=utf-8",
          "json", "application/json",
          "png", "image/png");

  private final HttpServer server;
  private final HandedFiles files;
  private final String version;

  private ReceiverServer(HandedFiles files, int port) throws IOException {
    this.files = files;
    this.version = version();
    this.server =
        HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
    server.createContext("/", this::answer);
    server.start();
  }

  /**
   * Serves a hand-off.
   *
   * @param handedOff a zip, a folder, or one file
   * @param port on loopback, 0 for a free one
   * @throws IOException if it cannot be read or the port is taken
   */
  public static ReceiverServer open(Path handedOff, int port) throws IOException {
    return new ReceiverServer(HandedFiles.of(handedOff), port);
  }

  /** Which loaders came along. */
  private static String version() throws IOException {
    String name = "/META-INF/maven/org.webjars.npm/three/pom.properties";
    try (InputStream in = ReceiverServer.class.getResourceAsStream(name)) {
      Properties properties = new Properties();
      properties.load(in);
      return properties.getProperty("version");
    }
  }

  /** Where it listens. */
  public String address() {
    return "http://127.0.0.1:" + server.getAddress().getPort();
  }

  private void answer(HttpExchange exchange) throws IOException {
    try (exchange) {
      String path = exchange.getRequestURI().getPath();
      Optional<byte[]> found =
          exchange.getRequestMethod().equals("GET") ? find(path) : Optional.empty();
      byte[] body = found.orElse("There is no such file".getBytes(StandardCharsets.UTF_8));
      String ending = path.equals("/") ? "html" : path.substring(path.lastIndexOf('.') + 1);
      exchange
          .getResponseHeaders()
          .set("Content-Type", TYPES.getOrDefault(ending, "application/octet-stream"));
      exchange.getResponseHeaders().set("Cache-Control", "no-store");
      exchange.sendResponseHeaders(found.isPresent() ? 200 : 404, body.length);
      exchange.getResponseBody().write(body);
    }
  }

  private Optional<byte[]> find(String path) throws IOException {
    if (path.equals("/names.json")) {
      return Optional.of(files.names().getBytes(StandardCharsets.UTF_8));
    }
    if (path.startsWith("/handed/")) {
      return files.find(path.substring("/handed/".length()));
    }
    if (path.startsWith("/three/")) {
      return resource(LOADERS + version + path.substring("/three".length()));
    }
    return resource(PAGE + (path.equals("/") ? "index.html" : path.substring(1)));
  }

  private static Optional<byte[]> resource(String name) throws IOException {
    if (name.contains("..")) {
      return Optional.empty();
    }
    try (InputStream in = ReceiverServer.class.getResourceAsStream(name)) {
      return in == null ? Optional.empty() : Optional.of(in.readAllBytes());
    }
  }

  @Override
  public void close() {
    server.stop(0);
  }
}

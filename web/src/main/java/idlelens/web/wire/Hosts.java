package idlelens.web.wire;

import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;

/** The names by which the service may be asked for. */
final class Hosts {
  private static final List<String> LOOPBACK = List.of("localhost", "127.0.0.1", "[::1]");

  private final List<String> names;

  /**
   * @param names names or addresses without ports, beside those of loopback
   */
  Hosts(List<String> names) {
    this.names =
        Stream.concat(
                LOOPBACK.stream(), names.stream().map(n -> n.strip().toLowerCase(Locale.ROOT)))
            .toList();
  }

  boolean allow(String host) {
    if (host == null) {
      return false;
    }
    int port = host.lastIndexOf(':');
    boolean hasPort = port > host.lastIndexOf(']') && port > 0;
    String name = hasPort ? host.substring(0, port) : host;
    return names.contains(name.toLowerCase(Locale.ROOT));
  }
}

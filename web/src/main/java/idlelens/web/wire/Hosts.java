package idlelens.web.wire;

import java.util.List;
import java.util.Locale;

/** The names by which the service may be asked for. */
final class Hosts {
  private static final List<String> LOOPBACK = List.of("localhost", "127.0.0.1", "[::1]");

  private final List<String> names;

  /**
   * @param names names or addresses without ports; none for those of loopback
   */
  Hosts(List<String> names) {
    List<String> given = names.stream().map(String::strip).filter(n -> !n.isEmpty()).toList();
    this.names = given.isEmpty() ? LOOPBACK : given;
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

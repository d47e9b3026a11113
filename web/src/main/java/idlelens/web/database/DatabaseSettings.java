package idlelens.web.database;

import java.nio.file.Path;
import java.util.List;
import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * Where the database is.
 *
 * @param url JDBC address of a MariaDB of the house, or empty to start a private one
 * @param user its user
 * @param password its password
 * @param connections the most connections at once
 * @param folder data folder of the private server
 * @param port port of the private server on loopback, 0 for a free one
 * @param options further options for the private server
 */
@ConfigurationProperties("idle-lens.database")
public record DatabaseSettings(
    String url,
    String user,
    String password,
    int connections,
    Path folder,
    int port,
    List<String> options) {
  public DatabaseSettings {
    options = options == null ? List.of() : List.copyOf(options);
  }

  /** Whether the server is ours to start. */
  public boolean isOwn() {
    return url == null || url.isBlank();
  }
}

package idlelens.web.database;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.Optional;
import javax.sql.DataSource;
import org.springframework.boot.context.properties.EnableConfigurationProperties;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Connects to the database, starting it first where it is ours. */
@Configuration
@EnableConfigurationProperties(DatabaseSettings.class)
class DatabaseConfiguration {
  /** How long a request waits for a connection before it is told that there is none. */
  private static final long PATIENCE_MS = 4000;

  /** Nothing is cut to fit, and texts mean the same, however the server is set up. */
  private static final String MODE =
      "sql_mode='STRICT_ALL_TABLES,ERROR_FOR_DIVISION_BY_ZERO,NO_ENGINE_SUBSTITUTION'";

  /** Holds the private server, if there is one, so that it ends after the connections do. */
  record Server(Optional<PrivateMariaDb> ours, Instant since)
      implements AutoCloseable, DatabaseWatch {
    @Override
    public DatabaseState state() {
      return ours.map(PrivateMariaDb::state).orElseGet(() -> DatabaseState.foreign(since));
    }

    @Override
    public void close() {
      ours.ifPresent(PrivateMariaDb::close);
    }
  }

  @Bean
  Server databaseServer(DatabaseSettings settings) throws IOException {
    Optional<PrivateMariaDb> ours =
        settings.isOwn()
            ? Optional.of(
                PrivateMariaDb.start(settings.folder(), settings.port(), settings.options()))
            : Optional.empty();
    return new Server(ours, Instant.now());
  }

  @Bean
  DataSource dataSource(Server server, DatabaseSettings settings) throws SQLException {
    HikariConfig config = connection(server, settings);
    config.setMaximumPoolSize(settings.connections());
    config.setMinimumIdle(2);
    config.addDataSourceProperty("maxAllowedPacket", largestPacket(server, settings));
    return new HikariDataSource(config);
  }

  /**
   * The largest statement the database takes, in octets, as it says itself. With it the driver
   * refuses what is larger before a byte is sent; the server would break off while it is written.
   */
  private static int largestPacket(Server server, DatabaseSettings settings) throws SQLException {
    HikariConfig config = connection(server, settings);
    config.setMaximumPoolSize(1);
    try (HikariDataSource asking = new HikariDataSource(config);
        Connection connection = asking.getConnection();
        Statement statement = connection.createStatement();
        ResultSet answer = statement.executeQuery("select @@max_allowed_packet")) {
      answer.next();
      return answer.getInt(1);
    }
  }

  private static HikariConfig connection(Server server, DatabaseSettings settings) {
    HikariConfig config = new HikariConfig();
    config.setJdbcUrl(server.ours().map(PrivateMariaDb::url).orElse(settings.url()));
    config.setUsername(server.ours().map(PrivateMariaDb::user).orElse(settings.user()));
    config.setPassword(server.ours().map(PrivateMariaDb::password).orElse(settings.password()));
    config.setConnectionTimeout(PATIENCE_MS);
    config.setInitializationFailTimeout(20_000);
    config.addDataSourceProperty("connectTimeout", "3000");
    config.addDataSourceProperty("socketTimeout", "20000");
    config.addDataSourceProperty("sessionVariables", MODE);
    return config;
  }
}

package idlelens.web.database;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
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
  DataSource dataSource(Server server, DatabaseSettings settings) {
    HikariConfig config = new HikariConfig();
    config.setJdbcUrl(server.ours().map(PrivateMariaDb::url).orElse(settings.url()));
    config.setUsername(server.ours().map(PrivateMariaDb::user).orElse(settings.user()));
    config.setPassword(server.ours().map(PrivateMariaDb::password).orElse(settings.password()));
    config.setMaximumPoolSize(settings.connections());
    config.setMinimumIdle(2);
    config.setConnectionTimeout(PATIENCE_MS);
    config.setInitializationFailTimeout(20_000);
    config.addDataSourceProperty("connectTimeout", "3000");
    config.addDataSourceProperty("socketTimeout", "20000");
    return new HikariDataSource(config);
  }
}

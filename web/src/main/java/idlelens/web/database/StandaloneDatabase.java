package idlelens.web.database;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.sql.DataSource;
import org.flywaydb.core.Flyway;
import org.jooq.DSLContext;
import org.jooq.SQLDialect;
import org.jooq.impl.DSL;
import org.springframework.jdbc.datasource.DataSourceTransactionManager;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import org.springframework.jdbc.datasource.TransactionAwareDataSourceProxy;

/**
 * The database for a command, beside the application or without it: the one named by
 * IDLE_LENS_DB_URL, else the private one, which is started for the time if it does not run.
 */
public final class StandaloneDatabase implements AutoCloseable {
  private final PrivateMariaDb started;
  private final DataSource source;

  private StandaloneDatabase(PrivateMariaDb started, DataSource source) {
    this.started = started;
    this.source = source;
  }

  /**
   * @param environment the variables that the application is started with
   * @throws IOException if a server of our own does not start
   */
  public static StandaloneDatabase open(Map<String, String> environment) throws IOException {
    String url = environment.getOrDefault("IDLE_LENS_DB_URL", "");
    if (!url.isBlank()) {
      return new StandaloneDatabase(
          null,
          new DriverManagerDataSource(
              url,
              environment.getOrDefault("IDLE_LENS_DB_USER", PrivateMariaDb.NAME),
              environment.getOrDefault("IDLE_LENS_DB_PASSWORD", "")));
    }
    Path folder = Path.of(environment.getOrDefault("IDLE_LENS_VAR", "var"), "database");
    Optional<PrivateMariaDb> running = PrivateMariaDb.runningAt(folder);
    PrivateMariaDb ours =
        running.isPresent() ? running.get() : PrivateMariaDb.start(folder, 0, List.of());
    DataSource source = new DriverManagerDataSource(ours.url(), ours.user(), ours.password());
    return new StandaloneDatabase(running.isPresent() ? null : ours, source);
  }

  /** Makes the tables that are missing. */
  public StandaloneDatabase migrated() {
    Flyway.configure().dataSource(source).load().migrate();
    return this;
  }

  public DSLContext sql() {
    return DSL.using(new TransactionAwareDataSourceProxy(source), SQLDialect.MARIADB);
  }

  public Transactions transactions() {
    return new Transactions(new DataSourceTransactionManager(source));
  }

  @Override
  public void close() {
    if (started != null) {
      started.close();
    }
  }
}

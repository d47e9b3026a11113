package idlelens.web.database;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.web.app.IdleLensExtension;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class PrivateMariaDbTest {
  private Path folder;

  @BeforeEach
  void makeFolder() throws Exception {
    folder = Files.createTempDirectory("idle-lens-database");
  }

  @AfterEach
  void deleteFolder() throws Exception {
    IdleLensExtension.deleteFolder(folder);
  }

  private static Connection connect(PrivateMariaDb database) throws SQLException {
    return DriverManager.getConnection(database.url(), database.user(), database.password());
  }

  @Test
  void start_useStopStart_keepsTheDataAndThePassword() throws Exception {
    String password;
    try (PrivateMariaDb first = PrivateMariaDb.start(folder, 0, List.of())) {
      password = first.password();
      try (Connection connection = connect(first)) {
        connection.createStatement().execute("create table tern (id int)");
        connection.createStatement().execute("insert into tern values (7)");
      }
      assertThatThrownBy(() -> DriverManager.getConnection(first.url(), first.user(), "guess"))
          .isInstanceOf(SQLException.class);
    }
    try (PrivateMariaDb again = PrivateMariaDb.start(folder, 0, List.of());
        Connection connection = connect(again);
        ResultSet row = connection.createStatement().executeQuery("select id from tern")) {
      assertThat(again.password()).isEqualTo(password);
      assertThat(row.next()).isTrue();
      assertThat(row.getInt(1)).isEqualTo(7);
    }
    assertThat(Files.getPosixFilePermissions(folder.resolve("password"))).hasSize(2);
  }

  @Test
  void close_endsTheServerThatWasStarted() throws Exception {
    PrivateMariaDb database = PrivateMariaDb.start(folder, 0, List.of());
    long id = database.processId();
    assertThat(ProcessHandle.of(id)).isPresent();
    database.close();
    assertThat(ProcessHandle.of(id).filter(ProcessHandle::isAlive)).isEmpty();
  }

  @Test
  void start_thatFails_namesTheLog() {
    assertThatThrownBy(() -> PrivateMariaDb.start(folder, 0, List.of("--no-such-option")))
        .hasMessageContaining("The database does not start; see " + folder.resolve("server.log"));
  }
}

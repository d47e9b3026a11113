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
import java.util.stream.Stream;
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

  private static void waitUntilUp(PrivateMariaDb database) throws InterruptedException {
    for (int i = 0; i < 600; i++) {
      if (database.state().state() == DatabaseState.State.UP && canConnect(database)) {
        return;
      }
      Thread.sleep(50);
    }
    throw new AssertionError("It is not up: " + database.state());
  }

  private static boolean canConnect(PrivateMariaDb database) {
    try (Connection connection = connect(database)) {
      return connection.isValid(1);
    } catch (SQLException e) {
      return false;
    }
  }

  private static void kill(PrivateMariaDb database) {
    ProcessHandle.of(database.processId()).ifPresent(ProcessHandle::destroyForcibly);
  }

  @Test
  void killedAgainWhileItStarts_isBroughtBack_howeverOften() throws Exception {
    try (PrivateMariaDb database = PrivateMariaDb.start(folder, 0, List.of())) {
      for (int pause : new int[] {0, 20, 60, 150, 400}) {
        kill(database);
        Thread.sleep(pause);
        kill(database);
      }
      waitUntilUp(database);
      assertThat(database.state().tries()).isZero();
    }
  }

  @Test
  void whileItCannotStart_itSaysSo_andComesBackOnceItCan() throws Exception {
    try (PrivateMariaDb database = PrivateMariaDb.start(folder, 0, List.of())) {
      // without its data it cannot start
      Path data = folder.resolve("data");
      Path away = folder.resolve("away");
      kill(database);
      Files.move(data, away);
      for (int i = 0; i < 200 && database.state().tries() == 0; i++) {
        Thread.sleep(50);
      }
      assertThat(database.state().state()).isEqualTo(DatabaseState.State.STARTING);
      assertThat(database.state().words()).contains("is being started again (tried ");
      deleteWhatTheServerMade(data);
      Files.move(away, data);
      waitUntilUp(database);
    }
  }

  private static void deleteWhatTheServerMade(Path data) throws Exception {
    if (Files.exists(data)) {
      IdleLensExtension.deleteFolder(data);
    }
  }

  @Test
  void setUpThatWasInterrupted_isBegunAnew() throws Exception {
    // what a kill leaves: half of a data folder under its working name, an empty password file
    Files.createDirectories(folder.resolve("data.new-1/mysql"));
    Files.writeString(folder.resolve("data.new-1/mysql/half"), "x");
    Files.createFile(folder.resolve("password"));
    Files.writeString(folder.resolve("server.pid"), "");
    try (PrivateMariaDb database = PrivateMariaDb.start(folder, 0, List.of())) {
      assertThat(canConnect(database)).isTrue();
      assertThat(database.password()).hasSize(48);
    }
    assertThat(folder.resolve("data.new-1")).doesNotExist();
  }

  @Test
  void halfADataFolder_ofAnEarlierVersion_isPutAsideAndSetUpAnew() throws Exception {
    Files.createDirectories(folder.resolve("data/mysql"));
    Files.writeString(folder.resolve("data/ibdata1"), "cut short");
    try (PrivateMariaDb database = PrivateMariaDb.start(folder, 0, List.of())) {
      assertThat(canConnect(database)).isTrue();
    }
    try (Stream<Path> all = Files.list(folder)) {
      assertThat(all.map(p -> p.getFileName().toString()))
          .anyMatch(name -> name.startsWith("data.unusable-"));
    }
  }

  @Test
  void dataThatHoldsSomething_isNeverPutAside() throws Exception {
    try (PrivateMariaDb first = PrivateMariaDb.start(folder, 0, List.of())) {
      assertThat(canConnect(first)).isTrue();
    }
    Files.writeString(folder.resolve("data/ibdata1"), "damaged");
    assertThatThrownBy(() -> PrivateMariaDb.start(folder, 0, List.of()))
        .hasMessageContaining("The database does not start");
    assertThat(folder.resolve("data/idle_lens")).isDirectory();
  }
}

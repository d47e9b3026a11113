package idlelens.web.database;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * A {@code mariadbd} of our own: data in one folder, listening on loopback only, watched and
 * started again for as long as the application runs, stopped by the process id we started.
 */
public final class PrivateMariaDb implements AutoCloseable {
  static final String NAME = "idle_lens";

  private static final Logger LOG = LoggerFactory.getLogger(PrivateMariaDb.class);
  private static final Duration ENDS_WITHIN = Duration.ofSeconds(30);
  private static final Duration PATIENCE = Duration.ofSeconds(60);
  private static final Duration FIRST_PAUSE = Duration.ofMillis(250);
  private static final Duration LONGEST_PAUSE = Duration.ofSeconds(20);

  private final DataFolder folder;
  private final int port;
  private final List<String> options;
  private final String password;
  private volatile Process server;
  private volatile boolean closing;
  private volatile DatabaseState.State state = DatabaseState.State.STARTING;
  private volatile Instant since = Instant.now();
  private volatile int tries;
  private volatile String why = "";

  private PrivateMariaDb(DataFolder folder, int port, List<String> options) throws IOException {
    this.folder = folder;
    this.port = port;
    this.options = options;
    this.password = folder.password();
  }

  /**
   * Starts the server and waits until it answers.
   *
   * @param folder its folder, made if it is missing
   * @param port a port on loopback, 0 for a free one
   * @param options further options of the server
   * @throws IOException saying what is missing, and where its log is
   */
  public static PrivateMariaDb start(Path folder, int port, List<String> options)
      throws IOException {
    DataFolder home = DataFolder.at(folder);
    home.endForgottenServer();
    PrivateMariaDb database =
        new PrivateMariaDb(home, port == 0 ? freePort() : port, List.copyOf(options));
    database.startFirst();
    database.watch();
    return database;
  }

  /**
   * The server of an application that runs, to be used beside it and not ended.
   *
   * @return empty if none runs on that folder
   */
  static Optional<PrivateMariaDb> runningAt(Path folder) throws IOException {
    DataFolder home = DataFolder.at(folder);
    if (home.running().isEmpty() || !Files.exists(home.portFile())) {
      return Optional.empty();
    }
    int port = Integer.parseInt(Files.readString(home.portFile()).strip());
    return Optional.of(new PrivateMariaDb(home, port, List.of()));
  }

  private static int freePort() throws IOException {
    try (ServerSocket socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
      return socket.getLocalPort();
    }
  }

  /** A folder that never held anything of ours and does not start is set up anew, once. */
  private void startFirst() throws IOException {
    if (!folder.isSetUp()) {
      folder.setUp(Programs.asRoot());
    }
    try {
      launch();
    } catch (IOException e) {
      if (folder.holdsSomething()) {
        throw e;
      }
      folder.setUp(Programs.asRoot());
      launch();
    }
  }

  private void launch() throws IOException {
    server = Programs.run(command(), folder.log());
    waitUntilItAnswers();
    folder.write(folder.portFile(), Integer.toString(port));
    state = DatabaseState.State.UP;
    since = Instant.now();
    tries = 0;
    why = "";
  }

  private List<String> command() throws IOException {
    Path setUp =
        folder.write(
            "set-up.sql",
            """
            CREATE DATABASE IF NOT EXISTS %1$s CHARACTER SET utf8mb4;
            CREATE OR REPLACE USER '%1$s'@'%%' IDENTIFIED BY '%2$s';
            GRANT ALL ON %1$s.* TO '%1$s'@'%%';
            """
                .formatted(NAME, password));
    List<String> command =
        new ArrayList<>(
            List.of(
                Programs.find("mariadbd"),
                "--no-defaults",
                "--datadir=" + folder.data(),
                "--bind-address=127.0.0.1",
                "--port=" + port,
                "--socket=" + socketFile(),
                "--pid-file=" + folder.pidFile(),
                "--init-file=" + setUp,
                "--character-set-server=utf8mb4",
                "--skip-name-resolve",
                "--skip-log-bin",
                "--innodb-flush-log-at-trx-commit=1",
                "--innodb-buffer-pool-size=128M",
                "--innodb-lock-wait-timeout=5",
                "--max-allowed-packet=256M"));
    command.addAll(options);
    command.addAll(Programs.asRoot());
    return command;
  }

  /**
   * Socket paths may have 107 characters at most, so it lies in the folder for short-lived files.
   */
  private Path socketFile() {
    return Path.of(System.getProperty("java.io.tmpdir"), "idle-lens-" + port + ".sock");
  }

  private void watch() {
    Thread watcher = new Thread(this::watchOn, "database-watcher");
    watcher.setDaemon(true);
    watcher.start();
  }

  /** As long as the application runs: when the server ends, it is started again, and again. */
  private void watchOn() {
    try {
      while (!closing) {
        server.waitFor();
        if (!closing) {
          startAgain();
        }
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private void startAgain() throws InterruptedException {
    LOG.warn("The database server {} ended by itself; starting it again", server.pid());
    state = DatabaseState.State.STARTING;
    since = Instant.now();
    Duration pause = FIRST_PAUSE;
    while (!closing && state != DatabaseState.State.UP) {
      try {
        launch();
        LOG.info("The database answers again");
      } catch (IOException e) {
        tries++;
        why = folder.isFull() ? "no space is left on its disk" : e.getMessage();
        LOG.error(
            "The database could not be started again ({} times so far); until then nothing can be"
                + " saved. {}",
            tries,
            why);
        Thread.sleep(pause.toMillis());
        pause = shorter(pause.multipliedBy(2), LONGEST_PAUSE);
      }
    }
  }

  private static Duration shorter(Duration a, Duration b) {
    return a.compareTo(b) < 0 ? a : b;
  }

  private void waitUntilItAnswers() throws IOException {
    long end = System.nanoTime() + PATIENCE.toNanos();
    while (System.nanoTime() < end && server.isAlive() && !closing) {
      try (Socket socket = new Socket()) {
        socket.connect(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 500);
        return;
      } catch (IOException notYet) {
        pause();
      }
    }
    server.destroyForcibly(); // it would hold the data against the next one
    throw new IOException("The database does not start; see " + folder.log());
  }

  private static void pause() {
    try {
      Thread.sleep(25);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  /** How it is. */
  public DatabaseState state() {
    return new DatabaseState(state, since, tries, why, folder.isFull());
  }

  public String url() {
    // statements prepared on the server take documents as they are, without escaping
    return "jdbc:mariadb://127.0.0.1:" + port + "/" + NAME + "?useServerPrepStmts=true";
  }

  public String user() {
    return NAME;
  }

  public String password() {
    return password;
  }

  /** Process id of the running server. */
  public long processId() {
    return server.pid();
  }

  @Override
  public void close() {
    closing = true;
    Process running = server;
    if (running == null) {
      return; // it is somebody else's to end
    }
    running.destroy();
    try {
      if (!running.waitFor(ENDS_WITHIN.toSeconds(), TimeUnit.SECONDS)) {
        LOG.warn(
            "The database server {} does not end when asked and is killed; what is stored is on disk",
            running.pid());
        running.destroyForcibly().waitFor(ENDS_WITHIN.toSeconds(), TimeUnit.SECONDS);
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}

package idlelens.web.database;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.SecureRandom;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * A {@code mariadbd} of our own: data in one folder, listening on loopback only, started again if
 * it ends by itself, stopped by the process id we started.
 */
public final class PrivateMariaDb implements AutoCloseable {
  private static final Logger LOG = LoggerFactory.getLogger(PrivateMariaDb.class);
  private static final Duration PATIENCE = Duration.ofSeconds(60);
  private static final String NAME = "idle_lens";

  private final Path folder;
  private final int port;
  private final List<String> options;
  private final String password;
  private volatile Process server;
  private volatile boolean closing;

  private PrivateMariaDb(Path folder, int port, List<String> options, String password) {
    this.folder = folder;
    this.port = port;
    this.options = options;
    this.password = password;
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
    Path home = folder.toAbsolutePath();
    Files.createDirectories(home);
    endForgottenServer(home);
    PrivateMariaDb database =
        new PrivateMariaDb(
            home, port == 0 ? freePort() : port, List.copyOf(options), password(home));
    database.install();
    database.launch();
    return database;
  }

  private static int freePort() throws IOException {
    try (ServerSocket socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
      return socket.getLocalPort();
    }
  }

  private static String password(Path folder) throws IOException {
    Path file = folder.resolve("password");
    if (!Files.exists(file)) {
      byte[] random = new byte[24];
      new SecureRandom().nextBytes(random);
      Files.createFile(
          file, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
      Files.writeString(file, HexFormat.of().formatHex(random));
    }
    return Files.readString(file).strip();
  }

  /** A server that outlived its application holds the data: end it, by the id it was given. */
  private static void endForgottenServer(Path folder) throws IOException {
    Path file = folder.resolve("server.pid");
    if (!Files.exists(file)) {
      return;
    }
    Optional<ProcessHandle> forgotten =
        ProcessHandle.of(Long.parseLong(Files.readString(file).strip()))
            .filter(p -> commandLine(p).contains("--datadir=" + folder.resolve("data")));
    if (forgotten.isPresent()) {
      LOG.info("Ending the database server {} that an earlier run left", forgotten.get().pid());
      forgotten.get().destroy();
      try {
        forgotten.get().onExit().get(PATIENCE.toSeconds(), TimeUnit.SECONDS);
      } catch (InterruptedException | ExecutionException | TimeoutException e) {
        throw new IOException("The database server of an earlier run does not end", e);
      }
    }
    Files.deleteIfExists(file);
  }

  private static String commandLine(ProcessHandle process) {
    try {
      return Files.readString(Path.of("/proc", Long.toString(process.pid()), "cmdline"))
          .replace('\0', ' ');
    } catch (IOException e) {
      return process.info().commandLine().orElse("");
    }
  }

  private void install() throws IOException {
    if (Files.isDirectory(folder.resolve("data/mysql"))) {
      return;
    }
    List<String> command = new ArrayList<>();
    command.add(program("mariadb-install-db"));
    command.add("--no-defaults");
    command.add("--datadir=" + folder.resolve("data"));
    command.add("--auth-root-authentication-method=socket");
    command.add("--skip-test-db");
    asRoot(command);
    Process install = run(command);
    try {
      if (!install.waitFor(PATIENCE.toSeconds(), TimeUnit.SECONDS) || install.exitValue() != 0) {
        throw new IOException("The database could not be set up; see " + log());
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IOException("Interrupted while the database was set up", e);
    }
  }

  private synchronized void launch() throws IOException {
    Path setUp = folder.resolve("set-up.sql");
    Files.writeString(
        setUp,
        "CREATE DATABASE IF NOT EXISTS "
            + NAME
            + " CHARACTER SET utf8mb4;\n"
            + "CREATE OR REPLACE USER '"
            + NAME
            + "'@'%' IDENTIFIED BY '"
            + password
            + "';\n"
            + "GRANT ALL ON "
            + NAME
            + ".* TO '"
            + NAME
            + "'@'%';\n");
    Files.setPosixFilePermissions(setUp, PosixFilePermissions.fromString("rw-------"));
    List<String> command = new ArrayList<>();
    command.add(program("mariadbd"));
    command.add("--no-defaults");
    command.add("--datadir=" + folder.resolve("data"));
    command.add("--bind-address=127.0.0.1");
    command.add("--port=" + port);
    command.add("--socket=" + socketFile());
    command.add("--pid-file=" + folder.resolve("server.pid"));
    command.add("--init-file=" + setUp);
    command.add("--character-set-server=utf8mb4");
    command.add("--skip-name-resolve");
    command.add("--skip-log-bin");
    command.add("--innodb-flush-log-at-trx-commit=1");
    command.add("--innodb-buffer-pool-size=128M");
    command.add("--max-allowed-packet=256M");
    command.addAll(options);
    asRoot(command);
    server = run(command);
    waitUntilItAnswers();
    server.onExit().thenAccept(this::restart);
  }

  /**
   * Socket paths may have 107 characters at most, so it lies in the folder for short-lived files.
   */
  private Path socketFile() {
    return Path.of(System.getProperty("java.io.tmpdir"), "idle-lens-" + port + ".sock");
  }

  private static void asRoot(List<String> command) {
    if ("root".equals(System.getProperty("user.name"))) {
      command.add("--user=root");
    }
  }

  private void restart(Process ended) {
    if (closing) {
      return;
    }
    LOG.warn("The database server {} ended by itself; starting it again", ended.pid());
    try {
      launch();
      LOG.info("The database answers again");
    } catch (IOException e) {
      LOG.error("The database could not be started again; nothing can be saved: {}", log(), e);
    }
  }

  private void waitUntilItAnswers() throws IOException {
    long end = System.nanoTime() + PATIENCE.toNanos();
    while (System.nanoTime() < end && server.isAlive()) {
      try (Socket socket = new Socket()) {
        socket.connect(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 500);
        return;
      } catch (IOException notYet) {
        pause();
      }
    }
    throw new IOException("The database does not start; see " + log());
  }

  private static void pause() {
    try {
      Thread.sleep(25);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private Process run(List<String> command) throws IOException {
    return new ProcessBuilder(command)
        .redirectErrorStream(true)
        .redirectOutput(ProcessBuilder.Redirect.appendTo(log().toFile()))
        .start();
  }

  private static String program(String name) throws IOException {
    List<String> folders = new ArrayList<>(List.of(System.getenv("PATH").split(":")));
    folders.add("/usr/sbin");
    for (String each : folders) {
      Path candidate = Path.of(each, name);
      if (Files.isExecutable(candidate)) {
        return candidate.toString();
      }
    }
    throw new IOException(
        name
            + " was not found. Install the package mariadb-server, or name a database of your own"
            + " in IDLE_LENS_DB_URL");
  }

  private Path log() {
    return folder.resolve("server.log");
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
    running.destroy();
    try {
      if (!running.waitFor(PATIENCE.toSeconds(), TimeUnit.SECONDS)) {
        LOG.warn("The database server {} does not end; its log is {}", running.pid(), log());
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}

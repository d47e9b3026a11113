package idlelens.web.database;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.SecureRandom;
import java.time.Duration;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The folder of the private server. What is made in it has its name only once it is whole, so that
 * a set-up that was interrupted is simply begun anew.
 */
final class DataFolder {
  private static final Logger LOG = LoggerFactory.getLogger(DataFolder.class);
  private static final Duration PATIENCE = Duration.ofSeconds(60);
  private static final String UNFINISHED = "data.new-";
  private static final long FULL_BELOW_BYTES = 4 << 20;

  private final Path folder;

  private DataFolder(Path folder) {
    this.folder = folder;
  }

  static DataFolder at(Path folder) throws IOException {
    Path home = folder.toAbsolutePath();
    Files.createDirectories(home);
    return new DataFolder(home);
  }

  Path data() {
    return folder.resolve("data");
  }

  Path log() {
    return folder.resolve("server.log");
  }

  Path pidFile() {
    return folder.resolve("server.pid");
  }

  Path portFile() {
    return folder.resolve("server.port");
  }

  /** The password of the server's user, made when it is first asked for. */
  String password() throws IOException {
    Path file = folder.resolve("password");
    if (!Files.exists(file) || Files.size(file) == 0) {
      byte[] random = new byte[24];
      new SecureRandom().nextBytes(random);
      write(file, HexFormat.of().formatHex(random));
    }
    return Files.readString(file).strip();
  }

  /** Writes a small file that only its owner may read, whole or not at all. */
  Path write(Path file, String text) throws IOException {
    Path fresh = Files.createTempFile(folder, "new", ".part");
    Files.setPosixFilePermissions(fresh, PosixFilePermissions.fromString("rw-------"));
    Files.writeString(fresh, text);
    return Files.move(fresh, file, StandardCopyOption.ATOMIC_MOVE);
  }

  Path write(String name, String text) throws IOException {
    return write(folder.resolve(name), text);
  }

  /** Whether the database of ours was ever in use here: then there is something to lose. */
  boolean holdsSomething() {
    return Files.isDirectory(data().resolve(PrivateMariaDb.NAME));
  }

  boolean isSetUp() {
    return Files.isDirectory(data().resolve("mysql"));
  }

  /** Makes the tables of the server itself. */
  void setUp(List<String> asWhom) throws IOException {
    deleteUnfinished();
    Path fresh = Files.createTempDirectory(folder, UNFINISHED);
    List<String> command =
        Stream.concat(
                Stream.of(
                    Programs.find("mariadb-install-db"),
                    "--no-defaults",
                    "--datadir=" + fresh,
                    "--auth-root-authentication-method=socket",
                    "--skip-test-db"),
                asWhom.stream())
            .toList();
    Process install = Programs.run(command, log());
    try {
      if (!install.waitFor(PATIENCE.toSeconds(), TimeUnit.SECONDS) || install.exitValue() != 0) {
        install.destroyForcibly();
        throw new IOException("The database could not be set up; see " + log());
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IOException("Interrupted while the database was set up", e);
    }
    if (Files.exists(data())) {
      putAside();
    }
    Files.move(fresh, data(), StandardCopyOption.ATOMIC_MOVE);
  }

  /** Data that a server cannot start from, and that never held anything of ours. */
  private void putAside() throws IOException {
    Path aside = folder.resolve("data.unusable-" + System.currentTimeMillis());
    LOG.warn("The data folder was not whole; it is kept as {}", aside);
    Files.move(data(), aside, StandardCopyOption.ATOMIC_MOVE);
  }

  /** What set-ups left that were interrupted; one may still be at it, in a folder of its own. */
  private void deleteUnfinished() throws IOException {
    try (DirectoryStream<Path> left = Files.newDirectoryStream(folder, UNFINISHED + "*")) {
      for (Path each : left) {
        delete(each);
      }
    }
  }

  private static void delete(Path path) {
    try (Stream<Path> all = Files.walk(path)) {
      for (Path each : all.sorted(Comparator.reverseOrder()).toList()) {
        Files.deleteIfExists(each);
      }
    } catch (IOException | UncheckedIOException e) {
      LOG.warn("{} is left over and could not be deleted: {}", path, e.getMessage());
    }
  }

  /** The server that a process id file names, if it still holds this data. */
  Optional<ProcessHandle> running() throws IOException {
    if (!Files.exists(pidFile())) {
      return Optional.empty();
    }
    String text = Files.readString(pidFile()).strip();
    return text.matches("\\d+")
        ? ProcessHandle.of(Long.parseLong(text))
            .filter(p -> commandLine(p).contains("--datadir=" + data()))
        : Optional.empty();
  }

  /** A server that outlived its application holds the data: end it, by the id it was given. */
  void endForgottenServer() throws IOException {
    Optional<ProcessHandle> forgotten = running();
    if (forgotten.isPresent()) {
      LOG.info("Ending the database server {} that an earlier run left", forgotten.get().pid());
      forgotten.get().destroy();
      try {
        forgotten.get().onExit().get(PATIENCE.toSeconds(), TimeUnit.SECONDS);
      } catch (InterruptedException | ExecutionException | TimeoutException e) {
        throw new IOException("The database server of an earlier run does not end", e);
      }
    }
    Files.deleteIfExists(pidFile());
  }

  private static String commandLine(ProcessHandle process) {
    try {
      return Files.readString(Path.of("/proc", Long.toString(process.pid()), "cmdline"))
          .replace('\0', ' ');
    } catch (IOException e) {
      return process.info().commandLine().orElse("");
    }
  }

  /** Whether its disk has no room. */
  boolean isFull() {
    return folder.toFile().getUsableSpace() < FULL_BELOW_BYTES;
  }
}

package idlelens.web.database;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** Finds and starts the server's own programs. */
final class Programs {
  private Programs() {}

  static String find(String name) throws IOException {
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

  /** Starts a program that writes into a log. */
  static Process run(List<String> command, Path log) throws IOException {
    return new ProcessBuilder(command)
        .redirectErrorStream(true)
        .redirectOutput(ProcessBuilder.Redirect.appendTo(log.toFile()))
        .start();
  }

  /** The option that the server wants when it is started by root. */
  static List<String> asRoot() {
    return "root".equals(System.getProperty("user.name")) ? List.of("--user=root") : List.of();
  }
}

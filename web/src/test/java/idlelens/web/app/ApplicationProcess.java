package idlelens.web.app;

import idlelens.web.IdleLens;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;

/** An application of its own in a process of its own, to be killed or set up otherwise. */
public final class ApplicationProcess implements AutoCloseable {
  private final Process process;
  private final RunningApp app;

  private ApplicationProcess(Process process, RunningApp app) {
    this.process = process;
    this.app = app;
  }

  /**
   * Starts one, and does not wait for it.
   *
   * @param folder for its database and its log
   * @param heap the most memory, such as 1g
   * @param more further options
   */
  public static ApplicationProcess begin(
      Path folder, String heap, Map<String, String> environment, String... more)
      throws IOException {
    return begin(folder, List.of("-Xmx" + heap), environment, more);
  }

  private static ApplicationProcess begin(
      Path folder, List<String> machine, Map<String, String> environment, String... more)
      throws IOException {
    int port = freePort();
    Path database = folder.resolve("database");
    List<String> command =
        new ArrayList<>(
            List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:+UseSerialGC",
                "-cp",
                System.getProperty("java.class.path"),
                IdleLens.class.getName(),
                "--server.port=" + port,
                "--idle-lens.demo=true",
                "--idle-lens.password-rounds=4",
                "--idle-lens.database.folder=" + database));
    command.addAll(1, machine);
    command.addAll(List.of(more));
    ProcessBuilder builder =
        new ProcessBuilder(command)
            .redirectErrorStream(true)
            .redirectOutput(folder.resolve("application.log").toFile());
    builder.environment().putAll(environment);
    return new ApplicationProcess(
        builder.start(), new RunningApp("http://127.0.0.1:" + port, database));
  }

  /** Starts one that does not live long, and waits until it answers. */
  public static ApplicationProcess start(Path folder, String... more)
      throws IOException, InterruptedException {
    List<String> quick = List.of("-Xmx512m", "-XX:TieredStopAtLevel=1");
    ApplicationProcess started = begin(folder, quick, Map.of(), more);
    started.waitUntilUp();
    return started;
  }

  public static int freePort() throws IOException {
    try (ServerSocket socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
      return socket.getLocalPort();
    }
  }

  public RunningApp app() {
    return app;
  }

  public Process process() {
    return process;
  }

  /** Waits until it answers, also to somebody who is logged in. */
  public void waitUntilUp() throws InterruptedException {
    for (int i = 0; i < 300; i++) {
      try {
        boolean up =
            app.send(app.request("/api/health").GET()).status() == 200
                && app.get("/api/shots").text().contains("Two cameras");
        if (up) {
          return;
        }
      } catch (RuntimeException notYet) {
        if (!process.isAlive()) {
          throw new AssertionError("The application ended", notYet);
        }
      }
      Thread.sleep(200);
    }
    throw new AssertionError("The application did not come up");
  }

  @Override
  public void close() {
    process.destroy();
    try {
      process.waitFor(30, TimeUnit.SECONDS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}

package idlelens.web.app;

import idlelens.web.IdleLens;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;

/**
 * Boots the real application once for all tests, with a private database in a throw-away folder and
 * the demo data, and hands it to tests as {@link RunningApp}.
 */
public final class IdleLensExtension implements BeforeAllCallback, ParameterResolver {
  private static final ExtensionContext.Namespace SPACE =
      ExtensionContext.Namespace.create(IdleLensExtension.class);

  /** The application; ends with the test run. */
  private record Running(ConfigurableApplicationContext context, Path folder, RunningApp app)
      implements AutoCloseable {
    static Running start() {
      try {
        Path folder = Files.createTempDirectory("idle-lens-test");
        List<String> arguments =
            new ArrayList<>(
                List.of(
                    "--server.port=0",
                    "--idle-lens.demo=true",
                    "--idle-lens.password-rounds=4", // every call logs in
                    "--idle-lens.wire.body-deadline=5s",
                    "--idle-lens.database.folder=" + folder.resolve("database")));
        ConfigurableApplicationContext context =
            SpringApplication.run(IdleLens.class, arguments.toArray(String[]::new));
        int port = ((WebServerApplicationContext) context).getWebServer().getPort();
        return new Running(
            context,
            folder,
            new RunningApp("http://127.0.0.1:" + port, folder.resolve("database"), context));
      } catch (IOException e) {
        throw new IllegalStateException(e);
      }
    }

    @Override
    public void close() throws IOException {
      context.close();
      deleteFolder(folder);
    }
  }

  /** Deletes a folder with all in it. */
  public static void deleteFolder(Path folder) throws IOException {
    try (Stream<Path> all = Files.walk(folder)) {
      for (Path path : all.sorted(Comparator.reverseOrder()).toList()) {
        Files.deleteIfExists(path);
      }
    }
  }

  @Override
  public void beforeAll(ExtensionContext context) {
    running(context);
  }

  private static Running running(ExtensionContext context) {
    return context
        .getRoot()
        .getStore(SPACE)
        .getOrComputeIfAbsent("running", key -> Running.start(), Running.class);
  }

  @Override
  public boolean supportsParameter(ParameterContext parameter, ExtensionContext context) {
    return parameter.getParameter().getType() == RunningApp.class;
  }

  @Override
  public Object resolveParameter(ParameterContext parameter, ExtensionContext context) {
    return running(context).app();
  }
}

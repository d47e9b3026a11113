package idlelens.web.soak;

import idlelens.web.app.ApplicationProcess;
import idlelens.web.app.RunningApp;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.Random;
import java.util.concurrent.TimeUnit;

/** Ends application and database in the middle of edits, again and again. */
final class Kills {
  private static final String MOVE =
      "{\"revision\":%d,\"edits\":[{\"edit\":\"set-values\",\"id\":\"keeper\",\"frame\":1001,"
          + "\"values\":{\"x\":%d}}]}";

  private final Path folder;
  private final Random random = new Random(3);
  private long acknowledged = 1;
  private int edits;
  private int lost;

  Kills(Path folder) {
    this.folder = folder;
  }

  /** Some rounds: the application, the database, or both are killed, whichever it happens to be. */
  String run(int rounds) throws Exception {
    long shot = 0;
    for (int round = 0; round < rounds; round++) {
      try (ApplicationProcess application = ApplicationProcess.start(folder)) {
        RunningApp app = application.app();
        shot = shot == 0 ? app.demoShot("Quay walk") : shot;
        check(app, shot);
        edit(application, shot, round);
        application.process().destroyForcibly();
        application.process().waitFor(20, TimeUnit.SECONDS);
      }
    }
    try (ApplicationProcess application = ApplicationProcess.start(folder)) {
      check(application.app(), shot);
    }
    return rounds + " kills in the middle of " + edits + " edits: " + lost + " lost";
  }

  private void check(RunningApp app, long shot) {
    long revision = app.revision(shot);
    long value = revision == 1 ? 1 : app.part(shot, "keeper", "keys").get("x").longValue();
    if (revision < acknowledged || value != revision) {
      lost++;
    }
    acknowledged = revision;
  }

  private void edit(ApplicationProcess application, long shot, int round) {
    int until = 20 + random.nextInt(150);
    for (int i = 0; i < 2 * until; i++) {
      if (i == until) {
        new Thread(() -> kill(application, round % 3)).start();
      }
      try {
        long next = acknowledged + 1;
        RunningApp.Answer answer =
            application
                .app()
                .post("/api/shots/" + shot + "/edits", MOVE.formatted(acknowledged, next));
        if (answer.status() != 200) {
          return;
        }
        acknowledged = answer.json().get("revision").longValue();
        edits++;
      } catch (UncheckedIOException gone) {
        return;
      }
    }
  }

  private static void kill(ApplicationProcess application, int which) {
    if (which != 0) {
      application.app().killDatabase();
    }
    if (which != 1) {
      application.process().destroyForcibly();
    }
  }
}

package idlelens.web.soak;

import idlelens.web.app.ApplicationProcess;
import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/**
 * Not a test: puts the service, started as in use with a heap of 1 GB, under load, floods, slow
 * peers, kills and a full disk, and says what came of it. {@code bin/soak} runs it.
 */
class Soak {
  private static final PrintStream OUT = System.out;

  /** A service that has run for a day is compiled; on two cores that takes a while. */
  private static final Duration WARM_UP = Duration.ofSeconds(60);

  private Path folder;

  @BeforeEach
  void makeFolder() throws Exception {
    folder = Files.createTempDirectory("idle-lens-soak");
  }

  @AfterEach
  void deleteFolder() throws Exception {
    IdleLensExtension.deleteFolder(folder);
  }

  private ApplicationProcess start(String... more) throws Exception {
    ApplicationProcess started = ApplicationProcess.begin(folder, "1g", Map.of(), more);
    started.waitUntilUp();
    return started;
  }

  @Test
  void load() throws Exception {
    try (ApplicationProcess application = start()) {
      RunningApp app = application.app();
      List<String> people = People.join(app, "crew", 50);
      long[] warm = {app.copyOf("Quay walk")};
      new Crowd(app, people, warm, 350).work(WARM_UP, false);
      long[] one = {app.copyOf("Quay walk")};
      say("50 on one shot: ", crowd(app, people, one, false));
      long[] ten = new long[10];
      for (int i = 0; i < ten.length; i++) {
        ten[i] = app.copyOf("Quay walk");
      }
      say("50 on ten shots: ", crowd(app, people, ten, false));
      long[] open = {app.copyOf("Quay walk")};
      say("50 on one shot, each with a window that follows: ", crowd(app, people, open, true));
    }
  }

  private static String crowd(RunningApp app, List<String> people, long[] shots, boolean windows)
      throws Exception {
    return new Crowd(app, people, shots, 350).work(Duration.ofSeconds(60), windows).words();
  }

  @Test
  void heavyRequests() throws Exception {
    try (ApplicationProcess application = start()) {
      RunningApp app = application.app();
      String neighbour = People.join(app, "neighbour", 1).get(0);
      for (HeavyRequests.Result result : new HeavyRequests(app, neighbour, 1).run(10)) {
        say("", result.words());
      }
    }
  }

  @Test
  void windows() throws Exception {
    try (ApplicationProcess application = start()) {
      RunningApp app = application.app();
      try (Windows hearing = new Windows(app)) {
        say("", hearing.hearing(1000));
      }
      try (Windows deaf = new Windows(app)) {
        say("", deaf.deaf(100, 400));
      }
      try (Windows slow = new Windows(app)) {
        say("", slow.slowPosts(200));
      }
    }
  }

  @Test
  void kills() throws Exception {
    say("", new Kills(folder).run(Integer.getInteger("soak.kills", 12)));
  }

  @Test
  void fullDisk() throws Exception {
    String disk = System.getProperty("soak.disk", "");
    if (disk.isEmpty()) {
      say("", "full disk: left out, since no small disk could be mounted");
      return;
    }
    say("", new FullDisk(Path.of(disk)).run());
  }

  private static void say(String what, String came) {
    OUT.println(what + came);
  }
}

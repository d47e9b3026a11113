package idlelens.web.soak;

import idlelens.web.app.ApplicationProcess;
import idlelens.web.app.RunningApp;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Random;

/** A database on a small disk of its own that is filled by something else, and emptied again. */
final class FullDisk {
  private final Path disk;

  FullDisk(Path disk) {
    this.disk = disk;
  }

  String run() throws Exception {
    Path home = Files.createDirectories(disk.resolve("home"));
    Path filler = disk.resolve("filler");
    try (ApplicationProcess application = ApplicationProcess.begin(home, "1g", Map.of())) {
      application.waitUntilUp();
      RunningApp app = application.app();
      long shot = app.demoShot("Quay walk");
      edit(app, shot, 1);
      fill(filler);
      RunningApp.Answer refused = null;
      long acknowledged = app.revision(shot);
      for (int i = 2; i < 400; i++) {
        refused = edit(app, shot, i);
        if (refused.status() != 200) {
          break;
        }
        acknowledged++;
      }
      String said = refused.status() + " " + refused.json().get("title");
      String health = app.send(app.request("/api/health").GET()).text();
      Files.delete(filler);
      application.waitUntilUp();
      long start = System.nanoTime();
      while (edit(app, shot, 1000).status() != 200) {
        Thread.sleep(200);
      }
      long after = (System.nanoTime() - start) / 1_000_000;
      long lost = acknowledged + 1 - app.revision(shot);
      return "full disk: answered "
          + said
          + "; health "
          + health
          + "; with room again an edit is stored after "
          + after
          + " ms; "
          + Math.max(0, lost)
          + " lost";
    }
  }

  private void fill(Path filler) throws Exception {
    byte[] block = new byte[64 << 10];
    new Random(1).nextBytes(block);
    try (OutputStream out = Files.newOutputStream(filler)) {
      while (true) {
        out.write(block);
      }
    } catch (IOException full) {
      return; // which is what was wanted
    }
  }

  private static RunningApp.Answer edit(RunningApp app, long shot, int i) {
    return app.post(
        "/api/shots/" + shot + "/edits",
        "{\"revision\":1000000,\"edits\":[{\"edit\":\"set-values\",\"id\":\"keeper\",\"frame\":"
            + (1001 + i)
            + ",\"values\":{\"x\":"
            + Math.sqrt(i)
            + "},\"keying\":\"whole-pose\"}]}");
  }
}

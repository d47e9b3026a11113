package idlelens.web.database;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.exchange.json.JsonPlace;
import idlelens.web.app.ApplicationProcess;
import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Power cuts and full disks, on an application of its own in a process of its own. */
class DurabilityTest {
  private static final String MOVE =
      "{\"edit\":\"set-values\",\"id\":\"keeper\",\"frame\":1001,\"values\":{\"x\":%d}}";

  /** Every key makes the node longer, so that the disk is soon full. */
  private static final String KEY =
      "{\"edit\":\"set-values\",\"id\":\"keeper\",\"frame\":%d,\"values\":{\"x\":%s,\"y\":%s},"
          + "\"keying\":\"whole-pose\"}";

  private Path folder;
  private ApplicationProcess running;
  private RunningApp app;

  @BeforeEach
  void makeFolder() throws IOException {
    folder = Files.createTempDirectory("idle-lens-durability");
  }

  @AfterEach
  void endAll() throws Exception {
    running.close();
    IdleLensExtension.deleteFolder(folder);
  }

  private void start(String... more) throws Exception {
    running = ApplicationProcess.start(folder, more);
    app = running.app();
  }

  /** Streams edits until the other side is gone; gives the last acknowledged revision. */
  private long streamEdits(long shot, Runnable cut, int cutAfter) {
    AtomicLong acknowledged = new AtomicLong(1);
    for (int i = 2; i < cutAfter * 3; i++) {
      if (i == cutAfter) {
        Thread cutter = new Thread(cut);
        cutter.start();
      }
      try {
        String body = "{\"revision\":%d,\"edits\":[%s]}".formatted(i - 1, MOVE.formatted(i));
        RunningApp.Answer answer = app.post("/api/shots/" + shot + "/edits", body);
        if (answer.status() != 200) {
          break;
        }
        acknowledged.set(answer.json().get("revision").longValue());
      } catch (UncheckedIOException gone) {
        break;
      }
    }
    return acknowledged.get();
  }

  private void assertReadable(long shot, long acknowledged) {
    long revision = app.revision(shot);
    assertThat(revision).isGreaterThanOrEqualTo(acknowledged);
    JsonNode x = app.part(shot, "keeper", "keys").get("x");
    assertThat(x.longValue()).isEqualTo(revision);
    // and every revision before it, also those stored as what led to them
    for (long r = 2; r <= revision; r++) {
      assertThat(app.get("/api/shots/" + shot + "?revision=" + r).text())
          .contains("\"id\":\"keeper\"")
          .containsPattern("\"part\":\"keys\",\"x\":" + r + "\\.0,\"z\":-2.4");
    }
    // undo walks back through them
    for (long r = revision - 1; r > revision - 10; r--) {
      assertThat(app.post("/api/shots/" + shot + "/undo", "").status()).isEqualTo(200);
      assertThat(app.part(shot, "keeper", "keys").get("x").longValue()).isEqualTo(r);
    }
  }

  @Test
  void kill9_ofApplicationAndDatabase_losesNoAcknowledgedRevision() throws Exception {
    start();
    long shot = app.demoShot("Quay walk");
    Process first = running.process();
    RunningApp firstApp = app;
    long acknowledged =
        streamEdits(
            shot,
            () -> {
              first.destroyForcibly();
              firstApp.killDatabase();
            },
            60);
    assertThat(acknowledged).isGreaterThan(50);
    first.waitFor(20, TimeUnit.SECONDS);
    start();
    assertReadable(shot, acknowledged);
  }

  @Test
  void kill9_ofTheApplicationAlone_endsItsDatabaseAtTheNextStart() throws Exception {
    start();
    long shot = app.demoShot("Quay walk");
    long acknowledged = streamEdits(shot, running.process()::destroyForcibly, 40);
    running.process().waitFor(20, TimeUnit.SECONDS);
    start();
    assertReadable(shot, acknowledged);
  }

  @Test
  void kill9_ofTheDatabase_isToldAsAProblemAndComesBackByItself() throws Exception {
    start();
    long shot = app.demoShot("Quay walk");
    long acknowledged = streamEdits(shot, app::killDatabase, 40);
    running.waitUntilUp();
    assertReadable(shot, acknowledged);
  }

  @Test
  void fullDisk_isToldPlainly_andAllBeforeItIsThere() throws Exception {
    // a table space that may not grow is what a full disk is to the database
    start(
        "--idle-lens.database.options=--innodb-file-per-table=0,"
            + "--innodb-data-file-path=ibdata1:12M:autoextend:max:18M");
    long shot = app.demoShot("Quay walk");
    RunningApp.Answer answer = null;
    long acknowledged = 1;
    for (int i = 2; i < 3000; i++) {
      String key = KEY.formatted(1000 + i, Math.sqrt(i), Math.cbrt(i));
      String body = "{\"revision\":%d,\"edits\":[%s]}".formatted(i - 1, key);
      answer = app.post("/api/shots/" + shot + "/edits", body);
      if (answer.status() != 200) {
        break;
      }
      acknowledged = i;
    }
    assertThat(answer.status()).isEqualTo(503);
    assertThat(answer.json().get("detail").stringValue())
        .startsWith("The disk of the database is full: this change was not saved");
    assertThat(answer.json().get("retry").booleanValue()).isFalse();
    assertThat(app.revision(shot)).isEqualTo(acknowledged);
    // a key an edit, and one at the first frame that keeps what was there
    assertThat(app.part(shot, "keeper", "keys").get("x").get("keys").size())
        .isEqualTo((int) acknowledged);
  }

  @Test
  void documentLargerThanAPacket_isRefusedByName_andNotTriedAgain() throws Exception {
    start("--idle-lens.database.options=--max-allowed-packet=1M");
    Random random = new Random(5);
    String keys =
        IntStream.range(0, 90_000)
            .mapToObj(i -> "[" + i + "," + random.nextDouble() + ",\"settle\"]")
            .collect(Collectors.joining(","));
    String shot =
        "{\"format\":\"idle-lens/shot\",\"version\":3,\"name\":\"Large\",\"rate\":\"24\",\"in\":1,"
            + "\"out\":100,\"aspect\":1.5,\"nodes\":[{\"id\":\"n\",\"kind\":\"null\",\"name\":\"N\","
            + "\"chain\":[{\"part\":\"keys\",\"x\":{\"keys\":["
            + keys
            + "]}},{\"part\":\"carried\"}]}]}";
    RunningApp.Answer answer =
        app.upload(
            "/api/productions/" + app.demoProduction() + "/imports",
            Map.of("large.json", shot.getBytes(StandardCharsets.UTF_8)),
            Map.of());
    assertThat(answer.status()).as(answer.text()).isEqualTo(503);
    assertThat(answer.json().get("title").stringValue()).isEqualTo("Too large for the database");
    assertThat(answer.json().get("retry").booleanValue()).isFalse();
    assertThat(app.get("/api/shots").text()).doesNotContain("Large");
  }

  @Test
  void serverSetUpOtherwise_keepsEveryLetter() throws Exception {
    start("--idle-lens.database.options=--sql-mode=NO_BACKSLASH_ESCAPES");
    long shot = app.demoShot("Quay walk");
    String name = "back\\slash, 'quote' and \"two\"; -- \\";
    String body =
        "{\"revision\":1,\"edits\":[{\"edit\":\"rename\",\"id\":\"keeper\",\"name\":%s}]}"
            .formatted(JsonPlace.mapper().writeValueAsString(name));
    assertThat(app.post("/api/shots/" + shot + "/edits", body).status()).isEqualTo(200);
    assertThat(app.node(shot, "keeper").get("name").stringValue()).isEqualTo(name);
    assertThat(app.get("/api/shots/" + shot + "/history").json().findValuesAsString("summary"))
        .contains("Rename to " + name);
  }
}

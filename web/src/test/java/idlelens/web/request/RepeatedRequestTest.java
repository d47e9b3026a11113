package idlelens.web.request;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import java.net.http.HttpRequest;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The same change sent twice, since the first answer was lost: made once, answered alike. */
@ExtendWith(IdleLensExtension.class)
class RepeatedRequestTest {
  private RunningApp app;
  private long shot;

  @BeforeEach
  void copyAShot(RunningApp running) {
    app = running;
    shot = app.copyOf("Two cameras");
  }

  private static String newId() {
    return UUID.randomUUID().toString();
  }

  private RunningApp.Answer post(String path, String id, String type, String body) {
    return app.send(
        app.demoRequest(path)
            .header(RequestId.HEADER, id)
            .header("Content-Type", type)
            .POST(HttpRequest.BodyPublishers.ofString(body)));
  }

  private RunningApp.Answer post(String rest, String id, String body) {
    return post("/api/shots/" + shot + rest, id, "application/json", body);
  }

  private static String rename(long seen, String name) {
    return "{\"revision\":%d,\"edits\":[{\"edit\":\"rename\",\"id\":\"keeper\",\"name\":\"%s\"}]}"
        .formatted(seen, name);
  }

  @Test
  void edit_undoAndRedo_areMadeOnce() {
    String first = newId();
    RunningApp.Answer made = post("/edits", first, rename(1, "Watch"));
    assertThat(post("/edits", first, rename(1, "Watch")).text()).isEqualTo(made.text());
    post("/edits", newId(), rename(2, "Guard"));
    String undo = newId();
    assertThat(post("/undo", undo, "").json().get("revision").intValue()).isEqualTo(4);
    assertThat(post("/undo", undo, "").json().get("revision").intValue()).isEqualTo(4);
    assertThat(app.node(shot, "keeper").get("name").stringValue()).isEqualTo("Watch");
    String redo = newId();
    post("/redo", redo, "");
    post("/redo", redo, "");
    assertThat(app.revision(shot)).isEqualTo(5);
    // also long afterwards it is that of the first time
    assertThat(post("/edits", first, rename(1, "Watch")).json().get("revision").intValue())
        .isEqualTo(2);
  }

  @Test
  void beatsAndGoingBack_areMadeOnce() {
    String beats = newId();
    for (int i = 0; i < 2; i++) {
      assertThat(
              post("/api/shots/" + shot + "/beats", beats, "text/csv", "frame\n1010\n1020\n")
                  .status())
          .isEqualTo(200);
    }
    assertThat(app.get("/api/shots/" + shot).json().get("markers").size()).isEqualTo(2);
    String back = newId();
    assertThat(post("/go-back", back, "{\"revision\":1}").status()).isEqualTo(200);
    assertThat(post("/go-back", back, "{\"revision\":1}").status()).isEqualTo(200);
    assertThat(app.revision(shot)).isEqualTo(3);
  }

  @Test
  void newShotsCopiesVersionsAndProductions_areMadeOnce() {
    int before = app.get("/api/shots").json().size();
    String production = "/api/productions/" + app.demoProduction();
    String header = "{\"name\":\"Made once\",\"rate\":\"24\",\"in\":1,\"out\":10,\"aspect\":1.5}";
    String id = newId();
    RunningApp.Answer made = post(production + "/shots", id, "application/json", header);
    assertThat(made.status()).isEqualTo(201);
    assertThat(post(production + "/shots", id, "application/json", header).json())
        .isEqualTo(made.json());
    String copy = newId();
    assertThat(post("/duplicate", copy, "{\"name\":\"Copy\"}").json())
        .isEqualTo(post("/duplicate", copy, "{\"name\":\"Copy\"}").json());
    assertThat(app.get("/api/shots").json().size()).isEqualTo(before + 2);
    String version = newId();
    assertThat(post("/versions", version, "{\"name\":\"One\",\"revision\":1}").json())
        .isEqualTo(post("/versions", version, "{\"name\":\"One\",\"revision\":1}").json());
    assertThat(app.get("/api/shots/" + shot + "/versions").json().size()).isEqualTo(1);
    app.delete("/api/shots/" + made.json().get("id").longValue());
  }

  @Test
  void sixAtOnce_areMadeOnce_andAllHearTheSame() throws Exception {
    ExecutorService six = Executors.newFixedThreadPool(6);
    try {
      String edit = newId();
      String version = newId();
      List<Future<RunningApp.Answer>> edits = new ArrayList<>();
      List<Future<RunningApp.Answer>> versions = new ArrayList<>();
      for (int i = 0; i < 6; i++) {
        edits.add(six.submit(() -> post("/edits", edit, rename(1, "Watch"))));
        versions.add(
            six.submit(() -> post("/versions", version, "{\"name\":\"Six\",\"revision\":1}")));
      }
      for (Future<RunningApp.Answer> answer : edits) {
        assertThat(answer.get().status()).isEqualTo(200);
        assertThat(answer.get().json().get("revision").intValue()).isEqualTo(2);
      }
      for (Future<RunningApp.Answer> answer : versions) {
        assertThat(answer.get().text()).isEqualTo(versions.get(0).get().text());
      }
      // and six equal ones that are not one request: one is made, five hear why not
      List<Future<RunningApp.Answer>> rivals = new ArrayList<>();
      for (int i = 0; i < 6; i++) {
        rivals.add(
            six.submit(() -> post("/versions", newId(), "{\"name\":\"Rival\",\"revision\":1}")));
      }
      List<Integer> statuses = new ArrayList<>();
      for (Future<RunningApp.Answer> answer : rivals) {
        statuses.add(answer.get().status());
      }
      assertThat(statuses).containsOnlyOnce(201).containsOnly(201, 409);
    } finally {
      six.shutdownNow();
    }
    assertThat(app.revision(shot)).isEqualTo(2);
  }

  @Test
  void idOfSomethingElse_isRefused_andSoIsOneThatIsNone() {
    String id = newId();
    post("/edits", id, rename(1, "Watch"));
    long other = app.copyOf("Two cameras");
    assertThat(
            post("/api/shots/" + other + "/edits", id, "application/json", rename(1, "Watch"))
                .status())
        .isEqualTo(409);
    assertThat(post("/edits", "short", rename(2, "Guard")).text())
        .contains("8 to 64 letters, digits and dashes");
    assertThat(app.revision(other)).isEqualTo(1);
  }

  @Test
  void refusedEdit_isNotRemembered_soThatItCanBeMendedAndSentAgain() {
    String id = newId();
    assertThat(post("/edits", id, rename(1, " ")).status()).isEqualTo(422);
    assertThat(post("/edits", id, rename(1, "Watch")).status()).isEqualTo(200);
  }
}

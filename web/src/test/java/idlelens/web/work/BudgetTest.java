package idlelens.web.work;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import java.net.http.HttpRequest;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Requests that ask for more than one request may: refused before it is begun, by its limit. */
@ExtendWith(IdleLensExtension.class)
class BudgetTest {
  private RunningApp app;
  private long shot;

  @BeforeEach
  void copyAShot(RunningApp running) {
    app = running;
    shot = app.copyOf("Two cameras");
  }

  private RunningApp.Answer edit(String edit) {
    return app.edit(shot, edit);
  }

  @Test
  void samples_areLimitedByWhatIsComputed_andTheRefusalSaysHowMany() {
    String many = "/api/shots/" + shot + "/samples?from=0&to=20000&step=0.0625";
    RunningApp.Answer answer = app.get(many);
    assertThat(answer.status()).isEqualTo(422);
    assertThat(answer.text()).contains("at most 600000 in one answer");
    assertThat(app.get(many + "&camera=a-cam").status()).isEqualTo(200);
  }

  @Test
  void samplesInPieces_areTheSameNumbersAsAtOnce() {
    String path = "/api/shots/" + shot + "/samples?camera=a-cam";
    var fine = app.get(path + "&from=1001&to=1096&step=0.0625").json().get("nodes").get(0);
    var coarse = app.get(path + "&from=1001&to=1096&step=1").json().get("nodes").get(0);
    assertThat(fine.get("x").size()).isEqualTo(95 * 16 + 1);
    for (String column : coarse.propertyNames()) {
      if (coarse.get(column).isArray()) {
        for (int i = 0; i < 96; i++) {
          assertThat(fine.get(column).get(i * 16)).isEqualTo(coarse.get(column).get(i));
        }
      }
    }
  }

  @Test
  void json_isLimitedByItsValues_notOnlyByItsOctets() {
    String many = "{},".repeat(600_000) + "{}";
    RunningApp.Answer edits =
        app.post("/api/shots/" + shot + "/edits", "{\"revision\":1,\"edits\":[" + many + "]}");
    assertThat(edits.status()).isEqualTo(422);
    assertThat(edits.text()).contains("more than 1500000 values");
    RunningApp.Answer quantity =
        app.post("/api/quantity", "{\"text\":\"" + "1".repeat(70_000) + "\"}");
    assertThat(quantity.status()).isEqualTo(413);
    assertThat(quantity.text()).contains("at most 65536 bytes");
  }

  @Test
  void shot_isLimitedByItsSamples() {
    String nodes =
        IntStream.range(0, 60)
            .mapToObj(
                i ->
                    """
                    {"id":"n%1$d","kind":"null","name":"N%1$d","chain":[{"part":"keys","x":{"keys":[
                    [1001,0,"flow"],[1020,1,"flow"]]}},{"part":"carried"}]}"""
                        .formatted(i))
            .collect(Collectors.joining(","));
    assertThat(edit("{\"edit\":\"add-nodes\",\"nodes\":[" + nodes + "]}").text())
        .contains("\"revision\":2");
    RunningApp.Answer longer =
        edit("{\"edit\":\"change-header\",\"in\":1001,\"out\":21000,\"handles\":8}");
    assertThat(longer.status()).isEqualTo(422);
    assertThat(longer.text()).contains("at most 1000000 (moving nodes times frames");
    assertThat(app.revision(shot)).isEqualTo(2);
    assertThat(edit("{\"edit\":\"change-header\",\"in\":1001,\"out\":5000}").status())
        .isEqualTo(200);
  }

  @Test
  void table_isLimitedByItsColumnsAndRows() {
    String head = "frame" + ",x".repeat(300_000) + "\n1\n";
    RunningApp.Answer answer =
        app.send(
            app.demoRequest("/api/shots/" + shot + "/beats")
                .header("Content-Type", "text/csv")
                .POST(HttpRequest.BodyPublishers.ofString(head)));
    assertThat(answer.status()).isEqualTo(422);
    assertThat(answer.text()).contains("columns");
  }

  @Test
  void wrongThings_areRefusedWithTheirField_andNeverAs500() {
    assertThat(edit("{\"edit\":\"rename\",\"id\":\"keeper\",\"name\":\"a\\ud800b\"}").text())
        .contains("half a character");
    assertThat(edit("{\"edit\":\"rename\",\"id\":\"keeper\",\"name\":\"\\u200b\\u2060\"}").text())
        .contains("at least one character that can be seen");
    assertThat(edit("{\"edit\":\"rename\",\"id\":\"keeper\",\"name\":\"a\\u202eb\"}").status())
        .isEqualTo(422);
    String smileys = "\uD83D\uDE00".repeat(80);
    assertThat(
            edit("{\"edit\":\"rename\",\"id\":\"keeper\",\"name\":\"" + smileys + "\"}").status())
        .isEqualTo(200);
    for (String frame : new String[] {"1e7", "-1e7"}) {
      RunningApp.Answer far =
          edit(
              "{\"edit\":\"set-values\",\"id\":\"keeper\",\"frame\":"
                  + frame
                  + ",\"values\":{\"x\":1},\"keying\":\"touched\"}");
      assertThat(far.status()).as(far.text()).isIn(200, 422);
      assertThat(app.get("/api/shots/" + shot + "/samples?camera=a-cam").status()).isEqualTo(200);
    }
    RunningApp.Answer strange =
        app.send(
            app.demoRequest("/api/productions/" + app.demoProduction() + "/imports")
                .header("Content-Type", "multipart/x")
                .POST(HttpRequest.BodyPublishers.ofString("x")));
    assertThat(strange.status()).isIn(400, 415);
  }

  @Test
  void fileName_isRefusedBefore_ifTheTableCannotHoldIt() {
    RunningApp.Answer answer =
        app.upload(
            "/api/productions/" + app.demoProduction() + "/imports",
            Map.of("q".repeat(220) + ".glb", new byte[20]),
            Map.of());
    assertThat(answer.status()).isEqualTo(422);
    assertThat(answer.text()).contains("file name", "1 to 200 characters");
  }

  @Test
  void pages_areToldAsPages_callsAsProblems() {
    RunningApp.Answer page = app.get("/shots/999999");
    assertThat(page.status()).isEqualTo(404);
    assertThat(page.text()).contains("<!doctype html>", "Nothing is here");
    RunningApp.Answer call = app.get("/api/shots/999999");
    assertThat(call.status()).isEqualTo(404);
    assertThat(call.headers().firstValue("Content-Type").orElse(""))
        .startsWith("application/problem+json");
  }
}

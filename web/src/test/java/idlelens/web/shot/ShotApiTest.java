package idlelens.web.shot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import java.net.http.HttpRequest;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

@ExtendWith(IdleLensExtension.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class ShotApiTest {
  private static final String MOVE_KEEPER =
      "{\"edit\":\"set-values\",\"id\":\"keeper\",\"frame\":1001,\"values\":{\"x\":%s}}";

  private RunningApp app;

  @BeforeAll
  void takeApp(RunningApp running) {
    app = running;
  }

  private double keeperX(long shot) {
    return app.part(shot, "keeper", "keys").get("x").doubleValue();
  }

  @Test
  void list_demoProduction_hasTheShotsOfTernQuay() {
    assertThat(app.get("/api/shots").text()).contains("Quay walk", "Lamp room", "Two cameras");
  }

  @Test
  void edit_storesTheNextRevision_undoAndRedoWalkItBothWays() {
    long shot = app.copyOf("Quay walk");
    assertThat(app.edit(shot, MOVE_KEEPER.formatted(2)).json().get("revision").intValue())
        .isEqualTo(2);
    app.edit(shot, MOVE_KEEPER.formatted(3));
    assertThat(app.post("/api/shots/" + shot + "/undo", "").status()).isEqualTo(200);
    assertThat(keeperX(shot)).isEqualTo(2);
    app.post("/api/shots/" + shot + "/undo", "");
    assertThat(keeperX(shot)).isEqualTo(1.05);
    assertThat(app.post("/api/shots/" + shot + "/undo", "").status()).isEqualTo(409);
    app.post("/api/shots/" + shot + "/redo", "");
    app.post("/api/shots/" + shot + "/redo", "");
    assertThat(keeperX(shot)).isEqualTo(3);
    assertThat(app.post("/api/shots/" + shot + "/redo", "").text())
        .contains("There is nothing to redo");
    // new work makes what was taken back unreachable
    app.post("/api/shots/" + shot + "/undo", "");
    app.edit(shot, MOVE_KEEPER.formatted(9));
    assertThat(app.post("/api/shots/" + shot + "/redo", "").status()).isEqualTo(409);
    app.post("/api/shots/" + shot + "/undo", "");
    assertThat(keeperX(shot)).isEqualTo(2);
  }

  @Test
  void edit_provisional_isComputedAndNotStored() {
    long shot = app.copyOf("Quay walk");
    String body =
        "{\"revision\":1,\"provisional\":true,\"edits\":[" + MOVE_KEEPER.formatted(7) + "]}";
    RunningApp.Answer answer = app.post("/api/shots/" + shot + "/edits", body);
    assertThat(answer.json().get("stored").booleanValue()).isFalse();
    assertThat(answer.json().get("changed").toString()).isEqualTo("[\"keeper\"]");
    assertThat(keeperX(shot)).isEqualTo(1.05);
    assertThat(app.revision(shot)).isEqualTo(1);
  }

  @Test
  void edit_onAnOldRevision_isAppliedIfItTouchesSomethingElse_elseRefusedWithBothValues() {
    long shot = app.copyOf("Quay walk");
    app.edit(shot, MOVE_KEEPER.formatted(2));
    String rename = "{\"edit\":\"rename\",\"id\":\"keeper\",\"name\":\"Watch\"}";
    String old = "{\"revision\":1,\"edits\":[%s]}";
    assertThat(app.post("/api/shots/" + shot + "/edits", old.formatted(rename)).status())
        .isEqualTo(200);
    RunningApp.Answer refused =
        app.post("/api/shots/" + shot + "/edits", old.formatted(MOVE_KEEPER.formatted(5)));
    assertThat(refused.status()).isEqualTo(409);
    assertThat(refused.json().get("detail").stringValue())
        .isEqualTo(
            "Demo artist changed the same thing in revision 2; this change was made on revision 1");
    assertThat(refused.json().get("theirs").stringValue()).contains("\"x\":2.0");
    assertThat(refused.json().get("yours").stringValue()).contains("\"x\":5.0");
    assertThat(keeperX(shot)).isEqualTo(2);
    assertThat(app.node(shot, "keeper").get("name").stringValue()).isEqualTo("Watch");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "{\"revision\":1,\"edits\":[]}|422|edits is empty; allowed: at least one edit",
        "{\"revision\":1}|422|edits is missing",
        "not json|422|line 1, column",
        "{\"revision\":1,\"edits\":[{\"edit\":\"rename\",\"id\":\"no\",\"name\":\"x\"}]}|422|node is"
            + " 'no'; allowed: the id of a node of this shot",
        "{\"revision\":1,\"edits\":[{\"edit\":\"set-values\",\"id\":\"a-cam\",\"frame\":1001,"
            + "\"values\":{\"fstop\":0},\"keying\":\"still\"}]}|422|fstop is 0.0; allowed: 0.05 to 128",
        "{\"revision\":1,\"edits\":[{\"edit\":\"carry\",\"id\":\"dolly\",\"carrier\":\"head\",\"frame\":"
            + "1001}]}|422|a loop (Dolly > Shoulder > Head > Dolly)",
      })
  void edit_wrong_isAProblemThatSaysWhereAndWhatIsAllowed(String body, int status, String detail) {
    long shot = app.demoShot("Quay walk");
    RunningApp.Answer answer = app.post("/api/shots/" + shot + "/edits", body);
    assertThat(answer.status()).isEqualTo(status);
    assertThat(answer.headers().firstValue("Content-Type").orElse(""))
        .startsWith("application/problem+json");
    assertThat(answer.json().get("detail").stringValue()).contains(detail);
    assertThat(app.revision(shot)).isEqualTo(1);
  }

  @Test
  void samples_json_areTheSameAsTheOctets() {
    long shot = app.demoShot("Quay walk");
    JsonNode table =
        app.get("/api/shots/" + shot + "/samples?camera=a-cam&from=1001&to=1144&step=1").json();
    byte[] octets =
        app.send(
                app.demoRequest("/api/shots/" + shot + "/samples?camera=a-cam")
                    .header("Accept", "application/octet-stream"))
            .body();
    ByteBuffer in = ByteBuffer.wrap(octets).order(ByteOrder.LITTLE_ENDIAN);
    assertThat(in.getInt()).isEqualTo(0x314F4C49);
    byte[] head = new byte[in.getInt()];
    in.get(head);
    JsonNode node = idlelens.exchange.json.JsonPlace.mapper().readTree(head).get("nodes").get(0);
    JsonNode row = table.get("nodes").get(0);
    for (String column : List.of("x", "y", "z", "qx", "qy", "qz", "qw")) {
      int at = 8 + head.length + node.get(column).get("at").intValue() * 4;
      for (int i = 0; i < 144; i++) {
        float value = in.getFloat(at + (i + 8) * 4); // 8 handles before the first frame
        assertThat((double) value).isCloseTo(row.get(column).get(i).doubleValue(), within(1e-6));
      }
    }
    assertThat(table.get("frame").size()).isEqualTo(144);
  }

  @Test
  void samples_halfSteps_andWrongOnes() {
    long shot = app.demoShot("Quay walk");
    JsonNode table =
        app.get("/api/shots/" + shot + "/samples?camera=a-cam&from=1001&to=1003&step=0.5").json();
    assertThat(table.get("frame").toString()).isEqualTo("[1001.0,1001.5,1002.0,1002.5,1003.0]");
    RunningApp.Answer wrong = app.get("/api/shots/" + shot + "/samples?camera=a-cam&step=0.3");
    assertThat(wrong.json().get("detail").stringValue())
        .contains("step is 0.3; allowed: a whole number of frames, or 1/2 to 1/16");
    assertThat(app.get("/api/shots/" + shot + "/samples?camera=keeper").status()).isEqualTo(422);
  }

  @Test
  void delete_takesAShotAway_andRestorePutsItBack() {
    long shot = app.copyOf("Lamp room");
    assertThat(app.delete("/api/shots/" + shot).status()).isEqualTo(204);
    assertThat(app.get("/api/shots/" + shot).status()).isEqualTo(404);
    assertThat(app.post("/api/shots/" + shot + "/restore", "").status()).isEqualTo(204);
    assertThat(app.get("/api/shots/" + shot).status()).isEqualTo(200);
  }

  @Test
  void newShot_hasACameraAndTheRangeAskedFor() {
    String body =
        "{\"name\":\"Gull\",\"rate\":\"25\",\"in\":1,\"out\":50,\"handles\":5,\"aspect\":2.39}";
    RunningApp.Answer made = app.post("/api/productions/" + app.demoProduction() + "/shots", body);
    assertThat(made.status()).isEqualTo(201);
    JsonNode shot = app.get("/api/shots/" + made.json().get("id").longValue()).json();
    assertThat(shot.get("out").intValue()).isEqualTo(50);
    assertThat(shot.get("nodes").get(0).get("kind").stringValue()).isEqualTo("camera");
    RunningApp.Answer wrong =
        app.post("/api/productions/" + app.demoProduction() + "/shots", body.replace("50", "0"));
    assertThat(wrong.json().get("detail").stringValue()).contains("range.out is 0; allowed: 1 to");
  }

  @ParameterizedTest
  @ValueSource(strings = {"/api/shots", "/api/shots/1", "/api/productions", "/api/docs"})
  void withoutLogIn_theApiIsClosed(String path) {
    assertThat(app.send(app.request(path).GET()).status()).isEqualTo(401);
  }

  @Test
  void withoutLogIn_pagesLeadToTheLogIn_andHealthIsOpen() {
    RunningApp.Answer page = app.send(app.request("/").header("Accept", "text/html").GET());
    assertThat(page.status()).isEqualTo(302);
    assertThat(page.headers().firstValue("Location").orElse("")).endsWith("/login");
    assertThat(app.send(app.request("/api/health").GET()).text()).contains("up");
  }

  @Test
  void headers_areStrict() {
    RunningApp.Answer login = app.send(app.request("/login").GET());
    String policy = login.headers().firstValue("Content-Security-Policy").orElse("");
    assertThat(policy)
        .contains("default-src 'none'", "script-src 'self'", "frame-ancestors 'none'");
    assertThat(policy).doesNotContain("unsafe");
    assertThat(login.headers().firstValue("X-Content-Type-Options")).contains("nosniff");
    assertThat(login.headers().firstValue("X-Frame-Options")).contains("DENY");
  }

  @Test
  void wrongPassword_isRefused_andAForgedFormToo() {
    HttpRequest.Builder wrong =
        app.request("/api/shots").header("Authorization", RunningApp.basic("demo", "guess"));
    assertThat(app.send(wrong.GET()).status()).isEqualTo(401);
    HttpRequest.Builder forged =
        app.request("/login")
            .header("Content-Type", "application/x-www-form-urlencoded")
            .POST(HttpRequest.BodyPublishers.ofString("username=demo&password=tern-quay"));
    assertThat(app.send(forged).status()).isEqualTo(403);
  }

  @Test
  void hugeBody_isRefused() {
    RunningApp.Answer answer =
        app.post("/api/shots/" + app.demoShot("Quay walk") + "/edits", "x".repeat(17 << 20));
    assertThat(answer.status()).isEqualTo(413);
  }

  @Test
  void docs_describeTheCalls() {
    JsonNode paths = app.get("/api/docs").json().get("paths");
    assertThat(paths.has("/api/shots/{id}/edits")).isTrue();
    assertThat(paths.has("/api/productions/{production}/imports")).isTrue();
    assertThat(paths.has("/api/shots/{id}/export/{format}")).isTrue();
    assertThat(paths.propertyNames())
        .contains(
            "/api/shots/{id}/history",
            "/api/shots/{id}/go-back",
            "/api/shots/{id}/versions",
            "/api/shots/{id}/difference",
            "/api/shots/{id}/beats");
  }

  @Test
  void quantity_isReadByTheRulesOfTheServer() {
    RunningApp.Answer read =
        app.post("/api/quantity", "{\"text\":\"2'8\\\"\",\"kind\":\"length\",\"rate\":\"24\"}");
    assertThat(read.json().get("value").doubleValue()).isCloseTo(0.8128, within(1e-12));
  }
}

package idlelens.web.shot;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.exchange.json.JsonPlace;
import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import java.io.InputStream;
import org.jooq.DSLContext;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/**
 * A shot with revisions, edits, undo and a version, as the application stored them in version 2.
 */
@ExtendWith(IdleLensExtension.class)
class GoldenHistoryTest {
  private static final String STILL = "{\"edit\":\"set-values\",\"id\":\"%s\",\"frame\":1001,%s}";

  private RunningApp app;
  private long shot;

  @BeforeEach
  void storeAsItWas(RunningApp running) throws Exception {
    app = running;
    shot = app.copyOf("Two cameras");
    DSLContext sql = app.bean(DSLContext.class);
    JsonNode kept;
    try (InputStream in = getClass().getResourceAsStream("/golden/database.json")) {
      kept = JsonPlace.mapper().readTree(in);
    }
    sql.execute("delete from shot_revision where shot_id = ?", shot);
    for (JsonNode row : kept.get("shot_revision")) {
      sql.execute(
          "insert into shot_revision (shot_id, revision, document, sha256, created_at)"
              + " values (?, ?, ?, ?, now())",
          shot,
          text(row, "revision"),
          text(row, "document"),
          text(row, "sha256"));
    }
    for (JsonNode row : kept.get("edit")) {
      sql.execute(
          "insert into edit (shot_id, revision, kind, state, summary, edits, inverse, touches,"
              + " author_id, created_at) values (?, ?, ?, ?, ?, ?, ?, ?, ?, now())",
          shot,
          text(row, "revision"),
          text(row, "kind"),
          text(row, "state"),
          text(row, "summary"),
          text(row, "edits"),
          text(row, "inverse"),
          text(row, "touches"),
          text(row, "author_id"));
    }
    for (JsonNode row : kept.get("version")) {
      sql.execute(
          "insert into version (shot_id, revision, name, author_id, created_at)"
              + " values (?, ?, ?, ?, now())",
          shot,
          text(row, "revision"),
          text(row, "name"),
          text(row, "author_id"));
    }
    sql.execute("update shot set revision = 11 where id = ?", shot);
    app.bean(LiveShots.class).forget(shot);
  }

  private static String text(JsonNode row, String field) {
    return row.get(field).stringValue();
  }

  private JsonNode post(String call, String body) {
    RunningApp.Answer answer = app.post("/api/shots/" + shot + call, body);
    assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    return answer.json();
  }

  @Test
  void document_isServedInTheNewShape() {
    assertThat(app.part(shot, "keeper", "keys").get("x").doubleValue()).isEqualTo(1.25);
    assertThat(app.part(shot, "a-cam", "keys").get("on").booleanValue()).isFalse();
    assertThat(app.carrier(shot, "a-cam")).isEqualTo("n");
    JsonNode lens = app.part(shot, "a-cam", "lens");
    assertThat(lens.get("follow").get("node").stringValue()).isEqualTo("keeper");
    assertThat(app.node(shot, "a-cam").get("takesKeys").get("locked").get(0).stringValue())
        .isEqualTo("fstop");
  }

  @Test
  void undo_goesBackThroughAllOfIt_andRedoForth() {
    String newest = app.get("/api/shots/" + shot).text();
    for (int i = 0; i < 6; i++) {
      post("/undo", "");
    }
    assertThat(app.node(shot, "keeper").toString())
        .isEqualTo(app.node(app.copyOf("Two cameras"), "keeper").toString());
    for (int i = 0; i < 6; i++) {
      post("/redo", "");
    }
    assertThat(app.get("/api/shots/" + shot).text()).isEqualTo(newest);
  }

  @Test
  void version_isComparedWithAndRestored() {
    JsonNode versions = app.get("/api/shots/" + shot + "/versions").json();
    assertThat(versions.get(0).get("name").stringValue()).isEqualTo("Kept");
    JsonNode difference = app.get("/api/shots/" + shot + "/difference?from=4&to=11").json();
    assertThat(difference.get("nodes").toString()).contains("A-cam");
    post("/go-back", "{\"revision\":4}");
    assertThat(app.part(shot, "a-cam", "keys").has("on")).isFalse();
    assertThat(app.get("/api/shots/" + shot + "/history").json().size()).isEqualTo(11);
  }

  @Test
  void editsStoredBeforeFootprints_areTakenToHaveChangedEverything() {
    String edit = STILL.formatted("crate-1", "\"values\":{\"x\":2}");
    RunningApp.Answer late =
        app.post("/api/shots/" + shot + "/edits", "{\"revision\":10,\"edits\":[" + edit + "]}");
    assertThat(late.status()).isIn(409, 422);
    assertThat(app.edit(shot, STILL.formatted("keeper", "\"values\":{\"x\":2}")).status())
        .isEqualTo(200);
  }
}

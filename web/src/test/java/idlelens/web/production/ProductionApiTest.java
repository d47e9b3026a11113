package idlelens.web.production;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import java.net.http.HttpRequest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Productions are renamed, deleted and put back. */
@ExtendWith(IdleLensExtension.class)
class ProductionApiTest {
  private static final String SHOT =
      "{\"name\":\"Pier\",\"rate\":\"24\",\"in\":1001,\"out\":1010,\"handles\":0,\"aspect\":1.5,"
          + "\"newKeys\":\"settle\"}";

  private static long id(RunningApp.Answer answer) {
    assertThat(answer.status()).as(answer.text()).isEqualTo(201);
    return answer.json().get("id").longValue();
  }

  private static RunningApp.Answer rename(RunningApp app, long production, String name) {
    HttpRequest.Builder put =
        app.demoRequest("/api/productions/" + production)
            .PUT(HttpRequest.BodyPublishers.ofString("{\"name\":\"" + name + "\"}"));
    return app.send(put);
  }

  @Test
  void aProduction_isRenamed_deleted_andPutBackWithItsShots(RunningApp app) {
    long production = id(app.post("/api/productions", "{\"name\":\"Mooring film\"}"));
    String path = "/api/productions/" + production;
    long shot = id(app.post(path + "/shots", SHOT));
    assertThat(rename(app, production, "Breakwater film").status()).isEqualTo(204);
    assertThat(rename(app, production, " ").text()).contains("name is ''", "1 to 120");
    assertThat(app.get("/api/productions").text())
        .contains("Breakwater film")
        .doesNotContain("Mooring film");

    assertThat(app.delete(path).status()).isEqualTo(204);
    assertThat(app.get("/api/productions").text()).doesNotContain("Breakwater film");
    assertThat(app.get("/api/shots/" + shot).status()).isEqualTo(404);
    assertThat(app.get("/api/shots").text()).doesNotContain("Pier");
    assertThat(app.post("/api/shots/" + shot + "/undo", "").status()).isEqualTo(404);
    assertThat(app.post(path + "/shots", SHOT).status()).isEqualTo(404);
    assertThat(app.delete(path).status()).as("deleted already").isEqualTo(404);

    assertThat(app.post(path + "/restore", "").status()).isEqualTo(204);
    assertThat(app.get("/api/shots/" + shot).status()).isEqualTo(200);
    assertThat(app.get("/api/productions").text()).contains("Breakwater film");
    assertThat(app.post(path + "/restore", "").status()).as("twice is once").isEqualTo(204);
    app.delete(path);
  }

  @Test
  void oneThatIsNotThere_cannotBePutBack(RunningApp app) {
    assertThat(app.post("/api/productions/987654/restore", "").status()).isEqualTo(404);
  }
}

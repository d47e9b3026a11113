package idlelens.web.shot;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import java.net.http.HttpRequest;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Somebody who is logged in, but does not belong to the production. */
@ExtendWith(IdleLensExtension.class)
class AccessTest {

  @Test
  void stranger_seesNothingOfOtherProductions(RunningApp app) {
    app.addAccount("stranger", "far-away");
    long shot = app.demoShot("Quay walk");
    long production = app.demoProduction();
    String basic = RunningApp.basic("stranger", "far-away");
    for (String path :
        List.of(
            "/api/shots/" + shot,
            "/api/shots/" + shot + "/samples",
            "/api/shots/" + shot + "/meshes",
            "/api/shots/" + shot + "/events",
            "/api/shots/" + shot + "/export/glb",
            "/api/shots/" + shot + "/handoffs",
            "/api/shots/" + shot + "/history",
            "/api/shots/" + shot + "/versions",
            "/api/shots/" + shot + "/difference?from=1&to=1",
            "/api/shots/" + shot + "?revision=1",
            "/shots/" + shot,
            "/shots/" + shot + "/curves",
            "/shots/" + shot + "/hand-off")) {
      assertThat(app.send(app.request(path).header("Authorization", basic).GET()).status())
          .as(path)
          .isEqualTo(404);
    }
    for (String path :
        List.of(
            "/api/shots/" + shot + "/edits",
            "/api/shots/" + shot + "/undo",
            "/api/shots/" + shot + "/redo",
            "/api/shots/" + shot + "/duplicate",
            "/api/shots/" + shot + "/restore",
            "/api/shots/" + shot + "/go-back",
            "/api/shots/" + shot + "/versions",
            "/api/productions/" + production + "/shots")) {
      HttpRequest.Builder post =
          app.request(path)
              .header("Authorization", basic)
              .header("Content-Type", "application/json")
              .POST(HttpRequest.BodyPublishers.ofString("{}"));
      assertThat(app.send(post).status()).as(path).isEqualTo(404);
    }
    HttpRequest.Builder beats =
        app.request("/api/shots/" + shot + "/beats")
            .header("Authorization", basic)
            .header("Content-Type", "text/csv")
            .POST(HttpRequest.BodyPublishers.ofString("frame\n1\n"));
    assertThat(app.send(beats).status()).isEqualTo(404);
    HttpRequest.Builder delete = app.request("/api/shots/" + shot).header("Authorization", basic);
    assertThat(app.send(delete.DELETE()).status()).isEqualTo(404);
    assertThat(app.send(app.request("/api/shots").header("Authorization", basic).GET()).text())
        .isEqualTo("[]");
    assertThat(app.get("/api/shots/" + shot).status()).isEqualTo(200);
  }
}

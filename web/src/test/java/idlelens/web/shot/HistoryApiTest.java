package idlelens.web.shot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import java.net.http.HttpRequest;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

@ExtendWith(IdleLensExtension.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class HistoryApiTest {
  private static final String MOVE_DOLLY =
      "{\"edit\":\"move-keys\",\"id\":\"dolly\",\"channels\":[\"z\"],\"frames\":[1144],\"byValue\":%s}";

  private RunningApp app;

  @BeforeAll
  void takeApp(RunningApp running) {
    app = running;
  }

  private static String path(long shot, String rest) {
    return "/api/shots/" + shot + rest;
  }

  @Test
  void history_tellsWhatWasDone_byWhom_theLatestFirst() {
    long shot = app.copyOf("Quay walk");
    app.edit(shot, MOVE_DOLLY.formatted(1));
    app.edit(shot, "{\"edit\":\"rename\",\"id\":\"keeper\",\"name\":\"Watch\"}");
    app.post(path(shot, "/undo"), "");
    JsonNode all = app.get(path(shot, "/history")).json();
    assertThat(all.size()).isEqualTo(3);
    assertThat(all.get(0).get("summary").stringValue()).startsWith("Undo: Rename");
    assertThat(all.get(1).get("state").stringValue()).isEqualTo("undone");
    assertThat(all.get(2).get("summary").stringValue()).isEqualTo("Move a key in value");
    assertThat(all.get(2).get("author").stringValue()).isNotBlank();
    assertThat(app.get(path(shot, "/history?upTo=2&most=5")).json().size()).isEqualTo(1);
    assertThat(app.get(path(shot, "/history?most=0")).json().get("detail").stringValue())
        .contains("most is 0; allowed: 1 to 500");
  }

  @Test
  void goBack_makesTheShotAsItWas_andCanBeUndone() {
    long shot = app.copyOf("Quay walk");
    JsonNode first = app.get(path(shot, "")).json();
    app.edit(shot, MOVE_DOLLY.formatted(1));
    app.edit(shot, MOVE_DOLLY.formatted(2));
    JsonNode moved = app.get(path(shot, "")).json();
    assertThat(app.post(path(shot, "/go-back"), "{\"revision\":1}").status()).isEqualTo(200);
    assertThat(app.get(path(shot, "")).json()).isEqualTo(first);
    assertThat(app.get(path(shot, "?revision=3")).json()).isEqualTo(moved);
    app.post(path(shot, "/undo"), "");
    assertThat(app.get(path(shot, "")).json()).isEqualTo(moved);
    assertThat(app.post(path(shot, "/go-back"), "{\"revision\":99}").status()).isEqualTo(404);
    assertThat(app.post(path(shot, "/go-back"), "{\"revision\":3}").text())
        .contains("a revision at which the shot was not as it is now");
  }

  @Test
  void versions_areKeptByName_comparedAndRestored() {
    long shot = app.copyOf("Quay walk");
    app.post(path(shot, "/versions"), "{\"name\":\"First take\",\"revision\":1}");
    app.edit(shot, MOVE_DOLLY.formatted(0.5));
    JsonNode difference = app.get(path(shot, "/difference?from=1&to=2")).json();
    JsonNode dolly = null;
    for (JsonNode node : difference.get("nodes")) {
      if (node.get("id").stringValue().equals("dolly")) {
        dolly = node.get("difference");
      }
    }
    // the moved key is the last: the dolly is farthest off there, by just that much
    assertThat(dolly.get("place").get("amount").doubleValue()).isCloseTo(0.5, within(1e-9));
    assertThat(dolly.get("place").get("frame").doubleValue()).isGreaterThanOrEqualTo(1144);
    assertThat(dolly.get("turn").get("amount").doubleValue()).isZero();
    assertThat(app.post(path(shot, "/versions"), "{\"name\":\"First take\",\"revision\":2}").text())
        .contains("is already the name of revision 1");
    app.post(path(shot, "/go-back"), "{\"revision\":1}");
    assertThat(app.get(path(shot, "/history")).json().get(0).get("summary").stringValue())
        .isEqualTo("Restore version “First take”");
    JsonNode kept = app.get(path(shot, "/versions")).json().get(0);
    assertThat(kept.get("name").stringValue()).isEqualTo("First take");
    String version = path(shot, "/versions/" + kept.get("id").longValue());
    assertThat(app.delete(version).status()).isEqualTo(204);
    assertThat(app.delete(version).status()).isEqualTo(404);
  }

  @Test
  void stateAtAnotherRate_isComparedAndSampledAtTheSameMoments() {
    long shot = app.copyOf("Quay walk");
    app.edit(
        shot, "{\"edit\":\"convert-rate\",\"rate\":\"48\",\"keep\":\"time\",\"wholeFrames\":true}");
    JsonNode difference = app.get(path(shot, "/difference?from=1&to=2")).json();
    assertThat(difference.get("nodes").size()).as("nodes that move otherwise").isZero();
    JsonNode then = app.head(path(shot, "/samples?revision=1&nodes=a-cam"));
    JsonNode now = app.head(path(shot, "/samples?nodes=a-cam"));
    JsonNode along = app.head(path(shot, "/samples?revision=1&alongside=2&nodes=a-cam"));
    assertThat(then.get("grid").get("count").intValue()).isEqualTo(144 + 16);
    assertThat(now.get("grid").get("count").intValue()).isEqualTo(288 + 32);
    assertThat(along.get("grid")).isEqualTo(now.get("grid"));
    assertThat(along.get("nodes").get(0).get("x").get("n").intValue()).isEqualTo(288 + 32);
    assertThat(along.get("revision").intValue()).isEqualTo(1);
  }

  @Test
  void beats_becomeMarkers_allOrNone() {
    long shot = app.copyOf("Quay walk");
    assertThat(beats(shot, "frame,name,kind\n1013,Step,hit\n1025,,\n").status()).isEqualTo(200);
    JsonNode markers = app.get(path(shot, "")).json().get("markers");
    assertThat(markers.get(0).get("name").stringValue()).isEqualTo("Step");
    assertThat(markers.get(0).get("kind").stringValue()).isEqualTo("hit");
    assertThat(markers.get(1).get("frame").doubleValue()).isEqualTo(1025);
    RunningApp.Answer wrong = beats(shot, "frame,kind\n1030,beat\n1031,boom\n");
    assertThat(wrong.json().get("detail").stringValue())
        .contains("line 3, kind is 'boom'; allowed: beat, hit, cue, note");
    assertThat(app.get(path(shot, "")).json().get("markers").size()).isEqualTo(2);
  }

  private RunningApp.Answer beats(long shot, String table) {
    return app.send(
        app.demoRequest(path(shot, "/beats"))
            .header("Content-Type", "text/csv")
            .POST(HttpRequest.BodyPublishers.ofString(table)));
  }

  @Test
  void samples_tellWhatIsWrong_andGiveCurvesWhereAsked() {
    String asked = path(app.demoShot("Quay walk"), "/samples?nodes=dolly,head&curves=dolly");
    JsonNode nodes = app.head(asked + "&slopes=true").get("nodes");
    JsonNode dolly = nodes.get(0);
    JsonNode overshoot = dolly.get("overshoots").get(0);
    assertThat(overshoot.get(0).stringValue()).isEqualTo("z");
    assertThat(overshoot.get(1).doubleValue()).isBetween(1073.0, 1144.0);
    assertThat(overshoot.get(3).doubleValue()).isNegative();
    assertThat(dolly.get("curves").get("z").get("segments").get("n").intValue()).isEqualTo(16);
    assertThat(dolly.get("curves").get("z").get("speed").get("n").intValue()).isEqualTo(160);
    JsonNode plain = app.head(asked).get("nodes").get(0).get("curves").get("z");
    assertThat(plain.has("segments")).isTrue();
    assertThat(plain.has("speed")).as("only where asked").isFalse();
    assertThat(dolly.get("path").get("n").intValue()).isEqualTo(30);
    JsonNode creep = nodes.get(1).get("creeps").get(0);
    assertThat(creep.get(0).stringValue()).isEqualTo("pan");
    assertThat(creep.get(1).doubleValue()).isEqualTo(1001);
    assertThat(creep.get(2).doubleValue()).isEqualTo(1049);
    assertThat(nodes.get(1).has("curves")).isFalse();
  }

  @Test
  void versionNames_areTheSameOnlyIfWrittenTheSame() {
    long shot = app.copyOf("Two cameras");
    for (String name : new String[] {"cafe", "café", "Café", "\uD83D\uDE00", "\uD83D\uDE80"}) {
      assertThat(
              app.post(path(shot, "/versions"), "{\"name\":\"" + name + "\",\"revision\":1}")
                  .status())
          .as(name)
          .isEqualTo(201);
    }
    assertThat(app.post(path(shot, "/versions"), "{\"name\":\"café\",\"revision\":1}").status())
        .isEqualTo(409);
  }
}

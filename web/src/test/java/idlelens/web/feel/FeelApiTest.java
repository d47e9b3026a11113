package idlelens.web.feel;

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

/** Shake over HTTP: what it does, its seeds, and feels that are kept. */
@ExtendWith(IdleLensExtension.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class FeelApiTest {
  private static final String SHAKE =
      "{\"edit\":\"add-part\",\"id\":\"a-cam\",\"part\":{\"part\":\"shake\",\"id\":\"shake-a\","
          + "\"way\":\"swell\",\"start\":1001,\"beat\":0,\"loops\":%s,\"pan\":2,\"panHz\":0.97}}";

  private RunningApp app;

  @BeforeAll
  void takeApp(RunningApp running) {
    app = running;
  }

  private JsonNode effect(long shot) {
    return app.get("/api/shots/" + shot + "/effect?node=a-cam&part=shake-a&camera=a-cam").json();
  }

  private RunningApp.Answer put(String path, String body) {
    return send(path, "application/json", body);
  }

  @Test
  void effect_isMeasured_withItsSpectrum_andTheFrequencyRoundedToTheLoop() {
    long shot = app.copyOf("Quay walk");
    app.edit(shot, SHAKE.formatted("false"));
    JsonNode free = effect(shot);
    assertThat(free.get("turn").get("largest").doubleValue()).isCloseTo(2, within(0.02));
    assertThat(free.get("picture").get("largest").doubleValue()).isBetween(0.02, 0.1);
    JsonNode pan = free.get("channels").get("pan");
    assertThat(free.get("channels")).hasSize(1);
    assertThat(pan.get("offsets")).hasSize(144);
    assertThat(pan.get("hz").doubleValue()).isEqualTo(0.97);
    assertThat(pan.get("dominantHz").doubleValue()).isCloseTo(0.97, within(0.1));
    app.post("/api/shots/" + shot + "/undo", "");
    app.edit(shot, SHAKE.formatted("true"));
    double rounded = effect(shot).get("channels").get("pan").get("hz").doubleValue();
    assertThat(rounded).as("six cycles in six seconds").isCloseTo(1, within(1e-12));
  }

  @Test
  void seeds_areTracedSideBySide_andTooManyAreRefused() {
    long shot = app.copyOf("Quay walk");
    app.edit(
        shot, SHAKE.formatted("false").replace("swell", "handheld").replace("\"beat\":0,", ""));
    String path = "/api/shots/" + shot + "/seeds?node=a-cam&part=shake-a&seeds=";
    JsonNode seeds = app.get(path + "1,2").json().get("seeds");
    assertThat(seeds).hasSize(2);
    assertThat(seeds.get(0).get("offsets")).isNotEqualTo(seeds.get(1).get("offsets"));
    assertThat(app.get(path + "1,2,3,4,5,6,7,8,9,10,11,12,13").text())
        .contains("seeds.count is 13; allowed: 1 to 12");
    assertThat(app.get(path.replace("shake-a", "lens") + "1").status()).isEqualTo(422);
  }

  @Test
  void feels_shipAndAreKept_andForgotten() {
    String feels = "/api/productions/" + app.demoProduction() + "/feels";
    JsonNode shipped = app.get(feels).json();
    assertThat(shipped).hasSize(6);
    assertThat(shipped.get(1).get("name").stringValue()).isEqualTo("Walking");
    String layers = "{\"layers\":" + shipped.get(1).get("layers") + "}";
    assertThat(put(feels + "/Our%20walk", layers).status()).isEqualTo(204);
    assertThat(put(feels + "/Our%20walk", layers).status()).isEqualTo(204);
    JsonNode kept = app.get(feels).json().get(6);
    assertThat(kept.get("name").stringValue()).isEqualTo("Our walk");
    assertThat(kept.get("layers")).isEqualTo(shipped.get(1).get("layers"));
    assertThat(put(feels + "/None", "{\"layers\":[]}").text()).contains("layers.count is 0");
    assertThat(put(feels + "/Keys", "{\"layers\":[{\"part\":\"keys\"}]}").text())
        .contains("layers[0]", "a layer of shake");
    assertThat(app.delete(feels + "/Our%20walk").status()).isEqualTo(204);
    assertThat(app.delete(feels + "/Our%20walk").status()).isEqualTo(404);
    assertThat(app.get(feels).json()).hasSize(6);
  }

  @Test
  void recordings_shipWithTheDemo_andComeFromTablesAndLines() {
    String all = "/api/productions/" + app.demoProduction() + "/recordings";
    JsonNode shipped = app.get(all).json();
    assertThat(shipped).hasSize(3);
    assertThat(shipped.get(0).get("name").stringValue()).isEqualTo("Cart on cobbles");
    assertThat(shipped.get(0).get("samples").intValue()).isEqualTo(600);
    assertThat(app.get(all + "/Steps%20on%20planks").json().get("samples").get("y")).hasSize(600);
    assertThat(send(all + "/Mine", "text/csv", "seconds,x_cm\n0,1\n0.5,2\n").status())
        .isEqualTo(204);
    assertThat(app.get(all + "/Mine").json().get("rate").doubleValue()).isEqualTo(2);
    String line =
        "{\"transforms\":[{\"translation\":{\"x\":%s,\"y\":0,\"z\":0},\"rotation\":{\"pan\":0,"
            + "\"tilt\":0,\"roll\":0}}],\"timing\":{\"sampleRate\":{\"num\":50,\"denom\":1}}}\n";
    String lines = line.formatted("0") + line.formatted("0.03");
    assertThat(send(all + "/Mine", "application/x-ndjson", lines).status()).isEqualTo(204);
    JsonNode mine = app.get(all + "/Mine").json();
    assertThat(mine.get("samples").get("x").get(1).doubleValue()).isEqualTo(3);
    assertThat(send(all + "/Bad", "text/csv", "seconds,x_cm\n0,1\n0.5,a\n").text())
        .contains("line 3, x_cm is 'a'");
    assertThat(app.delete(all + "/Mine").status()).isEqualTo(204);
    assertThat(app.get(all + "/Mine").status()).isEqualTo(404);
  }

  private RunningApp.Answer send(String path, String type, String body) {
    return app.send(
        app.demoRequest(path)
            .header("Content-Type", type)
            .PUT(HttpRequest.BodyPublishers.ofString(body)));
  }
}

package idlelens.web.handoff;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.core.scene.Shot;
import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** A rig as deep as a shot can have comes in, is seen, is renewed and goes out. */
@ExtendWith(IdleLensExtension.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class DeepFileTest {
  private static final Map<String, byte[]> FILE =
      Map.of("deep.usda", DeepFiles.usda(Shot.MOST_NODES - 1));

  private RunningApp app;
  private String imports;
  private long shot;
  private String camera;

  @BeforeAll
  void bringIn(RunningApp running) {
    app = running;
    imports = "/api/productions/" + app.demoProduction() + "/imports";
    RunningApp.Answer answer = app.upload(imports, FILE, Map.of());
    assertThat(answer.status()).as(answer.text()).isEqualTo(201);
    shot = answer.json().get("shotId").longValue();
    JsonNode nodes = answer.json().get("nodes");
    camera = nodes.get(nodes.size() - 1).stringValue();
  }

  @AfterAll
  void takeAway() {
    app.delete("/api/shots/" + shot);
  }

  @Test
  void itIsLookedAt() {
    RunningApp.Answer answer = app.upload(imports + "/preview", FILE, Map.of());
    assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    assertThat(answer.json().get("nulls").intValue()).isEqualTo(Shot.MOST_NODES - 1);
  }

  @Test
  void itIsSampled() {
    String samples = "/api/shots/" + shot + "/samples?nodes=" + camera + "&curves=" + camera;
    assertThat(app.get(samples).status()).isEqualTo(200);
  }

  @Test
  void itIsRenewed_andNothingInItIsNew() {
    Map<String, String> onto = Map.of("shot", String.valueOf(shot), "renew", "true");
    RunningApp.Answer answer = app.upload(imports, FILE, onto);
    assertThat(answer.status()).as(answer.text()).isEqualTo(201);
    assertThat(answer.json().get("nodes").size()).isZero();
  }

  @ParameterizedTest
  @ValueSource(strings = {"glb", "usda", "dae", "opentrackio", "csv"})
  void itGoesOut_andTheCheckFindsItWhereItIs(String format) {
    String path = "/api/shots/" + shot + "/transfer/" + format;
    RunningApp.Answer answer = app.get(path + "?camera=" + camera + "&company=carriers");
    assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    assertThat(answer.json().get("sentence").stringValue()).startsWith("Good: read back");
  }
}

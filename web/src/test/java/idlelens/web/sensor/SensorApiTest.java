package idlelens.web.sensor;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import java.net.http.HttpRequest;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Sensors over HTTP: those everybody knows, and those that a production keeps. */
@ExtendWith(IdleLensExtension.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class SensorApiTest {
  private RunningApp app;
  private String sensors;

  @BeforeAll
  void takeApp(RunningApp running) {
    app = running;
    sensors = "/api/productions/" + app.demoProduction() + "/sensors";
  }

  private RunningApp.Answer put(String name, String body) {
    return app.send(
        app.demoRequest(sensors + "/" + name)
            .header("Content-Type", "application/json")
            .PUT(HttpRequest.BodyPublishers.ofString(body)));
  }

  @Test
  void sensors_areKeptUnderAName_replaced_andForgotten() {
    int common = app.get(sensors).json().size();
    assertThat(common).isEqualTo(7);
    assertThat(put("Quay%20slit", "{\"sensorMm\":[31.5,4.25]}").status()).isEqualTo(204);
    assertThat(put("Quay%20slit", "{\"sensorMm\":[31.5,4.5]}").status()).isEqualTo(204);
    JsonNode all = app.get(sensors).json();
    assertThat(all).hasSize(common + 1);
    JsonNode kept = all.get(common);
    assertThat(kept.get("name").stringValue()).isEqualTo("Quay slit");
    assertThat(kept.get("kept").booleanValue()).isTrue();
    assertThat(kept.get("sensorMm").get(0).doubleValue()).isEqualTo(31.5);
    assertThat(kept.get("sensorMm").get(1).doubleValue()).isEqualTo(4.5);
    assertThat(app.delete(sensors + "/Quay%20slit").status()).isEqualTo(204);
    assertThat(app.delete(sensors + "/Quay%20slit").status()).isEqualTo(404);
    assertThat(app.get(sensors).json()).hasSize(common);
  }

  @Test
  void whatIsNoSensor_isRefusedInWords() {
    assertThat(put("Flat", "{\"sensorMm\":[36,0]}").text())
        .contains("sensor.heightMm is 0.0; allowed: 0.1 to 1000");
    assertThat(put("Half", "{\"sensorMm\":[36]}").status()).isEqualTo(422);
    assertThat(put("full%20frame", "{\"sensorMm\":[36,24]}").text())
        .contains("name is 'full frame'; allowed: another name than a common one");
    assertThat(app.get(sensors).json()).hasSize(7);
  }
}

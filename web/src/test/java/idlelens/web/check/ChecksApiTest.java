package idlelens.web.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Checks and periods over HTTP, of the demo shots. */
@ExtendWith(IdleLensExtension.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class ChecksApiTest {
  private RunningApp app;

  @BeforeAll
  void takeApp(RunningApp running) {
    app = running;
  }

  private JsonNode checks(String shot, String question) {
    RunningApp.Answer answer = app.get("/api/shots/" + app.copyOf(shot) + "/checks?" + question);
    assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    return answer.json();
  }

  @Test
  void loft_hasANumberForEachFrame_andThePieceThatIsNearest() {
    JsonNode found = checks("Net loft", "camera=loft-cam&piece=lamp-oil&near=0.05");
    assertThat(found.get("metresPerSecond")).hasSize(120);
    assertThat(found.get("clearance").get("camera")).hasSize(120);
    assertThat(found.get("clearance").get("cuts")).isNull();
    assertThat(found.get("clearance").get("passes")).isNull();
    assertThat(found.get("inView").get("states")).hasSize(120);
    String nearest = found.get("clearance").get("nearest").get(71).stringValue();
    assertThat(nearest).as("in the doorway").startsWith("loft-");
  }

  @Test
  void loops_ofTheDemo_close_withOneFrameTooManyTheyDoNot() {
    JsonNode turntable = checks("Lamp room", "camera=lamp-cam").get("seam");
    assertThat(turntable.get("closes").booleanValue()).isTrue();
    assertThat(turntable.get("placeM").doubleValue()).isLessThan(1e-9);
    long id = app.copyOf("Stair loop");
    String question = "/api/shots/" + id + "/checks?camera=stair-cam&repeat=flight";
    JsonNode closed = app.get(question).json();
    assertThat(closed.get("seam").get("closes").booleanValue()).isTrue();
    assertThat(closed.get("open")).isNull();
    app.edit(id, "{\"edit\":\"change-header\",\"in\":1001,\"out\":1097}");
    JsonNode open = app.get(question).json().get("seam");
    assertThat(open.get("closes").booleanValue()).isFalse();
    double chord = 2 * 2.05 * Math.sin(Math.toRadians(60.0 / 96 / 2));
    assertThat(open.get("placeM").doubleValue())
        .isCloseTo(Math.hypot(1.35 / 96, chord), within(1e-9));
    JsonNode periods = app.get("/api/shots/" + id + "/periods?camera=stair-cam&most=300").json();
    JsonNode first = periods.get("periods").get(0);
    assertThat(first.get("frames").intValue()).isEqualTo(96);
    assertThat(first.get("out").intValue()).isEqualTo(1096);
    assertThat(first.get("repeat").stringValue()).isEqualTo("flight");
    assertThat(first.get("steps").intValue()).isEqualTo(1);
    assertThat(first.get("open")).isEmpty();
  }

  @Test
  void wrongQuestions_getWhatIsAllowed() {
    String path = "/api/shots/" + app.copyOf("Quay walk") + "/checks?";
    assertProblem(path + "camera=keeper", "camera is 'Keeper'; allowed: a camera");
    assertProblem(path + "camera=a-cam&piece=dolly", "piece is 'Dolly'; allowed: a piece");
    assertProblem(path + "camera=a-cam&repeat=dolly", "repeat is 'dolly'");
    assertProblem(path + "camera=a-cam&shutter=0", "shutter is 0.0; allowed: 1 to 360");
    assertProblem(path + "camera=a-cam&near=0", "near is 0.0; allowed: 0.001 to 100");
    assertProblem(path + "camera=a-cam&readable=0", "readable is 0.0");
  }

  private void assertProblem(String path, String says) {
    RunningApp.Answer answer = app.get(path);
    assertThat(answer.status()).as(path).isEqualTo(422);
    assertThat(answer.json().get("detail").stringValue()).contains(says);
  }
}

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

  /**
   * The ferry comes nearer than the mark it was pulled to: soft at the end, with what would hold
   * it.
   */
  @Test
  void subject_isHeldAgainstTheSharpZone() {
    String path = "/api/shots/" + app.copyOf("Focus pull") + "/checks?camera=a-cam";
    JsonNode keeper = app.get(path + "&subject=keeper&at=0,1.55,0").json().get("sharpness");
    assertThat(keeper.get("metres")).hasSize(144);
    assertThat(keeper.get("soft").get(0).get("from").intValue()).isEqualTo(1001);
    assertThat(keeper.get("soft").get(0).get("how").stringValue()).isEqualTo("farther");
    double blurWhilePulledThere = keeper.get("blur").get(70).doubleValue();
    assertThat(blurWhilePulledThere).isLessThan(0.0006);
    JsonNode lantern = app.get(path + "&subject=lantern&at=0,0.17,0").json().get("sharpness");
    assertThat(lantern.get("blur").get(0).doubleValue()).isLessThan(1e-6);
    assertThat(lantern.get("soft").get(0).get("how").stringValue()).isEqualTo("nearer");
    assertThat(app.get(path).json().has("sharpness")).isFalse();
  }

  @Test
  void wrongQuestions_getWhatIsAllowed() {
    String path = "/api/shots/" + app.copyOf("Quay walk") + "/checks?";
    assertProblem(path + "camera=keeper", "camera is 'Keeper'; allowed: a camera");
    assertProblem(path + "camera=a-cam&piece=dolly", "piece is 'Dolly'; allowed: a piece");
    assertProblem(path + "camera=a-cam&repeat=dolly", "repeat is 'dolly'");
    assertProblem(path + "camera=a-cam&subject=ghost", "node is 'ghost'");
    assertProblem(path + "camera=a-cam&subject=keeper&at=1,2", "at.count is 2; allowed: 3 to 3");
    assertProblem(path + "camera=a-cam&near=0", "near is 0.0; allowed: 0.001 to 100");
    assertProblem(path + "camera=a-cam&readable=0", "readable is 0.0");
  }

  private void assertProblem(String path, String says) {
    RunningApp.Answer answer = app.get(path);
    assertThat(answer.status()).as(path).isEqualTo(422);
    assertThat(answer.json().get("detail").stringValue()).contains(says);
  }
}

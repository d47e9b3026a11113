package idlelens.web.shot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The passes of a frame and the distances of what is seen, as they are sent. */
@ExtendWith(IdleLensExtension.class)
class ExposureApiTest {
  private final RunningApp app;

  ExposureApiTest(RunningApp app) {
    this.app = app;
  }

  /** A bundle that was sent. */
  private record Bundle(JsonNode head, ByteBuffer octets, int start) {
    static Bundle of(RunningApp.Answer answer) {
      assertThat(answer.status()).isEqualTo(200);
      ByteBuffer octets = ByteBuffer.wrap(answer.body()).order(ByteOrder.LITTLE_ENDIAN);
      int length = octets.getInt(4);
      String head = new String(answer.body(), 8, length, StandardCharsets.UTF_8);
      return new Bundle(JsonMapper.shared().readTree(head), octets, 8 + length);
    }

    float at(JsonNode column, int i) {
      assertThat(i).isLessThan(column.get("n").intValue());
      return octets.getFloat(start + 4 * (column.get("at").intValue() + i));
    }
  }

  private RunningApp.Answer exposure(long shot, String body) {
    return app.post("/api/shots/" + shot + "/exposure", body);
  }

  @Test
  void passes_areSentWithWhatMovesInThem() {
    long shot = app.demoShot("Quay walk");
    Bundle bundle =
        Bundle.of(exposure(shot, "{\"camera\":\"a-cam\",\"frame\":1040,\"passes\":24}"));
    JsonNode eye = bundle.head().get("eye");
    double mean = 0;
    for (int k = 0; k < 24; k++) {
      mean += bundle.at(eye.get("later"), k) / 24;
      double turn = 0;
      for (String name : new String[] {"qx", "qy", "qz", "qw"}) {
        turn += Math.pow(bundle.at(eye.get(name), k), 2);
      }
      assertThat(turn).isCloseTo(1, within(1e-6));
    }
    assertThat(mean).as("centred on the frame, 39 after the first").isCloseTo(39, within(1e-4));
    assertThat(bundle.head().get("nodes")).anyMatch(n -> n.get("id").stringValue().equals("hull"));
    assertThat(bundle.head().get("nodes")).noneMatch(n -> n.get("id").stringValue().equals("quay"));
  }

  @Test
  void editsThatAreOnlyTried_count() {
    long shot = app.demoShot("Quay walk");
    String edit =
        "{\"edit\":\"set-values\",\"id\":\"a-cam\",\"frame\":1040,\"values\":{\"shutter\":0},"
            + "\"keying\":\"still\"}";
    String asked = "{\"camera\":\"a-cam\",\"frame\":1040,\"passes\":4,\"edits\":[" + edit + "]}";
    Bundle bundle = Bundle.of(exposure(shot, asked));
    for (int k = 0; k < 4; k++) {
      assertThat(bundle.at(bundle.head().get("eye").get("later"), k)).isEqualTo(39f);
    }
  }

  @Test
  void wrongQuestions_areAnsweredWithWhatIsAllowed() {
    long shot = app.demoShot("Quay walk");
    RunningApp.Answer none = exposure(shot, "{\"camera\":\"a-cam\",\"frame\":1040,\"passes\":0}");
    assertThat(none.status()).isEqualTo(422);
    assertThat(none.text()).contains("passes is 0; allowed: 1 to 1024");
    RunningApp.Answer noCamera =
        exposure(shot, "{\"camera\":\"quay\",\"frame\":1040,\"passes\":4}");
    assertThat(noCamera.status()).isEqualTo(422);
    assertThat(noCamera.text()).contains("a camera");
    assertThat(exposure(shot, "{\"camera\":\"a-cam\"}").status()).isEqualTo(422);
    assertThat(app.get("/api/shots/" + shot + "/depths?camera=nobody").status()).isEqualTo(422);
  }

  /** What would take more room than there is, is refused before it is begun; fewer passes do. */
  @Test
  void moreThanCanBeEvaluated_isRefused_withHowManyPassesAre() {
    long shot = app.copyOf("Two cameras");
    StringBuilder nodes = new StringBuilder();
    for (int i = 0; i < 600; i++) {
      nodes
          .append(i == 0 ? "" : ",")
          .append("{\"id\":\"null-")
          .append(i)
          .append("\",\"name\":\"Null ");
      nodes.append(i).append("\",\"kind\":\"null\",\"chain\":[{\"part\":\"keys\",\"x\":{\"keys\":");
      nodes.append("[[1001,0,\"settle\"],[1020,1,\"settle\"]]}}]}");
    }
    assertThat(app.edit(shot, "{\"edit\":\"add-nodes\",\"nodes\":[" + nodes + "]}").status())
        .isEqualTo(200);
    RunningApp.Answer most =
        exposure(shot, "{\"camera\":\"a-cam\",\"frame\":1010,\"passes\":1024}");
    assertThat(most.status()).isEqualTo(422);
    assertThat(most.text()).contains("nodes that move; allowed: at most 8");
    Bundle.of(exposure(shot, "{\"camera\":\"a-cam\",\"frame\":1010,\"passes\":256}"));
  }

  @Test
  void distances_areThoseOfWhatIsInThePicture() {
    long shot = app.demoShot("Quay walk");
    Bundle bundle = Bundle.of(app.get("/api/shots/" + shot + "/depths?camera=a-cam"));
    JsonNode keeper = null;
    for (JsonNode node : bundle.head().get("nodes")) {
      keeper = node.get("id").stringValue().equals("keeper") ? node : keeper;
    }
    assertThat(keeper).isNotNull();
    JsonNode sample =
        app.get("/api/shots/" + shot + "/samples?nodes=a-cam&nodes=keeper&from=1001&to=1001")
            .json();
    double apart =
        sample.get("nodes").get(0).get("z").get(0).asDouble()
            - sample.get("nodes").get(1).get("z").get(0).asDouble();
    int handles = app.get("/api/shots/" + shot).json().get("handles").intValue();
    assertThat((double) bundle.at(keeper.get("metres"), handles)).isCloseTo(apart, within(0.4));
  }
}

package idlelens.web.shot;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.net.http.HttpRequest;
import java.util.Arrays;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** What is sent after an edit, an undo, and to another window; and what else belongs to a shot. */
@ExtendWith(IdleLensExtension.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class ChangesApiTest {
  private static final String KEY_LENS =
      "{\"edit\":\"set-values\",\"id\":\"a-cam\",\"frame\":1060,\"values\":{\"focus\":%s},"
          + "\"keying\":\"touched\"}";

  private RunningApp app;

  @BeforeAll
  void takeApp(RunningApp running) {
    app = running;
  }

  private byte[] octets(String path, String post) {
    HttpRequest.Builder request =
        app.demoRequest(path).header("Accept", "application/octet-stream");
    if (post != null) {
      request.POST(HttpRequest.BodyPublishers.ofString(post));
      request.header("Content-Type", "application/json");
    }
    RunningApp.Answer answer = app.send(request);
    assertThat(answer.status()).as(path).isEqualTo(200);
    return answer.body();
  }

  @Test
  void undoAndOtherWindows_getNoMoreThanTheEditItself() {
    long shot = app.copyOf("Quay walk");
    String path = "/api/shots/" + shot;
    String edit = "{\"revision\":1,\"edits\":[" + KEY_LENS.formatted(3) + "]}";
    int own = octets(path + "/edits", edit).length;
    int other = octets(path + "/changes?since=1", null).length;
    int undone = octets(path + "/undo", "").length;
    assertThat(other).isEqualTo(own);
    assertThat(undone).isLessThan(own + 500);
    assertThat(octets(path + "/changes?since=2", null).length).isEqualTo(undone);
  }

  @Test
  void changes_sinceLongAgo_leadToTheSameSamples() {
    long shot = app.copyOf("Quay walk");
    for (int i = 1; i <= 12; i++) {
      app.edit(shot, KEY_LENS.formatted(i));
    }
    JsonNode changes = app.get("/api/shots/" + shot + "/changes?since=1").json();
    assertThat(changes.get("revision").intValue()).isEqualTo(13);
    assertThat(changes.get("changed").toString()).contains("a-cam").doesNotContain("dolly");
    RunningApp.Answer ahead = app.get("/api/shots/" + shot + "/changes?since=14");
    assertThat(ahead.status()).isEqualTo(404);
    assertThat(ahead.text()).contains("14");
  }

  @Test
  void focusKey_whileTheLensIsOff_isToldAsAChange() {
    long shot = app.copyOf("Quay walk");
    app.edit(shot, "{\"edit\":\"switch-part\",\"id\":\"a-cam\",\"part\":\"lens\",\"on\":false}");
    String moved =
        "{\"edit\":\"move-keys\",\"by\":-1,\"picks\":[{\"id\":\"a-cam\",\"channels\":"
            + "[\"focus\"],\"frames\":[1025]}]}";
    RunningApp.Answer answer = app.edit(shot, moved);
    assertThat(answer.json().get("changed").toString()).isEqualTo("[\"a-cam\"]");
  }

  @Test
  void lengthening_saysWhatMoves_andTheEditDoesIt() {
    long shot = app.copyOf("Quay walk");
    JsonNode told = app.get("/api/shots/" + shot + "/lengthening?at=1100").json();
    int moved = told.get("keys").get("move").intValue();
    assertThat(moved).isPositive();
    assertThat(told.get("keys").get("stay").intValue()).isPositive();
    app.edit(shot, "{\"edit\":\"lengthen\",\"by\":240,\"at\":1100}");
    JsonNode document = app.get("/api/shots/" + shot).json();
    assertThat(document.get("out").intValue()).isEqualTo(1384);
    JsonNode after = app.get("/api/shots/" + shot + "/lengthening?at=1340").json();
    assertThat(after.get("keys").get("move").intValue()).isEqualTo(moved);
    assertThat(app.get("/api/shots/" + shot + "/lengthening?at=0").status()).isEqualTo(422);
  }

  @Test
  void parts_areToldWithTheirParametersAndFamilies() {
    JsonNode parts = app.get("/api/parts").json();
    assertThat(parts.get("parts").toString())
        .contains("\"part\":\"aim\"", "\"part\":\"keys\"", "\"part\":\"lens\"");
    for (JsonNode kind : parts.get("parts")) {
      for (JsonNode parameter : kind.get("parameters")) {
        assertThat(parts.get("families").toString())
            .contains("\"id\":\"" + parameter.get("family").stringValue() + "\"");
      }
    }
  }

  @Test
  void picture_isKeptForTheCard_andNothingElseIsTaken() throws Exception {
    long shot = app.copyOf("Quay walk");
    String path = "/api/shots/" + shot + "/picture";
    assertThat(app.get(path).status()).isEqualTo(404);
    byte[] small = jpeg(480, 270);
    assertThat(put(path + "?revision=1", small)).isEqualTo(204);
    assertThat(app.get(path).body()).isEqualTo(small);
    assertThat(put(path + "?revision=2", small)).as("not yet there").isEqualTo(422);
    assertThat(put(path + "?revision=1", jpeg(641, 10))).isEqualTo(422);
    assertThat(put(path + "?revision=1", "GIF89a".getBytes())).isEqualTo(422);
    assertThat(put(path + "?revision=1", new byte[200_001])).isEqualTo(422);
    assertThat(put(path + "?revision=1", Arrays.copyOf(small, 12))).isEqualTo(422);
    assertThat(app.get(path).body()).isEqualTo(small);
  }

  private int put(String path, byte[] body) {
    return app.send(
            app.demoRequest(path)
                .header("Content-Type", "image/jpeg")
                .PUT(HttpRequest.BodyPublishers.ofByteArray(body)))
        .status();
  }

  private static byte[] jpeg(int width, int height) throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB), "jpeg", out);
    return out.toByteArray();
  }
}

package idlelens.web.shot;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.core.set.Mesh;
import idlelens.exchange.format.ContentHash;
import idlelens.exchange.mesh.MeshOctets;
import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import idlelens.web.app.TestPictures;
import java.awt.Color;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Pictures on cards over HTTP: kept, shown, refused; and what is told when they change. */
@ExtendWith(IdleLensExtension.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class CardPicturesApiTest {
  private static final byte[] RED = TestPictures.halfPng(64, 48, Color.RED);
  private static final byte[] BLUE = TestPictures.halfPng(64, 48, Color.BLUE);
  private static final String STILL = "{\"asset\":\"%s\",\"width\":64,\"height\":48}";

  private RunningApp app;

  @BeforeAll
  void takeApp(RunningApp running) {
    app = running;
  }

  private RunningApp.Answer send(long shot, String name, byte[] content) {
    return app.upload("/api/shots/" + shot + "/pictures", Map.of(name, content), Map.of());
  }

  private String kept(long shot, byte[] content) {
    RunningApp.Answer answer = send(shot, "p.png", content);
    assertThat(answer.status()).as(answer.text()).isEqualTo(201);
    return answer.json().get(0).get("asset").stringValue();
  }

  private static String card(String stills) {
    return "{\"edit\":\"set-piece\",\"id\":\"board-1\",\"shape\":{\"kind\":\"card\",\"width\":1,"
        + "\"height\":0.75},\"finish\":{\"colour\":\"#c2452d\",\"kind\":\"matt\",\"pictures\":"
        + "{\"stills\":["
        + stills
        + "],\"rate\":\"12\",\"first\":1001,\"after\":\"cycle\"}}}";
  }

  @Test
  void files_areKeptInOrder_withTheirSizes_andCanBeFetchedAgain() {
    long shot = app.copyOf("Quay walk");
    Map<String, byte[]> files = new LinkedHashMap<>();
    files.put("b.png", RED);
    files.put("a.jpg", TestPictures.plain(30, 20, "jpeg"));
    RunningApp.Answer answer = app.upload("/api/shots/" + shot + "/pictures", files, Map.of());
    assertThat(answer.status()).as(answer.text()).isEqualTo(201);
    JsonNode second = answer.json().get(1);
    assertThat(second.get("name").stringValue()).isEqualTo("a.jpg");
    assertThat(second.get("width").intValue()).isEqualTo(30);
    assertThat(second.get("height").intValue()).isEqualTo(20);
    String path = "/api/shots/" + shot + "/pictures/";
    RunningApp.Answer red = app.get(path + answer.json().get(0).get("asset").stringValue());
    assertThat(red.body()).isEqualTo(RED);
    assertThat(red.headers().firstValue("Content-Type")).hasValue("image/png");
    RunningApp.Answer plain = app.get(path + second.get("asset").stringValue());
    assertThat(plain.headers().firstValue("Content-Type")).hasValue("image/jpeg");
    assertThat(app.get(path + "0".repeat(64)).status()).isEqualTo(404);
    assertThat(app.get(path + "none").status()).isEqualTo(404);
  }

  @Test
  void whatIsNoPicture_orTooLarge_orDamaged_isRefusedByName_andNothingIsKept() {
    long shot = app.copyOf("Quay walk");
    Map<String, byte[]> wrong = new LinkedHashMap<>();
    wrong.put("empty.png", new byte[0]);
    wrong.put("text.png", "not a picture".getBytes(StandardCharsets.UTF_8));
    wrong.put("moving.gif", TestPictures.plain(8, 8, "gif"));
    wrong.put("bitmap.png", TestPictures.plain(8, 8, "bmp"));
    wrong.put("cut.png", Arrays.copyOf(RED, RED.length - 40));
    wrong.put("claims.png", TestPictures.claiming(RED, 60_000, 60_000));
    wrong.put("claims-2.png", TestPictures.claiming(RED, 4096, 4096));
    wrong.put("none.png", TestPictures.claiming(RED, 0, 48));
    wrong.put("less.png", TestPictures.claiming(RED, -5, 48));
    wrong.forEach(
        (name, content) -> {
          RunningApp.Answer answer = send(shot, name, content);
          assertThat(answer.status()).as(name + " " + answer.text()).isEqualTo(422);
          assertThat(answer.json().get("detail").stringValue()).contains(name, "allowed");
        });
    Map<String, byte[]> both = new LinkedHashMap<>();
    byte[] fresh = TestPictures.halfPng(77, 11, Color.GREEN);
    both.put("good.png", fresh);
    both.put("cut.png", Arrays.copyOf(RED, RED.length - 40));
    assertThat(app.upload("/api/shots/" + shot + "/pictures", both, Map.of()).status())
        .isEqualTo(422);
    String path = "/api/shots/" + shot + "/pictures/" + ContentHash.of(fresh);
    assertThat(app.get(path).status()).as("all or none").isEqualTo(404);
  }

  /** Octets of pictures changed at random are refused or kept; never is anything else said. */
  @Test
  void damagedFiles_areRefusedOrKept_butNeverATrouble() {
    long shot = app.copyOf("Quay walk");
    Random random = new Random(11);
    byte[][] sources = {RED, TestPictures.plain(40, 30, "jpeg")};
    for (int i = 0; i < 60; i++) {
      byte[] content = sources[i % 2].clone();
      for (int k = 0; k < 1 + random.nextInt(4); k++) {
        content[random.nextInt(content.length)] = (byte) random.nextInt(256);
      }
      assertThat(send(shot, "p.png", content).status()).isIn(201, 422);
    }
  }

  @Test
  void sequence_onACard_isToldWithTheOutcome_andAgainWhenItChanges() {
    long shot = app.copyOf("Quay walk");
    String red = STILL.formatted(kept(shot, RED));
    String blue = STILL.formatted(kept(shot, BLUE));
    RunningApp.Answer put = app.edit(shot, card(red + "," + blue));
    assertThat(put.status()).as(put.text()).isEqualTo(200);
    assertThat(put.json().get("changed").toString()).isEqualTo("[\"board-1\"]");
    String held = blue.replace("}", ",\"held\":4}");
    RunningApp.Answer again = app.edit(shot, card(red + "," + held));
    assertThat(again.json().get("changed").toString()).isEqualTo("[\"board-1\"]");
    RunningApp.Answer same = app.edit(shot, card(red + "," + held));
    assertThat(same.json().get("changed").toString()).isEqualTo("[]");
    app.edit(
        shot, "{\"edit\":\"convert-rate\",\"rate\":\"48\",\"keep\":\"time\",\"wholeFrames\":true}");
    JsonNode pictures = app.node(shot, "board-1").get("finish").get("pictures");
    assertThat(pictures.get("first").doubleValue()).isEqualTo(1001);
    assertThat(pictures.get("stills").get(1).get("held").intValue()).isEqualTo(4);
    app.edit(
        shot,
        "{\"edit\":\"retime\",\"ids\":[\"board-1\"],\"map\":{\"kind\":\"shift\",\"by\":24},"
            + "\"landing\":\"refuse\",\"markers\":false,\"range\":false}");
    JsonNode later = app.node(shot, "board-1").get("finish").get("pictures");
    assertThat(later.get("first").doubleValue()).isEqualTo(1025);
  }

  @Test
  void mist_thatIsSetOtherwise_isToldToo() {
    long shot = app.copyOf("Lamp room");
    String mist =
        "{\"edit\":\"set-mist\",\"id\":\"sea-mist\",\"mist\":{\"count\":90,\"seed\":8,\"width\":60,"
            + "\"height\":6,\"depth\":60,\"puff\":3,\"x\":1,\"y\":0,\"z\":0,"
            + "\"colour\":\"#e9eef0\",\"density\":0.1,\"loops\":true}}";
    RunningApp.Answer answer = app.edit(shot, mist);
    assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    assertThat(answer.json().get("changed").toString()).isEqualTo("[\"sea-mist\"]");
  }

  @Test
  void pictureOfAnotherProduction_isRefusedOnACard_andGoesAlongInAFile() {
    long shot = app.copyOf("Quay walk");
    byte[] own = TestPictures.halfPng(64, 48, Color.MAGENTA);
    String asset = kept(shot, own);
    app.edit(shot, card(STILL.formatted(asset)));
    String file = app.get("/api/shots/" + shot + "/export/json").text();
    assertThat(file).contains(Base64.getEncoder().encodeToString(own));
    long other =
        app.post("/api/productions", "{\"name\":\"Other quay\"}").json().get("id").longValue();
    RunningApp.Answer made =
        app.upload(
            "/api/productions/" + other + "/imports",
            Map.of("walk.json", file.getBytes(StandardCharsets.UTF_8)),
            Map.of());
    assertThat(made.status()).as(made.text()).isEqualTo(201);
    long there = made.json().get("shotId").longValue();
    assertThat(app.get("/api/shots/" + there + "/pictures/" + asset).body()).isEqualTo(own);
    String elsewhere = kept(shot, TestPictures.halfPng(64, 48, Color.CYAN));
    RunningApp.Answer refused = app.edit(there, card(STILL.formatted(elsewhere)));
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.json().get("detail").stringValue())
        .contains("Board 1.finish.pictures.asset", "a picture of this production");
  }

  /** Triangles where a picture has to be would be found out only when they are drawn. */
  @Test
  void assetOfTheOtherKind_isRefused_onACardAndAsAShape() {
    long shot = app.copyOf("Quay walk");
    String picture = kept(shot, RED);
    String sail =
        "{\"edit\":\"set-piece\",\"id\":\"board-1\",\"shape\":{\"kind\":\"imported\",\"asset\":"
            + "\"%s\",\"triangles\":1,\"bounds\":[0,0,0,1,1,0]},\"finish\":{\"colour\":"
            + "\"#c8c4bc\",\"kind\":\"matt\"}}";
    RunningApp.Answer asShape = app.edit(shot, sail.formatted(picture));
    assertThat(asShape.status()).isEqualTo(422);
    assertThat(asShape.json().get("detail").stringValue())
        .contains("Board 1.shape.asset", "triangles of this production");
    byte[] triangle =
        MeshOctets.write(
            new Mesh(
                new float[] {0, 0, 0, 1, 0, 0, 0, 1, 0},
                new float[] {0, 0, 1, 0, 0, 1, 0, 0, 1},
                new float[] {1, 1, 1},
                new int[] {0, 1, 2}));
    String mesh = ContentHash.of(triangle);
    app.bean(AssetRepository.class).put(app.demoProduction(), Map.of(mesh, triangle));
    assertThat(app.edit(shot, sail.formatted(mesh)).status()).isEqualTo(200);
    assertThat(app.edit(shot, card(STILL.formatted(mesh))).status()).isEqualTo(422);
    assertThat(app.get("/api/shots/" + shot + "/pictures/" + mesh).status()).isEqualTo(404);
    assertThat(app.get("/api/shots/" + shot + "/meshes").status()).isEqualTo(200);
  }

  @Test
  void names_arePutInOrder_andWhatIsNoListOfNamesIsRefused() {
    JsonNode order =
        app.post("/api/play-order", "{\"names\":[\"g10.png\",\"g8.png\",\"g9.png\"]}").json();
    assertThat(order.get(0).get("name").stringValue()).isEqualTo("g8.png");
    assertThat(order.get(2).get("held").intValue()).isEqualTo(1);
    assertThat(app.post("/api/play-order", "{\"names\":[]}").status()).isEqualTo(422);
    assertThat(app.post("/api/play-order", "{\"names\":7}").status()).isEqualTo(422);
  }
}

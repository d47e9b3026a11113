package idlelens.web.handoff;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.exchange.format.ContentHash;
import idlelens.exchange.json.ShotJson;
import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import java.io.IOException;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

@ExtendWith(IdleLensExtension.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class HandoffApiTest {
  private static final Path FILES = Path.of("../exchange/src/test/resources/quay");

  private RunningApp app;

  @BeforeAll
  void takeApp(RunningApp running) {
    app = running;
  }

  private String imports() {
    return "/api/productions/" + app.demoProduction() + "/imports";
  }

  private static Map<String, byte[]> files(String... names) throws IOException {
    Map<String, byte[]> files = new LinkedHashMap<>();
    for (String name : names) {
      files.put(Path.of(name).getFileName().toString(), Files.readAllBytes(FILES.resolve(name)));
    }
    return files;
  }

  @Test
  void glb_fromElsewhere_becomesANewShotWithItsMeshes() throws Exception {
    RunningApp.Answer made = app.upload(imports(), files("boom-shot.glb"), Map.of("rate", "24"));
    assertThat(made.status()).as(made.text()).isEqualTo(201);
    long shot = made.json().get("shotId").longValue();
    JsonNode document = app.get("/api/shots/" + shot).json();
    assertThat(document.get("name").stringValue()).isEqualTo("boom-shot");
    assertThat(document.get("in").intValue()).isEqualTo(1001);
    assertThat(document.get("out").intValue()).isEqualTo(1096);
    assertThat(app.get("/api/shots/" + shot + "/meshes").status()).isEqualTo(200);
    JsonNode entry = app.get("/api/shots/" + shot + "/handoffs").json().get(0);
    assertThat(entry.get("direction").stringValue()).isEqualTo("in");
    assertThat(entry.get("fileName").stringValue()).isEqualTo("boom-shot.glb");
  }

  @Test
  void gltf_withItsBufferBeside_isRead_withoutItRefused() throws Exception {
    RunningApp.Answer both =
        app.upload(
            imports(),
            files("two-buffers.bin", "two-buffers.gltf"),
            Map.of("rate", "25", "firstFrame", "10"));
    assertThat(both.status()).as(both.text()).isEqualTo(201);
    JsonNode document = app.get("/api/shots/" + both.json().get("shotId").longValue()).json();
    assertThat(document.get("in").intValue()).isEqualTo(10);
    RunningApp.Answer alone = app.upload(imports(), files("two-buffers.gltf"), Map.of());
    assertThat(alone.status()).isEqualTo(422);
    assertThat(alone.json().get("detail").stringValue())
        .contains("the plain name of a file sent along");
  }

  @Test
  void framesThatGoOut_areChosen_andComeBackWhereTheyWere() {
    long shot = app.copyOf("Quay walk");
    String glb = "/api/shots/" + shot + "/export/glb?camera=a-cam&company=carriers&frames=";
    for (String frames : List.of("range", "handles", "990-1010")) {
      byte[] file = app.get(glb + frames).body();
      RunningApp.Answer made = app.upload(imports(), Map.of("sent.glb", file), Map.of());
      JsonNode back = app.get("/api/shots/" + made.json().get("shotId").longValue()).json();
      boolean some = frames.startsWith("990");
      assertThat(back.get("in").intValue()).as(frames).isEqualTo(some ? 990 : 1001);
      assertThat(back.get("out").intValue()).as(frames).isEqualTo(some ? 1010 : 1144);
      assertThat(back.get("handles").intValue()).isEqualTo(some ? 0 : 8);
      int from = frames.equals("range") ? 1001 : some ? 990 : 993;
      assertThat(back.get("nodes").toString()).contains("[[" + from + ".0,");
      assertThat(back.get("nodes").toString().contains("[" + (from - 1) + ".0,")).isFalse();
    }
    assertThat(app.get("/api/shots/" + shot + "/handoffs").text())
        .contains("the range goes out, without its 8 frames of handles")
        .contains("frames 993 to 1152 go out")
        .contains("frames 990 to 1010 go out");
    assertThat(app.get(glb + "1010-1001").text()).contains("range.out is 1001");
    assertThat(app.get(glb + "1-9999999").status()).isEqualTo(422);
    assertThat(app.get(glb + "most").text())
        .contains("allowed: range, handles, needed, or two frames such as 1001-1144");
  }

  /** From a cut to a cut, with handles at both ends; of a camera that is not seen, nothing. */
  @Test
  void framesThatTheProgramNeeds_goOut() {
    long shot = app.copyOf("Quay walk");
    String frames =
        "/api/shots/" + shot + "/export/csv?profile=Y-up%20metres&frames=needed&camera=";
    assertThat(app.get(frames + "a-cam").text()).contains("cameras that the program does not show");
    app.edit(
        shot,
        "{\"edit\":\"duplicate\",\"id\":\"a-cam\",\"newId\":\"b-cam\",\"newName\":\"B-cam\"},"
            + "{\"edit\":\"cut-to\",\"frame\":1001,\"camera\":\"a-cam\"},"
            + "{\"edit\":\"cut-to\",\"frame\":1061,\"camera\":\"b-cam\"},"
            + "{\"edit\":\"cut-to\",\"frame\":1101,\"camera\":\"a-cam\"}");
    assertThat(rows(frames + "b-cam")).isEqualTo(40 + 2 * 8);
    assertThat(rows(frames + "a-cam")).isEqualTo(144 + 2 * 8);
    assertThat(rows(frames + "b-cam&joined=true&program=1001:a-cam,1011:b-cam"))
        .as("one camera for all that is seen")
        .isEqualTo(144 + 2 * 8);
    String asked = "&program=1001:a-cam,1011:b-cam,1021:a-cam";
    assertThat(rows(frames + "b-cam" + asked)).as("a program that is asked for").isEqualTo(10 + 16);
  }

  private long rows(String path) {
    String table = app.get(path).text();
    return table.lines().filter(line -> line.matches("-?[0-9].*")).count();
  }

  @Test
  void intoAShot_addsNodesAtItsRate_andOneUndoTakesAllAway() throws Exception {
    long shot = app.copyOf("Lamp room");
    int before = app.get("/api/shots/" + shot).json().get("nodes").size();
    RunningApp.Answer answer =
        app.upload(imports(), files("boom-shot.glb"), Map.of("shot", Long.toString(shot)));
    int added = answer.json().get("nodes").size();
    assertThat(app.get("/api/shots/" + shot).json().get("nodes").size()).isEqualTo(before + added);
    // a second time: other ids, no clash
    assertThat(
            app.upload(imports(), files("boom-shot.glb"), Map.of("shot", Long.toString(shot)))
                .status())
        .isEqualTo(201);
    app.post("/api/shots/" + shot + "/undo", "");
    app.post("/api/shots/" + shot + "/undo", "");
    assertThat(app.get("/api/shots/" + shot).json().get("nodes").size()).isEqualTo(before);
  }

  @Test
  void json_outAndIn_isTheSameShotWithItsMeshes() throws Exception {
    long shot =
        app.upload(imports(), files("boom-shot.glb"), Map.of()).json().get("shotId").longValue();
    byte[] file = app.get("/api/shots/" + shot + "/export/json").body();
    RunningApp.Answer again = app.upload(imports(), Map.of("boom.json", file), Map.of());
    assertThat(again.status()).as(again.text()).isEqualTo(201);
    byte[] document = app.get("/api/shots/" + again.json().get("shotId").longValue()).body();
    assertThat(ShotJson.read(document))
        .isEqualTo(ShotJson.read(app.get("/api/shots/" + shot).body()));
  }

  @Test
  void json_withChangedMeshes_isRefused() throws Exception {
    long shot =
        app.upload(imports(), files("boom-shot.glb"), Map.of()).json().get("shotId").longValue();
    String text = app.get("/api/shots/" + shot + "/export/json").text();
    String wrong = text.replaceFirst("SUxNM", "SUxNN"); // the letters of the first asset
    assertThat(wrong).isNotEqualTo(text);
    RunningApp.Answer answer =
        app.upload(
            imports(), Map.of("boom.json", wrong.getBytes(StandardCharsets.UTF_8)), Map.of());
    assertThat(answer.status()).isEqualTo(422);
    assertThat(answer.json().get("detail").stringValue()).contains("content of that hash");
  }

  @Test
  void json_withGarbageUnderItsRightHash_isRefused_andNothingIsKept() throws Exception {
    long shot =
        app.upload(imports(), files("boom-shot.glb"), Map.of()).json().get("shotId").longValue();
    String text = app.get("/api/shots/" + shot + "/export/json").text();
    Matcher asset = Pattern.compile("\"([0-9a-f]{64})\" : \"[^\"]+\"").matcher(text);
    assertThat(asset.find()).isTrue();
    byte[] garbage = "ILM1 and then nothing that is any triangle".getBytes(StandardCharsets.UTF_8);
    String hash = ContentHash.of(garbage);
    String wrong =
        text.replace(
                asset.group(),
                "\"" + hash + "\" : \"" + Base64.getEncoder().encodeToString(garbage) + "\"")
            .replace(asset.group(1), hash);
    int before = app.get("/api/shots").json().size();
    RunningApp.Answer answer =
        app.upload(
            imports(), Map.of("boom.json", wrong.getBytes(StandardCharsets.UTF_8)), Map.of());
    assertThat(answer.status()).isEqualTo(422);
    assertThat(answer.json().get("where").stringValue()).startsWith("assets." + hash);
    assertThat(app.get("/api/shots").json().size()).isEqualTo(before);
  }

  @Test
  void head_ofAnExport_leavesNoTrace() {
    long shot = app.copyOf("Lamp room");
    String path = "/api/shots/" + shot + "/export/glb";
    app.send(app.demoRequest(path).method("HEAD", HttpRequest.BodyPublishers.noBody()));
    assertThat(app.get("/api/shots/" + shot + "/handoffs").json().size()).isZero();
    assertThat(app.get(path).status()).isEqualTo(200);
    assertThat(app.get("/api/shots/" + shot + "/handoffs").json().size()).isEqualTo(1);
  }

  @Test
  void addNodes_withAnAssetOfNobody_isRefused() {
    long shot = app.copyOf("Lamp room");
    String edit =
        "{\"edit\":\"add-nodes\",\"nodes\":[{\"id\":\"thief\",\"name\":\"Thief\",\"kind\":\"piece\","
            + "\"shape\":{\"kind\":\"imported\",\"asset\":\""
            + "0".repeat(64)
            + "\",\"triangles\":1,\"bounds\":[0,0,0,1,1,1]},\"finish\":{\"colour\":\"#112233\"}}]}";
    RunningApp.Answer answer = app.edit(shot, edit);
    assertThat(answer.status()).isEqualTo(422);
    assertThat(answer.json().get("detail").stringValue())
        .contains("Thief.shape.asset")
        .contains("triangles of this production");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "truncated.glb",
        "wrong-chunk-length.glb",
        "accessor-out-of-bounds.glb",
        "node-cycle.gltf",
        "buffer-path-escape.gltf",
        "nan-translation.glb",
        "key-times-not-increasing.glb",
        "zero-quaternion.glb",
        "empty.glb",
      })
  void damagedFile_isRefusedWithItsPlace_andNothingIsAdded(String name) throws Exception {
    int before = app.get("/api/shots").json().size();
    RunningApp.Answer answer = app.upload(imports(), files("bad/" + name), Map.of());
    assertThat(answer.status()).as(answer.text()).isEqualTo(422);
    assertThat(answer.json().get("detail").stringValue()).contains("allowed:");
    assertThat(answer.text()).doesNotContain("root:");
    assertThat(app.get("/api/shots").json().size()).isEqualTo(before);
  }

  @Test
  void otherFiles_otherFormats_areRefused() {
    RunningApp.Answer text = app.upload(imports(), Map.of("notes.txt", new byte[] {1}), Map.of());
    assertThat(text.json().get("detail").stringValue())
        .isEqualTo(
            "file is 'notes.txt'; allowed: a .glb, .gltf, .usda, .dae, .jsonl, .opentrackio, .csv,"
                + " .obj, .ply or .json file");
    RunningApp.Answer none = app.upload(imports(), Map.of("a.bin", new byte[] {1}), Map.of());
    assertThat(none.status()).isEqualTo(422);
    RunningApp.Answer format = app.get("/api/shots/" + app.demoShot("Lamp room") + "/export/xyz");
    assertThat(format.json().get("detail").stringValue())
        .isEqualTo(
            "format is 'xyz'; allowed: glb, usda, dae, opentrackio, csv, otio, edl, report, anchors, json");
  }

  @Test
  void export_namesTheFileAfterShotAndCamera() {
    RunningApp.Answer answer =
        app.get(
            "/api/shots/"
                + app.demoShot("Two cameras")
                + "/export/glb?camera=b-cam&company=carriers");
    assertThat(answer.headers().firstValue("Content-Disposition").orElse(""))
        .contains("Two%20cameras%20B-cam.glb");
    assertThat(new String(answer.body(), 0, 4, StandardCharsets.US_ASCII)).isEqualTo("glTF");
  }

  private static final Path FOUND = Path.of("../exchange/src/test/resources/found");

  @ParameterizedTest
  @ValueSource(
      strings = {
        "no-perspective.glb",
        "half-character.glb",
        "emoji-at-80.glb",
        "const-scale-1.glb",
        "long-time.glb",
        "mirror.glb",
        "sparse-stride0.glb",
        "triangle-strip.glb",
        "two-aspects.glb",
        "zero-scale-prop.glb",
        "zeros-20M.glb"
      })
  void fileThatWentWrongBefore_isRefused_orEverythingOfItsShotAnswers(String name)
      throws Exception {
    byte[] file = Files.readAllBytes(FOUND.resolve(name));
    RunningApp.Answer made = app.upload(imports(), Map.of(name, file), Map.of());
    if (made.status() == 422) {
      assertThat(made.json().get("allowed").stringValue()).isNotEmpty();
      return;
    }
    assertThat(made.status()).as(made.text()).isEqualTo(201);
    String shot = "/api/shots/" + made.json().get("shotId").longValue();
    assertThat(app.get(shot).status()).isEqualTo(200);
    assertThat(app.get(shot + "/samples").status()).isEqualTo(200);
    assertThat(app.get("/shots/" + made.json().get("shotId").longValue()).status()).isEqualTo(200);
    assertThat(app.get("/").status()).isEqualTo(200);
    RunningApp.Answer out = app.get(shot + "/export/json");
    assertThat(app.upload(imports(), Map.of("again.json", out.body()), Map.of()).status())
        .isEqualTo(201);
    app.delete(shot);
  }

  @Test
  void filesOfOneAsset_comeInAnyOrder_twoAreRefused_andSoIsAnEmptyOne() throws Exception {
    Map<String, byte[]> parts = files("two-buffers.bin", "two-buffers.gltf");
    Map<String, byte[]> withPicture = new LinkedHashMap<>();
    withPicture.put("skin.png", new byte[] {1, 2, 3});
    withPicture.putAll(parts);
    RunningApp.Answer made = app.upload(imports(), withPicture, Map.of("rate", "25"));
    assertThat(made.status()).as(made.text()).isEqualTo(201);
    app.delete("/api/shots/" + made.json().get("shotId").longValue());
    RunningApp.Answer two =
        app.upload(imports(), files("two-buffers.gltf", "boom-shot.glb"), Map.of());
    assertThat(two.json().get("detail").stringValue())
        .isEqualTo(
            "file is two-buffers.gltf and boom-shot.glb; allowed: one of them, with the files that"
                + " it names");
    RunningApp.Answer empty = app.upload(imports(), Map.of("empty.glb", new byte[0]), Map.of());
    assertThat(empty.status()).isEqualTo(422);
    assertThat(empty.text()).contains("file is empty");
    RunningApp.Answer odd = app.upload(imports(), Map.of("a\u0000b.glb", new byte[] {1}), Map.of());
    assertThat(odd.status()).isEqualTo(400);
    assertThat(odd.text()).contains("The form cannot be read");
  }

  @Test
  void ownFile_bringsItsHandlesBack() throws Exception {
    long shot = app.demoShot("Quay walk");
    int handles = app.get("/api/shots/" + shot).json().get("handles").intValue();
    byte[] file = app.get("/api/shots/" + shot + "/export/glb").body();
    RunningApp.Answer made = app.upload(imports(), Map.of("walk.glb", file), Map.of());
    String again = "/api/shots/" + made.json().get("shotId").longValue();
    assertThat(app.get(again).json().get("handles").intValue()).isEqualTo(handles);
    app.delete(again);
  }
}

package idlelens.web.handoff;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.exchange.format.ContentHash;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.json.ShotJson;
import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/**
 * Receivers, checks, several files at once, a look before anything is kept, and cameras compared.
 */
@ExtendWith(IdleLensExtension.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class TransferApiTest {
  private static final Path FILES = Path.of("../exchange/src/test/resources/quay");

  private RunningApp app;

  @BeforeAll
  void takeApp(RunningApp running) {
    app = running;
  }

  private String production() {
    return "/api/productions/" + app.demoProduction();
  }

  private static Map<String, byte[]> file(String name) throws IOException {
    return Map.of(name, Files.readAllBytes(FILES.resolve(name)));
  }

  private static double largest(JsonNode values) {
    double most = 0;
    for (JsonNode value : values) {
      most = Math.max(most, value.doubleValue());
    }
    return most;
  }

  @ParameterizedTest
  @ValueSource(strings = {"glb", "usda", "dae", "opentrackio", "csv"})
  void aFile_isReadBackAndHeldAgainstTheShot(String format) {
    long shot = app.copyOf("Quay walk");
    String path = "/api/shots/" + shot + "/transfer/" + format;
    JsonNode report = app.get(path + "?camera=a-cam&company=carriers").json();
    assertThat(report.get("sentence").stringValue()).startsWith("Good: read back");
    JsonNode camera = report.get("cameras").get(0);
    assertThat(camera.get("mostPx").size()).isEqualTo(144);
    assertThat(largest(camera.get("mostPx"))).isLessThan(0.01);
    assertThat(app.get("/api/shots/" + shot + "/handoffs").json().size()).isZero();
  }

  @Test
  void profiles_areCopiedKeptAndForgotten_andThoseThatCameAlongStay() {
    String profiles = production() + "/profiles";
    assertThat(app.get(profiles).json().size()).isEqualTo(6);
    String own =
        "{\"name\":\"Pier inches\",\"axes\":\"z-up\",\"metresPerUnit\":0.0254,\"rate\":\"30/1\","
            + "\"firstFrame\":1,\"order\":\"zxy\",\"prefix\":\"p_\",\"letters\":\"plain\"}";
    RunningApp.Answer kept = app.post(profiles, own);
    assertThat(kept.status()).as(kept.text()).isEqualTo(201);
    assertThat(kept.json().get("proven").booleanValue()).isFalse();
    long shot = app.copyOf("Lamp room");
    String text =
        app.get("/api/shots/" + shot + "/export/usda?profile=Pier%20inches&company=carriers")
            .text();
    assertThat(text)
        .contains("metersPerUnit = 0.0254")
        .contains("startTimeCode = 1\n")
        .contains("timeCodesPerSecond = 30")
        .contains("def Xform \"p_Lamp_cam\"");
    JsonNode entry = app.get("/api/shots/" + shot + "/handoffs").json().get(0);
    assertThat(entry.get("profile").stringValue()).isEqualTo("Pier inches");
    assertThat(entry.get("told").stringValue()).contains("not worked by hand");
    assertThat(app.post(profiles, "{\"name\":\"Y-up metres\"}").text()).contains("another name");
    RunningApp.Answer wrong = app.post(profiles, "{\"name\":\"No\",\"metresPerUnit\":-1}");
    assertThat(wrong.status()).isEqualTo(422);
    assertThat(wrong.json().get("detail").stringValue()).contains("metresPerUnit is -1.0");
    assertThat(app.delete(profiles + "/Pier%20inches").status()).isEqualTo(204);
    assertThat(app.delete(profiles + "/Pier%20inches").status()).isEqualTo(404);
    assertThat(app.get("/api/shots/" + shot + "/export/usda?profile=Pier%20inches").text())
        .contains("the name of a profile of this production");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "firstFrame | 1o01    | firstFrame is '1o01'; allowed: a whole number",
        "scale      | 1,5     | scale is '1,5'; allowed: a number, as 0.5",
        "carriers   | perhaps | carriers is 'perhaps'; allowed: true or false",
        "shot       | Pier    | shot is 'Pier'; allowed: a whole number",
      })
  void aValueThatIsNotOfItsKind_isNamed_withWhatItCanBe(String field, String value, String said) {
    Map<String, byte[]> file = Map.of("pier.usda", "#usda 1.0".getBytes(StandardCharsets.UTF_8));
    String path = "/api/productions/" + app.demoProduction() + "/imports/preview";
    RunningApp.Answer answer = app.upload(path, file, Map.of(field, value));
    assertThat(answer.status()).isEqualTo(422);
    assertThat(answer.json().get("detail").stringValue()).startsWith(said);
  }

  @Test
  void aNumberInWords_isRefusedInWords() {
    String path = "/api/shots/" + app.demoShot("Lamp room") + "/streaks?camera=a-cam&metres=far";
    assertThat(app.get(path).json().get("detail").stringValue())
        .isEqualTo("metres is 'far'; allowed: a number, as 0.5");
    String samples = "/api/shots/" + app.demoShot("Lamp room") + "/samples?from=first";
    assertThat(app.get(samples).json().get("detail").stringValue()).startsWith("from is 'first'");
  }

  private static Map<String, byte[]> unzipped(byte[] zip) throws IOException {
    Map<String, byte[]> files = new LinkedHashMap<>();
    try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
      for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
        files.put(entry.getName(), in.readAllBytes());
      }
    }
    return files;
  }

  @Test
  void severalFormats_comeAsOneZip_withAManifestThatIsTrue() throws Exception {
    long shot = app.copyOf("Two cameras");
    String program = "program=1001:a-cam,1040:b-cam";
    byte[] zip =
        app.get(
                "/api/shots/"
                    + shot
                    + "/export/zip?format=usda&format=csv&format=otio&format=edl&format=report&"
                    + program)
            .body();
    Map<String, byte[]> files = unzipped(zip);
    assertThat(files.keySet())
        .containsExactly(
            "manifest.json",
            "Two cameras copy.usda",
            "Two cameras copy A-cam.csv",
            "Two cameras copy B-cam.csv",
            "Two cameras copy.otio",
            "Two cameras copy.edl",
            "Two cameras copy report.html");
    JsonNode manifest = JsonPlace.parse(files.get("manifest.json")).node();
    for (JsonNode each : manifest.get("files")) {
      byte[] octets = files.get(each.get("name").stringValue());
      assertThat(each.get("sha256").stringValue()).isEqualTo(ContentHash.of(octets));
    }
    String second = new String(files.get("Two cameras copy B-cam.csv"), StandardCharsets.UTF_8);
    assertThat(second).contains("\n1040,").doesNotContain("\n1039,");
    String edl = new String(files.get("Two cameras copy.edl"), StandardCharsets.UTF_8);
    assertThat(edl)
        .contains(
            "001  ACAM     V     C        00:00:41:17 00:00:43:08 01:00:00:00 01:00:01:15",
            "002  BCAM     V     C        00:00:43:08 00:00:45:17 01:00:01:15 01:00:04:00");
    JsonNode otio = JsonPlace.parse(files.get("Two cameras copy.otio")).node();
    JsonNode clips = otio.get("tracks").get("children").get(0).get("children");
    assertThat(clips.size()).isEqualTo(2);
    JsonNode range = clips.get(1).get("source_range");
    assertThat(range.get("start_time").get("value").doubleValue()).isEqualTo(1040);
    assertThat(range.get("duration").get("value").doubleValue()).isEqualTo(57);
    String report = new String(files.get("Two cameras copy report.html"), StandardCharsets.UTF_8);
    assertThat(report).contains("<h2>A-cam</h2>", "<h2>Cuts</h2>", "24.00 mm", "<svg");
  }

  @Test
  void camerasOfOneName_giveFilesOfDifferentNames() throws Exception {
    long shot = app.copyOf("Two cameras");
    app.edit(shot, "{\"edit\":\"rename\",\"id\":\"b-cam\",\"name\":\"a-cam\"}");
    String path = "/api/shots/" + shot + "/export/zip?format=csv&format=anchors&format=json";
    RunningApp.Answer answer = app.get(path);
    assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    assertThat(unzipped(answer.body()).keySet())
        .containsExactly(
            "manifest.json",
            "Two cameras copy A-cam.csv",
            "Two cameras copy a-cam 2.csv",
            "Two cameras copy A-cam anchors.csv",
            "Two cameras copy a-cam anchors 2.csv",
            "Two cameras copy.json");
  }

  @Test
  void fewKeys_intoAShot_areAsFewAsThePreviewSays() throws Exception {
    long shot = app.copyOf("Lamp room");
    Map<String, String> few = Map.of("shot", Long.toString(shot), "keys", "few");
    String imports = production() + "/imports";
    JsonNode look = app.upload(imports + "/preview", file("quay-rail.usda"), few).json();
    JsonNode made = app.upload(imports, file("quay-rail.usda"), few).json();
    Shot document = ShotJson.read(app.get("/api/shots/" + shot).body());
    Node camera = document.node(cameraOf(shot, made));
    int keys = keys(camera);
    while (!camera.carriage().carrierId().isEmpty()) {
      camera = document.node(camera.carriage().carrierId());
      keys += keys(camera);
    }
    assertThat(keys).isEqualTo(look.get("fitted").get(0).get("keysAfter").intValue());
  }

  private static int keys(Node node) {
    return node.chain().paths().stream().mapToInt(p -> node.chain().curve(p).keys().size()).sum();
  }

  @Test
  void oneJoinedCamera_isWhereTheProgramIs() {
    long shot = app.copyOf("Two cameras");
    String asked = "?program=1001:a-cam,1040:b-cam&company=carriers&";
    String joined = app.get("/api/shots/" + shot + "/export/csv" + asked + "joined=true").text();
    String first = app.get("/api/shots/" + shot + "/export/csv?camera=a-cam").text();
    String second = app.get("/api/shots/" + shot + "/export/csv?camera=b-cam").text();
    for (int frame : List.of(1001, 1039, 1040, 1096)) {
      double[] is = places(joined, frame);
      double[] was = places(frame < 1040 ? first : second, frame);
      for (int i = 0; i < 3; i++) {
        assertThat(is[i]).as("%d at %d", i, frame).isCloseTo(was[i], within(1e-9));
      }
    }
    assertThat(app.get("/api/shots/" + shot + "/export/csv?joined=true").text())
        .contains("program is missing");
    assertThat(app.get("/api/shots/" + shot + "/export/edl?program=1001:nobody").text())
        .contains("nobody");
  }

  private static double[] places(String table, int frame) {
    String row = table.lines().filter(l -> l.startsWith(frame + ",")).findFirst().orElseThrow();
    String[] cells = row.split(",");
    return new double[] {
      Double.parseDouble(cells[1]), Double.parseDouble(cells[2]), Double.parseDouble(cells[3])
    };
  }

  private static final String SHUTTER =
      "{\"edit\":\"set-values\",\"id\":\"a-cam\",\"frame\":%d,\"values\":{\"shutter\":%s},"
          + "\"keying\":\"%s\"}";

  @Test
  void report_namesTheShutterOfTheCamera() {
    long shot = app.copyOf("Quay walk");
    String path = "/api/shots/" + shot + "/export/report";
    assertThat(app.get(path).text()).contains("<td>180°, 1/48 s</td>");
    app.edit(shot, SHUTTER.formatted(1001, 172.8, "still"));
    assertThat(app.get(path).text()).contains("<td>172.8°, 1/50 s</td>");
    app.edit(shot, SHUTTER.formatted(1001, 90.0, "touched"));
    app.edit(shot, SHUTTER.formatted(1040, 270.0, "touched"));
    assertThat(app.get(path).text()).contains("<td>90.0 to 270°</td>");
  }

  @Test
  void anchors_standInThePictureWhereTheyAre() {
    long shot = app.demoShot("Quay walk");
    String table =
        app.get("/api/shots/" + shot + "/export/anchors?camera=a-cam&from=1001&to=1002").text();
    assertThat(table).startsWith("frame,name,x_px,y_px,depth_m,seen");
    String keeper =
        table.lines().filter(l -> l.startsWith("1001,\"Keeper\"")).findFirst().orElseThrow();
    String[] cells = keeper.split(",");
    assertThat(Double.parseDouble(cells[4])).isBetween(2.0, 30.0);
    assertThat(Double.parseDouble(cells[7])).isCloseTo(1.72, within(0.02));
  }

  @Test
  void preview_saysWhatIsInside_andKeepsNothing() throws Exception {
    int before = app.get("/api/shots").json().size();
    String path = production() + "/imports/preview";
    JsonNode found = app.upload(path, file("quay-rail.usda"), Map.of("keys", "few")).json();
    assertThat(found.get("axes").stringValue()).isEqualTo("z-up");
    assertThat(found.get("metresPerUnit").doubleValue()).isEqualTo(0.01);
    assertThat(found.get("firstFrame").intValue()).isEqualTo(1001);
    assertThat(found.get("cameras").get(0).stringValue()).isEqualTo("Rail_cam");
    JsonNode fitted = found.get("fitted").get(0);
    // what carries the camera keeps few keys as well
    int keysBefore = fitted.get("keysBefore").intValue();
    assertThat(fitted.get("keysAfter").intValue()).isLessThan(keysBefore / 3);
    assertThat(fitted.get("placeMm").doubleValue()).isLessThan(3);
    double height = found.get("cameraHeightM").doubleValue();
    JsonNode larger =
        app.upload(path, file("quay-rail.usda"), Map.of("metresPerUnit", "0.1")).json();
    assertThat(larger.get("cameraHeightM").doubleValue()).isCloseTo(10 * height, within(1e-6));
    assertThat(app.get("/api/shots").json().size()).isEqualTo(before);
    RunningApp.Answer axes = app.upload(path, file("quay-rail.usda"), Map.of("axes", "sideways"));
    assertThat(axes.text()).contains("y-up, z-up");
  }

  @Test
  void aFile_ontoACamera_replacesItsMotion_andOneUndoBringsItBack() throws Exception {
    long shot = app.copyOf("Two cameras");
    String before = app.get("/api/shots/" + shot + "/export/csv?camera=b-cam").text();
    String other = app.get("/api/shots/" + shot + "/export/csv?camera=a-cam").text();
    byte[] file = app.get("/api/shots/" + shot + "/export/usda?camera=a-cam").body();
    Map<String, String> onto = Map.of("shot", Long.toString(shot), "onto", "b-cam");
    RunningApp.Answer made = app.upload(production() + "/imports", Map.of("a.usda", file), onto);
    assertThat(made.status()).as(made.text()).isEqualTo(201);
    String after = app.get("/api/shots/" + shot + "/export/csv?camera=b-cam").text();
    for (int frame : List.of(1001, 1050, 1096)) {
      for (int i = 0; i < 3; i++) {
        assertThat(places(after, frame)[i]).isCloseTo(places(other, frame)[i], within(1e-7));
      }
    }
    app.post("/api/shots/" + shot + "/undo", "");
    String back = app.get("/api/shots/" + shot + "/export/csv?camera=b-cam").text();
    assertThat(places(back, 1050)).isEqualTo(places(before, 1050));
  }

  @Test
  void aFileThatChangedOutside_renewsWhatCameFromIt_andKeepsWhatWasBuiltOnTop() throws Exception {
    long shot = app.copyOf("Lamp room");
    String text =
        new String(Files.readAllBytes(FILES.resolve("quay-rail.usda")), StandardCharsets.UTF_8);
    Map<String, String> into = Map.of("shot", Long.toString(shot));
    String imports = production() + "/imports";
    Map<String, byte[]> first = Map.of("quay-rail.usda", text.getBytes(StandardCharsets.UTF_8));
    JsonNode look = app.upload(imports + "/preview", first, into).json();
    assertThat(look.get("renewable").intValue()).isZero();
    String camera = cameraOf(shot, app.upload(imports, first, into).json());
    app.edit(shot, "{\"edit\":\"rename\",\"id\":\"" + camera + "\",\"name\":\"Mine\"}");
    int nodes = app.get("/api/shots/" + shot).json().get("nodes").size();
    String changed =
        text.replace("1001: 35,", "1001: 50,").replace("(-150, -640.5, 12)", "(-50, -640.5, 12)");
    Map<String, byte[]> second = Map.of("quay-rail.usda", changed.getBytes(StandardCharsets.UTF_8));
    assertThat(app.upload(imports + "/preview", second, into).json().get("renewable").intValue())
        .isGreaterThan(3);
    RunningApp.Answer renewed =
        app.upload(imports, second, Map.of("shot", Long.toString(shot), "renew", "true"));
    assertThat(renewed.status()).as(renewed.text()).isEqualTo(201);
    assertThat(renewed.json().get("notes").toString()).contains("are renewed");
    JsonNode node = app.node(shot, camera);
    assertThat(node.get("name").stringValue()).isEqualTo("Mine");
    assertThat(node.toString()).contains("[1001.0,50.0");
    assertThat(app.get("/api/shots/" + shot).json().get("nodes").size()).isEqualTo(nodes);
    RunningApp.Answer other =
        app.upload(
            imports, file("ferry-pass.dae"), Map.of("shot", Long.toString(shot), "renew", "true"));
    assertThat(other.text()).contains("a file that came into this shot before");
  }

  /** 49 frames from 1030 on, in a shot from 1001 to 1120. */
  @ParameterizedTest
  @CsvSource({"few, true", "few, false", "every-frame, true", "every-frame, false"})
  void aCameraThatIsWrittenAnew_standsBeforeAndBehindItsFramesAsItCame(String keys, String carriers)
      throws Exception {
    long shot = app.copyOf("Lamp room");
    Map<String, String> plain = Map.of("shot", Long.toString(shot), "firstFrame", "1030");
    Map<String, String> anew = new HashMap<>(plain);
    anew.putAll(Map.of("keys", keys, "carriers", carriers));
    String imports = production() + "/imports";
    List<String> tables = new ArrayList<>();
    for (Map<String, String> said : List.of(plain, anew)) {
      JsonNode made = app.upload(imports, file("quay-rail.usda"), said).json();
      String camera = cameraOf(shot, made);
      tables.add(app.get("/api/shots/" + shot + "/export/csv?camera=" + camera).text());
    }
    for (int frame : List.of(1001, 1020, 1029, 1030, 1031, 1050, 1077, 1078, 1079, 1100, 1120)) {
      double[] was = places(tables.get(0), frame);
      double[] is = places(tables.get(1), frame);
      for (int i = 0; i < was.length; i++) {
        assertThat(is[i]).as("%s, %d", keys, frame).isCloseTo(was[i], within(2e-3));
      }
    }
  }

  @Test
  void aFileBesideTheShot_cannotBeWrittenAnew() throws Exception {
    long shot = app.copyOf("Lamp room");
    Map<String, String> said =
        Map.of("shot", Long.toString(shot), "firstFrame", "5000", "keys", "few");
    RunningApp.Answer answer = app.upload(production() + "/imports", file("quay-rail.usda"), said);
    assertThat(answer.status()).isEqualTo(422);
    assertThat(answer.text()).contains("firstFrame is 5000 to 5048").contains("993 to 1128");
  }

  /** Few keys on a dolly and a head, with another unit: as it was said the first time. */
  @Test
  void whatCameInOtherwise_isRenewedThatWay_withoutSayingItAgain() throws Exception {
    long shot = app.copyOf("Lamp room");
    String text =
        new String(Files.readAllBytes(FILES.resolve("quay-rail.usda")), StandardCharsets.UTF_8);
    Map<String, byte[]> first = Map.of("quay-rail.usda", text.getBytes(StandardCharsets.UTF_8));
    Map<String, String> into = new HashMap<>(Map.of("shot", Long.toString(shot)));
    into.putAll(Map.of("metresPerUnit", "0.02", "keys", "few", "carriers", "true"));
    String imports = production() + "/imports";
    String camera = cameraOf(shot, app.upload(imports, first, into).json());
    String before = app.get("/api/shots/" + shot + "/export/csv?camera=" + camera).text();
    int nodes = app.get("/api/shots/" + shot).json().get("nodes").size();
    String changed = text.replace("(-150, -640.5, 12)", "(-50, -640.5, 12)");
    Map<String, byte[]> second = Map.of("quay-rail.usda", changed.getBytes(StandardCharsets.UTF_8));
    Map<String, String> plain = Map.of("shot", Long.toString(shot));
    JsonNode look = app.upload(imports + "/preview", second, plain).json();
    assertThat(look.get("renewable").intValue()).isGreaterThan(3);
    Map<String, String> renew = Map.of("shot", Long.toString(shot), "renew", "true");
    JsonNode again = app.upload(imports + "/preview", second, renew).json();
    assertThat(again.get("metresPerUnit").doubleValue()).isEqualTo(0.02);
    assertThat(again.get("fitted").get(0).get("keysAfter").intValue())
        .isLessThan(again.get("fitted").get(0).get("keysBefore").intValue());
    RunningApp.Answer renewed = app.upload(imports, second, renew);
    assertThat(renewed.status()).as(renewed.text()).isEqualTo(201);
    assertThat(app.get("/api/shots/" + shot).json().get("nodes").size()).isEqualTo(nodes);
    String after = app.get("/api/shots/" + shot + "/export/csv?camera=" + camera).text();
    double moved = Math.abs(places(after, 1001)[0] - places(before, 1001)[0]);
    assertThat(moved).as("100 units of 2 cm").isCloseTo(2, within(0.01));
  }

  /** A null below another: new the second time, and no more the third. */
  @Test
  void whatIsNewInARenewal_isKnownInTheNext() throws Exception {
    long shot = app.copyOf("Lamp room");
    String text =
        "#usda 1.0\ndef Xform \"Pier\"\n{\n  double3 xformOp:translate = (1, 2, 3)\n"
            + "  uniform token[] xformOpOrder = [\"xformOp:translate\"]\n%s}\n";
    Map<String, byte[]> first = usda(text.formatted(""));
    Map<String, byte[]> more = usda(text.formatted("  def Xform \"Post\"\n  {\n  }\n"));
    Map<String, String> into = Map.of("shot", Long.toString(shot));
    Map<String, String> renew = Map.of("shot", Long.toString(shot), "renew", "true");
    app.upload(production() + "/imports", first, into);
    JsonNode second = app.upload(production() + "/imports", more, renew).json();
    assertThat(second.get("notes").toString()).contains("1 node that came", "1 is new in it");
    JsonNode third = app.upload(production() + "/imports", more, renew).json();
    assertThat(third.get("notes").toString())
        .contains("2 nodes that came")
        .doesNotContain("new in it");
  }

  private static Map<String, byte[]> usda(String text) {
    return Map.of("pier.usda", text.getBytes(StandardCharsets.UTF_8));
  }

  @Test
  void aShotOfAnotherProduction_isNotLookedAtEither() throws Exception {
    long foreign =
        app.post("/api/productions", "{\"name\":\"Other pier\"}").json().get("id").longValue();
    Map<String, byte[]> file = file("ferry-pass.dae");
    Map<String, String> into = Map.of("shot", Long.toString(app.copyOf("Lamp room")));
    for (String path : List.of("/imports/preview", "/imports")) {
      RunningApp.Answer answer = app.upload("/api/productions/" + foreign + path, file, into);
      assertThat(answer.status()).isEqualTo(422);
      assertThat(answer.text()).contains("a shot of this production");
    }
  }

  @Test
  void twoCameras_comparedAndPutRight_areOne() throws Exception {
    long shot = app.copyOf("Hand-off");
    byte[] file =
        app.get("/api/shots/" + shot + "/export/usda?camera=a-cam&company=carriers").body();
    Map<String, String> wrong =
        Map.of(
            "shot",
            Long.toString(shot),
            "axes",
            "z-up",
            "metresPerUnit",
            "0.01",
            "firstFrame",
            "1004");
    JsonNode made = app.upload(production() + "/imports", Map.of("back.usda", file), wrong).json();
    String other =
        app.get("/api/shots/" + shot).json().get("nodes").toString().contains("A-cam")
            ? cameraOf(shot, made)
            : "";
    String query = "/api/shots/" + shot + "/alignment?camera=a-cam&other=" + other;
    JsonNode found = app.get(query).json();
    assertThat(found.get("offsetFrames").doubleValue()).isCloseTo(3, within(0.01));
    assertThat(found.get("sentences").toString())
        .contains("3 frames too late")
        .contains("about x")
        .contains("0.01 times as large");
    assertThat(largest(found.get("beforePx"))).isGreaterThan(50);
    assertThat(app.post(query, "").status()).isEqualTo(200);
    JsonNode then = app.get(query).json();
    assertThat(largest(then.get("beforePx"))).isLessThan(0.05);
  }

  private String cameraOf(long shot, JsonNode made) {
    for (JsonNode id : made.get("nodes")) {
      if (app.node(shot, id.stringValue()).get("kind").stringValue().equals("camera")) {
        return id.stringValue();
      }
    }
    throw new AssertionError("no camera came in");
  }
}

package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The program: cut here, slid, swapped, dissolved, played, and told by the picture. */
class ProgramTest extends BrowserTest {
  private static String cuts(Page page) {
    return (String)
        page.evaluate(
            "() => idleLens.store.program.map((c) => `${c.frame} ${c.camera}"
                + "${c.dissolve ? ` ${c.dissolve}` : ''}`).join(', ')");
  }

  private static void choose(Page page, int cut, String item) {
    page.locator("[data-cut='" + cut + "']").click();
    page.locator(".menu button:has-text('" + item + "')").click();
  }

  @Test
  void picture_saysWhetherTheProgramHasIt_andFollowsItOverTheCuts() {
    Page page = openFloor(app.copyOf("Two cameras"));
    assertThat(page.textContent("#seen")).isEqualTo("A-cam, in the program until 1021");
    page.keyboard().press("2");
    assertThat(page.textContent("#seen")).isEqualTo("B-cam, not in the program here");
    page.keyboard().press("0");
    assertThat(page.textContent("#seen")).isEqualTo("A-cam, in the program until 1021");
    page.evaluate("() => idleLens.desk.goTo(1022)");
    assertThat(page.textContent("#seen")).isEqualTo("B-cam, in the program until 1040");
    page.evaluate("() => idleLens.desk.goTo(1090)");
    assertThat(page.textContent("#seen")).isEqualTo("A-cam, in the program until 1096");
    page.selectOption("#view-camera", "b-cam");
    page.evaluate("() => idleLens.desk.goTo(1001)");
    assertThat(page.textContent("#seen")).isEqualTo("B-cam, not in the program here");
    assertThat(page.locator("#rows .in-program").count()).isEqualTo(2);
    page.close();
  }

  @Test
  void cuts_areMade_slid_withAllLaterOnes_swapped_dissolved_andTakenOut() {
    Page page = openFloor(app.copyOf("Two cameras"));
    page.evaluate("() => idleLens.desk.goTo(1090)");
    page.keyboard().press("Shift+2");
    waitForRevision(page, 2);
    assertThat(cuts(page)).endsWith("1080 a-cam, 1090 b-cam");
    BoundingBox cut = page.locator("[data-cut='1041']").boundingBox();
    double perFrame = number(page, "() => idleLens.score.x(1002) - idleLens.score.x(1001)");
    double x = cut.x + cut.width / 2;
    double y = cut.y + cut.height / 2;
    page.mouse().move(x, y);
    page.mouse().down();
    page.mouse().move(x + 4 * perFrame, y);
    page.mouse().up();
    waitForRevision(page, 3);
    assertThat(cuts(page))
        .isEqualTo("1001 a-cam, 1022 b-cam, 1045 a-cam, 1058 b-cam 10, 1080 a-cam, 1090 b-cam");
    page.keyboard().down("Shift");
    page.mouse().move(x + 4 * perFrame, y);
    page.mouse().down();
    page.mouse().move(x + 2 * perFrame, y);
    page.mouse().up();
    page.keyboard().up("Shift");
    waitForRevision(page, 4);
    assertThat(cuts(page))
        .isEqualTo("1001 a-cam, 1022 b-cam, 1043 a-cam, 1056 b-cam 10, 1078 a-cam, 1088 b-cam");
    choose(page, 1022, "Dissolve of 12 frames");
    waitForRevision(page, 5);
    assertThat(cuts(page)).contains("1022 b-cam 12");
    choose(page, 1043, "Remove the cut");
    waitForRevision(page, 6);
    assertThat(cuts(page)).isEqualTo("1001 a-cam, 1022 b-cam 12, 1078 a-cam, 1088 b-cam");
    choose(page, 1088, "Swap the cameras");
    waitForRevision(page, 7);
    assertThat(cuts(page)).isEqualTo("1001 a-cam, 1022 b-cam 12, 1088 a-cam");
    for (int revision = 8; revision <= 13; revision++) {
      page.click("#undo");
      waitForRevision(page, revision);
    }
    assertThat(cuts(page))
        .isEqualTo("1001 a-cam, 1022 b-cam, 1041 a-cam, 1058 b-cam 10, 1080 a-cam");
    page.close();
  }

  /** Half-way through the dissolve, the picture is the mean of both cameras, in linear light. */
  @Test
  void dissolve_isACrossFade_inThePicture() {
    Page page = openFloor(app.copyOf("Two cameras"));
    double[] a = middleLight(page, "1", 1063);
    double[] b = middleLight(page, "2", 1063);
    double[] both = middleLight(page, "0", 1063);
    for (int c = 0; c < 3; c++) {
      // the sixth of ten frames
      assertThat(both[c]).isCloseTo(0.45 * a[c] + 0.55 * b[c], within(0.02));
    }
    page.close();
  }

  /** The mean light of the picture. */
  private static double[] middleLight(Page page, String key, int frame) {
    page.keyboard().press(key);
    Object rgb =
        page.evaluate(
            """
            (frame) => {
              const { desk, picture } = idleLens;
              desk.goTo(frame);
              picture.draw(true);
              const copy = new OffscreenCanvas(64, 36);
              const pen = copy.getContext('2d');
              pen.drawImage(picture.canvas, 0, 0, 64, 36);
              const { data } = pen.getImageData(0, 0, 64, 36);
              const sum = [0, 0, 0];
              for (let i = 0; i < data.length; i++)
                if (i % 4 < 3) sum[i % 4] += (data[i] / 255) ** 2.2 / (data.length / 4);
              return sum;
            }
            """,
            frame);
    return ((List<?>) rgb).stream().mapToDouble(v -> ((Number) v).doubleValue()).toArray();
  }

  @Test
  void cut_saysHowThePictureMovesOnBothSides_andIsMatched() {
    long shot = app.copyOf("Two cameras");
    Page page = openFloor(shot);
    JsonNode before = app.get("/api/shots/" + shot + "/cut-match?frame=1041").json();
    assertThat(before.get("mismatch").doubleValue()).isGreaterThan(2e-4);
    page.locator("[data-cut='1041']").click();
    assertThat(page.textContent(".menu-note"))
        .matches("B-cam [0-9.]+ px/f ., A-cam [0-9.]+ px/f .: [0-9.]+ px/f apart");
    page.locator("[role=menuitem]:has-text('Match A-cam’s start')").click();
    waitForRevision(page, 2);
    JsonNode after = app.get("/api/shots/" + shot + "/cut-match?frame=1041").json();
    assertThat(after.get("mismatch").doubleValue()).isLessThan(1e-5);
    assertThat(after.get("before")).isEqualTo(before.get("before"));
    page.close();
  }

  @Test
  void severalPictures_areSeenAtOnce_andOneIsChosenOrCutTo() {
    Page page = openFloor(app.copyOf("Two cameras"));
    page.evaluate("() => idleLens.desk.goTo(1030)");
    page.click("#several");
    page.waitForSelector("#several[aria-pressed=true]");
    page.waitForSelector("#several-names .cell:has-text('Program · B-cam')");
    assertThat(page.locator("#several-names .cell").count()).isEqualTo(3);
    // the program's picture is B-cam's, and not A-cam's
    String differs =
        "([i, k]) => { const { picture } = idleLens; picture.draw(true);"
            + " const { w, h } = picture.size; const small = document.createElement('canvas');"
            + " small.width = 64; small.height = 36; const pen = small.getContext('2d', { willReadFrequently: true });"
            + " const read = (n) => { const { width, height } = picture.canvas;"
            + " pen.drawImage(picture.canvas, (n % 2) * width / 2, Math.floor(n / 2) * height / 2,"
            + " width / 2, height / 2, 0, 0, 64, 36);"
            + " return pen.getImageData(2, 2, 60, 32).data; };"
            + " const [a, b] = [read(i), read(k)]; let sum = 0;"
            + " for (let n = 0; n < a.length; n++) sum += Math.abs(a[n] - b[n]);"
            + " return sum / a.length; }";
    double same = ((Number) page.evaluate(differs, List.of(0, 2))).doubleValue();
    double other = ((Number) page.evaluate(differs, List.of(0, 1))).doubleValue();
    // the halves of the canvas may lie half a point elsewhere than the pictures
    assertThat(other).isGreaterThan(10);
    assertThat(same).isLessThan(other / 3);
    page.locator("#several-names .cell").nth(1).locator("button:has-text('Cut to it')").click();
    waitForRevision(page, 2);
    page.waitForSelector("#several-names .cell:has-text('Program · A-cam')");
    page.locator("#several-names button:text-is('B-cam')").click();
    page.waitForSelector("#several[aria-pressed=false]");
    assertThat(page.textContent("#seen")).startsWith("B-cam, ");
    assertThat(page.locator("#several-names").isVisible()).isFalse();
    page.close();
  }

  /** The checks can look at what is seen of a camera alone, with handles. */
  @Test
  void checks_areLimitedToTheNeededFrames() {
    long shot = app.copyOf("Two cameras");
    Page page = openFloor(shot);
    page.click("[data-view-link=checks]");
    page.waitForSelector(".checks label.needed");
    page.waitForFunction("() => idleLens.checks.checks.found");
    assertThat(page.locator(".checks rect.aside").count()).isZero();
    page.check(".checks label.needed input");
    page.waitForSelector(".checks rect.aside");
    String camera = (String) page.evaluate("() => idleLens.desk.camera");
    JsonNode needed =
        app.get("/api/shots/" + shot + "/checks?needed=true&camera=" + camera)
            .json()
            .get("lookedAt");
    assertThat(needed.size()).isPositive();
    Object shown = page.evaluate("() => JSON.stringify(idleLens.checks.checks.found.lookedAt)");
    assertThat(shown).isEqualTo(needed.toString());
    page.close();
  }

  @Test
  void cutList_andNeededFrames_comeOut() {
    long shot = app.demoShot("Two cameras");
    JsonNode out = app.get("/api/shots/" + shot + "/program?handles=8").json();
    assertThat(out.get("shots")).hasSize(5);
    assertThat(out.get("shots").get(3).toString())
        .isEqualTo(
            "{\"camera\":\"b-cam\",\"name\":\"B-cam\",\"in\":1058,\"out\":1079,\"dissolve\":10}");
    // the second stretch of A-cam lasts through the dissolve, and its handles meet the third
    assertThat(out.get("cameras").get(0).get("needed").toString())
        .isEqualTo("[[993,1029],[1033,1104]]");
    String csv = app.get("/api/shots/" + shot + "/program.csv").text();
    assertThat(csv)
        .startsWith("number,camera,in,out,frames,dissolve\r\n1,\"A-cam\",1001,1021,21,0");
    assertThat(csv).contains("4,\"B-cam\",1058,1079,22,10");
    assertThat(app.get("/api/shots/" + shot + "/program?handles=-1").status()).isEqualTo(422);
  }

  @Test
  void cameraThatIsRemoved_leavesTheProgram_andTwoAtOnceDoNotOverwriteEachOther() {
    long shot = app.copyOf("Two cameras");
    assertThat(app.edit(shot, "{\"edit\":\"cut-to\",\"frame\":1050,\"camera\":\"quay\"}").status())
        .isEqualTo(422);
    String stale =
        "{\"revision\":1,\"edits\":[{\"edit\":\"move-cut\",\"frame\":1022,\"to\":1030}]}";
    assertThat(app.edit(shot, "{\"edit\":\"remove-cut\",\"frame\":1022}").status()).isEqualTo(200);
    assertThat(app.post("/api/shots/" + shot + "/edits", stale).status()).isEqualTo(409);
    app.edit(shot, "{\"edit\":\"remove-nodes\",\"ids\":[\"a-cam\"],\"frame\":1001}");
    JsonNode program = app.get("/api/shots/" + shot).json().get("program");
    assertThat(program.toString()).isEqualTo("[{\"frame\":1058,\"camera\":\"b-cam\"}]");
  }
}

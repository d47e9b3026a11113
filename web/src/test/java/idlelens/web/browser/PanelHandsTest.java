package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Numbers, keys, carriers and messages of the panels, as an artist meets them. */
class PanelHandsTest extends BrowserTest {

  private Page openLens(long shot) {
    Page page = openFloor(shot);
    page.evaluate("() => { idleLens.desk.select('a-cam', 'lens'); idleLens.desk.goTo(1033); }");
    page.waitForSelector(".settings input[aria-label='F-stop']");
    return page;
  }

  private JsonNode lens(long shot) {
    return app.part(shot, "a-cam", "lens");
  }

  @Test
  void aKeyButton_laysAKeyOfAnUnchangedValue_andTakesItAway() {
    long shot = app.copyOf("Quay walk");
    Page page = openLens(shot);
    double before = number(page, "() => idleLens.store.lens('a-cam', 1033).focusM");
    page.click(".settings [aria-label='Key focus distance here']");
    waitForRevision(page, 2);
    assertThat(lens(shot).get("focus").toString()).contains("[1033.0,");
    assertThat(number(page, "() => idleLens.store.lens('a-cam', 1033).focusM"))
        .isCloseTo(before, within(1e-5));
    page.click(".settings [aria-label='Remove the key of focus distance here']");
    waitForRevision(page, 3);
    assertThat(lens(shot).get("focus").toString()).doesNotContain("[1033.0,");
    page.close();
  }

  @Test
  void aLabel_doubleClicked_givesTheUsualValueBack() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.evaluate("() => idleLens.desk.select('keeper', 'keys')");
    page.dblclick(".settings label:has(input[aria-label='Pan']) small");
    waitForRevision(page, 2);
    JsonNode pan = app.part(shot, "keeper", "keys").get("pan");
    assertThat(pan == null ? 0 : pan.doubleValue()).isZero();
    page.close();
  }

  @Test
  void wrongNumbers_areToldInTheWordsOfTheScreen_andAFocusTooNearAtOnce() {
    Page page = openLens(app.copyOf("Two cameras"));
    type(page, "F-stop", "0");
    page.waitForSelector(".toast-line.bad:has-text('F-stop is 0; 0.05 to 128 is possible')");
    page.waitForFunction(
        "() => document.querySelector(\".settings input[aria-label='F-stop']\").value === '5.6'");
    type(page, "Focus distance", "5cm");
    page.waitForSelector(".settings .note:has-text('this lens focuses from')");
    complaints.removeIf(c -> c.contains("422"));
    page.close();
  }

  @Test
  void followedPoint_hasItsHeight() {
    long shot = app.copyOf("Quay walk");
    Page page = openLens(shot);
    page.selectOption(".settings select[aria-label='Focus']", "keeper");
    waitForRevision(page, 2);
    assertThat(lens(shot).get("follow").get("point").get(1).doubleValue())
        .as("a person is followed at the head")
        .isCloseTo(1.6, within(1e-9));
    type(page, "Height of the followed point", "0.4");
    waitForRevision(page, 3);
    assertThat(lens(shot).get("follow").get("point").get(1).doubleValue()).isEqualTo(0.4);
    page.close();
  }

  @Test
  void runOnOverLevelEnds_saysSo_andOffersThemStraight() {
    long shot = app.copyOf("Two cameras");
    Page page = openFloor(shot);
    page.click("[data-bead='a-cam pose 1096']");
    page.click("#tab-chosen");
    page.selectOption(".settings select[aria-label='After the last key']", "run-on");
    page.waitForSelector(".toast-line:has-text('Run on has nothing to run on with')");
    page.click(".toast-line button:has-text('Make the ends straight')");
    waitForRevision(page, 3);
    double slope = (1.2 - 1.9) / 95;
    assertThat(
            number(
                page, "() => idleLens.store.value(1100, idleLens.store.motion.get('a-cam').own.x)"))
        .isCloseTo(1.2 + 4 * slope, within(1e-4));
    page.close();
  }

  @Test
  void letGo_keepsTheMotion_byDefault_andTheHistoryNamesWhatWasDone() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    double before = number(page, "() => idleLens.store.pose('a-cam', 1090).z");
    page.evaluate("() => idleLens.desk.select('a-cam', 'carried')");
    assertThat(page.inputValue(".settings select[aria-label^='What it keeps']"))
        .isEqualTo("fitted");
    page.click(".settings button:text-is('Let go')");
    waitForRevision(page, 2);
    assertThat(number(page, "() => idleLens.store.carriersOf('a-cam').length")).isZero();
    assertThat(number(page, "() => idleLens.store.pose('a-cam', 1090).z"))
        .isCloseTo(before, within(1e-3));
    page.keyboard().press("n");
    waitForRevision(page, 3);
    assertThat(app.get("/api/shots/" + shot + "/history").text()).contains("Null above A-cam");
    page.close();
  }

  @Test
  void aVersion_isKeptByEnter_andABoxMayStartBelowTheRows() {
    long shot = app.copyOf("Two cameras");
    Page page = openFloor(shot);
    page.click("#tab-history");
    page.fill("input[aria-label='Name of the version']", "first look");
    page.keyboard().press("Enter");
    page.waitForSelector(".toast-line:has-text('Kept as “first look”')");
    double[] row = middle(page.locator("[data-bead='b-cam pose 1001']"));
    double[] below = {
      row[0] + 60, box(page.locator("#rows")).y + box(page.locator("#rows")).height - 8
    };
    page.keyboard().down("Shift");
    drag(page, below, -75, row[1] - below[1] - 20);
    page.keyboard().up("Shift");
    assertThat(page.evaluate("() => idleLens.desk.chosen.ids()").toString()).contains("b-cam");
    page.close();
  }

  @Test
  void operate_drivesTheSelectedCarrier_andTheSelectionStays() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.evaluate("() => idleLens.desk.select('dolly')");
    page.keyboard().press("o");
    assertThat(page.textContent("#driven")).isEqualTo("drives Dolly");
    page.click("#record");
    double[] view = middle(page.locator("#view"));
    drag(page, view, 60, 0);
    waitForRevision(page, 2);
    assertThat(
            number(
                page,
                "() => idleLens.store.value(1001, idleLens.store.motion.get('dolly').own.pan)"))
        .isGreaterThan(1);
    assertThat(
            number(
                page,
                "() => idleLens.store.value(1001, idleLens.store.motion.get('a-cam').own.pan)"))
        .isZero();
    assertThat(page.evaluate("() => idleLens.desk.selected")).isEqualTo("dolly");
    page.evaluate("() => idleLens.desk.select('keeper')");
    assertThat(page.textContent("#driven")).isEqualTo("drives A-cam");
    page.close();
  }

  @Test
  void aProduction_isRenamedDeletedAndPutBack_onItsPage() {
    app.post("/api/productions", "{\"name\":\"Net loft spots\"}");
    Page page = newPage();
    page.navigate(app.address() + "/");
    page.click("section[aria-label='Net loft spots'] >> text=Rename");
    page.fill("dialog[open] input", "Lantern spots");
    page.click("dialog[open] button[type=submit]");
    page.waitForSelector("section[aria-label='Lantern spots']");
    page.click("section[aria-label='Lantern spots'] >> text=Delete");
    page.click(".toast-line >> text=Put it back");
    page.waitForSelector("section[aria-label='Lantern spots']");
    page.click("section[aria-label='Lantern spots'] >> text=Delete");
    page.waitForSelector(".toast-line >> text=Lantern spots is deleted, with its shots");
    page.reload();
    page.click("[aria-label='Put back Lantern spots']");
    page.waitForSelector("section[aria-label='Lantern spots']");
    page.close();
  }

  @Test
  void overshootLabels_doNotPrintOverOneAnother() {
    Page page = openFloor(app.copyOf("Quay walk"));
    page.evaluate(
        "() => { for (const axis of Object.keys(idleLens.desk.tolerance)) idleLens.desk.setTolerance(axis,"
            + " 0); const m = idleLens.store.motion.get('a-cam'); m.overshoots = ['x', 'y', 'z', 'pan',"
            + " 'tilt'].map((c, i) => [c, 1060 + i / 10, 0, 0.01 + i / 100]); idleLens.desk.select('a-cam');"
            + " idleLens.plan.ask('all'); }");
    page.waitForFunction("() => document.querySelectorAll('#plan text.over').length > 2");
    assertThat(
            page.evaluate(
                "() => { const all = [...document.querySelectorAll('#plan text.halo')].map((e) =>"
                    + " e.getBoundingClientRect()); return all.some((a, i) => all.some((b, j) => i < j &&"
                    + " a.left < b.right - 2 && b.left < a.right - 2 && a.top < b.bottom - 4 && b.top <"
                    + " a.bottom - 4)); }"))
        .isEqualTo(false);
    page.close();
  }

  @Test
  void paperOrDim_isChosen_andStays() {
    Page page = newPage();
    page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(ColorScheme.LIGHT));
    page.navigate(app.address() + "/");
    String paper = (String) page.evaluate("() => getComputedStyle(document.body).backgroundColor");
    page.click("[data-look-switch]");
    assertThat(page.textContent("[data-look-switch]")).isEqualTo("Look: paper");
    page.click("[data-look-switch]");
    String dim = (String) page.evaluate("() => getComputedStyle(document.body).backgroundColor");
    assertThat(dim).isNotEqualTo(paper);
    page.reload();
    assertThat(page.evaluate("() => getComputedStyle(document.body).backgroundColor"))
        .isEqualTo(dim);
    page.close();
  }

  @Test
  void handOff_saysWhichFramesGoOut() {
    Page page = newPage();
    page.navigate(app.address() + "/shots/" + app.demoShot("Quay walk") + "/hand-off");
    page.waitForSelector("text=144 f go out; time 0 is frame 1001. The 8 f of handles");
    page.selectOption("#frames", "handles");
    page.waitForSelector("text=160 f go out; time 0 is frame 993.");
    page.selectOption("#frames", "other");
    page.fill("[aria-label='First frame that goes out']", "1010");
    page.keyboard().press("Tab");
    page.waitForSelector("text=135 f go out; time 0 is frame 1010.");
    page.waitForDownload(() -> page.click("main button:text-is('Write')"));
    page.click("[data-view=record]");
    page.waitForSelector("td:has-text('frames 1010 to 1144 go out')");
    page.close();
  }

  @Test
  void scoreAndCurves_showEachFrameOneBelowTheOther() {
    Page page = openCurves(app.demoShot("Quay walk"), "a-cam");
    page.waitForFunction(ALIGNED);
    page.locator("svg.graph").hover();
    page.mouse().wheel(0, -300);
    page.waitForFunction("() => idleLens.score.scale.to - idleLens.score.scale.from < 130");
    page.waitForFunction(ALIGNED);
    page.click("#zoom-out");
    page.waitForFunction(ALIGNED);
    page.close();
  }

  private static final String ALIGNED =
      "() => { const { score, curves: { graph } } = idleLens; const left = (e) =>"
          + " e.getBoundingClientRect().left; const f = (score.scale.from + score.scale.to) / 2; return"
          + " Math.abs(left(graph.svg) + graph.scale.x(f) - left(score.svg) - score.scale.x(f)) < 1; }";
}

package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Re-timing, markers, history and versions. */
class TimingTest extends BrowserTest {

  private List<Double> frames(long shot, String node, String channel) {
    JsonNode keys = app.part(shot, node, "keys").get(channel).get("keys");
    return keys.valueStream().map(k -> k.get(0).doubleValue()).toList();
  }

  private static void choose(Page page, String way) {
    page.click("[data-tab=timing]");
    page.selectOption("select[aria-label='What is done to the time']", way);
  }

  @Test
  void beadsOfSeveralNodes_areDraggedTogether() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.click("[data-bead='dolly pose 1073']");
    page.keyboard().down("Shift");
    page.click("[data-bead='head pose 1085']");
    page.keyboard().up("Shift");
    settle(page, "dolly");
    double perFrame = number(page, "() => idleLens.score.x(1011) - idleLens.score.x(1001)") / 10;
    drag(page, middle(page.locator("[data-bead='head pose 1085']")), 6 * perFrame, 0);
    waitForRevision(page, 2);
    assertThat(frames(shot, "dolly", "z")).containsExactly(1001.0, 1079.0, 1144.0);
    assertThat(frames(shot, "head", "tilt")).containsExactly(1001.0, 1049.0, 1091.0, 1144.0);
    page.close();
  }

  @Test
  void stretch_withRipple_movesWhatComesLater_andTheEndOfTheShot() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    choose(page, "stretch");
    type(page, "Last frame of the range", "1073");
    type(page, "Factor", "1.5");
    page.check("text=later ones move along");
    page.click(".settings button:text-is('Stretch')");
    waitForRevision(page, 2);
    assertThat(frames(shot, "dolly", "z")).containsExactly(1001.0, 1109.0, 1180.0);
    assertThat(app.get("/api/shots/" + shot).json().get("out").intValue()).isEqualTo(1180);
    choose(page, "ripple");
    page.evaluate("() => idleLens.desk.goTo(1110)");
    type(page, "By how many frames", "-10");
    page.click(".settings button:text-is('Ripple')");
    waitForRevision(page, 3);
    assertThat(frames(shot, "dolly", "z")).containsExactly(1001.0, 1109.0, 1170.0);
    page.close();
  }

  @Test
  void speedRamp_keepsLengthAndHits_andIsDrawnByHand() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.evaluate(
        "() => idleLens.store.edit([{ edit: 'set-markers', markers: [{ id: 'hit', frame: 1073,"
            + " name: 'step', kind: 'hit' }] }])");
    waitForRevision(page, 2);
    double before = number(page, "() => idleLens.store.pose('dolly', 1073).z");
    double quarter = number(page, "() => idleLens.store.pose('dolly', 1037).z");
    choose(page, "ramp");
    Locator drawing = page.locator(".settings .ramp");
    double[] centre = middle(drawing);
    double height = box(drawing).height;
    drag(page, new double[] {centre[0] - 80, centre[1]}, 0, height * 0.2); // a new, slower point
    assertThat(page.locator(".ramp .point").count()).isEqualTo(4);
    page.click(".settings button:text-is('Fast, slow, fast')");
    page.click(".settings button:text-is('Ramp')");
    waitForRevision(page, 3);
    List<Double> frames = frames(shot, "dolly", "z");
    assertThat(frames).contains(1001.0, 1073.0, 1144.0);
    assertThat(number(page, "() => idleLens.store.pose('dolly', 1073).z"))
        .isCloseTo(before, org.assertj.core.api.Assertions.within(1e-5));
    // fast at first: a quarter in, the dolly has come farther
    assertThat(number(page, "() => idleLens.store.pose('dolly', 1037).z"))
        .isLessThan(quarter - 0.2);
    page.close();
  }

  @Test
  void convertingTheRate_isSaidPlainly_beforeItIsDone() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    choose(page, "rate");
    page.selectOption("select[aria-label='New frame rate']", "30");
    page.waitForSelector("text=The shot lasts 6 s as before: 144 frames become 180, 1001 to 1180.");
    page.selectOption("select[aria-label='What stays']", "frames");
    page.waitForSelector(
        "text=All 144 frames stay as they are; the shot lasts 4.8 s instead of 6 s.");
    page.selectOption("select[aria-label='What stays']", "time");
    page.click(".settings button:text-is('Convert')");
    waitForRevision(page, 2);
    assertThat(page.textContent("#facts")).startsWith("30 fps · 1001–1180");
    // 72 frames at 24 are 90 at 30
    assertThat(frames(shot, "dolly", "z")).containsExactly(1001.0, 1091.0, 1179.75);
    choose(page, "stretch"); // the range asked for is the whole shot still
    assertThat(field(page, "Last frame of the range").inputValue()).isEqualTo("1180");
    page.close();
  }

  @Test
  void markers_areTappedWhilePlaying_dragged_andReadFromATable() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.keyboard().press("Space");
    page.waitForFunction("() => idleLens.desk.frame > 1004");
    page.keyboard().press("m");
    page.waitForFunction("() => idleLens.store.markers.length === 1");
    page.keyboard().press("Space");
    waitForRevision(page, 2);
    JsonNode tapped = app.get("/api/shots/" + shot).json().get("markers").get(0);
    assertThat(tapped.get("frame").doubleValue()).isBetween(1003.0, 1144.0);
    double perFrame = number(page, "() => idleLens.score.x(1011) - idleLens.score.x(1001)") / 10;
    double[] flag = middle(page.locator("[data-marker] .letter"));
    drag(page, flag, -2 * perFrame, 0);
    waitForRevision(page, 3);
    assertThat(
            app.get("/api/shots/" + shot).json().get("markers").get(0).get("frame").doubleValue())
        .isEqualTo(tapped.get("frame").doubleValue() - 2);
    page.click("[data-tab=markers]");
    page.locator("input[aria-label='Table of beats']")
        .setInputFiles(
            new FilePayload(
                "beats.csv",
                "text/csv",
                "time,name,kind\n0.5,Step,hit\n1.0,Turn,cue\n".getBytes()));
    waitForRevision(page, 4);
    assertThat(page.locator(".marker.hit").getAttribute("aria-label"))
        .isEqualTo("hit at 1013: Step");
    assertThat(page.locator(".marker.cue .letter").textContent()).isEqualTo("C");
    page.close();
  }

  @Test
  void history_goesBack_andVersionsAreComparedAndRestored() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.click("[data-tab=history]");
    page.fill("input[aria-label='Name of the version']", "First take");
    page.click("button:text-is('Keep this version')");
    page.waitForSelector("[data-compare='1']");
    page.evaluate(
        "() => idleLens.store.edit([{ edit: 'move-keys', id: 'dolly', channels: ['z'], frames:"
            + " [1144], byValue: 0.5 }])");
    waitForRevision(page, 2);
    page.waitForSelector(".settings .what:text-is('Move a key in value')");
    page.click("[data-compare='1']");
    page.waitForSelector("tr:has(th:text-is('Dolly')) td:has-text('0.50 m at 1144')");
    assertThat(page.locator("#ghost-names").textContent()).isEqualTo("“First take”now");
    assertThat(page.locator("#plan .ghost.version").count()).isPositive();
    page.click("button[aria-label='Restore First take']");
    waitForRevision(page, 3);
    page.waitForSelector(".settings .what:text-is('Restore version “First take”')");
    page.click("button[aria-label='Go back to revision 2']");
    waitForRevision(page, 4);
    assertThat(app.part(shot, "dolly", "keys").get("z").toString()).contains("[1144.0,4.2,");
    page.keyboard().press("g");
    page.waitForFunction("() => document.querySelector('#ghost-names').hidden");
    page.close();
  }
}

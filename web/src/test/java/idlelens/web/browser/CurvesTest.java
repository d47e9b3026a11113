package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Page;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The Curves view, by hand and by keyboard. */
class CurvesTest extends BrowserTest {

  private JsonNode keys(long shot, String node, String channel) {
    return app.part(shot, node, "keys").get(channel).get("keys");
  }

  @Test
  void aKeyDragged_movesInTimeAndValue_asFarAsThePointer() {
    long shot = app.copyOf("Quay walk");
    Page page = openCurves(shot, "dolly");
    double[] from = keyAt(page, "dolly", "z", 1073);
    double perFrame = number(page, "() => idleLens.curves.graph.scale.perFrame");
    double perPixel =
        number(
            page,
            "() => { const s = idleLens.curves.graph.scale; return s.perPixel(s.panes[0], 'place'); }");
    drag(page, from, 5.2 * perFrame, 40);
    waitForRevision(page, 2);
    JsonNode key = keys(shot, "dolly", "z").get(1);
    assertThat(key.get(0).doubleValue()).isEqualTo(1078); // snapped to a frame
    assertThat(key.get(1).doubleValue()).isCloseTo(3.9 - 40 * perPixel, within(2e-3));
    assertThat(keys(shot, "dolly", "x").get(1).get(0).doubleValue()).isEqualTo(1073);
    assertThat(page.evaluate("() => idleLens.desk.chosen.frames().join()")).isEqualTo("1078");
    page.keyboard().press("Control+z");
    waitForRevision(page, 3);
    assertThat(keys(shot, "dolly", "z").get(1).get(0).doubleValue()).isEqualTo(1073);
    page.close();
  }

  @Test
  void aBox_choosesKeysOfSeveralNodes_whichAreScaledAboutAPoint() {
    long shot = app.copyOf("Quay walk");
    Page page = openCurves(shot, "dolly");
    page.click("[data-listed='pin dolly']");
    page.evaluate("() => idleLens.desk.select('head')");
    page.waitForFunction(
        "() => idleLens.curves.graph.drawn.some((c) => c.id === 'head') &&"
            + " idleLens.curves.graph.drawn.some((c) => c.id === 'dolly')");
    double[] first = keyAt(page, "dolly", "z", 1001);
    List<?> box =
        (List<?>)
            page.evaluate(
                "() => { const g = idleLens.curves.graph; const b ="
                    + " g.svg.getBoundingClientRect(); return [b.x + g.scale.x(1140), b.y +"
                    + " g.scale.panes[0].top + 3, b.x + g.scale.right - 2, b.y +"
                    + " g.scale.panes[0].top + g.scale.panes[0].height - 3]; }");
    double[] from = {((Number) box.get(0)).doubleValue(), ((Number) box.get(1)).doubleValue()};
    double dx = ((Number) box.get(2)).doubleValue() - from[0];
    drag(page, from, dx, ((Number) box.get(3)).doubleValue() - from[1]);
    // the last key of each of the twelve curves
    assertThat(number(page, "() => idleLens.desk.chosen.count")).isEqualTo(12);
    assertThat(page.evaluate("() => idleLens.desk.chosen.ids().sort().join()"))
        .isEqualTo("dolly,head");
    assertThat(first[0]).isLessThan(from[0]);
    // scaled about the first frame by the panel: 1144 comes to 1001 + 143 / 2, rounded
    page.evaluate("() => idleLens.desk.goTo(1001)");
    page.click("[data-tab=chosen]");
    type(page, "Factor of time", "50%");
    page.selectOption("select[aria-label='Where a key lands on another']", "merge");
    page.click("button:text-is('Scale') >> nth=1");
    waitForRevision(page, 2);
    assertThat(keys(shot, "dolly", "z").get(1).get(0).doubleValue()).isEqualTo(1073);
    assertThat(keys(shot, "dolly", "z").size()).isEqualTo(2); // it took the place of the one there
    assertThat(number(page, "() => Math.max(...idleLens.desk.chosen.frames())")).isEqualTo(1073);
    page.close();
  }

  @Test
  void aDraggedHandle_makesTheTangentFree_joinedOrBroken() {
    long shot = app.copyOf("Quay walk");
    Page page = openCurves(shot, "dolly");
    double[] key = keyAt(page, "dolly", "z", 1073);
    page.mouse().click(key[0], key[1]);
    double[] out = middle(page.locator("[data-handle='dolly z 1073 out']"));
    drag(page, out, 6, -50);
    waitForRevision(page, 2);
    JsonNode free = keys(shot, "dolly", "z").get(1);
    assertThat(free.get(2).stringValue()).isEqualTo("free");
    assertThat(free.get(7).booleanValue()).isTrue();
    double inSlope = free.get(4).doubleValue() / free.get(3).doubleValue();
    assertThat(free.get(6).doubleValue() / free.get(5).doubleValue())
        .isCloseTo(inSlope, within(1e-9));
    page.waitForSelector("[data-handle='dolly z 1073 out']");
    page.keyboard().down("Alt");
    drag(page, middle(page.locator("[data-handle='dolly z 1073 out']")), 0, -30);
    page.keyboard().up("Alt");
    waitForRevision(page, 3);
    JsonNode broken = keys(shot, "dolly", "z").get(1);
    assertThat(broken.get(7).booleanValue()).isFalse();
    assertThat(broken.get(4).doubleValue() / broken.get(3).doubleValue())
        .isCloseTo(inSlope, within(1e-9));
    page.close();
  }

  @Test
  void exactNumbers_tangentKinds_andWhatLiesOutside_areSetForTheChosenKeys() {
    long shot = app.copyOf("Quay walk");
    Page page = openCurves(shot, "dolly");
    double[] key = keyAt(page, "dolly", "z", 1073);
    page.mouse().click(key[0], key[1]);
    page.click("[data-tab=chosen]");
    type(page, "Frame of the chosen keys", "1070f");
    waitForRevision(page, 2);
    type(page, "Value of the chosen keys", "450cm");
    waitForRevision(page, 3);
    assertThat(keys(shot, "dolly", "z").get(1).toString()).startsWith("[1070.0,4.5,");
    page.click(".settings [data-tangent=free]");
    waitForRevision(page, 4);
    page.click("[data-free=ownLength]");
    waitForRevision(page, 5);
    assertThat(keys(shot, "dolly", "z").get(1).get(8).booleanValue()).isTrue();
    page.selectOption("select[aria-label='After the last key']", "cycle-and-carry");
    waitForRevision(page, 6);
    assertThat(app.part(shot, "dolly", "keys").get("z").get("after").stringValue())
        .isEqualTo("cycle-and-carry");
    // carried on: one frame after the last key it goes on as it began
    assertThat(
            number(
                page,
                "() => { const z = idleLens.store.motion.get('dolly').own.z; return"
                    + " idleLens.store.value(1145, z) - idleLens.store.value(1144, z) -"
                    + " idleLens.store.value(1002, z) + idleLens.store.value(1001, z); }"))
        .isCloseTo(0, within(1e-5));
    page.close();
  }

  @Test
  void speedAndAcceleration_areDrawnBesideTheValues_withTheirUnits() {
    long shot = app.copyOf("Quay walk");
    Page page = openCurves(shot, "dolly");
    page.click("[data-tool=speed]");
    page.click("[data-tool=acceleration]");
    page.waitForFunction("() => document.querySelectorAll('svg.graph .pane').length === 3");
    assertThat(page.locator("svg.graph .unit").allTextContents())
        .contains("m", "°", "m/s", "°/s", "m/s²", "°/s²");
    // the speed is the slope of the value: by differences over two frames, at 24 frames a second
    double difference =
        number(
            page,
            "() => { const m = idleLens.store.motion.get('dolly'); const v = (f) =>"
                + " idleLens.store.value(f, m.own.z); return (v(1051) - v(1049)) / 2 * 24 -"
                + " idleLens.store.value(1050, m.curves.z.speed); }");
    assertThat(difference).isCloseTo(0, within(2e-3));
    page.close();
  }

  @Test
  void aLockedChannel_isSafe_aDimmedOneCannotBeTaken() {
    long shot = app.copyOf("Quay walk");
    Page page = openCurves(shot, "dolly");
    page.click("[data-listed='lock dolly z']");
    waitForRevision(page, 2);
    page.click("[data-listed='dim dolly x']");
    drag(page, keyAt(page, "dolly", "z", 1073), 20, 20);
    double[] x = keyAt(page, "dolly", "x", 1073);
    page.mouse().click(x[0], x[1]);
    assertThat(number(page, "() => idleLens.desk.chosen.count")).isZero();
    assertThat(page.locator(".graph .curve.dim").count()).isEqualTo(1);
    page.evaluate(
        "() => idleLens.store.edit([{ edit: 'move-keys', id: 'dolly', channels: ['z'], frames:"
            + " [1073], by: 2 }])");
    page.waitForSelector(".toast-line.bad:has-text('locked')");
    assertThat(app.revision(shot)).isEqualTo(2);
    complaints.removeIf(c -> c.contains("422"));
    page.close();
  }

  @Test
  void byKeyboardAlone_keysAreChosenMovedAndRemoved_andThePlayheadIsShared() {
    long shot = app.copyOf("Quay walk");
    Page page = openCurves(shot, "dolly");
    page.locator("svg.graph").focus();
    page.keyboard().press("]");
    assertThat(number(page, "() => idleLens.desk.frame")).isEqualTo(1073);
    page.waitForFunction("() => document.querySelector('#strip-frame').textContent === '1073'");
    page.keyboard().press("Enter");
    assertThat(number(page, "() => idleLens.desk.chosen.count")).isEqualTo(6);
    page.keyboard().press("Alt+ArrowRight");
    waitForRevision(page, 2);
    page.keyboard().press("Alt+ArrowUp");
    waitForRevision(page, 3);
    assertThat(keys(shot, "dolly", "z").get(1).get(0).doubleValue()).isEqualTo(1074);
    assertThat(keys(shot, "dolly", "z").get(1).get(1).doubleValue()).isCloseTo(3.95, within(1e-9));
    page.keyboard().press("Backspace");
    waitForRevision(page, 4);
    assertThat(keys(shot, "dolly", "z").size()).isEqualTo(2);
    page.close();
  }

  @Test
  void theViewIsSwitchedInPlace_andHasItsOwnAddress() {
    Page page = openFloor(app.demoShot("Quay walk"));
    page.evaluate("() => idleLens.desk.goTo(1033)");
    page.click("[data-view-link=curves]");
    page.waitForSelector(".graph .curve");
    assertThat(page.url()).endsWith("/curves");
    assertThat(number(page, "() => idleLens.desk.frame")).isEqualTo(1033);
    assertThat(page.locator("#canvas").isVisible()).isTrue();
    assertThat(page.locator("#plan").isVisible()).isTrue();
    page.goBack();
    page.waitForSelector("#chain:visible");
    page.close();
  }

  @Test
  void paceOfARide_isNumberedInMetresWhereItIsAskedFor_asTheServerHasThem() {
    Page page = openCurves(app.copyOf("Net loft"), "loft-cam");
    page.evaluate("() => idleLens.desk.goTo(1050)");
    double metres =
        number(
            page,
            "() => { const { store } = idleLens; const m = store.motion.get('loft-cam');"
                + " return store.value(1050, Object.values(m.rides)[0].metres); }");
    page.waitForFunction("() => document.querySelector('.graph .unit').textContent === '%'");
    page.click("[data-tool=metres]");
    page.waitForFunction("() => document.querySelector('.graph .unit').textContent === 'm'");
    String along =
        "metres => { const { graph } = idleLens.curves; const { scale } = graph;"
            + " const ticks = [...document.querySelectorAll('.graph .tick')].filter((t) =>"
            + " t.getAttribute('text-anchor') === 'end').map((t) => [Number(t.textContent),"
            + " Number(t.getAttribute('y')) - 4]); const pane = scale.panes[0];"
            + " const own = idleLens.store.motion.get('loft-cam').own;"
            + " const path = Object.keys(own).find((k) => k.endsWith('.pace'));"
            + " const y = scale.y(pane, 'pace', idleLens.store.value(1050, own[path]));"
            + " const above = ticks.filter(([v]) => v > metres).at(0); const below ="
            + " ticks.filter(([v]) => v <= metres).at(-1);"
            + " return below[0] + (above[0] - below[0]) * (below[1] - y) / (below[1] - above[1]); }";
    double read = ((Number) page.evaluate(along, metres)).doubleValue();
    assertThat(read).as("read off the axis").isCloseTo(metres, within(0.05));
    assertThat(page.locator("#channels").textContent())
        .contains(String.format(Locale.ROOT, "%.2f m", metres));
    page.evaluate("() => idleLens.desk.select('keeper')");
    page.waitForFunction("() => document.querySelector('[data-tool=metres]').hidden");
    page.close();
  }
}

package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The path in the plan and from outside: keys and tangents in space, speed, ghosts. */
class PathTest extends BrowserTest {

  private JsonNode keys(long shot, String channel) {
    return app.part(shot, "dolly", "keys").get(channel).get("keys");
  }

  private Page openDolly(long shot) {
    Page page = openFloor(shot);
    page.evaluate("() => idleLens.desk.select('dolly')");
    page.evaluate("() => idleLens.desk.goTo(1030)"); // away from the keys
    settle(page, "dolly");
    return page;
  }

  @Test
  void aKeyDraggedOnThePath_movesInSpace_andKeepsItsTime() {
    long shot = app.copyOf("Quay walk");
    Page page = openDolly(shot);
    double scale = number(page, "() => idleLens.plan.metresPerPixel");
    double[] key = middle(page.locator("[data-key='dolly 1001']"));
    page.mouse().move(key[0], key[1]);
    page.mouse().down();
    page.mouse().move(key[0] + 10, key[1] - 10);
    page.mouse().move(key[0] + 20, key[1] - 30);
    page.waitForSelector("#plan .ghost.before"); // how it was, dashed
    page.mouse().up();
    waitForRevision(page, 2);
    assertThat(keys(shot, "x").get(0).get(0).doubleValue()).isEqualTo(1001);
    assertThat(keys(shot, "x").get(0).get(1).doubleValue())
        .isCloseTo(0.75 + 20 * scale, within(2e-3));
    assertThat(keys(shot, "z").get(0).get(1).doubleValue())
        .isCloseTo(9.2 - 30 * scale, within(2e-3));
    assertThat(keys(shot, "x").size()).isEqualTo(3);
    page.close();
  }

  @Test
  void aKeyDraggedWhereAnOrbitTurnsThePath_followsThePointer() {
    long shot = app.copyOf("Quay walk");
    Page page = openDolly(shot);
    page.click("#add-part");
    page.click("[role=menuitem]:has-text('Move')");
    page.selectOption("select[aria-label='What it does']", "orbit");
    page.click("text=\"Set it\"");
    waitForRevision(page, 2);
    type(page, "How far", "60");
    waitForRevision(page, 3);
    double over = number(page, "() => idleLens.desk.node.chain[1].window.to");
    assertThat(over).isLessThan(1144); // so that all of the orbit is done there
    Locator key = page.locator("[data-key='dolly 1144']");
    double[] before = middle(key);
    drag(page, before, 30, -25);
    waitForRevision(page, 4);
    double[] after = middle(key);
    assertThat(after[0]).isCloseTo(before[0] + 30, within(0.6));
    assertThat(after[1]).isCloseTo(before[1] - 25, within(0.6));
    page.close();
  }

  @Test
  void aTangentDraggedInThePlan_bendsThePath_andKeepsTheTiming() {
    long shot = app.copyOf("Quay walk");
    Page page = openDolly(shot);
    double scale = number(page, "() => idleLens.plan.metresPerPixel");
    double out = number(page, "() => idleLens.store.motion.get('dolly').path[17]"); // x of 1073 out
    drag(page, middle(page.locator("[data-handle='dolly 1073 out']")), 25, 0);
    waitForRevision(page, 2);
    JsonNode key = keys(shot, "x").get(1);
    assertThat(key.toString()).startsWith("[1073.0,0.35,\"free\"");
    assertThat(number(page, "() => idleLens.store.motion.get('dolly').path[17]"))
        .isCloseTo(out + 25 * scale, within(2e-3));
    assertThat(key.get(5).doubleValue()).isCloseTo(71 / 3.0, within(1e-9)); // as long in time
    page.close();
  }

  @Test
  void fromOutside_theViewerOrbits_andKeysMoveOverTheGround() {
    long shot = app.copyOf("Quay walk");
    Page page = openDolly(shot);
    page.click("[data-side='3D']");
    page.waitForSelector("#plan .frustum");
    Locator key = page.locator("[data-key='dolly 1001']");
    double[] from = middle(key);
    double[] centre = middle(page.locator("#plan"));
    drag(page, new double[] {centre[0] + 150, centre[1] + 140}, 60, 10);
    settle(page, "dolly");
    double[] orbited = middle(key);
    assertThat(Math.hypot(orbited[0] - from[0], orbited[1] - from[1])).isGreaterThan(5);
    drag(page, orbited, 15, 0);
    waitForRevision(page, 2);
    settle(page, "dolly");
    double[] moved = middle(key);
    assertThat(moved[0]).isCloseTo(orbited[0] + 15, within(2.0));
    assertThat(moved[1]).isCloseTo(orbited[1], within(2.0));
    assertThat(keys(shot, "y").get(0).get(1).doubleValue()).isZero(); // it stays on the ground
    page.close();
  }

  @Test
  void speed_coloursTheDots_withALegend() {
    Page page = openFloor(app.demoShot("Quay walk"));
    page.click("#speed");
    page.waitForSelector("#plan .legend");
    assertThat(page.locator("#plan text").allTextContents())
        .anyMatch(t -> t.matches("fast [0-9.]+ m/s"));
    assertThat(page.locator("#plan .dots").count()).isGreaterThan(3);
    double fastest =
        number(
            page,
            "() => { const p = (f) => idleLens.store.pose('a-cam', f); const far = (a, b) =>"
                + " Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z); return far(p(1051), p(1049)) * 12"
                + " - idleLens.store.value(1050, idleLens.store.motion.get('a-cam').pace); }");
    assertThat(fastest).isCloseTo(0, within(1e-3));
    page.close();
  }
}

package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What is wrong with a move is found, and mended. */
class MendingTest extends BrowserTest {

  private List<Double> column(Page page, String node, String channel) {
    List<?> all =
        (List<?>)
            page.evaluate(
                "([id, c]) => Array.from(idleLens.store.motion.get(id)[c])",
                List.of(node, channel));
    List<Double> out = new ArrayList<>();
    all.forEach(v -> out.add(((Number) v).doubleValue()));
    return out;
  }

  @Test
  void theTourOfQuayWalk_mendsTheCreepingTurnAndTheOvershoot() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    assertThat(page.textContent("#notice"))
        .startsWith("Head pan creeps from 1001: it is not keyed at 1049");
    page.click("#hold-creep");
    waitForRevision(page, 2);
    page.waitForFunction("() => document.querySelector('#notice').textContent === ''");
    JsonNode pan = app.part(shot, "head", "keys").get("pan").get("keys");
    assertThat(pan.get(1).toString()).startsWith("[1049.0,9.0,");
    page.evaluate("() => idleLens.desk.select('dolly')");
    page.waitForSelector("#plan .overshoot");
    page.click("[data-tab=findings]");
    assertThat(page.textContent("#tab-findings")).isEqualTo("Findings 1");
    page.click("button:text-is('Remove all overshoot')");
    waitForRevision(page, 3);
    page.waitForFunction(
        "() => document.querySelector('#tab-findings').textContent === 'Findings'");
    assertThat(page.locator("#plan .overshoot").count()).isZero();
    JsonNode z = app.part(shot, "dolly", "keys").get("z").get("keys");
    assertThat(z.get(1).toString()).startsWith("[1073.0,3.9,");
    assertThat(z.get(2).toString()).startsWith("[1144.0,3.7,");
    for (double place : column(page, "dolly", "z")) {
      assertThat(place).isGreaterThanOrEqualTo(3.7 - 1.1e-3); // the tolerance, and rounding
    }
    page.close();
  }

  @Test
  void overshoot_belowTheTolerance_isLetPass() {
    Page page = openFloor(app.demoShot("Quay walk"));
    page.click("[data-tab=findings]");
    type(page, "Overshoot of place let pass", "50cm");
    page.waitForFunction(
        "() => document.querySelector('#tab-findings').textContent === 'Findings 1'");
    assertThat(page.locator(".settings .list li").allTextContents())
        .singleElement()
        .asString()
        .contains("creeps");
    page.close();
  }

  @Test
  void alignedAndInsertedKeys_leaveTheMotionAsItIs_reducedOnesAreFewer() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    List<Double> x = column(page, "a-cam", "x");
    List<Double> turn = column(page, "a-cam", "qy");
    page.click("[data-tab=tools]");
    page.click("button:text-is('Align keys')");
    waitForRevision(page, 2);
    // every frame at which one of the rig had a key: 1001 1037 1040 1049 1063 1073 1085 1097 1109
    // 1144
    for (String node : List.of("dolly", "shoulder", "head", "a-cam")) {
      assertThat(app.part(shot, node, "keys").get("pan").get("keys").size()).isEqualTo(10);
    }
    List<Double> after = column(page, "a-cam", "x");
    List<Double> turnAfter = column(page, "a-cam", "qy");
    for (int i = 0; i < x.size(); i++) {
      assertThat(after.get(i)).isCloseTo(x.get(i), within(1e-6)); // as far as float32 can tell
      assertThat(turnAfter.get(i)).isCloseTo(turn.get(i), within(1e-6));
    }
    page.click("button:text-is('Reduce keys')");
    waitForRevision(page, 3);
    assertThat(app.part(shot, "a-cam", "keys").get("roll").get("keys").size()).isLessThan(10);
    page.evaluate("() => idleLens.desk.select('dolly')");
    type(page, "Frames from key to key", "24");
    page.click("button:text-is('Bake')");
    waitForRevision(page, 4);
    assertThat(app.part(shot, "dolly", "keys").get("z").get("keys").size()).isEqualTo(7);
    page.close();
  }

  @Test
  void copiedKeys_arePastedMirrored_andTheWholeRigIsKeyed() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.evaluate("() => idleLens.desk.goTo(1040)");
    page.click("[data-tab=tools]");
    page.keyboard().press("Control+c");
    page.evaluate("() => idleLens.desk.goTo(1120)");
    page.click("[data-paste=mirrored]");
    waitForRevision(page, 2);
    JsonNode pan = app.part(shot, "a-cam", "keys").get("pan").get("keys");
    assertThat(pan.get(4).toString()).startsWith("[1120.0,-1.2,");
    JsonNode tilt = app.part(shot, "a-cam", "keys").get("tilt").get("keys");
    assertThat(tilt.get(4).toString()).startsWith("[1120.0,-0.3,");
    page.click("[data-takes=roll]");
    waitForRevision(page, 3);
    page.evaluate("() => idleLens.desk.goTo(1020)");
    page.click("button:text-is('Whole rig')");
    waitForRevision(page, 4);
    for (String node : List.of("dolly", "shoulder", "head", "a-cam")) {
      assertThat(app.part(shot, node, "keys").get("tilt").toString()).contains("[1020.0,");
    }
    // the filter of the camera leaves roll out
    assertThat(app.part(shot, "a-cam", "keys").get("roll").toString()).doesNotContain("[1020.0,");
    page.close();
  }
}

package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A card of Aim: added, set, keyed, put in order, copied, taken away. */
class AimCardTest extends BrowserTest {
  /** How far the centre of the picture passes by a node's point, in degrees. */
  private static final String OFF_BY =
      "([id, frame, up]) => { const s = idleLens.store; const c = s.pose('a-cam', frame);"
          + " const k = s.pose(id, frame); const d = [k.x - c.x, k.y + up - c.y, k.z - c.z];"
          + " const f = [-2 * (c.qx * c.qz + c.qw * c.qy), -2 * (c.qy * c.qz - c.qw * c.qx),"
          + " -(1 - 2 * (c.qx * c.qx + c.qy * c.qy))]; const dot = f[0] * d[0] + f[1] * d[1] +"
          + " f[2] * d[2]; return Math.acos(Math.min(1, dot / Math.hypot(...d))) * 180 / Math.PI; }";

  private static double offBy(Page page, String id, int frame, double up) {
    return ((Number) page.evaluate(OFF_BY, List.of(id, frame, up))).doubleValue();
  }

  private static String addAim(Page page) {
    page.click("#add-part");
    page.click(".menu button:has-text('Aim')");
    page.waitForSelector(".settings h2:has-text('Aim')");
    return (String) page.evaluate("() => idleLens.desk.card");
  }

  private JsonNode aim(long shot, String id) {
    return app.part(shot, "a-cam", id);
  }

  @Test
  void added_itLooksAtThePersonAtEveryFrame_andUndoTakesItAway() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    addAim(page);
    waitForRevision(page, 2);
    for (int frame : new int[] {1001, 1060, 1144}) {
      assertThat(offBy(page, "keeper", frame, 1.53)).as("at %d", frame).isLessThan(2);
    }
    assertThat(page.locator("#plan .aim.line").count()).isEqualTo(1);
    assertThat(page.locator("#marks .aim-mark").count()).isPositive();
    page.click(".plan button:text-is('3D')");
    page.waitForSelector("#plan .aim.line");
    page.keyboard().press("Control+z");
    waitForRevision(page, 3);
    assertThat(page.locator("[data-card^=aim]").count()).isZero();
    assertThat(page.locator("#plan .aim.line").count()).isZero();
    page.close();
  }

  @Test
  void target_isPickedInTheListInThePlanAndInThePicture() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    String id = addAim(page);
    waitForRevision(page, 2);
    page.click(".settings button:text-is('Pick')");
    assertThat(page.textContent("#notice")).contains("click it in the picture");
    page.click("li[data-id=ferry-ottoline] .pick");
    waitForRevision(page, 3);
    assertThat(aim(shot, id).get("target").get("node").stringValue()).isEqualTo("ferry-ottoline");
    assertThat(page.evaluate("() => idleLens.desk.selected")).isEqualTo("a-cam");
    page.click(".settings button:text-is('Pick')");
    page.keyboard().press("Escape");
    page.waitForFunction("() => !idleLens.desk.picking");
    page.click(".settings button:text-is('Pick')");
    double[] keeper = middle(page.locator("#plan .piece[data-id=keeper]"));
    page.mouse().click(keeper[0], keeper[1]);
    waitForRevision(page, 4);
    assertThat(aim(shot, id).get("target").get("node").stringValue()).isEqualTo("keeper");
    page.selectOption(".settings select[aria-label='Looks at']", "");
    waitForRevision(page, 5);
    assertThat(aim(shot, id).get("target").has("place")).isTrue();
    page.click(".settings button:text-is('Pick')");
    BoundingBox picture = box(page.locator("#canvas"));
    page.mouse().click(picture.x + picture.width / 2, picture.y + picture.height * 0.8);
    waitForRevision(page, 6);
    assertThat(aim(shot, id).get("target").has("node")).isTrue();
    page.close();
  }

  @Test
  void weight_isTypedKeyedAndDrawn_andASecondTargetIsBlendedTo() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    String id = addAim(page);
    waitForRevision(page, 2);
    page.evaluate("() => idleLens.desk.goTo(1060)");
    type(page, "Weight", "0.5");
    waitForRevision(page, 3);
    assertThat(aim(shot, id).get("weight").doubleValue()).isEqualTo(0.5);
    page.selectOption("#keying", "touched");
    page.evaluate(
        "id => idleLens.store.edit([{edit: 'set-values', id: 'a-cam', frame: 1001, values:"
            + " {[`${id}.weight`]: 0}, keying: 'touched'}, {edit: 'set-values', id: 'a-cam', frame:"
            + " 1144, values: {[`${id}.weight`]: 1}, keying: 'touched'}])",
        id);
    waitForRevision(page, 4);
    assertThat(offBy(page, "keeper", 1144, 1.53)).isLessThan(2);
    assertThat(page.locator("#score [data-row=a-cam][data-what='" + id + ".weight']").count())
        .as("a row of its own")
        .isPositive();
    assertThat(field(page, "Blend").count()).as("no blend without a second").isZero();
    page.click(".settings button:text-is('Two targets')");
    waitForRevision(page, 5);
    page.selectOption(".settings select[aria-label='Then at']", "ferry-ottoline");
    waitForRevision(page, 6);
    type(page, "Blend", "1");
    waitForRevision(page, 7);
    assertThat(offBy(page, "keeper", 1144, 1.53)).isGreaterThan(5);
    page.click("[data-view-link=curves]");
    page.waitForSelector("#channels :text('weight')");
    page.close();
  }

  @Test
  void window_isStretchedOnTheScore_outsideOfItTheCameraLooksWhereItDid() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    double before = offBy(page, "keeper", 1001, 1.53);
    String id = addAim(page);
    waitForRevision(page, 2);
    BoundingBox end = box(page.locator("#score [data-span='a-cam " + id + " from']"));
    drag(page, new double[] {end.x + end.width / 2, end.y + end.height / 2}, 200, 0);
    waitForRevision(page, 3);
    double from = aim(shot, id).get("window").get("from").doubleValue();
    assertThat(from).isGreaterThan(1020).isLessThan(1100);
    assertThat(offBy(page, "keeper", 1001, 1.53)).isCloseTo(before, within(1e-3));
    assertThat(offBy(page, "keeper", 1144, 1.53)).isLessThan(2);
    assertThat(field(page, "First frame of the window").inputValue())
        .isEqualTo(String.valueOf((int) from));
    page.click(".settings button:text-is('Open')");
    waitForRevision(page, 4);
    assertThat(aim(shot, id).has("window")).isFalse();
    page.close();
  }

  @Test
  void cards_areDuplicatedDraggedIntoAnotherOrderSwitchedCopiedAndRemoved() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    String first = addAim(page);
    waitForRevision(page, 2);
    page.click(".settings button:text-is('Duplicate')");
    waitForRevision(page, 3);
    String second = (String) page.evaluate("() => idleLens.desk.card");
    assertThat(second).isNotEqualTo(first);
    double[] at = middle(page.locator("[data-card='" + second + "']"));
    double[] to = middle(page.locator("[data-card='" + first + "']"));
    drag(page, at, to[0] - at[0] - 60, 0);
    waitForRevision(page, 4);
    assertThat(order(shot)).containsSubsequence(second, first);
    walkTo(page, "[data-card='" + second + "']");
    page.keyboard().press("Alt+ArrowRight");
    waitForRevision(page, 5);
    assertThat(order(shot)).containsSubsequence(first, second);
    page.click("[data-switch='" + second + "']");
    waitForRevision(page, 6);
    assertThat(aim(shot, second).get("on").booleanValue()).isFalse();
    page.click("[data-card='" + first + "']");
    page.click(".settings button:text-is('Copy')");
    page.click(".settings button:text-is('Remove')");
    waitForRevision(page, 7);
    assertThat(order(shot)).doesNotContain(first).contains(second);
    page.evaluate("() => idleLens.desk.select('dolly')");
    page.click("#add-part");
    page.click(".menu button:has-text('Paste')");
    waitForRevision(page, 8);
    assertThat(app.node(shot, "dolly").get("chain").toString()).contains("\"part\":\"aim\"");
    page.close();
  }

  private List<String> order(long shot) {
    List<String> ids = new ArrayList<>();
    for (JsonNode part : app.node(shot, "a-cam").get("chain")) {
      ids.add(part.has("id") ? part.get("id").stringValue() : part.get("part").stringValue());
    }
    return ids;
  }

  @Test
  void loop_isRefusedByName_andNothingIsStored() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.evaluate(
        "() => idleLens.store.edit([{edit: 'add-part', id: 'dolly', part: {part: 'aim', id:"
            + " 'aim-x', target: {node: 'a-cam'}}}])");
    page.waitForSelector(".toast-line.bad:has-text('Dolly')");
    assertThat(app.revision(shot)).isEqualTo(1);
    complaints.removeIf(c -> c.contains("422"));
    page.close();
  }
}

package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.KeyboardModifier;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What a press on the plan takes: one thing, and it is shown beforehand. */
class PlanHandsTest extends BrowserTest {
  /** Puts two things that can be taken on one another, in both orders, and asks what is taken. */
  private static final String PAIR =
      "async ([a, b]) => { const { plan } = idleLens; const put = (kind) => { const e ="
          + " document.createElementNS('http://www.w3.org/2000/svg', 'circle'); const { name } ="
          + " idleLens.TAKES.find((t) => t.kind === kind); for (const [k, v] of Object.entries({ cx: 60, cy:"
          + " 200, r: 9, fill: 'red', 'data-take': kind, [`data-${name}`]: kind === 'handle' ||"
          + " kind === 'key' ? 'dolly 1030' : 'dolly' })) e.setAttribute(k, v); plan.svg.append(e);"
          + " return e; }; const box = plan.svg.getBoundingClientRect(); const both = [[a, b], [b,"
          + " a]].map((order) => { const elements = order.map(put); const take ="
          + " plan.gestures.takes.at(box.x + 60, box.y + 200); elements.forEach((e) => e.remove());"
          + " return take?.kind; }); return both; }";

  private static JsonNode keys(JsonNode keysPart, String channel) {
    return keysPart.get(channel).get("keys");
  }

  private Page openDolly(long shot, int frame) {
    Page page = openFloor(shot);
    page.evaluate("() => idleLens.desk.select('dolly')");
    page.evaluate("f => idleLens.desk.goTo(f)", frame);
    settle(page, "dolly");
    return page;
  }

  @Test
  @SuppressWarnings("unchecked")
  void everyPairOfThings_whateverLiesOnTop_theFirstInTheListIsTaken() {
    Page page = openDolly(app.copyOf("Quay walk"), 1030);
    List<Map<String, String>> takes =
        (List<Map<String, String>>) page.evaluate("() => idleLens.TAKES");
    List<String> order = takes.stream().map(t -> t.get("kind")).toList();
    assertThat(order)
        .containsExactly(
            "rail-handle",
            "anchor",
            "handle",
            "key",
            "turn",
            "axis",
            "sign",
            "path",
            "rail",
            "piece",
            "ground");
    List<String> wrong = new ArrayList<>();
    for (int i = 0; i < order.size(); i++) {
      for (int j = i + 1; j < order.size(); j++) {
        List<String> pair = List.of(order.get(i), order.get(j));
        Object taken = page.evaluate(PAIR, pair);
        if (!taken.equals(List.of(order.get(i), order.get(i)))) {
          wrong.add(pair + ": " + taken);
        }
      }
    }
    assertThat(wrong).isEmpty();
    page.close();
  }

  @Test
  void theTurnRing_standsOffFromHandles_andWhatAPressTakesIsShown() {
    long shot = app.copyOf("Quay walk");
    Page page = openDolly(shot, 1073); // where a key and its handles stand about the sign
    double[] handle = middle(page.locator("[data-handle='dolly 1073 out']"));
    double[] ring = middle(page.locator("#plan .turn"));
    assertThat(Math.hypot(handle[0] - ring[0], handle[1] - ring[1])).isGreaterThan(15);
    page.mouse().move(handle[0], handle[1]);
    page.waitForSelector("#plan[data-takes=handle] .handle.reached");
    page.mouse().move(ring[0], ring[1]);
    page.waitForSelector("#plan[data-takes=turn] .turn.reached");
    drag(page, handle, 20, 0);
    waitForRevision(page, 2);
    assertThat(keys(app.part(shot, "dolly", "keys"), "pan").size()).as("no pan key").isEqualTo(3);
    assertThat(keys(app.part(shot, "dolly", "keys"), "x").get(1).get(2).stringValue())
        .isEqualTo("free");
    page.close();
  }

  @Test
  void groundAndWater_areNotDragged_unlessTheyAreSelectedInTheList() {
    long shot = app.copyOf("Quay walk");
    Page page = openDolly(shot, 1030);
    double[] empty = middle(page.locator("#plan"));
    double[] water = {empty[0] + 190, empty[1] + 150};
    double before = number(page, "() => idleLens.plan.centre[0]");
    page.mouse().move(water[0], water[1]);
    page.waitForSelector("#plan[data-takes=nothing]");
    drag(page, water, 30, 0);
    assertThat(number(page, "() => idleLens.plan.centre[0]")).isNotCloseTo(before, within(0.1));
    page.mouse().click(water[0], water[1]);
    assertThat(page.evaluate("() => idleLens.desk.selected")).isEqualTo("dolly");
    assertThat(app.revision(shot)).isEqualTo(1);
    page.click("#nodes [data-id=water] .pick");
    page.mouse().move(water[0], water[1]);
    page.waitForSelector("#plan[data-takes=ground]");
    drag(page, water, 30, 0);
    waitForRevision(page, 2);
    assertThat(number(page, "() => idleLens.store.pose('water', 1030).x")).isGreaterThan(0.1);
    page.close();
  }

  @Test
  void severalChosenKeys_moveTogether_andALineMovesThePath() {
    long shot = app.copyOf("Quay walk");
    Page page = openDolly(shot, 1030);
    double scale = number(page, "() => idleLens.plan.metresPerPixel");
    page.locator("[data-key='dolly 1001']").click();
    page.locator("[data-key='dolly 1073']")
        .click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.SHIFT)));
    page.evaluate("() => idleLens.desk.goTo(1030)");
    settle(page, "dolly");
    drag(page, middle(page.locator("[data-key='dolly 1001']")), 25, 0);
    waitForRevision(page, 2);
    JsonNode x = keys(app.part(shot, "dolly", "keys"), "x");
    assertThat(x.get(0).get(1).doubleValue()).isCloseTo(0.75 + 25 * scale, within(2e-3));
    assertThat(x.get(1).get(1).doubleValue()).isCloseTo(0.35 + 25 * scale, within(2e-3));
    double last = x.get(2).get(1).doubleValue();
    page.keyboard().press("Control+z");
    waitForRevision(page, 3);
    // the line itself, away from its keys
    double[] line = onPath(page, 1012);
    page.mouse().move(line[0], line[1]);
    page.waitForSelector("#plan[data-takes=path]");
    drag(page, line, 0, 30);
    waitForRevision(page, 4);
    JsonNode z = keys(app.part(shot, "dolly", "keys"), "z");
    assertThat(z.get(0).get(1).doubleValue()).isCloseTo(9.2 + 30 * scale, within(2e-3));
    assertThat(keys(app.part(shot, "dolly", "keys"), "x").get(2).get(1).doubleValue())
        .isCloseTo(last, within(1e-9));
    page.close();
  }

  /** Where a path is at a frame, in pixels of the page. */
  private static double[] onPath(Page page, int frame) {
    List<?> at =
        (List<?>)
            page.evaluate(
                "f => { const { plan, store } = idleLens; const b = plan.svg.getBoundingClientRect();"
                    + " const [x, y] = plan.place(store.pose('dolly', f)); return [b.x + x, b.y + y];"
                    + " }",
                frame);
    return new double[] {((Number) at.get(0)).doubleValue(), ((Number) at.get(1)).doubleValue()};
  }

  @Test
  void aPivotThatStandsStillUnderManyKeys_movesWithAllOfThem() {
    long shot = app.copyOf("Two cameras");
    app.edit(
        shot,
        "{\"edit\":\"add-nodes\",\"nodes\":[{\"id\":\"pivot\",\"kind\":\"null\",\"name\":\"Pivot\","
            + "\"chain\":[{\"part\":\"keys\",\"x\":2,\"z\":3}]}]}");
    for (int frame : new int[] {1001, 1040, 1096}) {
      app.edit(
          shot,
          "{\"edit\":\"key-pose\",\"id\":\"pivot\",\"frame\":"
              + frame
              + ",\"channels\":[\"x\",\"y\",\"z\",\"pan\",\"tilt\",\"roll\"]}");
    }
    Page page = openFloor(shot);
    page.evaluate("() => { idleLens.desk.select('pivot'); idleLens.desk.goTo(1020); }");
    settle(page, "pivot");
    page.keyboard().press("c");
    page.keyboard().press("Control+a");
    double scale = number(page, "() => idleLens.plan.metresPerPixel");
    drag(page, middle(page.locator("#plan .ring.chosen")), 40, 0);
    waitForRevision(page, 6);
    JsonNode x = keys(app.part(shot, "pivot", "keys"), "x");
    for (JsonNode key : x) {
      assertThat(key.get(1).doubleValue()).isCloseTo(2 + 40 * scale, within(2e-3));
    }
    assertThat(x.size()).isEqualTo(3);
    page.close();
  }

  @Test
  void severalNodes_areSelectedMovedHiddenAndCarried() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.click("#nodes [data-id=keeper] .pick");
    page.locator("#nodes [data-id=breakwater] .pick")
        .click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.CONTROL)));
    assertThat(page.locator("#nodes li.chosen").count()).isEqualTo(2);
    double was = number(page, "() => idleLens.store.pose('breakwater', 1001).x");
    double scale = number(page, "() => idleLens.plan.metresPerPixel");
    drag(page, middle(page.locator("#plan [data-id=keeper]")), 20, 0);
    waitForRevision(page, 2);
    assertThat(number(page, "() => idleLens.store.pose('breakwater', 1001).x"))
        .isCloseTo(was + 20 * scale, within(2e-3));
    page.locator("#nodes [data-id=keeper]").hover();
    page.click("#nodes [data-id=keeper] .eye");
    waitForRevision(page, 3);
    assertThat(app.node(shot, "breakwater").get("hidden").booleanValue()).isTrue();
    // dragged onto a null in the list: it carries both
    double[] row = middle(page.locator("#nodes [data-id=keeper] .name"));
    double[] top = middle(page.locator("#search"));
    page.mouse().move(row[0], row[1]);
    page.mouse().down();
    page.mouse().move(row[0], row[1] - 20);
    page.mouse().move(row[0], top[1] + 22); // at the edge the list goes on by itself
    page.waitForFunction("() => document.getElementById('nodes').scrollTop === 0");
    double[] dolly = middle(page.locator("#nodes [data-id=dolly] .name"));
    page.mouse().move(dolly[0], dolly[1]);
    page.waitForSelector("#nodes [data-id=dolly].onto");
    page.mouse().up();
    waitForRevision(page, 4);
    assertThat(app.carrier(shot, "keeper")).isEqualTo("dolly");
    assertThat(app.carrier(shot, "breakwater")).isEqualTo("dolly");
    page.click("#remove");
    waitForRevision(page, 5);
    assertThat(app.get("/api/shots/" + shot).text()).doesNotContain("\"keeper\"", "\"breakwater\"");
    page.close();
  }
}

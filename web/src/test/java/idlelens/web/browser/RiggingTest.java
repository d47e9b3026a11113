package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.KeyboardModifier;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Carriers, hand-overs, rails and pins, with mouse and keyboard. */
class RiggingTest extends BrowserTest {
  private Page open(String name, String node, String card, int frame) {
    Page page = openFloor(app.copyOf(name));
    page.evaluate(
        "([id, card, frame]) => { idleLens.desk.goTo(frame); idleLens.desk.select(id, card); }",
        List.of(node, card, frame));
    page.waitForFunction("id => idleLens.desk.selected === id", node);
    settle(page, node);
    return page;
  }

  /** How far a node is, in metres at the most, from where it was when this was asked first. */
  private static double moved(Page page, String node) {
    return number(
        page,
        "() => { const m = idleLens.store.motion.get('"
            + node
            + "'); const was = (window.was ??= { x: m.x, y: m.y, z: m.z }); let far = 0;"
            + " const at = (c, i) => c[c.length === 1 ? 0 : i];"
            + " for (let i = 0; i < Math.max(m.x.length, was.x.length); i++) far = Math.max(far, Math.hypot(...['x', 'y', 'z']"
            + ".map((a) => at(m[a], i) - at(was[a], i)))); return far; }");
  }

  private static String schedule(Page page, String node) {
    return (String)
        page.evaluate(
            "id => idleLens.store.byId.get(id).chain.find((p) => p.part === 'carried').by"
                + ".map((b) => `${b.node ?? 'world'}@${b.frame ?? 'start'}`).join(' ')",
            node);
  }

  @Test
  void handedOver_inThePanel_draggedOnTheScore_takenAwayWithTheKeyboard() {
    Page page = open("Quay walk", "a-cam", "carried", 1060);
    moved(page, "a-cam");
    page.selectOption("select[aria-label='Hand over at the playhead to']", "hull");
    waitForRevision(page, 2);
    assertThat(schedule(page, "a-cam")).isEqualTo("head@start hull@1060");
    assertThat(page.locator("#score .stretch").allTextContents()).containsExactly("Head", "Hull");
    assertThat(page.locator("#chain .card.carried small").textContent()).contains("1 hand-over");
    Locator flag = page.locator("#score [data-stamp]");
    double perFrame = number(page, "() => idleLens.score.scale.perFrame");
    drag(page, middle(flag), 20 * perFrame, 0);
    waitForRevision(page, 3);
    assertThat(schedule(page, "a-cam")).isEqualTo("head@start hull@1080");
    page.selectOption("select[aria-label='How it comes there']", "numbers");
    waitForRevision(page, 4);
    page.waitForSelector("#plan .jump", new Page.WaitForSelectorOptions().setState(ATTACHED));
    walkTo(page, "#score [data-stamp]");
    page.keyboard().press("Alt+ArrowLeft");
    waitForRevision(page, 5);
    assertThat(schedule(page, "a-cam")).isEqualTo("head@start hull@1079");
    page.keyboard().press("Backspace");
    waitForRevision(page, 6);
    assertThat(schedule(page, "a-cam")).isEqualTo("head@start");
    assertThat(moved(page, "a-cam")).isLessThan(1e-5);
    page.close();
  }

  private static final com.microsoft.playwright.options.WaitForSelectorState ATTACHED =
      com.microsoft.playwright.options.WaitForSelectorState.ATTACHED;

  @Test
  void gimbal_movesNothing_andIsTurnedByItsRing_fromOutsideToo() {
    Page page = open("Quay walk", "a-cam", "keys", 1040);
    moved(page, "a-cam");
    page.click("[data-tab=rig]");
    page.click("text=Gimbal >> nth=0");
    waitForRevision(page, 2);
    assertThat(moved(page, "a-cam")).isLessThan(1e-5);
    String tilt =
        (String)
            page.evaluate("() => idleLens.store.nodes.find((n) => n.name === 'A-cam tilt').id");
    page.evaluate("id => idleLens.desk.select(id)", tilt);
    for (String side : List.of("above", "3D")) {
      page.click("[data-side='" + side + "']");
      page.waitForSelector("#plan .axis-reach");
      settle(page, tilt);
      double before = tiltOf(page, tilt);
      double[] at = onRing(page);
      page.mouse().move(at[0], at[1]);
      page.waitForSelector("#plan[data-takes=axis]");
      drag(page, at, 0, -14);
      page.waitForFunction("() => idleLens.desk.loose");
      assertThat(Math.abs(tiltOf(page, tilt) - before)).isGreaterThan(1);
      page.keyboard().press("Escape");
      page.waitForFunction("() => !idleLens.desk.loose");
    }
    page.close();
  }

  private static double tiltOf(Page page, String id) {
    return number(
        page,
        "() => { const { store, desk } = idleLens; return store.value(desk.frame,"
            + " store.motion.get('"
            + id
            + "').own.tilt); }");
  }

  /** A point of the ring that can be pressed: the one farthest from its middle. */
  private static double[] onRing(Page page) {
    List<?> at =
        (List<?>)
            page.evaluate(
                "() => { const path = document.querySelector('#plan .axis-reach'); const box ="
                    + " idleLens.plan.svg.getBoundingClientRect(); const length ="
                    + " path.getTotalLength(); const all = Array.from({ length: 40 }, (_, i) =>"
                    + " path.getPointAtLength((length * i) / 40)); const mid = (k) =>"
                    + " all.reduce((s, p) => s + p[k], 0) / 40; const far = (p) => Math.hypot(p.x -"
                    + " mid('x'), p.y - mid('y')); const p = all.reduce((a, b) => (far(b) > far(a)"
                    + " ? b : a)); return [box.x + p.x, box.y + p.y]; }");
    return new double[] {((Number) at.get(0)).doubleValue(), ((Number) at.get(1)).doubleValue()};
  }

  @Test
  void pivotZeroOutAndBakeDown_moveNothing() {
    Page page = open("Quay walk", "head", "keys", 1040);
    moved(page, "a-cam");
    page.click("[data-tab=rig]");
    type(page, "Pivot y in the world", "1");
    waitForRevision(page, 2);
    assertThat(number(page, "() => idleLens.store.pose('head', 1040).y"))
        .isCloseTo(1, within(1e-3));
    assertThat(moved(page, "a-cam")).as("in few keys").isLessThan(5e-4);
    page.evaluate("() => idleLens.desk.select('a-cam')");
    page.click("text=Bake down");
    waitForRevision(page, 3);
    assertThat(schedule(page, "a-cam")).isEqualTo("shoulder@start");
    assertThat(moved(page, "a-cam")).isLessThan(1e-3);
    page.close();
  }

  /** A place on a line of the plan, as a share of its length. */
  private static double[] along(Page page, String line, double share) {
    List<?> at =
        (List<?>)
            page.evaluate(
                "([line, share]) => { const path = document.querySelector(line); const box ="
                    + " idleLens.plan.svg.getBoundingClientRect(); const p ="
                    + " path.getPointAtLength(path.getTotalLength() * share); return [box.x + p.x,"
                    + " box.y + p.y]; }",
                List.of(line, share));
    return new double[] {((Number) at.get(0)).doubleValue(), ((Number) at.get(1)).doubleValue()};
  }

  @Test
  void aRail_isDrawn_ridden_pinned_extendedAndReshaped_beforeThePinNothingMoves() {
    Page page = open("Two cameras", "a-cam", "keys", 1001);
    page.click("#add");
    page.click("text=Draw a rail");
    double[] middle = middle(page.locator("#plan"));
    page.mouse().move(middle[0] - 60, middle[1] + 120);
    page.mouse().down();
    for (int i = 1; i <= 30; i++) {
      page.mouse().move(middle[0] - 60 + 40 * Math.sin(i / 6.0), middle[1] + 120 - 7 * i);
    }
    page.mouse().up();
    waitForRevision(page, 2);
    String rail = (String) page.evaluate("() => idleLens.desk.selected");
    assertThat(number(page, "() => idleLens.desk.node.rail.anchors.length")).isBetween(2.0, 15.0);
    page.evaluate("() => idleLens.desk.chooseCard('piece')");
    page.selectOption("select[aria-label='Put on this rail']", "a-cam");
    waitForRevision(page, 3);
    assertThat(number(page, "() => idleLens.store.pose('a-cam', 1001).y"))
        .as("as high as it stood")
        .isCloseTo(2.2, within(1e-3));
    page.evaluate("() => { idleLens.desk.goTo(1049); idleLens.desk.select('a-cam'); }");
    page.click("#chain .card.ride [data-card]");
    moved(page, "a-cam");
    page.click("text=Pin here");
    waitForRevision(page, 4);
    assertThat(moved(page, "a-cam")).isLessThan(1e-4);
    assertThat(page.locator("#score .stamp.ride").count()).isEqualTo(1);
    assertThat(page.locator("#plan .pin").textContent()).contains("1049");
    page.evaluate("id => idleLens.desk.select(id, 'piece')", rail);
    page.click("text=Extend >> nth=0");
    page.mouse().click(middle[0] + 40, middle[1] - 110);
    waitForRevision(page, 5);
    page.mouse().click(middle[0] + 70, middle[1] - 60);
    waitForRevision(page, 6);
    page.keyboard().press("Enter");
    assertThat(moved(page, "a-cam")).as("the new piece is not ridden").isLessThan(1e-4);
    double[] last = middle(page.locator("#plan .anchor").last());
    drag(page, last, 30, 10);
    waitForRevision(page, 7);
    assertThat(moved(page, "a-cam")).isLessThan(1e-4);
    page.close();
  }

  @Test
  void anchors_areChosen_madeCorners_putInAndTakenAway() {
    Page page = open("Net loft", "loft-rail", "piece", 1010);
    page.locator("#plan .anchor").nth(1).click();
    page.locator("#plan .anchor")
        .nth(2)
        .click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.SHIFT)));
    page.click(".settings button:text('Corner')");
    waitForRevision(page, 2);
    assertThat(page.evaluate("() => idleLens.desk.node.rail.anchors.map((a) => a.kind).join()"))
        .asString()
        .contains("corner,corner");
    int before = (int) number(page, "() => idleLens.desk.node.rail.anchors.length");
    double[] line = along(page, "#plan .rail-reach", 0.38);
    page.keyboard().down("Alt");
    page.mouse().click(line[0], line[1]);
    page.keyboard().up("Alt");
    waitForRevision(page, 3);
    assertThat(number(page, "() => idleLens.desk.node.rail.anchors.length")).isEqualTo(before + 1);
    page.locator("#plan .anchor").nth(1).click();
    page.click(".settings .danger");
    waitForRevision(page, 4);
    assertThat(number(page, "() => idleLens.desk.node.rail.anchors.length")).isEqualTo(before);
    page.click("text=Reverse");
    page.waitForSelector("text=take them away to reverse it");
    assertThat(complaints).allSatisfy(each -> assertThat(each).contains("422"));
    complaints.clear();
    page.close();
  }

  @Test
  void aMove_isAddedAsABlock_madeAnOrbit_stretchedOnTheScore_andTurnedIntoKeys() {
    Page page = open("Two cameras", "b-cam", "keys", 1030);
    tryMove(page);
    page.waitForSelector(
        "#plan .ghost.before", new Page.WaitForSelectorOptions().setState(ATTACHED));
    page.keyboard().press("Escape");
    page.waitForFunction(
        "() => !idleLens.store.before && !idleLens.desk.node.chain.some((p) => p.part === 'move')");
    tryMove(page);
    page.selectOption("select[aria-label='What it does']", "orbit");
    page.waitForFunction(
        "() => idleLens.desk.node.chain.find((p) => p.part === 'move')?.way === 'orbit'");
    assertThat(number(page, "() => idleLens.store.revision")).isEqualTo(1);
    page.click("text=\"Set it\"");
    waitForRevision(page, 2);
    page.selectOption("select[aria-label='About']", "keeper");
    waitForRevision(page, 3);
    double far = farFromKeeper(page, 1001);
    type(page, "How far", "60");
    waitForRevision(page, 4);
    assertThat(farFromKeeper(page, 1049)).isCloseTo(far, within(1e-3));
    double perFrame = number(page, "() => idleLens.score.scale.perFrame");
    drag(page, middle(page.locator("#score .span.move .span-end").last()), 20 * perFrame, 0);
    waitForRevision(page, 5);
    assertThat(number(page, "() => idleLens.desk.node.chain[1].window.to")).isEqualTo(1069);
    moved(page, "b-cam");
    page.click("text=All moves to keys");
    waitForRevision(page, 6);
    assertThat(moved(page, "b-cam")).isLessThan(1e-3);
    assertThat(
            number(page, "() => idleLens.desk.node.chain.filter((p) => p.part === 'move').length"))
        .isZero();
    page.close();
  }

  /** Adds a move, which is only tried as yet. */
  private static void tryMove(Page page) {
    page.click("#add-part");
    page.click("[role=menuitem]:has-text('Move')");
    page.waitForSelector("text=\"Set it\"");
  }

  private static double farFromKeeper(Page page, int frame) {
    return number(
        page,
        "() => { const a = idleLens.store.pose('b-cam', "
            + frame
            + "); const b = idleLens.store.pose('keeper', "
            + frame
            + "); return Math.hypot(a.x - b.x, a.z - b.z); }");
  }

  @Test
  void aPathBecomesARail_andARideBecomesKeys() {
    Page page = open("Two cameras", "a-cam", "keys", 1030);
    moved(page, "a-cam");
    page.click("[data-tab=rig]");
    page.click("text=Path to rail");
    waitForRevision(page, 2);
    assertThat(moved(page, "a-cam")).isLessThan(0.1);
    page.evaluate("() => idleLens.desk.select('a-cam')");
    page.click("#chain .card.ride [data-card]");
    page.click("[data-tab=card]");
    page.click(".settings button:text('Keys') >> visible=true >> nth=-1");
    waitForRevision(page, 3);
    assertThat(
            number(page, "() => idleLens.desk.node.chain.filter((p) => p.part === 'ride').length"))
        .isZero();
    assertThat(moved(page, "a-cam")).isLessThan(0.1);
    page.close();
  }
}

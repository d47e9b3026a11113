package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Rails and ready carriers by hand: heights, tangents, closing, joining, splitting. */
class RailHandsTest extends BrowserTest {
  private Page open(String name, String node, String card) {
    Page page = openFloor(app.copyOf(name));
    page.evaluate("([id, card]) => idleLens.desk.select(id, card)", List.of(node, card));
    settle(page, node);
    return page;
  }

  private static double[] anchor(Page page, int index) {
    List<?> at =
        (List<?>)
            page.evaluate(
                "i => { const { store, desk, plan } = idleLens; const m ="
                    + " store.motion.get(desk.selected).anchors; return [m[i * 10 + 4], m[i * 10 +"
                    + " 5], m[i * 10 + 6]]; }",
                index);
    return at.stream().mapToDouble(v -> ((Number) v).doubleValue()).toArray();
  }

  private static double anchors(Page page) {
    return number(page, "() => idleLens.desk.node.rail.anchors.length");
  }

  private static void side(Page page, String side) {
    page.click("[data-side='" + side + "']");
    page.waitForFunction("side => idleLens.plan.side === side", side);
    page.click("text=Centre");
    box(page.locator("#plan .anchor").nth(1));
  }

  @Test
  void anchors_areLiftedFromTheSide_andFromOutsideWithShift() {
    Page page = open("Net loft", "loft-rail", "piece");
    side(page, "side");
    double[] was = anchor(page, 1);
    drag(page, middle(page.locator("#plan .anchor").nth(1)), 0, -30);
    waitForRevision(page, 2);
    double[] lifted = anchor(page, 1);
    assertThat(lifted[1]).isGreaterThan(was[1] + 0.1);
    assertThat(lifted[0]).as("the side keeps x").isCloseTo(was[0], within(1e-3));
    side(page, "3D");
    double[] flat = anchor(page, 2);
    page.keyboard().down("Shift");
    drag(page, middle(page.locator("#plan .anchor").nth(2)), 0, -24);
    page.keyboard().up("Shift");
    waitForRevision(page, 3);
    double[] third = anchor(page, 2);
    assertThat(third[1]).isGreaterThan(0.05);
    assertThat(new double[] {third[0], third[2]}).isEqualTo(new double[] {flat[0], flat[2]});
    page.keyboard().press("Control+z");
    waitForRevision(page, 4);
    assertThat(anchor(page, 2)[1]).isCloseTo(0, within(1e-6));
    page.close();
  }

  @Test
  void tangents_areTurnedByHand_togetherAndOneAlone() {
    Page page = open("Net loft", "loft-rail", "piece");
    page.locator("#plan .anchor").nth(2).click();
    page.click(".settings button:text('Free')");
    waitForRevision(page, 2);
    String both = "() => JSON.stringify(idleLens.desk.node.rail.anchors[2])";
    String before = (String) page.evaluate(both);
    Locator handle = page.locator("#plan [data-take=rail-handle]").last();
    drag(page, middle(handle), 14, 18);
    waitForRevision(page, 3);
    String turned = (String) page.evaluate(both);
    assertThat(turned).isNotEqualTo(before).contains("\"kind\":\"free\"");
    page.keyboard().down("Alt");
    drag(page, middle(page.locator("#plan [data-take=rail-handle]").first()), -16, 10);
    page.keyboard().up("Alt");
    waitForRevision(page, 4);
    assertThat((String) page.evaluate(both)).contains("\"kind\":\"broken\"");
    page.close();
  }

  @Test
  void anchorsPlacedOneByOne_makeARail_thatIsClosed_opened_splitAndJoinedAgain() {
    Page page = open("Two cameras", "keeper", "keys");
    page.click("#add");
    page.click("text=Place anchors");
    double[] middle = middle(page.locator("#plan"));
    int[][] places = {{-60, 90}, {-70, 20}, {0, -40}, {70, 30}};
    for (int[] by : places) {
      page.mouse().click(middle[0] + by[0], middle[1] + by[1]);
    }
    page.keyboard().press("Enter");
    waitForRevision(page, 2);
    page.evaluate("() => idleLens.desk.chooseCard('piece')");
    assertThat(anchors(page)).isEqualTo(4);
    double open = length(page);
    page.click(".settings button:text('Close')");
    waitForRevision(page, 3);
    assertThat(length(page)).isGreaterThan(open + 0.5);
    assertThat(page.locator(".settings button:text('Extend before')").count()).isZero();
    page.click(".settings button:text('Open')");
    waitForRevision(page, 4);
    assertThat(length(page)).isCloseTo(open, within(1e-6));
    page.locator("#plan .anchor").nth(2).click();
    page.click(".settings button:text('Split here')");
    waitForRevision(page, 5);
    assertThat(anchors(page)).isEqualTo(3);
    String rest =
        (String)
            page.evaluate(
                "() => idleLens.store.nodes.find((n) => n.kind === 'rail' && n.id !=="
                    + " idleLens.desk.selected).id");
    double parts =
        length(page)
            + number(page, "() => idleLens.store.motion.get('" + rest + "').anchors.at(-1)");
    assertThat(parts).as("nothing of it is lost").isCloseTo(open, within(1e-3));
    page.selectOption("select[aria-label='Go on into another rail']", rest);
    waitForRevision(page, 6);
    assertThat(number(page, "() => idleLens.store.nodes.filter((n) => n.kind === 'rail').length"))
        .isEqualTo(1);
    assertThat(length(page)).isCloseTo(open, within(0.05));
    page.close();
  }

  private static double length(Page page) {
    return number(page, "() => idleLens.store.motion.get(idleLens.desk.selected).anchors.at(-1)");
  }

  @Test
  void boomDollyAndShoulder_moveNothing_andCarryTheCamera() {
    Page page = open("Two cameras", "b-cam", "keys");
    page.evaluate("() => { window.was = idleLens.store.motion.get('b-cam'); }");
    page.click("[data-tab=rig]");
    int revision = 1;
    for (String carrier : List.of("Boom", "Dolly", "Shoulder")) {
      page.evaluate("() => idleLens.desk.select('b-cam')");
      page.click(".settings button:text-is('" + carrier + "')");
      waitForRevision(page, ++revision);
      double moved =
          number(
              page,
              "() => { const m = idleLens.store.motion.get('b-cam'); const at = (c, i) => c[c.length"
                  + " === 1 ? 0 : i]; let far = 0; for (let i = 0; i < 112; i++) far = Math.max(far,"
                  + " Math.hypot(...['x', 'y', 'z'].map((a) => at(m[a], i) - at(was[a], i))));"
                  + " return far; }");
      assertThat(moved).as(carrier).isLessThan(1e-5);
    }
    String carriers =
        (String)
            page.evaluate("() => idleLens.store.carriersOf('b-cam').map((n) => n.name).join()");
    assertThat(carriers).isEqualTo("B-cam swing,B-cam lift,B-cam arm,B-cam dolly,B-cam shoulder");
    page.close();
  }

  @Test
  void keysThatAMoveFits_becomeIt_byTheButton() {
    Page page = open("Two cameras", "a-cam", "keys");
    page.click("[data-tab=tools]");
    page.click(".settings button:text-is('Keys to moves')");
    page.waitForSelector(".toast-line.bad:has-text('0.0114 m off a move')");
    complaints.removeIf(c -> c.contains("422")); // the refusal itself
    type(page, "Tolerance of place", "0.02");
    page.click(".settings button:text-is('Keys to moves')");
    waitForRevision(page, 2);
    assertThat(
            number(page, "() => idleLens.desk.node.chain.filter((p) => p.part === 'move').length"))
        .isPositive();
    assertThat(page.evaluate("() => Array.isArray(idleLens.desk.node.chain[0].x?.keys)"))
        .isEqualTo(false);
    page.keyboard().press("Control+z");
    waitForRevision(page, 3);
    assertThat(
            number(page, "() => idleLens.desk.node.chain.filter((p) => p.part === 'move').length"))
        .isZero();
    page.close();
  }
}

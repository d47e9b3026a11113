package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import org.junit.jupiter.api.Test;

/** A node appears and vanishes at the playhead: in the picture, on the plan, on the score. */
class VisibleTest extends BrowserTest {
  private static boolean inPicture(Page page, String id) {
    return (boolean)
        page.evaluate("id => idleLens.picture.set.solids.pieces.get(id).solid.visible", id);
  }

  private static void goTo(Page page, int frame) {
    page.evaluate("frame => idleLens.desk.goTo(frame)", frame);
    page.evaluate("() => new Promise(done => requestAnimationFrame(() => setTimeout(done, 150)))");
  }

  @Test
  void keeper_vanishesAndComesBack_everywhere_andUndoTakesItBack() {
    Page page = newPage();
    page.navigate(app.address() + "/shots/" + app.copyOf("Focus pull"));
    page.waitForSelector("[data-ready]");
    page.evaluate("() => idleLens.desk.select('keeper')");
    page.click("#chain .adder");
    page.click("[role=menuitem]:has-text('Visible')");
    waitForRevision(page, 2);
    goTo(page, 1030);
    page.click("button:has-text('Vanishes here')");
    waitForRevision(page, 3);
    goTo(page, 1050);
    page.click("button:has-text('Appears here')");
    waitForRevision(page, 4);
    assertThat(page.locator("#score .while-on").count()).isEqualTo(2);
    assertThat(page.locator("#chain .card.visible small").textContent())
        .isEqualTo("gone from 1030, there from 1050");
    double outlines = page.locator("#plan .piece").count();
    for (int[] each : new int[][] {{1029, 1}, {1030, 0}, {1049, 0}, {1050, 1}}) {
      goTo(page, each[0]);
      assertThat(inPicture(page, "keeper")).as("frame " + each[0]).isEqualTo(each[1] == 1);
      assertThat((double) page.locator("#plan .piece").count())
          .as("frame " + each[0])
          .isEqualTo(outlines - 1 + each[1]);
    }
    page.click("#undo");
    waitForRevision(page, 5);
    goTo(page, 1060);
    assertThat(inPicture(page, "keeper")).isFalse();
    page.click("button:has-text('Always there')");
    waitForRevision(page, 6);
    twoFrames(page);
    assertThat(inPicture(page, "keeper")).isTrue();
    assertThat(page.locator("#chain .card.visible small").textContent())
        .isEqualTo("There at all frames");
    page.close();
  }
}

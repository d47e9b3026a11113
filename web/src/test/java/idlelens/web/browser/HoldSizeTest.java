package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import org.junit.jupiter.api.Test;

/** A subject keeps its size: a dolly zoom, and another lens. */
class HoldSizeTest extends BrowserTest {
  /** Focal length by the distance along the axis to the keeper's head, which is their size. */
  private static double size(Page page, int frame) {
    return number(
        page,
        "() => { const { store } = idleLens; const lens = store.lens('a-cam', "
            + frame
            + "); const a = store.pose('a-cam', "
            + frame
            + "); const b = store.pose('keeper', 0);"
            + " const way = [b.x - a.x, b.y + 1.6 - a.y, b.z - a.z];"
            + " const back = [2 * (a.qx * a.qz + a.qy * a.qw), 2 * (a.qy * a.qz - a.qx * a.qw),"
            + " 1 - 2 * (a.qx * a.qx + a.qy * a.qy)];"
            + " return lens.focalMm / -(way[0] * back[0] + way[1] * back[1] + way[2] * back[2]); }");
  }

  @Test
  void lensGivesWay_andAnotherLensIsSetAtOneFrame() {
    Page page = newPage();
    page.navigate(app.address() + "/shots/" + app.copyOf("Focus pull"));
    page.waitForSelector("[data-ready]");
    page.evaluate(
        "() => { idleLens.desk.select('keeper'); idleLens.desk.goTo(1060);"
            + " idleLens.desk.showTab('frame'); }");
    double wanted = size(page, 1060);
    assertThat(size(page, 1144)).isNotCloseTo(wanted, within(0.02 * wanted));
    page.click("button:has-text('Hold its size')");
    waitForRevision(page, 2);
    page.waitForSelector(".toast-line:has-text('the lens goes from')");
    for (int frame : new int[] {1001, 1030, 1100, 1144}) {
      assertThat(size(page, frame)).isCloseTo(wanted, within(2e-3 * wanted));
    }
    page.click("button:has-text('Record')");
    page.selectOption("select[aria-label='What gives way so that the size holds']", "other-lens");
    Locator focal = page.locator("input[aria-label='Focal length of the other lens']");
    focal.fill("85");
    focal.press("Enter");
    page.click("button:has-text('Hold its size')");
    waitForRevision(page, 3);
    assertThat(number(page, "() => idleLens.store.lens('a-cam', 1060).focalMm"))
        .isCloseTo(85, within(1e-3));
    assertThat(size(page, 1060)).isCloseTo(wanted, within(1e-3 * wanted));
    page.close();
  }
}

package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import org.junit.jupiter.api.Test;

/** Guides and masks over the picture, which the shot keeps. */
class GuidesTest extends BrowserTest {
  private static final String GUIDES = "#guide-lines ";

  /** The numbers of the path of a guide, in parts of the picture across. */
  private static double across(Page page, String guide, int number) {
    return number(
        page,
        "() => Number(document.querySelector('"
            + GUIDES
            + guide
            + "').getAttribute('d').match(/[0-9.]+/g)["
            + number
            + "]) / idleLens.picture.size.w");
  }

  @Test
  void guides_areChosenForTheShot_andStayAfterAReload() {
    Page page = newPage();
    page.navigate(app.address() + "/shots/" + app.copyOf("Focus pull"));
    page.waitForSelector("[data-ready]");
    page.evaluate("() => idleLens.desk.chooseCard('shot')");
    assertThat(across(page, ".thirds", 0)).isCloseTo(1 / 3.0, within(1e-6));
    page.check("label:has-text('Golden section') input");
    waitForRevision(page, 2);
    assertThat(across(page, ".golden", 0)).isCloseTo(0.381966, within(1e-6));
    page.check("label:has-text('Title safe') input");
    waitForRevision(page, 3);
    assertThat(across(page, ".title-safe", 0)).isCloseTo(0.05, within(1e-6));
    page.check("label:has-text('Level and plumb') input");
    waitForRevision(page, 4);
    page.selectOption("select[aria-label='Mask of another aspect']", "1.85");
    waitForRevision(page, 5);
    Locator width = page.locator("input[aria-label='Width of the picture in pixels']");
    width.fill("2048");
    width.press("Enter");
    waitForRevision(page, 6);
    page.waitForSelector(".settings small:has-text('1152 px')");
    page.reload();
    page.waitForSelector("[data-ready]");
    page.waitForSelector(GUIDES + ".golden");
    assertThat(page.locator(GUIDES + ".mask").count()).isEqualTo(1);
    assertThat(page.locator(GUIDES + "text").textContent()).isEqualTo("0.0° level");
    // a camera that is rolled by 7° anticlockwise sees what is plumb lean to the right
    page.evaluate(
        "() => idleLens.store.edit([1001, 1060, 1144].map(frame => ({ edit: 'set-values',"
            + " id: 'a-cam', frame, values: { roll: 7 }, keying: 'touched' })))");
    waitForRevision(page, 7);
    page.waitForSelector(GUIDES + "text:text('7.0° leans right')");
    page.click("#guides");
    assertThat(page.locator("#guide-lines").isVisible()).isFalse();
    page.close();
  }
}

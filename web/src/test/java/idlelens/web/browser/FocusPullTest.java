package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Focus that is pulled between marks: on the score, in the settings of the lens, under Checks. */
class FocusPullTest extends BrowserTest {
  private static final String PULLS =
      "idleLens.store.byId.get('a-cam').chain.find(p => p.part === 'lens').pulls";

  private Page open(String view) {
    Page page = newPage();
    page.navigate(app.address() + "/shots/" + app.copyOf("Focus pull") + view);
    page.waitForSelector("[data-ready]");
    page.evaluate("() => { idleLens.desk.select('a-cam', 'lens'); }");
    return page;
  }

  private static double pulls(Page page, String path) {
    return number(page, "() => " + PULLS + path);
  }

  private static double focus(Page page, int frame) {
    return number(page, "() => idleLens.store.lens('a-cam', " + frame + ").focusM");
  }

  /** Presses on something in the score and lets go so many frames later. */
  private static void dragBy(Page page, Locator what, int frames) {
    BoundingBox box = what.boundingBox();
    double perFrame = number(page, "() => idleLens.score.scale.perFrame");
    double x = box.x + box.width / 2;
    double y = box.y + box.height / 2;
    page.mouse().move(x, y);
    page.mouse().down();
    page.mouse().move(x + frames * perFrame / 2, y);
    page.mouse().move(x + frames * perFrame, y);
    page.mouse().up();
  }

  @Test
  void pull_isMovedAndStretchedOnTheScore_andTakenAwayWithUndo() {
    Page page = open("");
    dragBy(page, page.locator("[data-stamp='a-cam lens to-keeper'] .stamp-reach"), 6);
    waitForRevision(page, 2);
    assertThat(pulls(page, ".by[0].frame")).isEqualTo(1042);
    dragBy(page, page.locator("[data-pull='a-cam lens to-keeper to']"), 12);
    waitForRevision(page, 3);
    assertThat(pulls(page, ".by[0].frames")).isEqualTo(28);
    assertThat(pulls(page, ".by[0].ease[0]")).isCloseTo(7, within(1e-9));
    dragBy(page, page.locator("[data-pull='a-cam lens to-keeper from']"), -2);
    waitForRevision(page, 4);
    assertThat(pulls(page, ".by[0].frame")).isEqualTo(1040);
    assertThat(pulls(page, ".by[0].frame + " + PULLS + ".by[0].frames")).isEqualTo(1070);
    assertThat(focus(page, 1040)).isCloseTo(focus(page, 1020), within(0.5));
    walkTo(page, "[data-stamp='a-cam lens to-keeper']");
    page.keyboard().press("Backspace");
    waitForRevision(page, 5);
    assertThat(pulls(page, ".by.length")).isEqualTo(1);
    page.click("#undo");
    waitForRevision(page, 6);
    assertThat(pulls(page, ".by[0].hunt.reach")).isEqualTo(0.06);
    page.close();
  }

  @Test
  void marksAndPulls_areMadeInTheSettings_andHunt() {
    Page page = open("");
    page.evaluate("() => idleLens.desk.goTo(1130)");
    page.click("button:has-text('Mark here')");
    waitForRevision(page, 2);
    assertThat(pulls(page, ".marks[3].metres")).isCloseTo(27, within(1e-4));
    typeIn(page, "Distance of the mark Mark 4", "5m");
    waitForRevision(page, 3);
    page.selectOption("select[aria-label='Pull at the playhead to']", "mark-4");
    waitForRevision(page, 4);
    assertThat(focus(page, 1144)).isBetween(5.0, 27.0);
    page.click("[aria-label='Ease and hunt of the pull to Keeper']");
    typeIn(page, "Hunt of the pull to Keeper", "0");
    waitForRevision(page, 5);
    double settled = focus(page, 1052);
    typeIn(page, "Hunt of the pull to Keeper", "20");
    waitForRevision(page, 6);
    // the swing is greatest about a tenth of a second after the pull has come there
    assertThat(focus(page, 1052)).isCloseTo(settled, within(1e-5));
    assertThat(focus(page, 1054)).isGreaterThan(focus(page, 1080) * 1.03);
    page.selectOption("select[aria-label='Focus']", "ferry-ottoline");
    waitForRevision(page, 7);
    typeIn(page, "Frames by which focus comes after what it follows", "12");
    waitForRevision(page, 8);
    assertThat(number(page, "() => " + PULLS.replace("pulls", "follow") + ".lagFrames"))
        .isEqualTo(12);
    page.close();
  }

  /** A mark on what is pressed in the picture, at its distance there; then on something else. */
  @Test
  void mark_isPickedInThePicture_andPutOnSomethingElse() {
    Page page = open("");
    page.evaluate("() => idleLens.desk.goTo(1062)");
    twoFrames(page);
    List<?> keeper =
        (List<?>)
            page.evaluate(
                "() => { const p = idleLens.store.pose('keeper', 1062); const box ="
                    + " document.querySelector('#canvas').getBoundingClientRect(); const at ="
                    + " idleLens.picture.project([p.x, p.y + 0.9, p.z]); return [box.x + at[0], box.y"
                    + " + at[1]]; }");
    page.click("button:has-text('Pick a mark')");
    page.mouse()
        .click(((Number) keeper.get(0)).doubleValue(), ((Number) keeper.get(1)).doubleValue());
    waitForRevision(page, 2);
    assertThat(page.evaluate("() => " + PULLS + ".marks[3].node")).isEqualTo("keeper");
    page.locator("select[aria-label^='What the mark Keeper']").last().selectOption("lantern");
    waitForRevision(page, 3);
    assertThat(page.evaluate("() => " + PULLS + ".marks[3].node")).isEqualTo("lantern");
    page.close();
  }

  private static void typeIn(Page page, String label, String text) {
    Locator field = page.locator(".settings input[aria-label='" + label + "']");
    field.fill(text);
    field.press("Enter");
  }

  @Test
  void subjectThatIsSoft_isHeldByItsRemedies() {
    Page page = open("/checks");
    page.selectOption("select[aria-label='Subject that is to be sharp']", "keeper");
    Locator soft = page.locator(".checks .found li:has-text('Keeper is soft')");
    page.waitForFunction(
        "() => [...document.querySelectorAll('.checks .found li')]"
            + ".filter(li => li.textContent.includes('Keeper is soft')).length === 2");
    String says = soft.last().textContent();
    assertThat(says).contains("1099 to 1144", "px at 1144", "nearer", "f/14");
    soft.last().locator("button:has-text('nearer')").click();
    waitForRevision(page, 2);
    // the mark that is in force there has gone nearer: the keeper stands on the edge of the zone
    page.waitForFunction("() => idleLens.store.lens('a-cam', 1144).focusM < 9");
    page.waitForFunction(
        "() => document.querySelectorAll('.checks .found li').length > 0"
            + " && [...document.querySelectorAll('.checks .found li')]"
            + ".every(li => !/1144: .*px at 1144/.test(li.textContent))");
    page.close();
  }
}

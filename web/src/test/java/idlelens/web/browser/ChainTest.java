package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Page;
import org.junit.jupiter.api.Test;

/** The chain's switches: what a part brings in stands still, and the page says so. */
class ChainTest extends BrowserTest {
  private static final String Z = "f => idleLens.store.pose('a-cam', f).z";

  private static double z(Page page, int frame) {
    return ((Number) page.evaluate(Z, frame)).doubleValue();
  }

  @Test
  void carriedOff_theDollyNoLongerMovesTheCamera_andUndoBringsItBack() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    double travelled = z(page, 1144) - z(page, 1001);
    assertThat(travelled).isLessThan(-3);
    page.click("[data-switch=carried]");
    waitForRevision(page, 2);
    assertThat(z(page, 1144) - z(page, 1001))
        .as("its own keys alone")
        .isCloseTo(-0.08, within(0.02));
    assertThat(page.locator("[data-switch=carried]").getAttribute("aria-checked"))
        .isEqualTo("false");
    assertThat(page.textContent("#strip-off")).isEqualTo("Carried by off");
    assertThat(page.textContent("[data-card=carried] small")).isEqualTo("Off: stands as at 1001");
    page.reload();
    page.waitForSelector("[data-ready]");
    assertThat(page.locator("#strip-off").isVisible()).isTrue();
    page.keyboard().press("Control+z");
    waitForRevision(page, 3);
    assertThat(z(page, 1144) - z(page, 1001)).isCloseTo(travelled, within(1e-6));
    assertThat(page.locator("#strip-off").isVisible()).isFalse();
    page.close();
  }

  @Test
  void keysOff_numbersStandAsAtTheFirstFrame_andCannotBeTyped() {
    Page page = openFloor(app.copyOf("Quay walk"));
    page.evaluate("() => idleLens.desk.goTo(1060)");
    page.waitForCondition(() -> field(page, "Pan").inputValue().equals("0.35"));
    page.focus("[data-switch=keys]");
    page.keyboard().press("Enter");
    waitForRevision(page, 2);
    page.waitForCondition(() -> field(page, "Pan").isDisabled());
    assertThat(field(page, "Pan").inputValue()).isEqualTo("0");
    assertThat(page.locator("[data-key^='a-cam']").count()).as("keys on the path").isZero();
    assertThat(page.textContent(".settings header small")).contains("stands as at 1001");
    assertThat(page.evaluate("() => document.activeElement.dataset.switch"))
        .as("the focus stays")
        .isEqualTo("keys");
    page.close();
  }

  @Test
  void keysOff_operating_isRefusedInWords_andLeavesNothingLoose() {
    Page page = openFloor(app.copyOf("Quay walk"));
    page.evaluate("() => idleLens.desk.goTo(1060)");
    page.click("[data-switch=keys]");
    waitForRevision(page, 2);
    page.keyboard().press("o");
    drag(page, middle(page.locator("#canvas")), 60, 0);
    page.waitForSelector(".toast-line.bad:has-text('without effect while Keys is switched off')");
    page.waitForFunction("() => idleLens.desk.loose === null && idleLens.store.shown === null");
    assertThat(page.textContent("#notice")).doesNotContain("loose");
    assertThat(number(page, "() => idleLens.store.revision")).isEqualTo(2);
    complaints.removeIf(c -> c.contains("422")); // the refusal itself
    page.close();
  }

  @Test
  void switches_areThereOnlyWhereTheyHaveAnEffect() {
    Page page = openFloor(app.copyOf("Quay walk"));
    page.evaluate("() => idleLens.desk.select('keeper')");
    page.waitForSelector(".chain :text('Piece')");
    assertThat(page.locator("[data-switch]").count()).as("neither keyed nor carried").isZero();
    page.evaluate("() => idleLens.desk.select('dolly')");
    page.waitForSelector("[data-switch=keys]");
    assertThat(page.locator("[data-switch]").count()).isEqualTo(1);
    page.close();
  }
}

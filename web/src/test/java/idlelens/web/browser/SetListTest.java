package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import idlelens.web.app.RunningApp;
import idlelens.web.handoff.DeepFiles;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** The list of what is on set, by hand and by keyboard. */
class SetListTest extends BrowserTest {
  private static String selected(Page page) {
    return (String) page.evaluate("() => idleLens.desk.selected");
  }

  @Test
  void byKeyboard_rowsAreWalked_renamedAndDeleted_andUndoBringsBackWhatWasThere() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.click("li[data-id=a-cam] .pick");
    page.keyboard().press("ArrowUp");
    assertThat(selected(page)).isEqualTo("head");
    page.keyboard().press("F2");
    page.keyboard().type("Tripod head");
    page.keyboard().press("Enter");
    waitForRevision(page, 2);
    assertThat(app.node(shot, "head").get("name").stringValue()).isEqualTo("Tripod head");
    page.waitForSelector("li[data-id=head] .pick:focus");
    double before = number(page, "() => idleLens.store.pose('a-cam', 1001).z");
    page.keyboard().press("Delete");
    waitForRevision(page, 3);
    assertThat(app.carrier(shot, "a-cam"))
        .as("what it carried goes to the next carrier")
        .isEqualTo("shoulder");
    assertThat(number(page, "() => idleLens.store.pose('a-cam', 1001).z"))
        .as("and goes on as it went")
        .isCloseTo(before, within(2e-4));
    page.keyboard().press("Control+z");
    waitForRevision(page, 4);
    assertThat(app.carrier(shot, "a-cam")).isEqualTo("head");
    page.close();
  }

  @Test
  void nullIntoNull_carriesAWholeRig_andIsNestedInTheList() {
    long shot = app.copyOf("Two cameras");
    Page page = openFloor(shot);
    page.click("#add");
    page.click(".menu button:text-is('Null')");
    waitForRevision(page, 2);
    String outer = selected(page);
    page.click("#add");
    page.click(".menu button:text-is('Null')");
    waitForRevision(page, 3);
    String inner = selected(page);
    page.click("[data-card=carried]");
    page.selectOption(".settings select[aria-label='Carried by']", outer);
    waitForRevision(page, 4);
    assertThat(app.carrier(shot, inner)).isEqualTo(outer);
    String indent =
        "id => parseFloat(document.querySelector(`li[data-id='${id}']`).style.paddingLeft)";
    double out = ((Number) page.evaluate(indent, outer)).doubleValue();
    double in = ((Number) page.evaluate(indent, inner)).doubleValue();
    assertThat(in).isGreaterThan(out);
    // the outer null moves the inner one by as much
    page.evaluate("id => idleLens.desk.select(id, 'keys')", outer);
    double x = number(page, "() => idleLens.store.pose('" + inner + "', 1001).x");
    type(page, "X", "3.5m");
    waitForRevision(page, 5);
    double own = number(page, "() => idleLens.store.pose('" + outer + "', 1001).x");
    assertThat(own).isCloseTo(3.5, within(1e-5));
    assertThat(number(page, "() => idleLens.store.pose('" + inner + "', 1001).x") - x)
        .isCloseTo(own - x, within(1e-5));
    page.close();
  }

  @Test
  void foldedNull_isDeletedWithAllItCarries_anOpenOneAlone() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    int before = app.get("/api/shots/" + shot).json().get("nodes").size();
    page.click("li[data-id=crates] .pick");
    page.click("#remove");
    waitForRevision(page, 2);
    assertThat(app.get("/api/shots/" + shot).json().get("nodes").size()).isEqualTo(before - 7);
    page.click("#undo");
    waitForRevision(page, 3);
    page.click("li[data-id=crates] .fold");
    page.click("li[data-id=crates] .pick");
    page.click("#remove");
    waitForRevision(page, 4);
    assertThat(app.get("/api/shots/" + shot).json().get("nodes").size()).isEqualTo(before - 1);
    page.close();
  }

  @Test
  void rigsAndCamerasStandFirst_foldsAreKept_andNamesAreFound() {
    Page page = openFloor(app.copyOf("Quay walk"));
    String ids = "() => [...document.querySelectorAll('#nodes li')].map((li) => li.dataset.id)";
    assertThat(page.evaluate(ids).toString()).startsWith("[dolly, shoulder, head, a-cam, ");
    assertThat(page.locator("li[data-id=bollard-3]").count()).as("folded at first").isZero();
    page.click("button[aria-label='Unfold Bollards']");
    page.waitForSelector("li[data-id=bollard-3]");
    page.reload();
    page.waitForSelector("[data-ready]");
    page.waitForSelector("li[data-id=bollard-3]");
    page.fill("#search", "saloon");
    page.waitForFunction("() => !document.querySelector('li[data-id=bollard-3]')");
    assertThat(page.evaluate(ids).toString()).contains("ferry-ottoline", "saloon");
    page.fill("#search", "");
    page.evaluate("() => idleLens.desk.select('saloon')");
    page.waitForFunction(
        "() => { const row = document.querySelector('li[data-id=saloon]')?.getBoundingClientRect();"
            + " const list = document.querySelector('#nodes').getBoundingClientRect(); return row &&"
            + " row.top >= list.top - 1 && row.bottom <= list.bottom + 1; }");
    page.close();
  }

  @Test
  void lengths_areShownInThePersonsUnit_andAnyIsTyped() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.evaluate("() => idleLens.desk.select('keeper')");
    page.click("[data-card=keys]");
    page.evaluate("() => localStorage.setItem('idle-lens length unit', 'cm')");
    page.reload();
    page.waitForSelector("[data-ready]");
    page.evaluate("() => idleLens.desk.select('keeper')");
    page.waitForFunction(
        "() => document.querySelector('.settings input[aria-label=X]')?.value === '105'");
    type(page, "X", "7ft");
    waitForRevision(page, 2);
    assertThat(app.part(shot, "keeper", "keys").get("x").doubleValue())
        .isCloseTo(2.1336, within(1e-9));
    page.close();
  }

  /** Forty deep, a row is still wide enough for its name, and says how deep it stands. */
  @Test
  void rowsOfADeepRig_keepTheirNamesInSight() {
    RunningApp.Answer made =
        app.upload(
            "/api/productions/" + app.demoProduction() + "/imports",
            Map.of("deep.usda", DeepFiles.usda(40)),
            Map.of());
    long shot = made.json().get("shotId").longValue();
    Page page = openFloor(shot);
    Locator last = page.locator("#nodes li").last();
    last.scrollIntoViewIfNeeded();
    BoundingBox name = last.locator(".name").boundingBox();
    BoundingBox list = page.locator("#nodes").boundingBox();
    assertThat(last.locator(".name").evaluate("e => e.clientWidth >= Math.max(15, e.scrollWidth)"))
        .as("the whole name is shown")
        .isEqualTo(true);
    assertThat(name.x + name.width).isLessThan(list.x + list.width);
    assertThat(last.locator(".name").getAttribute("title")).endsWith(", below 40 carriers");
    assertThat(page.locator("#nodes li .name").first().getAttribute("title")).isEqualTo("n1");
    page.close();
    app.delete("/api/shots/" + shot);
  }
}

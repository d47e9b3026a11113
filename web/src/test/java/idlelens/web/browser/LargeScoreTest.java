package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A score of 60 nodes with 200 keys each. */
class LargeScoreTest extends BrowserTest {

  @Test
  void onlyWhatIsInSightIsDrawn_andAllChosenKeysMove() {
    long shot = LargeShots.nulls(app, 60, 200);
    Page page = openFloor(shot);
    assertThat(page.locator("[data-bead]").count()).isBetween(12, 200);
    page.evaluate("() => { document.querySelector('#rows').scrollTop = 40 * 26; }");
    page.waitForSelector("[data-bead='n40 pose 1001']");
    assertThat(page.locator("[data-bead]").count()).isLessThan(200);
    assertThat(page.locator("[data-bead^='n2 ']").count()).isZero();
    // a bead of a dense row that is drawn with others is taken by where it is
    double[] far = {
      number(
          page,
          "() => document.querySelector('#score').getBoundingClientRect().x + idleLens.score.x(2002)"),
      middle(page.locator("[data-bead='n40 pose 1001']"))[1]
    };
    page.mouse().click(far[0], far[1]);
    assertThat(page.evaluate("() => idleLens.desk.chosen.picks()[0].id + idleLens.desk.frame"))
        .isEqualTo("n402002");
    // every node's key at 1414, moved by three frames from where one of them is taken
    page.evaluate(
        "() => { const d = idleLens.desk; const C = d.chosen.constructor; d.chooseKeys(C.union("
            + "idleLens.store.nodes.map((n) => C.of(n.id, ['x', 'y', 'z', 'pan', 'tilt', 'roll'],"
            + " [1414])))); }");
    page.evaluate("() => { document.querySelector('#rows').scrollTop = 0; }");
    page.waitForSelector("[data-bead='n40 pose 1414'].chosen");
    page.locator("[data-bead='n40 pose 1414']").focus();
    for (int i = 1; i <= 3; i++) {
      page.keyboard().press("Alt+ArrowRight");
      waitForRevision(page, 1 + i);
    }
    for (String id : new String[] {"n0", "n31", "n59"}) {
      JsonNode keys = app.part(shot, id, "keys").get("tilt").get("keys");
      assertThat(keys.get(59).get(0).doubleValue()).isEqualTo(1417);
      assertThat(keys.size()).isEqualTo(200);
    }
    page.close();
  }
}

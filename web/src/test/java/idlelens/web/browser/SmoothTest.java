package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Cards that smooth: added, set, limited, compared; the shot extended; cuts left alone. */
class SmoothTest extends BrowserTest {
  private static String addSmooth(Page page) {
    page.click("#add-part");
    page.click(".menu button:has-text('Smooth')");
    page.waitForSelector(".settings h2:has-text('Smooth')");
    return (String) page.evaluate("() => idleLens.desk.card");
  }

  private JsonNode smooth(long shot, String id) {
    return app.part(shot, "a-cam", id);
  }

  @Test
  void spring_saysWhatItCosts_andTheShotIsExtendedByThat() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    String id = addSmooth(page);
    waitForRevision(page, 2);
    page.selectOption(".settings select[aria-label='How it smooths']", "spring");
    waitForRevision(page, 3);
    page.waitForSelector(".settings input[aria-label='Amount a whole frame']");
    type(page, "Amount a whole frame", "0.93");
    waitForRevision(page, 4);
    page.waitForSelector(".settings button:text-is('Extend shot by 64 frames')");
    assertThat(field(page, "Lag of one pass").inputValue()).isEqualTo("13.29");
    page.click(".settings button:text-is('Extend shot by 64 frames')");
    waitForRevision(page, 5);
    assertThat(page.evaluate("() => idleLens.store.header.out")).isEqualTo(1144 + 64);
    type(page, "Lag of one pass", "4");
    waitForRevision(page, 6);
    assertThat(smooth(shot, id).get("amount").doubleValue()).isEqualTo(0.8);
    page.waitForSelector(".settings .facts:has-text('m/s³')");
    assertThat(page.textContent(".facts.effect >> nth=1")).contains("cm", "°", "px");
    page.close();
  }

  @Test
  void limitAndKinds_areSet_andTheUnsmoothedCameraIsSeenBesideIt() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    String id = addSmooth(page);
    waitForRevision(page, 2);
    type(page, "Stays within, place", "2cm");
    waitForRevision(page, 3);
    type(page, "Stays within, turn", "0.3");
    waitForRevision(page, 4);
    assertThat(smooth(shot, id).get("withinCm").doubleValue()).isEqualTo(2);
    assertThat(smooth(shot, id).get("withinDegrees").doubleValue()).isEqualTo(0.3);
    page.click(".settings label:text-is('lens')");
    waitForRevision(page, 5);
    assertThat(smooth(shot, id).get("of").toString()).isEqualTo("[\"place\",\"turn\"]");
    page.click(".settings button:text-is('Ghost without')");
    page.waitForSelector("#ghost-names:has-text('without Smooth')");
    page.waitForSelector(".settings button[aria-pressed=true]:text-is('Ghost without')");
    assertThat(page.locator("#plan .ghost.version").count()).isPositive();
    for (String way : List.of("damped", "polynomial", "two-way", "gaussian")) {
      page.selectOption(".settings select[aria-label='How it smooths']", way);
      page.waitForFunction(
          "([way, id]) => idleLens.desk.node.chain.some((p) => p.id === id && p.way === way)",
          List.of(way, id));
    }
    assertThat(smooth(shot, id).get("withinCm").doubleValue()).as("the limit stays").isEqualTo(2);
    page.click(".settings button:text-is('Ghost without')");
    page.waitForSelector(
        "#ghost-names", new Page.WaitForSelectorOptions().setState(WaitForSelectorState.HIDDEN));
    page.close();
  }

  @Test
  void cutInsideACamera_isMarkedOnTheScore_andStaysACut() {
    long shot = app.copyOf("Quay walk");
    app.edit(
        shot,
        "{\"edit\":\"add-nodes\",\"nodes\":[{\"id\":\"cutter\",\"name\":\"Cutter\",\"kind\":"
            + "\"camera\",\"chain\":[{\"part\":\"keys\",\"x\":{\"keys\":[[1001,0,\"hold\"],"
            + "[1060,8,\"hold\"]]},\"y\":1.6},{\"part\":\"smooth\",\"id\":\"smooth-a\",\"way\":"
            + "\"gaussian\",\"sigma\":6},{\"part\":\"lens\"}]}]}");
    Page page = openFloor(shot);
    page.evaluate("() => { idleLens.desk.showCamera('cutter'); idleLens.desk.select('cutter'); }");
    page.waitForSelector("#score [data-jump='cutter 1060']");
    List<?> x =
        (List<?>)
            page.evaluate("() => [1059, 1060].map((f) => idleLens.store.pose('cutter', f).x)");
    assertThat(x.toString()).isEqualTo("[0, 8]");
    page.close();
  }

  /** What the chain makes of a camera becomes a camera of its own, with a key a frame or few. */
  @Test
  void result_isBakedAndFittedToANewCamera() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    addSmooth(page);
    waitForRevision(page, 2);
    page.click(".settings button:text-is('Bake to new camera')");
    waitForRevision(page, 3);
    page.waitForSelector(".toast-line:has-text('A-cam baked: keys on 160 frames')");
    page.evaluate("() => idleLens.desk.select('a-cam')");
    page.click(".card.smooth [data-card]");
    page.click(".settings button:text-is('Fit to new camera')");
    waitForRevision(page, 4);
    page.waitForSelector(".toast-line:has-text('A-cam fitted')");
    Object off =
        page.evaluate(
            "() => { const s = idleLens.store; return Math.max(...['A-cam baked', 'A-cam fitted']"
                + ".flatMap((name) => { const id = s.nodes.find((n) => n.name === name).id; return"
                + " [1001, 1050, 1101].map((f) => { const a = s.pose('a-cam', f); const b ="
                + " s.pose(id, f); return Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z); }); })); }");
    assertThat(((Number) off).doubleValue()).isLessThan(0.002);
    page.close();
  }

  @Test
  void runIn_isAddedOnce_andChangesTheHandlesOnly() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.evaluate("() => idleLens.desk.select('dolly')");
    page.click("#add-part");
    page.click(".menu button:has-text('Run-in')");
    page.waitForSelector(".settings h2:has-text('Run-in')");
    waitForRevision(page, 2);
    String speeds =
        "() => [996, 1050].map((f) => (idleLens.store.pose('dolly', f + 1).z -"
            + " idleLens.store.pose('dolly', f).z).toFixed(4)).join()";
    String running = (String) page.evaluate(speeds);
    page.selectOption(".settings select[aria-label='Before the first frame']", "hold");
    waitForRevision(page, 3);
    String held = (String) page.evaluate(speeds);
    assertThat(held.split(",")[0]).isEqualTo("0.0000");
    assertThat(held.split(",")[1]).isEqualTo(running.split(",")[1]);
    assertThat(app.part(shot, "dolly", "run-in").get("before").stringValue()).isEqualTo("hold");
    page.click("#add-part");
    page.waitForSelector(".menu button:has-text('Smooth')");
    assertThat(page.locator(".menu button:has-text('Run-in')").count()).isZero();
    page.keyboard().press("Escape");
    page.close();
  }

  /** What is taken out of one motion shakes another, as far and as fast as it is set. */
  @Test
  void unrest_isLiftedOntoAnotherNode() {
    long shot = app.copyOf("Deck swell");
    Page page = openFloor(shot);
    page.evaluate("() => idleLens.desk.select('deck-cam')");
    page.click(".card.smooth [data-card]");
    page.selectOption(".settings select[aria-label='Lift what it takes out onto']", "keeper");
    waitForRevision(page, 2);
    page.waitForSelector(".settings h2:has-text('Recorded')");
    page.waitForSelector(".traces button:has-text('Tilt')");
    assertThat(page.textContent(".card.recorded")).contains("Off Deck cam", "cm");
    String id = (String) page.evaluate("() => idleLens.desk.card");
    JsonNode recorded = app.part(shot, "keeper", id);
    assertThat(recorded.get("samples").get("x")).hasSize(256);
    assertThat(recorded.get("start").intValue()).isEqualTo(993);
    type(page, "Place", "2");
    waitForRevision(page, 3);
    page.click(".settings label:has-text('over and over')");
    waitForRevision(page, 4);
    assertThat(app.part(shot, "keeper", id).get("loops").booleanValue()).isTrue();
    page.close();
  }
}

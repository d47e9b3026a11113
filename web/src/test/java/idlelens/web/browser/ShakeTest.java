package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.FileChooser;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Layers of shake: added, set by hand and by feel, seen, looped, kept. */
class ShakeTest extends BrowserTest {
  private static final String X = "f => idleLens.store.pose('a-cam', f).x";

  private static String addShake(Page page) {
    page.click("#add-part");
    page.click(".menu button:has-text('Shake')");
    page.waitForSelector(".settings h2:has-text('Handheld')");
    return (String) page.evaluate("() => idleLens.desk.card");
  }

  private JsonNode shake(long shot, String id) {
    return app.part(shot, "a-cam", id);
  }

  private static double x(Page page, int frame) {
    return ((Number) page.evaluate(X, frame)).doubleValue();
  }

  @Test
  void added_itMovesTheCamera_andWhatItDoesIsSeen() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    double still = x(page, 1050);
    String id = addShake(page);
    waitForRevision(page, 2);
    double shaken = x(page, 1050);
    assertThat(Math.abs(shaken - still)).isBetween(1e-5, 0.05);
    page.waitForSelector(".card.shake small:has-text('cm')");
    page.waitForSelector(".traces button:has-text('Pan')");
    assertThat(page.textContent(".facts.effect")).contains("cm", "°", "px", "rms");
    page.click(".traces button:has-text('Tilt')");
    assertThat(page.textContent(".spectrum")).contains("Tilt: strongest at", "Hz");
    page.locator(".settings button:text-is('Hold to see without')").hover();
    page.mouse().down();
    page.waitForFunction(
        "([x]) => Math.abs(idleLens.store.pose('a-cam', 1050).x - x) < 1e-6", List.of(still));
    page.mouse().up();
    page.waitForFunction(
        "([x]) => Math.abs(idleLens.store.pose('a-cam', 1050).x - x) < 1e-6", List.of(shaken));
    assertThat(app.revision(shot)).as("nothing of that is stored").isEqualTo(2);
    page.click(".settings button:text-is('Ghost without')");
    page.waitForSelector("#ghost-names:has-text('without Handheld')");
    assertThat(page.locator("#plan .ghost.version").count()).isPositive();
    type(page, "X", "40");
    waitForRevision(page, 3);
    assertThat(shake(shot, id).get("x").doubleValue()).isEqualTo(40);
    page.click("[data-view-link=curves]");
    page.waitForSelector("#curves .curve.shaken");
    page.close();
  }

  @Test
  void numbers_areTypedWithUnits_keyed_andSeedsChosenByTheirLook() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    String id = addShake(page);
    waitForRevision(page, 2);
    type(page, "X", "15mm");
    waitForRevision(page, 3);
    assertThat(shake(shot, id).get("x").doubleValue()).isEqualTo(1.5);
    type(page, "Pan rate", "90bpm");
    waitForRevision(page, 4);
    assertThat(shake(shot, id).get("panHz").doubleValue()).isEqualTo(1.5);
    page.click(".settings button[aria-label='Key Handheld pan here']");
    waitForRevision(page, 5);
    assertThat(page.locator("#score [data-row=a-cam][data-what='" + id + ".pan']").count())
        .isPositive();
    page.waitForSelector(".seeds [data-seed='4']");
    page.click(".seeds [data-seed='4']");
    waitForRevision(page, 6);
    assertThat(shake(shot, id).get("seed").intValue()).isEqualTo(4);
    page.click(".settings button:text-is('Try next')");
    waitForRevision(page, 7);
    assertThat(shake(shot, id).get("seed").intValue()).isEqualTo(5);
    page.close();
  }

  @Test
  void feel_takesThePlaceOfALayer_isKept_andClosesWithTheLoop() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    addShake(page);
    waitForRevision(page, 2);
    page.click(".settings button:text-is('Start from…')");
    page.click(".menu button:has-text('On a rough road')");
    waitForRevision(page, 3);
    assertThat(page.locator(".card.shake").count()).isEqualTo(2);
    page.click(".settings label:has-text('loops over the shot')");
    waitForRevision(page, 4);
    page.fill("[aria-label='Name to keep the layers under']", "Cobbles");
    page.click(".settings button:text-is('Keep')");
    page.waitForSelector(".toast-line:has-text('Cobbles is kept')");
    page.click(".settings button:text-is('Start from…')");
    page.click(".menu button:has-text('Forget Cobbles')");
    page.click(".card.shake >> nth=1");
    page.waitForSelector(".settings h2:has-text('Jolt')");
    page.evaluate("() => idleLens.desk.goTo(1040)");
    page.click(".settings button:text-is('Strike here')");
    waitForRevision(page, 5);
    assertThat(page.locator("#score .stamp.shake[data-frame='1040']").count()).isEqualTo(1);
    assertThat(field(page, "Seed").count()).isEqualTo(1);
    page.click(".settings label:has-text('by chance')");
    waitForRevision(page, 6);
    page.waitForFunction(
        "() => !document.querySelector('.settings input[aria-label=Seed]')"); // it strews nothing
    page.close();
  }

  @Test
  void carrierAndPiece_areShakenToo_withoutALens() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    for (String id : List.of("head", "keeper")) {
      page.evaluate("id => idleLens.desk.select(id)", id);
      page.click("#add-part");
      page.click(".menu button:has-text('Shake')");
      page.waitForSelector(".settings h2:has-text('Handheld')");
      assertThat(field(page, "Focal length").count()).isZero();
      page.waitForSelector(".card.shake small:has-text('cm')");
    }
    page.close();
  }

  /** Let go from a carrier that shakes: at a calm frame, or settling to the clean path. */
  @Test
  void handOver_fromAShakingCarrier_waitsForCalm_andSettles() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.evaluate("() => idleLens.desk.select('head')");
    page.click("#add-part");
    page.click(".menu button:has-text('Shake')");
    page.waitForSelector(".settings h2:has-text('Handheld')");
    type(page, "X", "30");
    waitForRevision(page, 3);
    page.evaluate("() => { idleLens.desk.select('a-cam'); idleLens.desk.goTo(1030); }");
    page.click("[data-card=carried]");
    page.click(".settings button:text-is('Wait for calm')");
    page.waitForSelector(".toast-line:has-text('off its clean path')");
    int calm = ((Number) page.evaluate("() => idleLens.desk.frame")).intValue();
    assertThat(calm).isGreaterThan(1030);
    page.selectOption(".settings select[aria-label='How it comes to a new carrier']", "settling");
    page.selectOption(".settings select[aria-label='Hand over at the playhead to']", "");
    waitForRevision(page, 4);
    JsonNode handed = app.part(shot, "a-cam", "carried").get("by").get(1);
    assertThat(handed.get("frame").intValue()).isEqualTo(calm);
    assertThat(handed.get("settle").intValue()).isEqualTo(24);
    type(page, "Frames to the clean path from " + calm, "40");
    waitForRevision(page, 5);
    assertThat(app.part(shot, "a-cam", "carried").get("by").get(1).get("settle").intValue())
        .isEqualTo(40);
    page.close();
  }

  /** From the library of the production, or from a file that is then in it. */
  @Test
  void recording_isTakenFromTheLibrary_andFromAFile() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.click("#add-part");
    page.click(".menu button:has-text('Recorded')");
    page.click(".menu button:has-text('Steps on planks')");
    waitForRevision(page, 2);
    page.waitForSelector(".settings h2:has-text('Recorded')");
    page.waitForSelector(".card.recorded small:has-text('Steps on planks')");
    page.click("#add-part");
    page.click(".menu button:has-text('Recorded')");
    page.waitForSelector(".menu button:has-text('From a file')");
    FileChooser chooser =
        page.waitForFileChooser(() -> page.click(".menu button:has-text('From a file')"));
    byte[] table = "seconds,tilt_deg\n0,0\n1,3\n2,0\n".getBytes(StandardCharsets.UTF_8);
    chooser.setFiles(new FilePayload("Nod.csv", "text/csv", table));
    waitForRevision(page, 3);
    page.waitForSelector(".toast-line:has-text('Nod is kept')");
    String id = (String) page.evaluate("() => idleLens.desk.card");
    assertThat(shake(shot, id).get("samples").get("tilt").toString()).contains("3");
    page.click(".settings button:text-is('Keep in the library')");
    page.waitForSelector(".toast-line:has-text('+ Recorded has it')");
    assertThat(app.delete("/api/productions/" + app.demoProduction() + "/recordings/Nod").status())
        .isEqualTo(204);
    page.close();
  }

  /** One press adds moves and what they end in; each stays a card of its own. */
  @Test
  void speedMoves_areAddedAtThePlayhead_andStayEditable() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.evaluate("() => idleLens.desk.goTo(1050)");
    page.click("#add-part");
    page.click(".menu button:has-text('Whip pan')");
    waitForRevision(page, 2);
    page.waitForSelector(".settings h2:has-text('Pan')");
    assertThat(page.locator(".card.shake").count()).isEqualTo(1);
    type(page, "How far", "45");
    waitForRevision(page, 3);
    page.click("#add-part");
    page.click(".menu button:has-text('Slam zoom')");
    waitForRevision(page, 4);
    page.click("#add-part");
    page.click(".menu button:has-text('Fast, slow, fast')");
    waitForRevision(page, 5);
    assertThat(page.locator(".card.move").count()).isEqualTo(5);
    page.evaluate("() => idleLens.desk.select('dolly')");
    page.click("#add-part");
    page.waitForSelector(".menu button:has-text('Whip pan')");
    assertThat(page.locator(".menu button:has-text('Slam zoom')").count()).isZero();
    page.keyboard().press("Escape");
    page.close();
  }
}

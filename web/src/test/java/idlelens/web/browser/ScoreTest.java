package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import org.junit.jupiter.api.Test;

/** Time on the score: zooming, sliding, folding, looping, how frames are told. */
class ScoreTest extends BrowserTest {
  private static double from(Page page) {
    return number(page, "() => idleLens.score.scale.from");
  }

  private static double to(Page page) {
    return number(page, "() => idleLens.score.scale.to");
  }

  private static double[] onRuler(Page page, double frame) {
    BoundingBox score = box(page.locator("#score"));
    return new double[] {
      score.x + ((Number) page.evaluate("f => idleLens.score.scale.x(f)", frame)).doubleValue(),
      score.y + 20
    };
  }

  private static double frameUnder(Page page, double x) {
    double inScore = x - box(page.locator("#score")).x;
    return ((Number) page.evaluate("x => idleLens.score.scale.frameAt(x)", inScore)).doubleValue();
  }

  @Test
  void wheelZooms_barSlides_edgeStretches_fitShowsAll() {
    Page page = openFloor(app.demoShot("Quay walk"));
    double[] at = onRuler(page, 1050);
    double x = Math.floor(at[0]); // a pointer stands on whole pixels
    double frame = frameUnder(page, x);
    page.mouse().move(x, at[1]);
    page.mouse().wheel(0, -600);
    page.waitForFunction("() => idleLens.score.scale.to - idleLens.score.scale.from < 60");
    assertThat(frameUnder(page, x))
        .as("the frame below the pointer")
        .isCloseTo(frame, within(1e-6));
    double span = to(page) - from(page);
    double before = from(page);
    page.keyboard().down("Shift");
    page.mouse().wheel(0, 200);
    page.keyboard().up("Shift");
    page.waitForFunction("f => idleLens.score.scale.from > f + 2", before);
    assertThat(to(page) - from(page)).isCloseTo(span, within(1e-6));
    BoundingBox score = box(page.locator("#score"));
    drag(page, new double[] {score.x + score.width - 17, score.y + 20}, -120, 0);
    page.waitForFunction("s => idleLens.score.scale.to - idleLens.score.scale.from > s + 1", span);
    page.click("#zoom-fit");
    assertThat(from(page)).isEqualTo(1001);
    assertThat(to(page)).isEqualTo(1144);
    page.close();
  }

  @Test
  void zoomedIn_aDragOfABeadStillLandsOnItsFrame() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.evaluate("() => idleLens.desk.goTo(1040)");
    for (int i = 0; i < 3; i++) {
      page.click("#zoom-in");
    }
    double perFrame = number(page, "() => idleLens.score.scale.perFrame");
    assertThat(perFrame).isGreaterThan(7);
    drag(
        page,
        middle(page.locator("[data-bead^='a-cam'][data-frame='1040']").first()),
        3 * perFrame,
        0);
    waitForRevision(page, 2);
    assertThat(app.part(shot, "a-cam", "keys").get("x").toString()).contains("[1043.0,");
    page.close();
  }

  @Test
  void rows_foldAndUnfold_andKeepTheirWay() {
    Page page = openFloor(app.demoShot("Quay walk"));
    assertThat(page.locator("#score [data-row=a-cam][data-what=focus]").count()).isPositive();
    page.locator("#score [data-fold=a-cam]").click();
    page.waitForFunction(
        "() => !document.querySelector('#score [data-row=a-cam][data-what=focus]')");
    page.locator("#score [data-pose=head]").click();
    page.waitForSelector("#score [data-row=head][data-what=pan]");
    page.locator("#score [data-pose=head]").click();
    page.locator("#score [data-fold=a-cam]").click();
    page.waitForSelector("#score [data-row=a-cam][data-what=focus]");
    page.close();
  }

  @Test
  void aRangeIsLooped_andTheSeamIsPlayedRound() {
    Page page = openFloor(app.demoShot("Lamp room"));
    double[] start = onRuler(page, 1020);
    double[] end = onRuler(page, 1030);
    page.keyboard().down("Shift");
    drag(page, start, end[0] - start[0], 0);
    page.keyboard().up("Shift");
    page.waitForFunction("() => document.getElementById('loop').value === 'range'");
    page.keyboard().press("Space");
    page.waitForFunction("() => idleLens.desk.frame >= 1020 && idleLens.desk.frame <= 1030");
    for (int i = 0; i < 8; i++) {
      double frame =
          number(page, "() => new Promise((r) => setTimeout(() => r(idleLens.desk.frame), 120))");
      assertThat(frame).isBetween(1020.0, 1030.0);
    }
    page.selectOption("#loop", "seam");
    page.fill("#seam-frames", "5");
    page.press("#seam-frames", "Enter");
    page.waitForFunction("() => idleLens.desk.frame >= 1116 || idleLens.desk.frame <= 1005");
    for (int i = 0; i < 8; i++) {
      double frame =
          number(page, "() => new Promise((r) => setTimeout(() => r(idleLens.desk.frame), 90))");
      assertThat(frame <= 1005 || frame >= 1116).as("%f", frame).isTrue();
    }
    page.close();
  }

  @Test
  void frames_areToldAsSecondsOrTimecode() {
    Page page = openFloor(app.demoShot("Quay walk"));
    page.selectOption("#time-as", "seconds");
    page.waitForSelector("#score text:text-is('1.00 s')");
    page.selectOption("#time-as", "timecode");
    page.waitForSelector("#score text:text-is('00:00:01:00')");
    page.reload();
    page.waitForSelector("[data-ready]");
    assertThat(page.inputValue("#time-as")).isEqualTo("timecode");
    page.selectOption("#time-as", "frames");
    page.close();
  }

  @Test
  void aTypedValue_landsOnTheFrameWhereItWasTyped() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.evaluate("() => idleLens.desk.goTo(1050)");
    page.click("#record");
    page.selectOption("#keying", "touched");
    field(page, "X").click();
    field(page, "X").fill("1+1");
    // the playhead goes on before the server has read the sum
    page.evaluate(
        "() => { document.activeElement.dispatchEvent(new KeyboardEvent('keydown', {key: 'Enter',"
            + " bubbles: true})); idleLens.desk.goTo(1090); }");
    waitForRevision(page, 2);
    String keys = app.part(shot, "a-cam", "keys").get("x").toString();
    assertThat(keys).contains("[1050.0,2.0").doesNotContain("[1090.0");
    page.close();
  }

  @Test
  void longer_saysWhatMoves_andDoesItAsOneEdit() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.evaluate("() => idleLens.desk.goTo(1100)");
    page.click("[data-tab=timing]");
    page.selectOption(".settings select[aria-label='Where time is put in']", "playhead");
    page.waitForSelector(".settings .told dd:has-text('key')");
    page.click(".settings button:text-is('Make it longer')");
    waitForRevision(page, 2);
    assertThat(app.get("/api/shots/" + shot).json().get("out").intValue()).isEqualTo(1384);
    page.keyboard().press("Control+z");
    waitForRevision(page, 3);
    assertThat(app.get("/api/shots/" + shot).json().get("out").intValue()).isEqualTo(1144);
    page.close();
  }
}

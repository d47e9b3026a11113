package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Response;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The Lens bench: its drawings are dragged, its numbers typed, and both say the same. */
class LensBenchTest extends BrowserTest {
  private Page openBench() {
    Page page = newPage();
    page.navigate(app.address() + "/shots/" + app.copyOf("Two cameras") + "/lens");
    page.waitForSelector("[data-ready]");
    page.evaluate("() => { idleLens.desk.select('a-cam', 'lens'); }");
    page.waitForSelector(".lens-bench .piece text");
    return page;
  }

  private static double lens(Page page, String number) {
    return number(
        page, "() => idleLens.store.lens(idleLens.desk.camera, idleLens.desk.frame)." + number);
  }

  /** Drags the middle of something by so many pixels. */
  private static void drag(Page page, Locator what, double right, double down) {
    BoundingBox box = what.boundingBox();
    double x = box.x + box.width / 2;
    double y = box.y + box.height / 2;
    page.mouse().move(x, y);
    page.mouse().down();
    page.mouse().move(x + right / 2, y + down / 2);
    page.mouse().move(x + right, y + down);
    page.mouse().up();
  }

  @Test
  void drawings_areDragged_andTheNumbersFollow_andUndoTakesItBack() {
    Page page = openBench();
    double focal = lens(page, "focalMm");
    double up = number(page, "() => idleLens.lensBench.drawings[0].heldScale");
    drag(page, page.locator(".lens-bench .glass"), 30, 0);
    waitForRevision(page, 2);
    assertThat(lens(page, "focalMm")).isCloseTo(focal + 30 / up, within(0.6));
    double stop = lens(page, "fStop");
    drag(page, page.locator(".lens-bench .blade").last(), 0, 6);
    waitForRevision(page, 3);
    assertThat(lens(page, "fStop")).isNotEqualTo(stop);
    double focus = lens(page, "focusM");
    drag(page, page.locator(".lens-bench .distances .knob"), 0, -25);
    waitForRevision(page, 4);
    assertThat(lens(page, "focusM")).isGreaterThan(focus * 1.1);
    drag(page, page.locator(".lens-bench .iris .knob"), 0, -20);
    waitForRevision(page, 5);
    assertThat(lens(page, "irisTurnDeg")).isBetween(5.0, 40.0);
    double wide = lens(page, "horizontalDeg");
    drag(page, page.locator(".lens-bench .view .edge"), -20, 0);
    waitForRevision(page, 6);
    assertThat(lens(page, "horizontalDeg")).isLessThan(wide);
    for (int revision = 7; revision <= 11; revision++) {
      page.click("#undo");
      waitForRevision(page, revision);
    }
    assertThat(lens(page, "focalMm")).isEqualTo(focal);
    assertThat(lens(page, "irisTurnDeg")).isZero();
    page.close();
  }

  @Test
  void numbers_areTypedWithUnits_andWhatNoLensDoesIsMarked() {
    Page page = openBench();
    typeInBench(page, "F-stop", "0.3");
    page.waitForSelector(".lens-bench .trouble:has-text('no lens opens to f/0.3')");
    typeInBench(page, "Focus distance", "30cm");
    page.waitForSelector(".lens-bench .trouble:has-text('this lens focuses from 0.45 m on')");
    assertThat(lens(page, "focusM")).isCloseTo(0.3, within(1e-6));
    typeInBench(page, "Blades of the iris, 0 for a round one", "6");
    page.waitForFunction("() => Math.min(...idleLens.store.motion.get('a-cam').iris) < 0.87");
    typeInBench(page, "Squeeze", "2");
    page.waitForFunction("() => idleLens.store.lens('a-cam', idleLens.desk.frame).squeeze === 2");
    typeInBench(page, "Shutter time, one part of a second", "96");
    double shutter = 24 * 360 / 96.0;
    page.waitForFunction(
        "angle => Math.abs(idleLens.store.lens('a-cam', idleLens.desk.frame).shutterDeg - angle) < 1e-4",
        shutter);
    typeInBench(page, "F-stop", "0.01");
    page.waitForSelector(".toast-line:has-text('0.05 to 128')");
    assertThat(complaints).allMatch(complaint -> complaint.contains("422"));
    complaints.clear();
    page.close();
  }

  private static void typeInBench(Page page, String label, String text) {
    Locator field = page.locator(".lens-bench input[aria-label='" + label + "']");
    field.fill(text);
    field.press("Enter");
  }

  /** What is drawn at the playhead goes along with it; a name is focused on by a click. */
  @Test
  void playhead_isDraggedOverTheDistances_andAClickOnANameFocusesThere() {
    Page page = openBench();
    BoundingBox chart = page.locator(".lens-bench .distances > svg").boundingBox();
    page.mouse().click(chart.x + 300, chart.y + 30);
    double frame = number(page, "() => idleLens.desk.frame");
    assertThat(frame).isGreaterThan(number(page, "() => idleLens.desk.first()"));
    twoFrames(page);
    String first = page.locator(".lens-bench .piece text").first().textContent();
    String name = first.replaceFirst(" [0-9.]+ m$", "");
    page.locator(".lens-bench .piece text").first().click();
    waitForRevision(page, 2);
    double metres = Double.parseDouble(first.substring(name.length() + 1, first.length() - 2));
    assertThat(lens(page, "focusM")).isCloseTo(metres, within(0.006));
    page.waitForSelector(".lens-bench .piece.sharp:has-text('" + name + "')");
    page.close();
  }

  /** Metres are as large at any distance, in the picture and on the bench, and back again. */
  @Test
  void orthographicCamera_isSetByItsWidth_andComesBackInPerspective() {
    Page page = openBench();
    double focal = lens(page, "focalMm");
    page.click("[data-view-link=floor]");
    page.click("[data-card=lens]");
    page.click("[data-view-link=lens]");
    page.selectOption("select[aria-label='Projection']", "orthographic");
    waitForRevision(page, 2);
    typeInBench(page, "Width of the picture", "8");
    waitForRevision(page, 3);
    twoFrames(page);
    for (double metres : new double[] {2, 30}) {
      Object across =
          page.evaluate(
              "metres => { const { picture, store, desk } = idleLens; const p ="
                  + " store.pose('a-cam', desk.frame); const turned = ([x, y, z]) => { const { qx,"
                  + " qy, qz, qw } = p; const t = [2 * (qy * z - qz * y), 2 * (qz * x - qx * z), 2 *"
                  + " (qx * y - qy * x)]; return [p.x + x + qw * t[0] + qy * t[2] - qz * t[1], p.y +"
                  + " y + qw * t[1] + qz * t[0] - qx * t[2], p.z + z + qw * t[2] + qx * t[1] - qy *"
                  + " t[0]]; }; const at = (x) => picture.project(turned([x, 0, -metres]))[0]; return"
                  + " (at(1) - at(0)) / picture.canvas.getBoundingClientRect().width; }",
              metres);
      assertThat(((Number) across).doubleValue()).isCloseTo(1 / 8.0, within(1e-4));
    }
    double wide = lens(page, "widthM");
    drag(page, page.locator(".lens-bench .view .edge"), -20, 0);
    waitForRevision(page, 4);
    assertThat(lens(page, "widthM")).isLessThan(wide);
    assertThat(page.textContent(".lens-bench .orthographic")).contains("No depth of field");
    page.selectOption("select[aria-label='Projection']", "perspective");
    waitForRevision(page, 5);
    page.waitForSelector(".lens-bench .glass");
    assertThat(lens(page, "focalMm")).isEqualTo(focal);
    page.close();
  }

  /**
   * Beside the shutter: how long what is in focus, or elsewhere, is drawn out; and that it judders.
   */
  @Test
  void streak_isThatOfTheDepthAskedFor_andAPanThatIsTooFastIsAdvisedAgainst() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.click("[data-view-link=lens]");
    page.evaluate("() => idleLens.desk.goTo(1060)");
    JsonNode focus = app.get("/api/shots/" + shot + "/streaks?camera=a-cam").json();
    waitForStreak(page, focus.get("streak").get(59).doubleValue() * 1920);
    page.fill("input[aria-label='Depth of what is drawn out']", "1.5 m");
    page.press("input[aria-label='Depth of what is drawn out']", "Enter");
    JsonNode near = app.get("/api/shots/" + shot + "/streaks?camera=a-cam&metres=1.5").json();
    double nearPx = near.get("streak").get(59).doubleValue() * 1920;
    assertThat(nearPx).isGreaterThan(1.5 * focus.get("streak").get(59).doubleValue() * 1920);
    waitForStreak(page, nearPx);
    page.click(".lens-bench button:text-is('In focus')");
    waitForStreak(page, focus.get("streak").get(59).doubleValue() * 1920);
    app.edit(
        shot,
        "{\"edit\":\"set-values\",\"id\":\"a-cam\",\"frame\":1090,\"values\":{\"pan\":170},"
            + "\"keying\":\"touched\"}");
    page.waitForSelector(".lens-bench .trouble:has-text('judders: a width in')");
    page.close();
  }

  private static void waitForStreak(Page page, double px) {
    page.waitForSelector(
        ".lens-bench .number:has-text('" + String.format(Locale.ROOT, "%.1f px", px) + "')");
  }

  /** A size of one's own gets a name, is there in another shot, and is forgotten again. */
  @Test
  void sensorOfOnesOwn_isKeptByTheProduction_forAllItsShots() {
    Page page = openFloor(app.copyOf("Quay walk"));
    page.click("[data-card=lens]");
    page.fill("input[aria-label='Sensor width']", "31.5");
    page.press("input[aria-label='Sensor width']", "Enter");
    waitForRevision(page, 2);
    page.fill("input[aria-label='Name to keep the sensor under']", "Quay slit");
    page.click(".settings button:text-is('Keep')");
    page.waitForSelector(".toast-line:has-text('Quay slit is kept')");
    page.waitForSelector(".settings button:text-is('Forget this sensor')");
    page.close();
    Page other = openFloor(app.copyOf("Lamp room"));
    other.click("[data-card=lens]");
    other.waitForSelector("optgroup option[value='Quay slit']", attached());
    other.selectOption("select[aria-label='Sensor']", "Quay slit");
    waitForRevision(other, 2);
    assertThat(lens(other, "gateWidthMm")).isCloseTo(31.5, within(1e-4));
    other.click(".settings button:text-is('Forget this sensor')");
    other.waitForSelector("optgroup", detached());
    assertThat(lens(other, "gateWidthMm")).isCloseTo(31.5, within(1e-4));
    other.close();
  }

  private static Page.WaitForSelectorOptions attached() {
    return new Page.WaitForSelectorOptions().setState(WaitForSelectorState.ATTACHED);
  }

  private static Page.WaitForSelectorOptions detached() {
    return new Page.WaitForSelectorOptions().setState(WaitForSelectorState.DETACHED);
  }

  @Test
  void anythingOfTheLens_isKeyedLikeTheRest() {
    Page page = openBench();
    page.evaluate("() => idleLens.desk.goTo(1010)");
    page.locator(".lens-bench .field:has(input[aria-label='Overscan']) button").click();
    waitForRevision(page, 2);
    page.evaluate("() => { idleLens.desk.goTo(1030); idleLens.desk.setRecord(true); }");
    typeInBench(page, "Overscan", "20");
    waitForRevision(page, 3);
    page.waitForFunction(
        "() => Math.abs(idleLens.store.motion.get('a-cam').own.overscan[1020 - idleLens.store.grid.first] - 10) < 2");
    assertThat(page.locator("#rows").textContent()).contains("overscan");
    page.close();
  }

  /** What is pressed is what the server meets there, with the set's own triangles. */
  @Test
  void focus_isPickedInThePicture_andMayFollowWhatWasPicked() {
    Page page = openBench();
    page.locator(".lens-bench button:text-is('Pick')").click();
    page.waitForSelector("#notice:has-text('Press in the picture')");
    BoundingBox canvas = page.locator("#canvas").boundingBox();
    Response answer =
        page.waitForResponse(
            "**/sightline?**",
            () ->
                page.mouse().click(canvas.x + canvas.width * 0.4, canvas.y + canvas.height * 0.75));
    double x = Double.parseDouble(answer.url().replaceFirst(".*[?&]x=([-0-9.e]+).*", "$1"));
    double y = Double.parseDouble(answer.url().replaceFirst(".*[?&]y=([-0-9.e]+).*", "$1"));
    assertThat(x).isCloseTo(-0.1, within(2 / canvas.width));
    assertThat(y).isCloseTo(-0.25 * 9 / 16, within(2 / canvas.width));
    JsonNode met = JsonMapper.shared().readTree(answer.text());
    waitForRevision(page, 2);
    assertThat(lens(page, "focusM")).isCloseTo(met.get("distance").asDouble(), within(1e-5));
    long shot = ((Number) page.evaluate("() => Number(idleLens.store.id)")).longValue();
    page.locator(".toast-line:has-text('" + met.get("name").stringValue() + "') button").click();
    waitForRevision(page, 3);
    assertThat(app.part(shot, "a-cam", "lens").get("follow").get("node").stringValue())
        .isEqualTo(met.get("node").stringValue());
    page.close();
  }

  /** While focus follows something, the bench says what, and another distance is another offset. */
  @Test
  void followedFocus_isShownWhereItIs_andDraggedByItsOffset_untilANameIsClicked() {
    Page page = openBench();
    page.evaluate("() => { idleLens.desk.select('b-cam', 'lens'); }");
    page.waitForSelector(".lens-bench small:has-text('follows Wheelhouse')");
    page.waitForSelector(".lens-bench .piece text");
    double away = lens(page, "focusM");
    typeInBench(page, "Focus distance", "20");
    waitForRevision(page, 2);
    assertThat(lens(page, "focusM")).isCloseTo(20, within(1e-4));
    long shot = ((Number) page.evaluate("() => Number(idleLens.store.id)")).longValue();
    assertThat(app.part(shot, "b-cam", "lens").get("follow").get("offsetM").asDouble())
        .isCloseTo(20 - away, within(1e-4));
    page.locator(".lens-bench .piece").last().press("Enter");
    waitForRevision(page, 4);
    assertThat(app.part(shot, "b-cam", "lens").has("follow")).isFalse();
    page.close();
  }
}

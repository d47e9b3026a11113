package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The Floor, driven as an artist drives it. */
class FloorTest extends BrowserTest {

  private static void drag(Page page, double x, double y, double dx, double dy) {
    page.mouse().move(x, y);
    page.mouse().down();
    page.mouse().move(x + dx / 2, y + dy / 2, new Mouse.MoveOptions().setSteps(3));
    page.mouse().move(x + dx, y + dy, new Mouse.MoveOptions().setSteps(3));
    page.mouse().up();
  }

  @Test
  void open_demoShot_drawsPicturePlanAndNumbersOfTheSameSamples() {
    Page page = openFloor(app.demoShot("Quay walk"));
    double focus = number(page, "() => idleLens.store.lens('a-cam', 1001).focusM");
    assertThat(page.textContent("#strip-focus"))
        .isEqualTo(String.format(Locale.ROOT, "focus %.2f m", focus));
    // a dot for each frame: those of keys are circles of their own
    String dots = page.locator("#plan .dots").getAttribute("d");
    assertThat(dots.split("h0").length + page.locator("#plan .dot").count()).isEqualTo(144);
    // the picture is not one flat colour: the canvas holds many
    page.waitForTimeout(300);
    byte[] png = page.locator("#canvas").screenshot();
    assertThat(png.length).as("size of the picture's PNG").isGreaterThan(30_000);
    page.close();
  }

  @Test
  void play_toTheEnd_asksTheServerNothingAndShowsTheRate() {
    Page page = openFloor(app.demoShot("Two cameras"));
    page.waitForFunction(
        "async () => (await import('/js/solids/picture-shelf.js')).shelfOf(idleLens.store)"
            + ".kept.size === 10"); // all that the gull shows
    List<String> asked = new ArrayList<>();
    page.onRequest(request -> asked.add(request.url()));
    page.keyboard().press("Space");
    page.waitForFunction("() => document.getElementById('reached').textContent.includes('fps')");
    assertThat(number(page, "() => idleLens.desk.frame")).isGreaterThan(1001);
    page.keyboard().press("Space");
    assertThat(asked).isEmpty();
    page.close();
  }

  @Test
  void operate_dragInPictureWithRecord_keysTheWholePoseAndUndoTakesItBack() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.evaluate("() => idleLens.desk.goTo(1020)");
    double before =
        number(
            page, "() => idleLens.store.value(1020, idleLens.store.motion.get('a-cam').own.pan)");
    page.click("#record");
    page.keyboard().press("o");
    BoundingBox box = box(page.locator("#canvas"));
    drag(page, box.x + 300, box.y + 150, 64, 0);
    waitForRevision(page, 2);
    double after =
        number(
            page, "() => idleLens.store.value(1020, idleLens.store.motion.get('a-cam').own.pan)");
    // the picture follows the hand: so many pixels are so many degrees of the vertical view
    double perPixel =
        number(page, "() => idleLens.store.lens('a-cam', 1020).verticalDeg") / box.height;
    assertThat(after - before).isCloseTo(64 * perPixel, within(0.02));
    JsonNode channels = app.part(shot, "a-cam", "keys");
    for (String channel : List.of("x", "y", "z", "pan", "tilt", "roll")) {
      assertThat(channels.get(channel).get("keys").size()).as(channel).isEqualTo(6);
    }
    page.keyboard().press("Control+z");
    waitForRevision(page, 3);
    assertThat(app.part(shot, "a-cam", "keys").get("x").get("keys").size()).isEqualTo(5);
    page.close();
  }

  @Test
  void looseChange_withoutRecord_isKeyedByEnterAndLetGoByEscape() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.evaluate("() => idleLens.desk.goTo(1020)");
    type(page, "X", "0.5m+10cm");
    page.waitForFunction("() => document.getElementById('notice').textContent.includes('loose')");
    assertThat(app.revision(shot)).isEqualTo(1);
    page.waitForFunction(
        "() => Math.abs(idleLens.store.value(1020, idleLens.store.motion.get('a-cam').own.x) - 0.6) < 1e-5");
    page.locator(".settings h2").click();
    page.keyboard().press("Escape");
    page.waitForFunction(
        "() => Math.abs(idleLens.store.value(1020, idleLens.store.motion.get('a-cam').own.x) - 0.6) > 0.1");
    type(page, "X", "0.6");
    page.waitForFunction("() => idleLens.desk.loose");
    page.locator(".settings h2").click();
    page.keyboard().press("Enter");
    waitForRevision(page, 2);
    JsonNode keys = app.part(shot, "a-cam", "keys").get("x").get("keys");
    assertThat(keys.get(1).get(0).doubleValue()).isEqualTo(1020);
    assertThat(keys.get(1).get(1).doubleValue()).isCloseTo(0.6, within(1e-12));
    page.close();
  }

  @Test
  void dragBead_movesTheWholePoseInTimeAndSurvivesReload() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    BoundingBox bead = box(page.locator("[data-bead='a-cam pose 1040']"));
    double perFrame = number(page, "() => idleLens.score.x(1002) - idleLens.score.x(1001)");
    drag(page, bead.x + bead.width / 2, bead.y + bead.height / 2, perFrame * 7, 0);
    waitForRevision(page, 2);
    page.reload();
    page.waitForSelector("[data-ready]");
    assertThat(page.locator("[data-bead='a-cam pose 1047']").count()).isEqualTo(1);
    assertThat(page.locator("[data-bead='a-cam pose 1040']").count()).isZero();
    page.keyboard().press("Control+z");
    waitForRevision(page, 3);
    assertThat(page.locator("[data-bead='a-cam pose 1040']").count()).isEqualTo(1);
    page.close();
  }

  @Test
  void planDrag_movesAStillPieceByTheSameMetres() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.evaluate("() => idleLens.desk.select('keeper')");
    page.waitForSelector("#plan .chosen[data-id='keeper']");
    BoundingBox keeper = box(page.locator("#plan [data-id='keeper']"));
    double scale = number(page, "() => idleLens.plan.metresPerPixel");
    drag(page, keeper.x + keeper.width / 2, keeper.y + keeper.height / 2, 20, 10);
    waitForRevision(page, 2);
    JsonNode channels = app.part(shot, "keeper", "keys");
    assertThat(channels.get("x").doubleValue()).isCloseTo(1.05 + 20 * scale, within(0.002));
    assertThat(channels.get("z").doubleValue()).isCloseTo(-2.4 + 10 * scale, within(0.002));
    page.close();
  }

  @Test
  void planHandle_turnsTheChosenNode() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.evaluate("() => idleLens.desk.select('keeper')");
    settle(page, "keeper");
    BoundingBox handle = box(page.locator("#plan [data-turn='keeper']"));
    drag(page, handle.x + handle.width / 2, handle.y + handle.height / 2, 25, 0);
    waitForRevision(page, 2);
    double pan = app.part(shot, "keeper", "keys").get("pan").doubleValue();
    assertThat(pan).isNotCloseTo(158, within(5.0));
    page.close();
  }

  @Test
  void lens_fieldOfViewTyped_changesTheFocalLengthAndNumbers() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.click("[data-card=lens]");
    type(page, "Horizontal field of view", "60");
    waitForRevision(page, 2);
    // f = w / (2 tan(hfov / 2)) with w = 24.89 mm
    double focal = 24.89 / (2 * Math.tan(Math.toRadians(30)));
    assertThat(app.part(shot, "a-cam", "lens").get("focal").doubleValue())
        .isCloseTo(focal, within(1e-9));
    assertThat(field(page, "Focal length").inputValue())
        .isEqualTo(String.format(Locale.ROOT, "%.2f", focal));
    page.close();
  }

  @Test
  void wrongNumber_saysWhy_andTheFieldReturnsToItsValue() {
    Page page = openFloor(app.copyOf("Quay walk"));
    page.evaluate("() => idleLens.desk.select('keeper')");
    type(page, "X", "five apples");
    page.waitForSelector(".settings .field-error");
    assertThat(page.textContent(".settings .field-error"))
        .startsWith("'five apples' cannot be read: type a number such as 1.2m");
    assertThat(field(page, "X").inputValue()).isEqualTo("1.05");
    complaints.removeIf(c -> c.contains("422")); // the refusal itself
    page.close();
  }

  @Test
  void add_everyKindOfNode_thenRenameDuplicateHideDelete() {
    long shot = app.copyOf("Lamp room");
    Page page = openFloor(shot);
    int before = app.get("/api/shots/" + shot).json().get("nodes").size();
    List<String> kinds =
        List.of(
            "Camera",
            "Null",
            "Box",
            "Cylinder",
            "Sphere",
            "Plane",
            "Person",
            "Stair",
            "Arch",
            "Card");
    for (int i = 0; i < kinds.size(); i++) {
      page.click("#add");
      page.click(".menu button:text-is('" + kinds.get(i) + "')");
      waitForRevision(page, 2 + i);
    }
    page.click("#duplicate");
    waitForRevision(page, 12);
    page.click("#rename");
    page.locator(".on-set li input").fill("Notice");
    page.locator(".on-set li input").press("Enter");
    waitForRevision(page, 13);
    page.hover("li.chosen");
    page.click("li.chosen .eye");
    waitForRevision(page, 14);
    JsonNode nodes = app.get("/api/shots/" + shot).json().get("nodes");
    assertThat(nodes.size()).isEqualTo(before + kinds.size() + 1);
    JsonNode last = nodes.get(nodes.size() - 1);
    assertThat(last.get("name").stringValue()).isEqualTo("Notice");
    assertThat(last.get("hidden").booleanValue()).isTrue();
    page.click("#remove");
    waitForRevision(page, 15);
    assertThat(app.get("/api/shots/" + shot).json().get("nodes").size())
        .isEqualTo(before + kinds.size());
    page.close();
  }

  @Test
  void carry_aPieceByANull_keepsItsPlaceInThePicture() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.evaluate("() => { idleLens.desk.goTo(1060); idleLens.desk.select('keeper', 'carried'); }");
    double before = number(page, "() => idleLens.store.pose('keeper', 1060).z");
    page.selectOption(".settings select[aria-label='Carried by']", "dolly");
    waitForRevision(page, 2);
    assertThat(number(page, "() => idleLens.store.pose('keeper', 1060).z"))
        .isCloseTo(before, within(1e-5));
    // it rides along from there
    assertThat(number(page, "() => idleLens.store.pose('keeper', 1144).z"))
        .isNotCloseTo(before, within(0.5));
    page.close();
  }

  @Test
  void twoWindows_stayInStep() {
    long shot = app.copyOf("Quay walk");
    Page one = openFloor(shot);
    Page other = openFloor(shot);
    one.waitForFunction("() => document.getElementById('people').textContent === 'you + 1'");
    one.evaluate("() => idleLens.desk.select('keeper')");
    type(one, "X", "2m");
    waitForRevision(other, 2);
    assertThat(number(other, "() => idleLens.store.pose('keeper', 1001).x"))
        .isCloseTo(2, within(1e-6));
    other.keyboard().press("Control+z");
    waitForRevision(one, 3);
    assertThat(number(one, "() => idleLens.store.pose('keeper', 1001).x"))
        .isCloseTo(1.05, within(1e-6));
    one.close();
    other.close();
  }

  @Test
  void windowThatGoesAway_isNoLongerCountedAtOnce() {
    long shot = app.copyOf("Quay walk");
    Page one = openFloor(shot);
    Page other = openFloor(shot);
    one.waitForFunction("() => document.getElementById('people').textContent === 'you + 1'");
    other.navigate(app.address() + "/");
    one.waitForFunction(
        "() => document.getElementById('people').textContent === 'you'",
        null,
        new Page.WaitForFunctionOptions().setTimeout(3000)); // the beat alone takes up to ten
    one.close();
    other.close();
  }

  @Test
  void keyboard_stepsJumpsAndKeysWithoutAMouse() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.keyboard().press("Shift+ArrowRight");
    page.keyboard().press("ArrowRight");
    assertThat(number(page, "() => idleLens.desk.frame")).isEqualTo(1012);
    page.keyboard().press("]");
    assertThat(number(page, "() => idleLens.desk.frame")).isEqualTo(1025);
    page.keyboard().press("[");
    assertThat(number(page, "() => idleLens.desk.frame")).isEqualTo(1001);
    page.keyboard().press("ArrowRight");
    page.keyboard().press("Enter");
    waitForRevision(page, 2);
    assertThat(page.locator("[data-bead='a-cam pose 1002']").count()).isEqualTo(1);
    page.keyboard().press("Backspace");
    waitForRevision(page, 3);
    assertThat(page.locator("[data-bead='a-cam pose 1002']").count()).isZero();
    page.close();
  }
}

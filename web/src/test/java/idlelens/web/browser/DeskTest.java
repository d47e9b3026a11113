package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.KeyboardModifier;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Numbers, keys, carriers and lenses in the hands of an artist. */
class DeskTest extends BrowserTest {

  private static JsonNode channel(JsonNode node, String name) {
    for (JsonNode part : node.get("chain")) {
      if (part.has(name)) {
        return part.get(name);
      }
    }
    throw new IllegalArgumentException(name);
  }

  @Test
  void numberField_draggedSideways_changesByItsStep_andStoresOnce() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.evaluate("() => idleLens.desk.select('keeper')");
    page.waitForSelector(".settings input[aria-label='X']");
    BoundingBox box = box(field(page, "X"));
    page.mouse().move(box.x + 30, box.y + 8);
    page.mouse().down();
    for (int i = 1; i <= 10; i++) {
      page.mouse().move(box.x + 30 + 4 * i, box.y + 8);
    }
    page.mouse().up();
    waitForRevision(page, 2);
    // forty pixels are ten steps of 5 cm
    assertThat(channel(app.node(shot, "keeper"), "x").doubleValue()).isCloseTo(1.55, within(1e-9));
    assertThat(app.revision(shot)).isEqualTo(2);
    page.close();
  }

  @Test
  void numberField_arrowKeysStep_ShiftByTenths_EscapeRestores() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.evaluate("() => idleLens.desk.select('keeper')");
    field(page, "Pan").click();
    page.keyboard().press("ArrowUp");
    waitForRevision(page, 2);
    page.keyboard().press("Shift+ArrowDown");
    waitForRevision(page, 3);
    assertThat(channel(app.node(shot, "keeper"), "pan").doubleValue())
        .isCloseTo(158.9, within(1e-9));
    field(page, "Pan").fill("nonsense");
    page.keyboard().press("Escape");
    assertThat(field(page, "Pan").inputValue()).isEqualTo("158.9");
    assertThat(app.revision(shot)).isEqualTo(3);
    page.close();
  }

  @Test
  void recordTouched_keysOnlyTheChannelThatChanged() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.click("#record");
    page.selectOption("#keying", "touched");
    page.evaluate("() => { idleLens.desk.goTo(1020); idleLens.desk.select('dolly'); }");
    type(page, "Pan", "5");
    waitForRevision(page, 2);
    JsonNode dolly = app.node(shot, "dolly");
    assertThat(channel(dolly, "pan").get("keys").size()).isEqualTo(4);
    assertThat(channel(dolly, "x").get("keys").size()).isEqualTo(3);
    // a partial key is half a bead
    assertThat(page.locator("[data-bead='dolly pose 1020']").getAttribute("class"))
        .contains("half");
    page.close();
  }

  @Test
  void tangents_areChosenForTheKeyAtThePlayhead() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.evaluate("() => idleLens.desk.goTo(1040)");
    page.click("[data-tangent=hold]");
    waitForRevision(page, 2);
    assertThat(channel(app.node(shot, "a-cam"), "x").get("keys").get(1).get(2).stringValue())
        .isEqualTo("hold");
    page.waitForSelector("[data-tangent=hold][aria-pressed=true]");
    // held: the value at 1050 is that of the key
    assertThat(
            number(
                page, "() => idleLens.store.value(1050, idleLens.store.motion.get('a-cam').own.x)"))
        .isCloseTo(0.05, within(1e-6));
    page.close();
  }

  @Test
  void beads_severalChosen_moveTogether_andOntoAnotherAreRefused() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.locator("[data-bead='a-cam pose 1040']").click();
    page.locator("[data-bead='a-cam pose 1063']")
        .click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.SHIFT)));
    page.locator("[data-bead='a-cam pose 1063']").focus();
    assertThat(page.evaluate("() => idleLens.desk.chosen.frames().join()")).isEqualTo("1040,1063");
    page.keyboard().press("Backspace");
    waitForRevision(page, 2);
    assertThat(channel(app.node(shot, "a-cam"), "x").get("keys").size()).isEqualTo(3);
    page.evaluate(
        "() => idleLens.store.edit([{ edit: 'move-keys', id: 'a-cam', frames: [1001], by: 96, landing: 'refuse' }])");
    page.waitForSelector(".toast-line.bad:has-text('two at frame 1097')");
    assertThat(app.revision(shot)).isEqualTo(2);
    complaints.removeIf(c -> c.contains("422"));
    page.close();
  }

  @Test
  void addANullAbove_standsWhereTheNodeIs_andCarriesIt() {
    long shot = app.copyOf("Two cameras");
    Page page = openFloor(shot);
    page.evaluate("() => idleLens.desk.select('b-cam', 'carried')");
    double before = number(page, "() => idleLens.store.pose('b-cam', 1001).x");
    page.click("text=Add a null above");
    waitForRevision(page, 2);
    String carrier = app.carrier(shot, "b-cam");
    assertThat(channel(app.node(shot, carrier), "x").doubleValue()).isCloseTo(before, within(1e-6));
    assertThat(number(page, "() => idleLens.store.pose('b-cam', 1001).x"))
        .isCloseTo(before, within(1e-6));
    page.close();
  }

  @Test
  void carryInALoop_isNotOffered() {
    Page page = openFloor(app.copyOf("Quay walk"));
    page.evaluate("() => idleLens.desk.select('dolly', 'carried')");
    page.waitForSelector(".settings select[aria-label='Carried by']");
    List<String> offered =
        page.locator(".settings select[aria-label='Carried by'] option").allTextContents();
    assertThat(offered).contains("The world", "Net loft").noneMatch(o -> o.contains("Head"));
    page.close();
  }

  @Test
  void lens_sensorFocusAndStop_changePlanAndNumbersTogether() {
    long shot = app.copyOf("Two cameras");
    Page page = openFloor(shot);
    page.click("[data-card=lens]");
    page.selectOption(".settings select[aria-label='Sensor']", "Full frame");
    waitForRevision(page, 2);
    assertThat(app.part(shot, "a-cam", "lens").get("sensorMm").toString()).isEqualTo("[36.0,24.0]");
    page.selectOption(".settings select[aria-label='Focus']", "keeper");
    waitForRevision(page, 3);
    double focus = number(page, "() => idleLens.store.lens('a-cam', 1001).focusM");
    page.waitForFunction(
        "f => document.querySelector('#strip-focus').textContent === `focus ${f.toFixed(2)} m`",
        focus);
    double near = number(page, "() => idleLens.store.lens('a-cam', 1001).nearM");
    assertThat(page.textContent("#plan text.sharp"))
        .startsWith(String.format(Locale.ROOT, "%.2f–", near));
    page.close();
  }

  @Test
  void shotSettings_rangeTypedAsTime_changesTheScore() {
    long shot = app.copyOf("Lamp room");
    Page page = openFloor(shot);
    page.click("#facts");
    type(page, "Last frame", "1001+2s");
    waitForRevision(page, 2);
    assertThat(page.textContent("#facts")).isEqualTo("24 fps · 1001–1049 · 16:9");
    page.selectOption(".settings select[aria-label='Picture aspect']", "2.39");
    waitForRevision(page, 3);
    page.waitForFunction(
        "() => { const b = document.getElementById('canvas').getBoundingClientRect(); return Math.abs(b.width / b.height - 2.39) < 0.03; }");
    page.close();
  }

  @Test
  void piece_sizesAndColour_changeWhatIsDrawn() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.evaluate("() => idleLens.desk.select('breakwater', 'piece')");
    type(page, "Height", "5m");
    waitForRevision(page, 2);
    assertThat(
            number(
                page,
                "() => { const p = idleLens.store.meshes.get('breakwater').positions; let m = 0;"
                    + " for (let i = 1; i < p.length; i += 3) m = Math.max(m, p[i]); return m; }"))
        .isCloseTo(5, within(1e-6));
    page.close();
  }

  @Test
  void planSide_zoomAndCentre() {
    Page page = openFloor(app.demoShot("Quay walk"));
    page.keyboard().press("t");
    assertThat(page.textContent("#plan-caption")).isEqualTo("Side");
    double before = number(page, "() => idleLens.plan.metresPerPixel");
    BoundingBox box = box(page.locator("#plan"));
    page.mouse().move(box.x + 100, box.y + 200);
    page.mouse().wheel(0, -400);
    page.waitForFunction("b => idleLens.plan.metresPerPixel < b", before);
    page.evaluate("() => idleLens.desk.select('keeper')");
    page.keyboard().press("c");
    assertThat(number(page, "() => idleLens.plan.centre[0]")).isCloseTo(-2.4, within(1e-5));
    page.close();
  }

  @Test
  void cameraByNumber_showsItInThePicture_andTheStripSaysSo() {
    Page page = openFloor(app.demoShot("Two cameras"));
    page.keyboard().press("2");
    page.waitForFunction("() => document.getElementById('view-camera').value === 'b-cam'");
    assertThat(page.textContent("#strip-lens")).startsWith("50 mm");
    page.close();
  }

  @Test
  void help_listsTheKeys_andCloses() {
    Page page = openFloor(app.demoShot("Lamp room"));
    page.keyboard().press("?");
    assertThat(page.textContent("#shortcuts"))
        .contains("Key the whole pose")
        .contains("Ctrl+Shift+Z");
    page.keyboard().press("Escape");
    assertThat(page.isVisible("#shortcuts")).isFalse();
    page.close();
  }

  @Test
  void sameThingChangedInTwoWindows_oneIsToldAndNothingIsLost() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    // the other change arrives unseen: this window believes it is still at revision 1
    page.evaluate("() => { idleLens.store.catchUp = async () => {}; }");
    app.edit(shot, "{\"edit\":\"rename\",\"id\":\"keeper\",\"name\":\"Theirs\"}");
    page.evaluate(
        "() => { idleLens.store.revision = 1; return idleLens.store.edit([{ edit: 'rename', id: 'keeper', name: 'Mine' }]); }");
    page.waitForSelector(".toast-line.bad:has-text('changed the same thing in revision 2')");
    assertThat(app.node(shot, "keeper").get("name").stringValue()).isEqualTo("Theirs");
    complaints.removeIf(c -> c.contains("409"));
    page.close();
  }
}

package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The Checks view with its remedies, repeats and framing up, with mouse and keyboard. */
class ChecksTest extends BrowserTest {
  private Page open(String name) {
    Page page = openFloor(app.copyOf(name));
    page.click("[data-view-link=checks]");
    found(page);
    return page;
  }

  private static void found(Page page) {
    page.waitForFunction(
        "() => { const { checks, store } = window.idleLens; const c = checks.checks;"
            + " return c.found && !c.waiting && c.found.revision === store.revision; }");
  }

  private void found(Page page, int revision) {
    waitForRevision(page, revision);
    found(page);
  }

  private static Locator line(Page page, String text) {
    return page.locator(".found li", new Page.LocatorOptions().setHasText(text));
  }

  private static void remedy(Page page, String text, String button) {
    line(page, text).first().locator("text=\"" + button + "\"").click();
  }

  private static double seamMetres(Page page) {
    return number(page, "() => idleLens.checks.checks.found.seam.placeM");
  }

  @Test
  void seamOfTheWalk_isClosedByItsRemedy_andThePicturesAreThere() {
    Page page = open("Quay walk");
    assertThat(line(page, "The seam is open").textContent()).contains("5.66 m");
    page.waitForFunction("() => document.querySelector('.seam-pictures figcaption:last-child')");
    assertThat(page.locator(".seam-pictures canvas").count()).isEqualTo(3);
    remedy(page, "The seam is open", "Close the seam");
    found(page, 2);
    assertThat(seamMetres(page)).isLessThan(1e-9);
    assertThat(line(page, "The seam closes").count()).isEqualTo(1);
    assertThat(line(page, "Ferry Ottoline").first().textContent()).contains("does not come back");
    page.keyboard().press("Control+z");
    found(page, 3);
    assertThat(seamMetres(page)).isGreaterThan(5);
    page.close();
  }

  @Test
  void everyFinding_leadsToItsPlace_andOverItsRemedyAway() {
    Page page = open("Quay walk");
    Locator strips = page.locator(".checks .strips svg");
    assertThat(strips.locator(".line").count()).isGreaterThanOrEqualTo(7);
    assertThat(strips.locator(".tick.misaligned").count()).isGreaterThan(3);
    assertThat(strips.locator(".block.creep").count()).isEqualTo(1);
    line(page, "creeps from 1001").locator(".go").click();
    assertThat(number(page, "() => idleLens.desk.frame")).isEqualTo(1049);
    remedy(page, "creeps from 1001", "Hold until 1049");
    found(page, 2);
    assertThat(line(page, "creeps").count()).isZero();
    remedy(page, "swings", "Remove");
    found(page, 3);
    assertThat(line(page, "swings").count()).isZero();
    remedy(page, "is keyed,", "Align keys");
    found(page, 4);
    assertThat(line(page, "is keyed,").count()).isZero();
    remedy(page, "Judder", "Slower");
    page.waitForSelector("[data-tab=timing][aria-selected=true]");
    assertThat(number(page, "() => idleLens.desk.range.to - idleLens.desk.range.from"))
        .isGreaterThan(5);
    page.close();
  }

  @Test
  void strips_standOverTheFramesOfTheScore_andArePressedToGoThere() {
    Page page = open("Net loft");
    Locator strips = page.locator(".checks .strips svg");
    double wanted =
        number(
            page, "() => idleLens.score.svg.getBoundingClientRect().left + idleLens.score.x(1072)");
    double top = box(strips).y + 10;
    page.mouse().click(wanted, top);
    assertThat(number(page, "() => idleLens.desk.frame")).isEqualTo(1072);
    double head =
        number(page, "() => document.querySelector('.checks .head').getBoundingClientRect().left");
    assertThat(head).isCloseTo(wanted, within(1.5));
    page.selectOption("select[aria-label='Piece whose appearance is followed']", "lamp-oil");
    found(page);
    page.waitForFunction("() => idleLens.checks.checks.found.inView");
    assertThat(line(page, "Lamp oil").count()).isPositive();
    assertThat(strips.locator(".tick.happening").count()).isPositive();
    page.close();
  }

  @Test
  void stairWithFramesTooMany_getsItsPeriodBack() {
    Page page = open("Stair loop");
    page.selectOption("select[aria-label='Repeat whose steps the loop goes on by']", "flight");
    found(page);
    page.waitForFunction("() => idleLens.checks.checks.found.seam.closes");
    page.evaluate("() => idleLens.store.edit([{ edit: 'change-header', in: 1001, out: 1103 }])");
    found(page, 2);
    assertThat(seamMetres(page)).isGreaterThan(0.1);
    remedy(page, "The seam is open", "Find the period");
    page.waitForFunction("() => idleLens.checks.checks.periods?.some((p) => p.differs >= 0)");
    page.waitForFunction(
        "() => document.querySelector('.found').textContent.includes('% of it off')");
    assertThat(
            number(
                page, "() => idleLens.checks.checks.periods.find((p) => p.frames === 96).differs"))
        .as("of the picture, as it is drawn")
        .isLessThan(0.5);
    remedy(page, "After 96 frames", "Out 1096");
    found(page, 3);
    assertThat(seamMetres(page)).isLessThan(1e-9);
    page.close();
  }

  private static void addNode(Page page, String chain, String more) {
    page.evaluate(
        "() => idleLens.store.edit([{ edit: 'add-nodes', nodes: [{ id: 'buoy', name: 'Buoy', kind:"
            + " 'piece', shape: { kind: 'card', width: 1, height: 1 }, finish: { colour:"
            + " '#c2452d', kind: 'glow' "
            + more
            + "}, chain: ["
            + chain
            + "] }] }])");
  }

  @Test
  void whatDoesNotDivideTheLoop_getsThePeriodThatDoes_itsKeysOrThoseOfItsGlow() {
    Page page = open("Lamp room");
    String turning =
        "pan: { after: 'cycle-and-carry', before: 'cycle-and-carry',"
            + " keys: [[1001, 0, 'straight'], [1071, 360, 'straight']] }";
    addNode(page, "{ part: 'keys', " + turning + " }", "");
    found(page, 2);
    assertThat(line(page, "Buoy").textContent()).contains("every 70 frames", "the loop needs 60");
    remedy(page, "Buoy", "Every 60");
    found(page, 3);
    assertThat(line(page, "Buoy").count()).isZero();
    page.evaluate(
        "() => idleLens.store.edit([{ edit: 'add-part', id: 'buoy', part: { part: 'look', glow: {"
            + " after: 'cycle', before: 'cycle', keys: [[1001, 0, 'settle'], [1036, 3, 'settle'],"
            + " [1071, 0, 'settle']] } } }])");
    found(page, 4);
    assertThat(line(page, "On Buoy, glow").textContent()).contains("every 70 frames");
    remedy(page, "On Buoy", "Every 60");
    found(page, 5);
    assertThat(line(page, "Buoy").count()).isZero();
    assertThat(
            page.evaluate(
                "() => JSON.stringify(idleLens.store.byId.get('buoy').chain.find((p) => p.part === 'look').glow.keys.map(([f]) => f))"))
        .isEqualTo("[1001,1031,1061]");
    page.close();
  }

  @Test
  void glowThatDoesNotComeBack_isClosed_withoutMovingThePiece() {
    Page page = open("Lamp room");
    addNode(
        page,
        "{ part: 'keys', y: 2 }, { part: 'look', glow: { keys: [[1001, 0, 'settle'],"
            + " [1090, 2, 'settle']] } }",
        "");
    found(page, 2);
    assertThat(line(page, "On Buoy, glow").textContent()).contains("2 stops off");
    remedy(page, "On Buoy", "Close it");
    found(page, 3);
    assertThat(line(page, "Buoy").count()).isZero();
    assertThat(page.evaluate("() => idleLens.store.byId.get('buoy').chain[0].y")).isEqualTo(2);
    page.close();
  }

  @Test
  void picturesThatDoNotComeBack_playALittleFaster() {
    Page page = open("Two cameras");
    assertThat(line(page, "On Gull, what is shown").textContent())
        .contains("every 20 frames", "the loop needs 19.2");
    remedy(page, "On Gull", "Let it loop");
    found(page, 2);
    assertThat(line(page, "On Gull").count()).isZero();
    assertThat(page.evaluate("() => idleLens.store.byId.get('gull').finish.pictures.rate"))
        .isEqualTo("25/2");
    page.close();
  }

  @Test
  void deadStretch_isRunThrough_orTakenOut() {
    Page page = open("Two cameras");
    String still =
        "{ edit: 'set-values', id: 'a-cam', frame: %d, keying: 'touched', values: { x: 1.6, y: 2, z: 8, pan: -10, tilt: 0.3, roll: 0 } }";
    page.evaluate(
        "() => idleLens.store.edit(["
            + still.formatted(1030)
            + ", "
            + still.formatted(1060)
            + "], 'Stand still')");
    found(page, 2);
    assertThat(line(page, "The move stands still").textContent()).contains("1031 to 1059");
    remedy(page, "The move stands still", "Run through");
    found(page, 3);
    assertThat(line(page, "The move stands still").count()).isZero();
    page.keyboard().press("Control+z");
    found(page, 4);
    remedy(page, "The move stands still", "Take out");
    found(page, 5);
    assertThat(line(page, "The move stands still").count()).isLessThanOrEqualTo(1);
    double last = number(page, "() => idleLens.store.byId.get('a-cam').chain[0].x.keys.at(-1)[0]");
    assertThat(last).isBetween(1064.0, 1070.0);
    page.close();
  }

  @Test
  void revealOfAPiece_isMovedToTheFrameAtWhichItIsSeen() {
    Page page = open("Two cameras");
    page.selectOption("select[aria-label='Piece whose appearance is followed']", "gull");
    page.waitForFunction("() => idleLens.checks.checks.found.inView");
    found(page);
    page.evaluate(
        "() => idleLens.store.edit([{ edit: 'retime', ids: ['gull'], map: { kind: 'shift', by: 9 }, landing: 'refuse', markers: false, range: false }])");
    found(page, 2);
    page.waitForFunction("() => idleLens.checks.checks.found.inView");
    line(page, "Reveal here").first().locator("text=\"Reveal here\"").click();
    found(page, 3);
    double at = number(page, "() => idleLens.checks.checks.found.inView.happenings[0].frame");
    assertThat(number(page, "() => idleLens.store.byId.get('gull').chain[0].y.keys[0][0]"))
        .isEqualTo(at);
    page.close();
  }

  @Test
  void mistThatDriftsOff_isLetLoop_andIsNoLongerNamed() {
    Page page = open("Lamp room");
    assertThat(line(page, "Sea mist").count()).isZero();
    page.evaluate(
        "() => { const { id, mist } = idleLens.store.nodes.find((n) => n.name === 'Sea mist');"
            + " return idleLens.store.edit("
            + "[{ edit: 'set-mist', id, mist: { ...mist, loops: false } }]); }");
    found(page, 2);
    assertThat(line(page, "Sea mist").first().textContent()).contains("the loop needs");
    remedy(page, "Sea mist", "Let it loop");
    found(page, 3);
    assertThat(line(page, "Sea mist").count()).isZero();
    page.close();
  }

  @Test
  void repeat_aroundACrate_isDrawnManyTimes_andFollowsTheOne() {
    Page page = openFloor(app.copyOf("Quay walk"));
    page.evaluate("() => idleLens.desk.select('crate-1')");
    page.click("[data-tab=rig]");
    page.click("text=\"Repeat it\"");
    waitForRevision(page, 2);
    page.click("[data-tab=card]");
    type(page, "Copies", "1000");
    waitForRevision(page, 3);
    type(page, "Step pan", "5");
    waitForRevision(page, 4);
    type(page, "Each copy later by", "2f");
    waitForRevision(page, 5);
    page.waitForFunction(
        "() => idleLens.picture.set.solids.pieces.get('crate-1').solid.count === 1000");
    page.waitForSelector("#plan .copies", new Page.WaitForSelectorOptions().setState(ATTACHED));
    String before = (String) page.evaluate(COPY, 999);
    page.evaluate("() => idleLens.desk.select('crate-1', 'keys')");
    type(page, "Y", "1.5");
    waitForRevision(page, 6);
    page.waitForFunction("([copy, was]) => eval(copy)(999) !== was", List.of(COPY, before));
    page.keyboard().press("Control+z");
    waitForRevision(page, 7);
    page.waitForFunction("([copy, was]) => eval(copy)(999) === was", List.of(COPY, before));
    page.close();
  }

  private static final com.microsoft.playwright.options.WaitForSelectorState ATTACHED =
      com.microsoft.playwright.options.WaitForSelectorState.ATTACHED;

  /** Where a copy is drawn, as text. */
  private static final String COPY =
      "(k) => { const { solid } = idleLens.picture.set.solids.pieces.get('crate-1');"
          + " return [...solid.instanceMatrix.array.slice(16 * k + 12, 16 * k + 15)]"
          + ".map((v) => v.toFixed(4)).join(); }";

  @Test
  void turntableOfItsOwnFrames_goesRound_andTheShotIsAsLong() {
    Page page = openFloor(app.copyOf("Quay walk"));
    page.evaluate("() => idleLens.desk.select('keeper')");
    page.click("[data-tab=rig]");
    type(page, "Frames of one round", "90f");
    page.click("text=\"Go round\"");
    waitForRevision(page, 2);
    assertThat(number(page, "() => idleLens.store.header.out")).isEqualTo(1090);
    assertThat(
            number(
                page,
                "() => { const n = idleLens.desk.node; const m = idleLens.store.motion.get(n.id).own.pan;"
                    + " return idleLens.store.value(1046, m); }"))
        .isCloseTo(180, within(0.01));
    page.close();
  }

  private static double[] inPicture(Page page) {
    Object at =
        page.evaluate(
            "() => { const { picture, store, desk } = idleLens; picture.draw();"
                + " const p = store.pose('keeper', desk.frame);"
                + " const at = picture.project([p.x, p.y + 0.86, p.z]);"
                + " return [at[0] / picture.size.w - 0.5, 0.5 - at[1] / picture.size.h]; }");
    List<?> numbers = (List<?>) at;
    return new double[] {
      ((Number) numbers.get(0)).doubleValue(), ((Number) numbers.get(1)).doubleValue()
    };
  }

  @Test
  void framingUp_byAClickInThePicture_atAFrame_andKeptLive() {
    Page page = openFloor(app.copyOf("Quay walk"));
    page.click("[data-tab=frame]");
    page.selectOption("select[aria-label=Subject]", "keeper");
    Locator canvas = page.locator("#canvas");
    page.mouse()
        .click(box(canvas).x + box(canvas).width * 0.7, box(canvas).y + box(canvas).height * 0.4);
    page.click(".settings button.main");
    page.waitForFunction("() => idleLens.desk.loose");
    page.waitForFunction("() => idleLens.store.before");
    assertThat(inPicture(page)[0]).isCloseTo(0.2, within(0.004));
    page.keyboard().press("Enter");
    waitForRevision(page, 2);
    page.click("[aria-label='left third']");
    page.selectOption("select[aria-label=How]", "dolly");
    page.click("text=\"Keep it live\"");
    waitForRevision(page, 3);
    for (int frame : new int[] {1001, 1050, 1144}) {
      page.evaluate("f => idleLens.desk.goTo(f)", frame);
      assertThat(inPicture(page)[0]).isCloseTo(-0.167, within(0.004));
      assertThat(inPicture(page)[1]).isCloseTo(0, within(0.004));
    }
    assertThat(page.locator("#chain .card.frame-up").textContent()).contains("Keeper");
    page.keyboard().press("Control+z");
    waitForRevision(page, 4);
    assertThat(page.locator("#chain .card.frame-up").count()).isZero();
    page.close();
  }

  @Test
  void severalAreKeptLive_byZooming_andOneIsTakenOutOfThemAgain() {
    Page page = openFloor(app.copyOf("Quay walk"));
    page.evaluate("() => { idleLens.desk.select('keeper'); idleLens.desk.selectMore('crate-1'); }");
    page.click("[data-tab=frame]");
    page.selectOption("select[aria-label=How]", "zoom");
    type(page, "Height in the picture", "30");
    page.click("[aria-label='left third']");
    page.click("text=\"Keep it live\"");
    waitForRevision(page, 2);
    assertThat(page.locator("#chain .card.frame-up").textContent()).contains("and 1 more");
    double before = number(page, "() => idleLens.store.lens('a-cam', 1001).focalMm");
    double behind = number(page, "() => idleLens.store.lens('a-cam', 1144).focalMm");
    assertThat(before).isGreaterThan(behind + 5); // it comes nearer, and so zooms out
    page.locator(".settings button", new Page.LocatorOptions().setHasText("Keeper ×")).click();
    waitForRevision(page, 3);
    double alone = number(page, "() => idleLens.store.lens('a-cam', 1001).focalMm");
    assertThat(alone).as("one alone is smaller").isGreaterThan(before);
    assertThat(page.locator("#chain .card.frame-up").textContent()).doesNotContain("more");
    page.keyboard().press("Control+z");
    waitForRevision(page, 4);
    assertThat(number(page, "() => idleLens.store.lens('a-cam', 1001).focalMm")).isEqualTo(before);
    page.close();
  }

  @Test
  void framingByDollyAndZoom_atAFrame_makesTheSubjectAsLargeAsAsked() {
    Page page = openFloor(app.copyOf("Quay walk"));
    page.click("[data-tab=frame]");
    page.selectOption("select[aria-label=Subject]", "keeper");
    double z = number(page, "() => idleLens.store.pose('a-cam', 1001).z");
    page.selectOption("select[aria-label=How]", "dolly");
    type(page, "Height in the picture", "90");
    page.click(".settings button.main");
    page.waitForFunction("() => idleLens.desk.loose && idleLens.store.before");
    assertThat(number(page, "() => idleLens.store.pose('a-cam', 1001).z")).isLessThan(z - 3);
    page.keyboard().press("Escape");
    page.waitForFunction("() => !idleLens.desk.loose && !idleLens.store.before");
    page.selectOption("select[aria-label=How]", "zoom");
    page.click(".settings button.main");
    page.waitForFunction("() => idleLens.desk.loose && idleLens.store.before");
    assertThat(number(page, "() => idleLens.store.lens('a-cam', 1001).focalMm")).isGreaterThan(60);
    page.keyboard().press("Enter");
    waitForRevision(page, 2);
    page.close();
  }

  @Test
  void placeOutsideThePicture_isRefusedWithWhatIsAllowed_andWhatWasThereStays() {
    Page page = openFloor(app.copyOf("Quay walk"));
    page.click("[data-tab=frame]");
    type(page, "Per cent of the width to the right", "20");
    page.waitForFunction("() => idleLens.desk.framing.asked.across === 20");
    type(page, "Per cent of the width to the right", "80");
    page.waitForSelector(".toast-line.bad:has-text('from -50 to 50 %')");
    assertThat(number(page, "() => idleLens.desk.framing.asked.across")).isEqualTo(20);
    page.close();
  }
}

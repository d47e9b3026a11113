package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/**
 * Jobs that artists do every day, from an empty shot on, with mouse and keyboard alone, as notes
 * that somebody took at the desk. Presses are clicks and keys; a name or a number that is typed
 * counts with the key that ends it.
 */
class ArtistJobsTest extends BrowserTest {
  private static final String EMPTY =
      "{\"name\":\"Job\",\"rate\":\"24\",\"in\":1001,\"out\":1120,\"handles\":8,"
          + "\"aspect\":1.7777777777777777,\"newKeys\":\"settle\"}";

  private static final String PAN =
      "id => JSON.stringify(idleLens.store.byId.get(id).chain[0].pan.keys)";

  private Page page;
  private int presses;

  @BeforeEach
  void count() {
    presses = 0;
  }

  /** A shot of 120 frames with a camera 6 m in front of a crate. */
  private void open() {
    long shot =
        app.post("/api/productions/" + app.demoProduction() + "/shots", EMPTY)
            .json()
            .get("id")
            .longValue();
    app.edit(
        shot,
        "{\"edit\":\"add-nodes\",\"nodes\":["
            + "{\"id\":\"cam\",\"kind\":\"camera\",\"name\":\"B-cam\",\"chain\":[{\"part\":\"keys\","
            + "\"y\":1.6,\"z\":6},{\"part\":\"lens\"}]},"
            + "{\"id\":\"crate\",\"kind\":\"piece\",\"name\":\"Crate\",\"shape\":{\"kind\":\"box\","
            + "\"width\":1,\"height\":2,\"depth\":1},\"finish\":{\"colour\":\"#b9a27e\",\"kind\":"
            + "\"matt\"},\"chain\":[{\"part\":\"keys\",\"x\":3}]}]}");
    page = openFloor(shot);
  }

  private void key(String press) {
    long revision = (long) number(page, "() => idleLens.store.revision");
    page.keyboard().press(press);
    presses++;
    if (press.matches(".*Enter|n")) {
      waitForRevision(page, (int) revision + 1);
    }
  }

  private void click(String selector) {
    page.click(selector);
    presses++;
  }

  /** A new null is named at once: the name is typed over the one it has. */
  private void nullAbove(String name) {
    key("n");
    page.waitForSelector("#nodes li input");
    page.keyboard().type(name);
    key("Enter");
  }

  private void number(String label, String text) {
    field(page, label).click();
    page.keyboard().type(text);
    page.keyboard().press("Enter");
    presses += 2;
    page.waitForFunction(
        "() => idleLens.store.saving.state === 'saved' && !idleLens.store.showing");
  }

  /** The frame is typed below the score. */
  private void at(int frame) {
    page.locator("input[aria-label='Frame']").click();
    page.keyboard().type(Integer.toString(frame));
    page.keyboard().press("Enter");
    presses += 2;
    page.waitForFunction("f => idleLens.desk.frame === f", frame);
  }

  private double value(String node, String column, double frame) {
    return number(
        page,
        String.format(
            "() => idleLens.store.value(%s, idleLens.store.motion.get('%s').own.%s)",
            frame, node, column));
  }

  private String nodeNamed(String name) {
    return (String)
        page.evaluate("n => idleLens.store.nodes.find((each) => each.name === n).id", name);
  }

  @Test
  void forwardThenTurn() {
    open();
    // only what is touched is keyed; at 1001 stand, at 1060 forward only, at 1120 right and turn
    click("#record");
    page.selectOption("#keying", "touched");
    presses++;
    click("#nodes [data-id=cam] .pick");
    at(1060);
    number("Z", "2");
    at(1120);
    number("X", "1.5");
    number("Pan", "-40");
    // plays: forward until 1060, no turn and no step aside before 1060
    for (int frame = 1001; frame <= 1060; frame++) {
      assertThat(value("cam", "pan", frame)).as("pan at %d", frame).isZero();
      assertThat(value("cam", "x", frame)).as("x at %d", frame).isZero();
    }
    assertThat(value("cam", "z", 1001)).isEqualTo(6);
    assertThat(value("cam", "z", 1060)).isEqualTo(2);
    assertThat(value("cam", "z", 1120)).isEqualTo(2);
    assertThat(value("cam", "pan", 1120)).isEqualTo(-40);
    assertThat(page.locator("#notice-line").isVisible()).as("nothing creeps").isFalse();
    assertThat(presses).isLessThanOrEqualTo(13);
    page.close();
  }

  @Test
  void gimbalRig_fastIn_slow_fast() {
    open();
    click("#nodes [data-id=cam] .pick");
    nullAbove("Tilt head");
    nullAbove("Pan head");
    nullAbove("Dolly");
    key("Shift+Enter"); // the whole rig, from its top
    for (String name : List.of("Dolly", "Pan head", "Tilt head", "B-cam")) {
      assertThat(page.locator("[data-bead='" + nodeNamed(name) + " pose 1001']").count())
          .as("a bead of %s", name)
          .isEqualTo(1);
    }
    System.out.println("gimbal rig named and keyed: " + presses + " presses");
    assertThat(presses).isLessThanOrEqualTo(12);
    // the dolly: fast until 1030, slow until 1090, fast to the end
    click("#record");
    String dolly = nodeNamed("Dolly");
    for (double[] mark : new double[][] {{1030, 4}, {1090, 3.4}, {1120, 0}}) {
      at((int) mark[0]);
      number("Z", Double.toString(mark[1]));
    }
    double fastIn = value(dolly, "z", 1001) - value(dolly, "z", 1030);
    double slow = value(dolly, "z", 1030) - value(dolly, "z", 1090);
    double fastOut = value(dolly, "z", 1090) - value(dolly, "z", 1120);
    assertThat(fastIn).isCloseTo(2, within(1e-5));
    assertThat(slow).isCloseTo(0.6, within(1e-5));
    assertThat(fastOut).isCloseTo(3.4, within(1e-5));
    // no key is passed and come back to
    for (int frame = 1002; frame <= 1120; frame++) {
      assertThat(value(dolly, "z", frame)).isLessThanOrEqualTo(value(dolly, "z", frame - 1));
    }
    assertThat(value("cam", "z", 1120)).as("the camera stays on its heads").isZero();
    page.close();
  }

  @Test
  void aPivotInTheMiddleOfAThing() {
    open();
    click("#nodes [data-id=crate] .pick");
    nullAbove("Pivot");
    String pivot = nodeNamed("Pivot");
    assertThat(value(pivot, "x", 1001)).isCloseTo(3, within(1e-6));
    assertThat(value(pivot, "y", 1001)).as("half of 2 m").isCloseTo(1, within(1e-6));
    assertThat(number(page, "() => idleLens.store.pose('crate', 1001).y"))
        .as("the crate stays where it was")
        .isCloseTo(0, within(1e-6));
    number("Tilt", "90");
    // on its side about its own middle
    assertThat(number(page, "() => idleLens.store.pose('crate', 1001).y"))
        .isCloseTo(1, within(1e-5));
    assertThat(presses).isLessThanOrEqualTo(5);
    page.close();
  }

  @Test
  void turntable_over120Frames_loops() {
    open();
    click("#nodes [data-id=crate] .pick");
    nullAbove("Turntable");
    click("#tab-tools");
    click(".settings button:text-is('Once around')");
    waitForRevision(page, 5);
    System.out.println("turntable that loops: " + presses + " presses");
    assertThat(presses).isLessThanOrEqualTo(6);
    String table = nodeNamed("Turntable");
    double step = value(table, "pan", 1002) - value(table, "pan", 1001);
    assertThat(step).isCloseTo(3, within(1e-4)); // 360 degrees in 120 frames
    assertThat(value(table, "pan", 1120) + step - 360)
        .as("the frame after the last is the first again")
        .isCloseTo(value(table, "pan", 1001), within(1e-3));
    assertThat(value(table, "pan", 1124)).as("and on in the handles").isCloseTo(369, within(1e-3));
    Object once = page.evaluate(PAN, table);
    page.click(".settings button:text-is('Once around')"); // a second time it is the same
    waitForRevision(page, 6);
    assertThat(page.evaluate(PAN, table)).isEqualTo(once);
    page.close();
  }

  @Test
  void recordingThroughTheCamera() {
    open();
    click("#nodes [data-id=cam] .pick");
    click("#tab-tools");
    click("[data-takes=roll]"); // roll stays out of it
    waitForRevision(page, 3);
    click("#tab-card");
    key("o");
    click("#record");
    at(1060);
    BoundingBox view = box(page.locator("#view"));
    drag(page, new double[] {view.x + 200, view.y + 150}, 120, 0);
    presses++;
    waitForRevision(page, 4);
    assertThat(value("cam", "pan", 1060)).isGreaterThan(2);
    assertThat(value("cam", "pan", 1001)).as("it starts from where it stood").isZero();
    assertThat(page.evaluate("() => idleLens.store.byId.get('cam').chain[0].roll ?? 0"))
        .as("no key of roll")
        .isEqualTo(0);
    assertThat(page.locator("[data-bead='cam pose 1060']").getAttribute("class"))
        .as("whole within its limits")
        .doesNotContain("half");
    // around the crate, which stays selected
    click("#nodes [data-id=crate] .pick");
    click("[data-mode=orbit]");
    at(1120);
    double before = number(page, FAR);
    drag(page, new double[] {view.x + 200, view.y + 150}, -90, 0);
    waitForRevision(page, 5);
    assertThat(number(page, FAR)).as("as far away").isCloseTo(before, within(1e-4));
    assertThat(page.evaluate("() => idleLens.desk.selected")).isEqualTo("crate");
    page.close();
  }

  /** From the camera to the middle of the crate, over the ground. */
  private static final String FAR =
      "() => { const { store } = idleLens; const [a, b] = [store.pose('cam', 1120),"
          + " store.pose('crate', 1120)]; return Math.hypot(a.x - b.x, a.z - b.z); }";
}

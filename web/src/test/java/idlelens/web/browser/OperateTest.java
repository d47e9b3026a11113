package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.BoundingBox;
import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Operating by hand: walking, recording takes, listening to a tracker, a game pad. */
class OperateTest extends BrowserTest {
  private static final String PAD =
      "navigator.getGamepads = () => [window.pad ?? null];"
          + "window.pad = {connected: true, id: 'Pad of the quay', axes: [0, 0, 0, 0], buttons: []};";

  private Page openTakes(long shot) {
    Page page = openFloor(shot);
    page.click("[data-tab=takes]");
    page.waitForSelector(".settings h2:has-text('Takes')");
    return page;
  }

  private static void walk(Page page) {
    page.click(".settings button:text-is('Walk from the camera')");
    page.waitForFunction("() => idleLens.desk.live");
  }

  private static double z(Page page) {
    return number(page, "() => idleLens.desk.live.pose.z");
  }

  private static void ahead(Page page, double metres) {
    double from = z(page);
    page.keyboard().down("w");
    page.waitForFunction(
        "([z, m]) => z - idleLens.desk.live.pose.z > m", new Object[] {from, metres});
    page.keyboard().up("w");
  }

  private JsonNode takes(long shot) {
    return app.get("/api/shots/" + shot + "/takes").json();
  }

  @Test
  void walked_theCameraGoesAlong_andEnterKeysWhereItStands() {
    long shot = app.copyOf("Quay walk");
    Page page = openTakes(shot);
    walk(page);
    double stored = number(page, "() => idleLens.store.motion.get('a-cam').z[0]");
    ahead(page, 0.5);
    assertThat(page.textContent("#operating-says")).contains("Walking · eyes", "W A S D walk");
    assertThat(number(page, "() => idleLens.store.pose('a-cam', idleLens.desk.frame).z"))
        .isLessThan(stored - 0.4);
    BoundingBox view = box(page.locator("#canvas"));
    double pan = number(page, "() => idleLens.desk.live.pose.pan");
    page.mouse().move(view.x + 100, view.y + 100);
    page.mouse().down();
    page.mouse().move(view.x + 200, view.y + 100);
    page.mouse().up();
    page.waitForFunction("(was) => idleLens.desk.live.pose.pan < was - 5", pan);
    page.mouse().wheel(0, -200);
    page.waitForFunction("() => idleLens.desk.live.pose.focalMm > 35");
    page.waitForTimeout(900); // until it stands
    double wanted = z(page);
    page.keyboard().press("Enter");
    waitForRevision(page, 2);
    page.waitForFunction("() => !idleLens.desk.live");
    assertThat(page.isVisible("#operating-says")).isFalse();
    assertThat(number(page, "() => idleLens.store.motion.get('a-cam').z[0]"))
        .as("its keys are there, with the shake on top")
        .isCloseTo(wanted, within(0.06));
    page.keyboard().press("Control+z");
    waitForRevision(page, 3);
    assertThat(number(page, "() => idleLens.store.motion.get('a-cam').z[0]"))
        .isCloseTo(stored, within(1e-6));
    page.close();
  }

  /** Punched in, counted in, recorded in real time, blended, and undone. */
  @Test
  void aTakePunchedIn_isKept_andKeysOnlyItsFrames() {
    long shot = app.copyOf("Quay walk");
    Page page = openTakes(shot);
    type(page, "Punch in at frame", "1040");
    type(page, "Punch out at frame", "1075");
    type(page, "Blend with what stays before and behind", "4");
    type(page, "Count-in", "0.5");
    page.selectOption("select[aria-label='What a take becomes when it is over']", "keys");
    String z = "(f) => idleLens.store.motion.get('a-cam').z[f - idleLens.store.grid.first]";
    double before = (double) page.evaluate(z, 1030);
    double inside = (double) page.evaluate(z, 1060);
    page.keyboard().press("r");
    page.waitForSelector("#count-in:visible");
    page.waitForSelector("#operating-says:has-text('Recording the walk')");
    page.keyboard().down("w");
    page.waitForFunction("() => idleLens.desk.frame >= 1070");
    page.keyboard().up("w");
    waitForRevision(page, 2);
    JsonNode kept = takes(shot).get(0);
    assertThat(kept.get("start").doubleValue()).isEqualTo(1040);
    assertThat(kept.get("samples").intValue()).isEqualTo(36);
    assertThat((double) page.evaluate(z, 1030)).isCloseTo(before, within(1e-6));
    assertThat(Math.abs((double) page.evaluate(z, 1060) - inside)).isGreaterThan(0.05);
    assertThat(app.node(shot, "a-cam").toString()).contains("[1040.0,").contains("[1075.0,");
    page.keyboard().press("Control+z");
    waitForRevision(page, 3);
    assertThat((double) page.evaluate(z, 1060)).isCloseTo(inside, within(1e-6));
    assertThat(page.isVisible(".takes input[aria-label='Name of Take 1']")).isTrue();
    page.close();
  }

  @Test
  void takes_areShownSideBySide_toldApart_named_usedAndDeleted() {
    long shot = app.copyOf("Quay walk");
    keep(shot, 0);
    keep(shot, 0.5);
    Page page = openTakes(shot);
    page.click("[aria-label='Show Take 1']");
    page.waitForSelector("#ghost-names:has-text('Take 1')");
    page.click("[aria-label='Show Take 2']");
    page.waitForSelector(
        ".settings .note:has-text('50.00 cm at'), .settings .note:has-text('0.50 m at')");
    assertThat(page.locator("#plan .ghost.version").count()).isGreaterThan(1);
    page.click("[aria-label='Hide Take 1']");
    page.click("[aria-label='Hide Take 2']");
    field(page, "Name of Take 2").fill("Farther out");
    field(page, "Name of Take 2").press("Enter");
    page.waitForSelector("[aria-label='Use Farther out']");
    page.click("[aria-label='Use Farther out']");
    page.click(".menu >> text=A card Recorded");
    waitForRevision(page, 2);
    assertThat(number(page, "() => idleLens.store.pose('a-cam', 1003).x"))
        .isCloseTo(0.5, within(1e-5));
    assertThat(app.node(shot, "a-cam").toString()).contains("\"name\":\"Farther out\"");
    page.click("[aria-label='Delete Take 1']");
    page.waitForFunction("() => idleLens.desk.takes.all.length === 1");
    assertThat(takes(shot).get(0).get("name").stringValue()).isEqualTo("Farther out");
    page.close();
  }

  private void keep(long shot, double x) {
    String column = "[%s,%s,%s,%s,%s]";
    String samples =
        "{\"x\":%s,\"y\":[1,1,1,1,1],\"z\":[4,3.9,3.8,3.7,3.6],\"pan\":[0,1,2,3,4],"
            + "\"tilt\":[0,0,0,0,0],\"roll\":[0,0,0,0,0]}";
    String body = "{\"start\":1001,\"rate\":24,\"samples\":" + samples + "}";
    String all = column.formatted(x, x, x, x, x);
    app.post("/api/shots/" + shot + "/takes", body.formatted(all));
  }

  @Test
  void aTracker_isHeard_recorded_andWhatWasMissingIsSaid() throws IOException {
    long shot = app.copyOf("Quay walk");
    Page page = openTakes(shot);
    page.click("[data-by=tracker]");
    type(page, "Port on this machine", String.format(Locale.ROOT, "%d", freePort()));
    page.click(".settings button:text-is('Listen')");
    page.waitForSelector("#operating-says:has-text('Nothing comes on port')");
    type(page, "Samples that never arrive", "20");
    page.click(".settings button:text-is('Start it')");
    page.waitForSelector("#operating-says:has-text('60 samples a second')");
    type(page, "Punch out at frame", "1036");
    type(page, "Count-in", "0");
    page.click(".settings button:text-is('Record a take')");
    page.waitForSelector(".takes .lost");
    assertThat(page.textContent(".takes .lost")).containsPattern("\\d+ of \\d+ samples missing in");
    JsonNode kept = takes(shot).get(0);
    assertThat(kept.get("source").stringValue()).isEqualTo("tracker");
    assertThat(kept.get("samples").intValue()).isBetween(70, 110);
    page.click("[aria-label='Use Take 1']");
    page.click(".menu >> text='Few keys'");
    waitForRevision(page, 2);
    page.click(".settings button:text-is('Listen no more')");
    page.waitForFunction("() => !idleLens.desk.live");
    page.close();
  }

  /** To an address and a port that are chosen, and to others while it is sent. */
  @Test
  void thePlayhead_isSentToWhoListens_andAWrongAddressIsExplained() throws IOException {
    Page page = openTakes(app.copyOf("Quay walk"));
    page.click("[data-by=tracker]");
    try (DatagramSocket one = new DatagramSocket(0, InetAddress.getByName("127.0.0.2"));
        DatagramSocket other = new DatagramSocket(0, InetAddress.getLoopbackAddress())) {
      String address = "input[aria-label='Address of this machine to send to']";
      page.fill(address, "127.0.0.2");
      type(page, "Port to send to", String.valueOf(one.getLocalPort()));
      page.click(".settings button:text-is('Send the playhead')");
      hear(one);
      page.fill(address, "127.0.0.1");
      page.press(address, "Enter");
      type(page, "Port to send to", String.valueOf(other.getLocalPort()));
      page.waitForSelector(".settings button[aria-pressed=true]:text-is('Send no more')");
      hear(other);
      page.fill(address, "10.0.0.5");
      page.press(address, "Enter");
      page.waitForSelector(".toasts:has-text('an address of this machine')");
      page.waitForSelector(".settings button[aria-pressed=false]:text-is('Send the playhead')");
      complaints.removeIf(c -> c.contains("422"));
    }
    page.close();
  }

  private static void hear(DatagramSocket socket) throws IOException {
    socket.setSoTimeout(10_000);
    DatagramPacket packet = new DatagramPacket(new byte[8192], 8192);
    socket.receive(packet);
    assertThat(new String(packet.getData(), 0, 4, StandardCharsets.US_ASCII)).isEqualTo("OTrk");
  }

  private static int freePort() throws IOException {
    try (DatagramSocket any = new DatagramSocket(0, InetAddress.getLoopbackAddress())) {
      return any.getLocalPort();
    }
  }

  /** Whatever ends a walk while it is recorded, what was walked until then is a take. */
  @Test
  void anotherCameraInThePicture_endsTheTake_andLosesNothing() {
    long shot = app.copyOf("Two cameras");
    Page page = openTakes(shot);
    type(page, "Count-in", "0");
    page.keyboard().press("r");
    page.waitForSelector("#operating-says:has-text('Recording the walk')");
    page.waitForFunction("() => idleLens.desk.operation.walk.rows.length > 12");
    page.evaluate("() => idleLens.desk.showCamera(idleLens.store.cameras().at(-1).id)");
    page.waitForFunction("() => idleLens.desk.takes.all.length === 1");
    assertThat(takes(shot).get(0).get("samples").intValue()).isGreaterThan(5);
    page.waitForFunction(
        "() => !idleLens.desk.live && idleLens.desk.operation.roll.state === 'off'");
    page.close();
  }

  /** A set that is too large to be walked, say: the reason is told, and nobody walks. */
  @Test
  void aWalkThatIsRefused_saysWhy_andOperateIsAsBefore() {
    Page page = openTakes(app.copyOf("Quay walk"));
    String body = "{\"status\":422,\"title\":\"Not allowed\",\"detail\":\"ground is too large\"}";
    page.route(
        "**/walk?*",
        route ->
            route.fulfill(
                new Route.FulfillOptions()
                    .setStatus(422)
                    .setContentType("application/problem+json")
                    .setBody(body)));
    page.keyboard().press("o");
    page.click("[data-mode=walk]");
    page.waitForSelector(".toasts:has-text('ground is too large')");
    page.waitForSelector("[data-mode=turn][aria-pressed=true]");
    assertThat(page.isVisible("#operating-says")).isFalse();
    complaints.clear();
    page.close();
  }

  @Test
  void aGamePad_walksAndLooks() {
    long shot = app.copyOf("Quay walk");
    Page page = newPage();
    page.addInitScript(PAD);
    page.navigate(app.address() + "/shots/" + shot);
    page.waitForSelector("[data-ready=true]");
    page.click("[data-tab=takes]");
    page.waitForSelector(".settings .note:has-text('Pad of the quay')");
    walk(page);
    double z = z(page);
    double pan = number(page, "() => idleLens.desk.live.pose.pan");
    page.waitForTimeout(300);
    assertThat(z(page)).as("a stick's unrest moves nothing").isEqualTo(z);
    page.evaluate("() => { window.pad.axes = [0.05, -1, 0.5, 0]; }");
    page.waitForFunction("(z) => idleLens.desk.live.pose.z < z - 0.3", z);
    page.waitForFunction("(pan) => idleLens.desk.live.pose.pan < pan - 10", pan);
    page.keyboard().press("Escape");
    page.waitForFunction("() => !idleLens.desk.live");
    page.close();
  }
}

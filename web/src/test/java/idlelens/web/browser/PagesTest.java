package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.args.AxeRunOptions;
import com.deque.html.axecore.playwright.AxeBuilder;
import com.deque.html.axecore.results.Rule;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Productions, hand-off, recovery, and accessibility of every page. */
class PagesTest extends BrowserTest {

  private static void assertNoSeriousFault(Page page) {
    assertNoSeriousFault(page, "html");
  }

  private static void assertNoSeriousFault(Page page, String part) {
    assertNone(page, axe(page).include(part));
  }

  /** All else is the same in another look. */
  private static void assertNoFaultOfContrast(Page page, String part) {
    assertNone(page, axe(page).include(part).withRules(List.of("color-contrast")));
  }

  /** The pages have no frames, so that what was found need not be gathered in a page of its own. */
  private static AxeBuilder axe(Page page) {
    AxeRunOptions options = new AxeRunOptions();
    options.setResultTypes(List.of("violations"));
    return new AxeBuilder(page).options(options).setLegacyMode(true);
  }

  private static void assertNone(Page page, AxeBuilder axe) {
    List<Rule> faults =
        axe.analyze().getViolations().stream()
            .filter(r -> List.of("serious", "critical").contains(r.getImpact()))
            .toList();
    assertThat(faults)
        .extracting(r -> r.getId() + ": " + r.getNodes().get(0).getHtml())
        .as("faults that axe finds on %s", page.url())
        .isEmpty();
  }

  @Test
  void everyPage_hasNoSeriousFaultOfAccessibility() {
    Page page = newPage();
    page.navigate(app.address() + "/");
    page.waitForSelector("text=Quay walk");
    assertNoSeriousFault(page);
    page.navigate(app.address() + "/shots/" + app.demoShot("Quay walk") + "/hand-off");
    page.waitForSelector("main .check");
    assertNoSeriousFault(page);
    for (String view : List.of("in", "receivers", "record")) {
      page.click("[data-view=" + view + "]");
      assertNoSeriousFault(page);
    }
    page.close();
    Page floor = openFloor(app.demoShot("Quay walk"));
    assertNoSeriousFault(floor);
    for (String card : List.of("carried", "lens")) {
      floor.click("[data-card=" + card + "]");
      floor.waitForSelector(".settings .row");
      assertNoSeriousFault(floor, ".settings");
    }
    floor.click("#facts");
    floor.waitForSelector("text=New keys");
    assertNoSeriousFault(floor, ".settings");
    for (String tab : List.of("chosen", "tools", "timing", "findings", "markers", "history")) {
      floor.click("[data-tab=" + tab + "]");
      floor.waitForSelector("[data-tab=" + tab + "][aria-selected=true]");
      assertNoSeriousFault(floor, ".settings");
    }
    floor.click("[data-view-link=curves]");
    floor.waitForSelector(".graph .curve");
    assertNoSeriousFault(floor);
    floor.click("[data-view-link=lens]");
    floor.waitForSelector(".lens-bench .piece text");
    assertNoSeriousFault(floor, ".lens-bench");
    floor.close();
    Page dim = newPage();
    dim.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(ColorScheme.DARK));
    dim.navigate(app.address() + "/shots/" + app.demoShot("Quay walk"));
    dim.waitForSelector("[data-ready]");
    assertNoFaultOfContrast(dim, "html");
    dim.click("[data-view-link=curves]");
    dim.waitForSelector(".graph .curve");
    assertNoFaultOfContrast(dim, ".curves");
    assertNoFaultOfContrast(dim, ".channels");
    dim.click("[data-view-link=lens]");
    dim.waitForSelector(".lens-bench .piece text");
    assertNoFaultOfContrast(dim, ".lens-bench");
    dim.close();
    context.clearCookies();
    Page login = newPage();
    login.navigate(app.address() + "/login");
    assertNoSeriousFault(login);
    login.close();
  }

  @Test
  void newShot_duplicate_deleteAndPutBack() {
    Page page = newPage();
    page.navigate(app.address() + "/");
    page.click("text=New shot");
    page.fill("#shot-name", "Gulls");
    page.fill("#shot-length", "00:00:02:00");
    page.click("dialog[open] button.main");
    page.waitForSelector("[data-ready]");
    assertThat(page.textContent("#facts")).isEqualTo("24 fps · 1001–1048 · 16:9");
    page.navigate(app.address() + "/");
    page.click("article:has-text('Gulls') button:text-is('Duplicate')");
    page.waitForSelector("text=Gulls copy");
    page.click("article:has-text('Gulls copy') button:text-is('Delete')");
    page.waitForSelector("text=Gulls copy is deleted");
    assertThat(page.isVisible("article:has-text('Gulls copy')")).isFalse();
    page.click("text=Put it back");
    page.waitForSelector("article:has-text('Gulls copy')");
    page.close();
  }

  @Test
  void newProduction_isListedAndEmptyPlacesSayWhatBelongsThere() {
    Page page = newPage();
    page.navigate(app.address() + "/");
    page.click("text=New production");
    page.fill("dialog[open] input", "Autumn");
    page.click("dialog[open] button.main");
    page.waitForSelector("section[aria-label='Autumn']");
    assertThat(page.textContent("section[aria-label='Autumn'] .empty")).contains("No shots yet");
    page.close();
  }

  @Test
  void handOff_outAndIn_theCameraComesBackTheSame(@TempDir Path folder) throws IOException {
    long shot = app.copyOf("Quay walk");
    Page page = newPage();
    page.navigate(app.address() + "/shots/" + shot + "/hand-off");
    Download download = page.waitForDownload(() -> page.click("main button:text-is('Write')"));
    Path file = folder.resolve(download.suggestedFilename());
    download.saveAs(file);
    assertThat(download.suggestedFilename()).isEqualTo("Quay walk copy A-cam.glb");
    page.click("[data-view=in]");
    page.setInputFiles("#file", file);
    page.selectOption("#into", "new");
    page.click("form button:text-is('Bring in')");
    page.waitForSelector("text=nodes came in.");
    page.click("text=Open it on the Floor");
    page.waitForSelector("[data-ready]");
    assertThat(page.textContent("#facts")).isEqualTo("24 fps · 1001–1144 · 16:9");
    // largest distance in place between the two, in metres, over all frames
    Object off =
        page.evaluate(
            "async (id) => { const other = await (await fetch(`/api/shots/${id}/samples?camera=a-cam`)).json();"
                + " const n = other.nodes[0]; let most = 0; const s = idleLens.store; const cam = s.cameras()[0].id;"
                + " n.x.forEach((x, i) => { const p = s.pose(cam, 1001 + i);"
                + " most = Math.max(most, Math.hypot(p.x - x, p.y - n.y[i], p.z - n.z[i])); }); return most; }",
            shot + "");
    assertThat(((Number) off).doubleValue()).isLessThan(1e-5);
    page.close();
  }

  @Test
  void handOff_aFileFromElsewhere_comesIntoThisShotAndDamagedOnesAreExplained() throws IOException {
    long shot = app.copyOf("Lamp room");
    Page page = newPage();
    page.navigate(app.address() + "/shots/" + shot + "/hand-off");
    byte[] file = Files.readAllBytes(Path.of("../exchange/src/test/resources/quay/boom-shot.glb"));
    page.click("[data-view=in]");
    page.setInputFiles("#file", new FilePayload("boom-shot.glb", "model/gltf-binary", file));
    page.click("form button:text-is('Bring in')");
    page.waitForSelector("text=nodes came in.");
    assertThat(app.get("/api/shots/" + shot).text()).contains("\"Boom\"", "\"B-cam\"");
    byte[] cut = Arrays.copyOf(file, 9000);
    page.setInputFiles("#file", new FilePayload("cut.glb", "model/gltf-binary", cut));
    page.click("form button:text-is('Bring in')");
    page.waitForSelector(".trouble:has-text('header.length at byte 8')");
    assertThat(app.revision(shot)).isEqualTo(2);
    complaints.removeIf(c -> c.contains("422"));
    page.close();
  }

  @Test
  void lostDatabase_theEditWaitsAndIsStoredOnceItIsBack() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    app.killDatabase();
    page.evaluate("() => { idleLens.desk.select('keeper'); }");
    page.evaluate(
        "() => { idleLens.store.edit([{ edit: 'rename', id: 'keeper', name: 'Watch' }]); }");
    page.waitForFunction(
        "() => idleLens.store.saving.state === 'saved' && idleLens.store.byId.get('keeper').name === 'Watch'",
        null,
        new Page.WaitForFunctionOptions().setTimeout(60_000));
    assertThat(app.node(shot, "keeper").get("name").stringValue()).isEqualTo("Watch");
    complaints.removeIf(c -> c.contains("503"));
    page.close();
  }

  @Test
  void loggedOut_theEditWaitsUntilSomebodyLogsInAgain() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    context.clearCookies();
    page.evaluate(
        "() => { idleLens.store.edit([{ edit: 'rename', id: 'keeper', name: 'Watch' }]); }");
    page.waitForSelector("#saved.trouble:has-text('You are logged out')");
    Page other = newPage();
    other.navigate(app.address() + "/login");
    other.fill("[name=username]", "demo");
    other.fill("[name=password]", "tern-quay");
    other.click("button[type=submit]");
    other.waitForURL(url -> !url.contains("/login"));
    waitForRevision(page, 2);
    assertThat(app.node(shot, "keeper").get("name").stringValue()).isEqualTo("Watch");
    complaints.removeIf(c -> c.contains("401") || c.contains("403"));
    other.close();
    page.close();
  }
}

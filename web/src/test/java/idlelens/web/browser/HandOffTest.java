package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.zip.ZipFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The view of hand-offs as an artist uses it. */
class HandOffTest extends BrowserTest {
  private static final Path FILES = Path.of("../exchange/src/test/resources/quay");

  private Page open(long shot, String view) {
    Page page = newPage();
    page.navigate(app.address() + "/shots/" + shot + "/hand-off#" + view);
    page.waitForSelector("main[data-ready=true]");
    return page;
  }

  private static FilePayload payload(String name) throws IOException {
    return new FilePayload(
        name, "application/octet-stream", Files.readAllBytes(FILES.resolve(name)));
  }

  @Test
  void send_whatIsChosenIsCheckedAndComesAsOneZip(@TempDir Path folder) throws IOException {
    Page page = open(app.copyOf("Two cameras"), "out");
    page.waitForSelector(".check .verdict.good:has-text('glTF 2.0, binary')");
    page.check("input[value=usda]");
    page.waitForSelector(".verdict.good:has-text('OpenUSD text')");
    assertThat(page.locator(".check-strip").count()).isEqualTo(4); // two files of two cameras
    page.selectOption("#profile", "Picture space, pixels");
    page.waitForSelector(".receiver:has-text('100 pixels a metre')");
    page.click("text=Add a cut");
    assertThat(page.locator(".cut-row").count()).isEqualTo(1);
    page.click("text=Take the program");
    assertThat(page.locator(".cut-row").count()).as("the cuts of the shot").isEqualTo(5);
    page.check("input[value=edl]");
    Download download = page.waitForDownload(() -> page.click("form button.main"));
    assertThat(download.suggestedFilename()).isEqualTo("Two cameras copy.zip");
    try (ZipFile zip = new ZipFile(download.path().toFile())) {
      InputStream edl = zip.getInputStream(zip.getEntry("Two cameras copy.edl"));
      assertThat(new String(edl.readAllBytes(), StandardCharsets.US_ASCII))
          .as("the dissolve of the program")
          .contains("004  BCAM     V     D    010 ");
    }
    page.click("[data-view=record]");
    page.waitForSelector("td:has-text('Two cameras copy.zip')");
    page.close();
  }

  @Test
  void bring_aLookShowsWhatIsInside_andWhatIsWrongIsPutRightThere() throws IOException {
    long shot = app.copyOf("Lamp room");
    Page page = open(shot, "in");
    page.setInputFiles("#file", payload("quay-rail.usda"));
    page.waitForSelector(".found dd:has-text('+Z up, centimetres')");
    page.waitForSelector(".found text:has-text('camera at 1.79 m')");
    page.selectOption("#unit", "0.001");
    page.waitForSelector(".found text:has-text('camera at 0.179 m')");
    page.selectOption("#unit", "");
    page.selectOption("#keys", "few");
    page.waitForSelector(".found h3:has-text('Before and after')");
    page.check("#carriers");
    page.click("form button:text-is('Bring in')");
    page.waitForSelector("text=nodes came in.");
    assertThat(app.get("/api/shots/" + shot).text()).contains("Rail_cam dolly", "Rail_cam head");
    page.click("[data-view=out]");
    page.waitForSelector("label:has-text('Rail_cam')");
    page.click("[data-view=in]");
    page.click("text=Undo it");
    page.waitForSelector(
        ".message.good", new Page.WaitForSelectorOptions().setState(WaitForSelectorState.HIDDEN));
    assertThat(app.get("/api/shots/" + shot).text()).doesNotContain("Rail_cam");
    page.click("[data-view=out]"); // what is gone is not offered, and is not checked
    page.waitForSelector(".check");
    assertThat(page.querySelector("label:has-text('Rail_cam')")).isNull();
    page.close();
  }

  @Test
  void bring_ontoACamera_replacesItsMotion() throws IOException {
    long shot = app.copyOf("Two cameras");
    Page page = open(shot, "in");
    page.setInputFiles("#file", payload("quay-rail.usda"));
    page.selectOption("#into", "on:b-cam");
    page.waitForSelector(".found dd:has-text('Rail_cam')");
    page.click("form button:text-is('Bring in')");
    page.waitForSelector("text=The motion is replaced.");
    String table = app.get("/api/shots/" + shot + "/export/csv?camera=b-cam").text();
    assertThat(table).contains("\n1001,");
    assertThat(app.get("/api/shots/" + shot).text()).doesNotContain("Rail_cam");
    page.close();
  }

  @Test
  void bring_aFileThatCameBefore_isRenewedAsItCame() throws IOException {
    Page page = open(app.copyOf("Lamp room"), "in");
    page.setInputFiles("#file", payload("quay-rail.usda"));
    page.waitForSelector(".found dd:has-text('+Z up, centimetres')");
    page.selectOption("#unit", "0.001");
    page.selectOption("#keys", "few");
    page.check("#carriers");
    page.waitForSelector(".found h3:has-text('Before and after')");
    page.click("form button:text-is('Bring in')");
    page.waitForSelector("text=nodes came in.");
    page.reload();
    page.waitForSelector("main[data-ready=true]");
    page.setInputFiles("#file", payload("quay-rail.usda"));
    page.waitForSelector(".found dd:has-text('+Z up, centimetres')");
    page.selectOption("#into", "renew");
    page.waitForSelector("#into option:checked:has-text('(9 nodes)')", attached());
    page.waitForSelector(".found dd:has-text('+Z up, millimetres')");
    assertThat(page.textContent("#unit option:checked")).isEqualTo("as before");
    assertThat(page.isVisible("#carriers")).isFalse();
    page.click("form button:text-is('Bring in')");
    page.waitForSelector(".message.good:has-text('What came from it is renewed.')");
    page.close();
  }

  private static Page.WaitForSelectorOptions attached() {
    return new Page.WaitForSelectorOptions().setState(WaitForSelectorState.ATTACHED);
  }

  @Test
  void receivers_areCopiedAndKept_andWrongValuesAreExplained() {
    Page page = open(app.copyOf("Lamp room"), "receivers");
    page.click("button:has-text('Z-up centimetres')");
    page.click("button:text-is('Copy')");
    page.waitForSelector("button[aria-pressed=true]:has-text('Z-up centimetres copy')");
    page.fill(".value:has-text('Metres a unit') input", "0.0254");
    page.click("button:text-is('Keep')");
    page.waitForSelector(".receiver:has-text('inches')");
    page.fill(".value:has-text('Metres a unit') input", "-1");
    page.click("button:text-is('Keep')");
    page.waitForSelector(".trouble:has-text('metresPerUnit is -1.0')");
    complaints.removeIf(c -> c.contains("422"));
    page.click("[data-view=out]");
    page.selectOption("#profile", "Z-up centimetres copy");
    page.waitForSelector(".verdict.unproven, .verdict.good");
    page.click("[data-view=receivers]");
    page.click("button:text-is('Forget')");
    page.waitForSelector("button[aria-pressed=true]:has-text('Y-up metres')");
    page.close();
  }

  @Test
  void compare_saysWhatLiesBetween_andOnePressMendsIt() {
    long shot = app.copyOf("Hand-off");
    byte[] file =
        app.get("/api/shots/" + shot + "/export/usda?camera=a-cam&company=carriers").body();
    Map<String, String> late = Map.of("shot", Long.toString(shot), "firstFrame", "1003");
    app.upload(
        "/api/productions/" + app.demoProduction() + "/imports", Map.of("late.usda", file), late);
    Page page = open(shot, "compare");
    page.selectOption("#compare-camera", "a-cam");
    page.locator("#compare-other option")
        .last()
        .evaluate(
            "(o) => { o.parentElement.value = o.value; o.parentElement.dispatchEvent(new Event('change', { bubbles: true })); }");
    page.waitForSelector(".verdict:has-text('2 frames too late')");
    page.click("text=Put it right");
    page.waitForSelector(".verdict.good");
    page.close();
  }
}

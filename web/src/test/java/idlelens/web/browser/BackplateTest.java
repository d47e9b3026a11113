package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import idlelens.web.app.TestPictures;
import java.awt.Color;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;

/** Pictures behind what a camera sees: on their frames, fitted, as strong as asked, or over all. */
class BackplateTest extends BrowserTest {
  /** Red, green and blue at a place of the picture, in parts from its upper left. */
  private static final String AT =
      "([x, y, frame]) => { const small = idleLens.picture.shot(frame, 320);"
          + " const pen = small.getContext('2d');"
          + " return [...pen.getImageData(Math.round(x * small.width),"
          + " Math.round(y * small.height), 1, 1).data]; }";

  private static final double[] SKY = {0.5, 0.06};
  private static final double[] KEEPER = {0.62, 0.9};

  private static FilePayload file(String name, Color colour) {
    return new FilePayload(name, "image/png", TestPictures.halfPng(160, 90, colour));
  }

  private static int[] seen(Page page, double[] at, int frame) {
    List<?> rgb = (List<?>) page.evaluate(AT, List.of(at[0], at[1], frame));
    return rgb.stream().limit(3).mapToInt(v -> ((Number) v).intValue()).toArray();
  }

  private static void waitForPlate(Page page) {
    page.waitForFunction(
        "() => { idleLens.picture.draw(true); return idleLens.picture.set.plate.mesh.visible; }");
  }

  private Page withPlate() {
    Page page = openFloor(app.copyOf("Focus pull"));
    page.evaluate("() => { idleLens.desk.select('a-cam'); idleLens.desk.goTo(1062); }");
    page.click("#chain .adder");
    page.click("[role=menuitem]:has-text('Backplate')");
    waitForRevision(page, 2);
    page.locator("input[aria-label='Picture files']")
        .setInputFiles(
            new FilePayload[] {file("back.1.png", Color.RED), file("back.2.png", Color.GREEN)});
    waitForRevision(page, 3);
    waitForPlate(page);
    return page;
  }

  @Test
  void plate_liesBehindTheSet_onItsFrames_orOverIt() {
    Page page = withPlate();
    int[] keeper = seen(page, KEEPER, 1062);
    typeIn(page, "Frame of the first picture", "1061");
    waitForRevision(page, 4);
    waitForPlate(page);
    double[] left = {0.3, SKY[1]};
    int[] first = seen(page, left, 1061);
    page.evaluate("() => idleLens.desk.goTo(1062)");
    waitForPlate(page);
    int[] second = seen(page, left, 1062);
    assertThat(first[0]).as("red first").isGreaterThan(first[1] + 100);
    assertThat(second[1]).as("then green").isGreaterThan(second[0] + 100);
    int[] still = seen(page, KEEPER, 1062);
    for (int i = 0; i < 3; i++) {
      // drawn with another number of points, an edge may lie a little elsewhere
      assertThat(still[i]).as("the keeper stands before it").isCloseTo(keeper[i], within(15));
    }
    typeIn(page, "Frames by which they come later", "1");
    waitForRevision(page, 5);
    waitForPlate(page);
    int[] later = seen(page, left, 1062);
    assertThat(later[0]).as("red a frame later").isGreaterThan(later[1] + 100);
    page.selectOption("select[aria-label='Where they lie']", "over");
    waitForRevision(page, 6);
    waitForPlate(page);
    double[] low = {0.3, 0.9};
    int[] over = seen(page, low, 1062);
    assertThat(over[0]).as("over the boards too").isGreaterThan(over[1] + 100);
    typeIn(page, "Opacity", "0.5");
    waitForRevision(page, 7);
    waitForPlate(page);
    int[] half = seen(page, low, 1062);
    assertThat(half[0]).isLessThan(over[0] - 20);
    page.close();
  }

  /** A row of the picture as it is drawn at once, through the sky: how red it is. */
  private static final String ROW =
      "(mode) => { const { picture } = idleLens; picture.exposing.setTo({ mode });"
          + " picture.draw(true); const pen = new OffscreenCanvas(320, 180).getContext('2d');"
          + " pen.drawImage(picture.canvas, 0, 0, 320, 180); return [...pen.getImageData(0, 11, 320,"
          + " 1).data].filter((_, i) => i % 4 === 0); }";

  /**
   * What was taken elsewhere has its own blur: that of this lens, wide open, is not laid over it.
   */
  @Test
  void fastPicture_leavesThePlateAsItIs() {
    Page page = withPlate();
    page.evaluate(
        "() => idleLens.store.edit([{ edit: 'set-values', id: 'a-cam', frame: 1062, keying: 'still',"
            + " values: { fstop: 0.3 } }])");
    waitForRevision(page, 4);
    waitForPlate(page);
    long sharp = between(page.evaluate(ROW, "off"));
    assertThat(sharp).as("its edge is there").isPositive();
    assertThat(between(page.evaluate(ROW, "fast"))).isLessThanOrEqualTo(sharp + 2);
    page.close();
  }

  /** How many points about the edge of the plate are neither of its one half nor of the other. */
  private static long between(Object row) {
    return ((List<?>) row)
        .subList(120, 220).stream()
            .mapToInt(v -> ((Number) v).intValue())
            .filter(v -> v > 8 && v < 180)
            .count();
  }

  /** Grey that gets lighter from frame to frame: each picture shows its own frame of the video. */
  @Test
  void video_isTakenApartIntoItsFrames_andAFileThatIsNoneIsRefused() throws IOException {
    Page page = withPlate();
    byte[] steps = getClass().getResourceAsStream("/pictures/steps.webm").readAllBytes();
    page.locator("input[aria-label='Picture files']")
        .setInputFiles(new FilePayload("steps.webm", "video/webm", steps));
    waitForRevision(page, 4);
    assertThat(stills(page)).isEqualTo(24);
    for (int i : new int[] {0, 11, 23}) {
      Object grey = page.evaluate(GREY, i);
      // written with a brightness of 16 + 9 i, where 16 is black and 235 white
      assertThat(((Number) grey).doubleValue()).isCloseTo(9 * i * 255 / 219.0, within(6.0));
    }
    page.locator("input[aria-label='Picture files']")
        .setInputFiles(new FilePayload("broken.webm", "video/webm", new byte[2000]));
    page.waitForSelector(
        ".toast-line:has-text('broken.webm is a video that this browser does not play')");
    assertThat(stills(page)).as("what was there stays").isEqualTo(24);
    page.close();
  }

  @Test
  void zip_givesItsPictures_inTheOrderOfTheirNumbers_andWhatIsNoneIsRefused() throws IOException {
    Page page = withPlate();
    Map<String, byte[]> entries = new LinkedHashMap<>();
    entries.put("plates/back.10.png", TestPictures.halfPng(16, 9, Color.BLUE));
    entries.put("plates/back.2.png", TestPictures.halfPng(32, 18, Color.RED));
    entries.put("plates/notes.txt", new byte[] {1, 2});
    entries.put("__MACOSX/plates/back.2.png", new byte[] {1, 2});
    page.locator("input[aria-label='Picture files']")
        .setInputFiles(new FilePayload("plates.zip", "application/zip", zip(entries)));
    waitForRevision(page, 4);
    assertThat(
            page.evaluate(
                "() => idleLens.store.byId.get('a-cam').chain.find((part) => part.part"
                    + " === 'backplate').pictures.stills.map((still) => still.width).join()"))
        .isEqualTo("32,16");
    byte[] empty = zip(Map.of("notes.txt", new byte[] {1}));
    for (byte[] wrong : List.of(empty, new byte[] {80, 75, 3, 4, 0, 0})) {
      page.locator("input[aria-label='Picture files']")
          .setInputFiles(new FilePayload("wrong.zip", "application/zip", wrong));
      page.waitForSelector(".toast-line:has-text('wrong.zip is')");
    }
    byte[] large = zip(Map.of("claims.png", new byte[17 << 20]));
    assertThat(large.length).as("what it claims is not what it has").isLessThan(100_000);
    page.locator("input[aria-label='Picture files']")
        .setInputFiles(new FilePayload("large.zip", "application/zip", large));
    page.waitForSelector(".toast-line:has-text('claims.png is more than 16 MB')");
    page.close();
  }

  /** How grey the middle of a still is, 0 to 255. */
  private static final String GREY =
      "async (i) => { const { store } = idleLens; const { pictures } ="
          + " store.byId.get('a-cam').chain.find((part) => part.part === 'backplate'); const answer ="
          + " await fetch(store.path('/pictures/' + pictures.stills[i].asset)); const image = await"
          + " createImageBitmap(await answer.blob()); const pen = new OffscreenCanvas(64,"
          + " 36).getContext('2d'); pen.drawImage(image, 0, 0); return pen.getImageData(32, 18, 1,"
          + " 1).data[0]; }";

  private static int stills(Page page) {
    return ((Number)
            page.evaluate(
                "() => idleLens.store.byId.get('a-cam').chain.find((part) => part.part ==="
                    + " 'backplate').pictures.stills.length"))
        .intValue();
  }

  private static byte[] zip(Map<String, byte[]> entries) throws IOException {
    ByteArrayOutputStream octets = new ByteArrayOutputStream();
    try (ZipOutputStream out = new ZipOutputStream(octets)) {
      for (Map.Entry<String, byte[]> each : entries.entrySet()) {
        out.putNextEntry(new ZipEntry(each.getKey()));
        out.write(each.getValue());
      }
    }
    return octets.toByteArray();
  }

  private static void typeIn(Page page, String label, String text) {
    var field = page.locator(".settings input[aria-label='" + label + "']");
    field.fill(text);
    field.press("Enter");
  }
}

package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import idlelens.web.app.TestPictures;
import java.awt.Color;
import java.util.List;
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

  private static void typeIn(Page page, String label, String text) {
    var field = page.locator(".settings input[aria-label='" + label + "']");
    field.fill(text);
    field.press("Enter");
  }
}

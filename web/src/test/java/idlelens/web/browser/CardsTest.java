package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import idlelens.web.app.TestPictures;
import java.awt.Color;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What is written and shown on cards: text, pictures, sequences, also on copies. */
class CardsTest extends BrowserTest {
  /**
   * Red, green and blue at a place of the card's face, right of its middle by a part of its width.
   */
  private static final String AT =
      "(across) => { const { picture, store, desk } = idleLens;"
          + " const { w, h } = picture.size; picture.draw(true);"
          + " const p = store.pose(desk.selected, desk.frame); const { shape } = desk.node;"
          + " const at = picture.project([p.x + across * shape.width, p.y + shape.height * 0.6,"
          + " p.z]); const small = document.createElement('canvas'); small.width = w;"
          + " small.height = h; const pen = small.getContext('2d');"
          + " pen.drawImage(picture.canvas, 0, 0, w, h);"
          + " return [...pen.getImageData(Math.round(at[0]), Math.round(at[1]), 1, 1).data]; }";

  private static FilePayload file(String name, Color colour) {
    return new FilePayload(name, "image/png", TestPictures.halfPng(80, 40, colour));
  }

  private static int[] seen(Page page, double across) {
    List<?> rgb = (List<?>) page.evaluate(AT, across);
    return rgb.stream().limit(3).mapToInt(v -> ((Number) v).intValue()).toArray();
  }

  /** A card that stands across the view of the camera, selected. */
  private Page withCard() {
    Page page = openFloor(app.copyOf("Quay walk"));
    page.click("#add");
    page.click(".menu >> text=\"Card\"");
    waitForRevision(page, 2);
    page.evaluate("() => idleLens.desk.chooseCard('piece')");
    return page;
  }

  private static void choose(Page page, FilePayload... files) {
    page.locator("input[aria-label='Picture files']").setInputFiles(files);
  }

  @Test
  void textOfACard_isWritten_andALineTooManyIsRefusedNotDropped() {
    Page page = withCard();
    Locator text = page.locator("textarea[aria-label='Text on the card']");
    text.fill("Berth\nfour");
    text.blur();
    waitForRevision(page, 3);
    text.fill("line\n".repeat(13));
    text.blur();
    page.waitForSelector(".toast-line.bad:has-text('The number of lines is 13; at most 12')");
    page.waitForFunction("() => idleLens.desk.node.finish.text.lines.join() === 'Berth,four'");
    complaints.removeIf(c -> c.contains("422")); // the refusal itself
    page.close();
  }

  @Test
  void still_fillsTheCard_andItsTransparencyLetsThrough_untilItIsTakenOff() {
    Page page = withCard();
    int[] behind = seen(page, 0.25);
    choose(page, file("sign.png", Color.GREEN));
    waitForRevision(page, 3);
    page.waitForFunction(
        "() => idleLens.picture.set.solids.pieces.get(idleLens.desk.selected).solid.material.map");
    assertThat(number(page, "() => idleLens.desk.node.shape.width")).isEqualTo(1.6);
    int[] left = seen(page, -0.25);
    assertThat(left[1]).as("green on the left").isGreaterThan(left[0] + 40);
    int[] right = seen(page, 0.25);
    assertThat(right[0]).as("not the card on the right").isNotEqualTo(behind[0]);
    assertThat(right[1]).as("nor the picture").isLessThan(left[1] + 60).isLessThan(right[0] + 40);
    assertThat(page.locator(".settings .shown small").first().textContent())
        .isEqualTo("80 × 40 px");
    assertThat(page.locator(".settings input[aria-label='Pictures a second']").isVisible())
        .isFalse();
    page.click(".settings >> text=\"Take off\"");
    waitForRevision(page, 4);
    assertThat(page.evaluate("() => 'pictures' in idleLens.desk.node.finish")).isEqualTo(false);
    page.keyboard().press("Control+z");
    waitForRevision(page, 5);
    page.reload();
    page.waitForSelector("[data-ready]");
    assertThat(
            number(
                page,
                "() => idleLens.store.nodes.find((n) => n.finish?.pictures).finish.pictures.stills.length"))
        .isEqualTo(1);
    page.close();
  }

  @Test
  void sequence_playsByTheNumbersOfItsFiles_heldWhereTheyHaveGaps_atItsRate() {
    Page page = withCard();
    choose(
        page,
        file("g.10.png", Color.BLUE),
        file("g.7.png", Color.RED),
        file("g.8.png", Color.GREEN));
    waitForRevision(page, 3);
    String shown =
        "() => JSON.stringify([...idleLens.store.motion.get(idleLens.desk.selected).shown].slice(8, 17))";
    assertThat(page.evaluate(shown)).isEqualTo("[0,1,1,2,0,1,1,2,0]");
    page.evaluate("() => idleLens.desk.goTo(1004)");
    page.waitForFunction(
        "() => document.querySelector('.settings').textContent.includes('3 of 3, round 4 f')");
    page.waitForFunction(
        "() => { const { picture, desk } = idleLens; const { solid } = picture.set.solids.pieces.get(desk.selected);"
            + " picture.draw(); return solid.material.map"
            + " && solid.userData.id === desk.selected; }");
    int[] blue = seen(page, -0.25);
    assertThat(blue[2]).isGreaterThan(blue[0] + 40);
    type(page, "This one held for", "3");
    waitForRevision(page, 4);
    assertThat(page.evaluate(shown)).isEqualTo("[0,1,1,2,2,2,0,1,1]");
    type(page, "Each held for", "1");
    waitForRevision(page, 5);
    type(page, "Pictures a second", "12");
    waitForRevision(page, 6);
    assertThat(page.evaluate(shown)).isEqualTo("[0,0,1,1,2,2,0,0,1]");
    page.selectOption("select[aria-label='After the last picture']", "hold");
    waitForRevision(page, 7);
    type(page, "Frame of the first picture", "1003");
    waitForRevision(page, 8);
    assertThat(page.evaluate(shown)).isEqualTo("[0,0,0,0,1,1,2,2,2]");
    page.keyboard().press("Control+z");
    waitForRevision(page, 9);
    assertThat(page.evaluate(shown)).isEqualTo("[0,0,1,1,2,2,2,2,2]");
    page.close();
  }

  @Test
  void fileThatIsNoPicture_isRefusedByItsName_andTheCardStaysAsItIs() {
    Page page = withCard();
    choose(
        page,
        file("good.png", Color.RED),
        new FilePayload("notes.png", "image/png", "text".getBytes(StandardCharsets.UTF_8)));
    page.waitForSelector(".toast-line.bad:has-text('notes.png')");
    assertThat(number(page, "() => idleLens.store.revision")).isEqualTo(2);
    assertThat(page.locator(".settings >> text=\"Choose files…\"").isEnabled()).isTrue();
    complaints.removeIf(c -> c.contains("422")); // the refusal itself
    page.close();
  }

  @Test
  void copies_showTextAndPictures_asTheCardDoes() {
    Page page = withCard();
    Locator text = page.locator("textarea[aria-label='Text on the card']");
    text.fill("Berth");
    text.blur();
    waitForRevision(page, 3);
    choose(page, file("sign.png", Color.RED));
    waitForRevision(page, 4);
    page.click("#add");
    page.click(".menu button:has-text('what is selected, again')");
    waitForRevision(page, 5);
    String card =
        "idleLens.picture.set.solids.pieces.get(idleLens.store.nodes.find((n) => n.finish?.text && n.finish.pictures).id).solid";
    page.waitForFunction("() => " + card + ".isInstancedMesh && " + card + ".material.map");
    assertThat(number(page, "() => " + card + ".children.length")).isEqualTo(2);
    assertThat(
            page.evaluate(
                "() => "
                    + card
                    + ".children.every((c) => c.count === "
                    + card
                    + ".count && c.instanceMatrix === "
                    + card
                    + ".instanceMatrix)"))
        .isEqualTo(true);
    page.close();
  }

  @Test
  void gullOfTheDemo_beatsItsWings() {
    Page page = openFloor(app.copyOf("Two cameras"));
    String map = "() => idleLens.picture.set.solids.pieces.get('gull').solid.material.map";
    page.waitForFunction(map);
    page.evaluate("() => { window.first = (" + map + ")().uuid; idleLens.desk.goTo(1003); }");
    page.waitForFunction("() => (" + map + ")().uuid !== window.first");
    assertThat(number(page, "() => idleLens.store.motion.get('gull').round")).isEqualTo(20);
    page.close();
  }
}

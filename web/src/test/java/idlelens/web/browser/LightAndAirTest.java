package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Lights, shadows, mist and haze: put on set, changed, repeated, and as the picture shows them. */
class LightAndAirTest extends BrowserTest {
  /** Red, green and blue in the picture where a place in the world is seen. */
  private static int[] seenAt(Page page, double x, double y, double z) {
    List<?> rgb =
        (List<?>)
            page.evaluate(
                "place => { const { picture } = idleLens; const { w, h } = picture.size;"
                    + " picture.set.shadowsStale = true; picture.draw(true);"
                    + " const [px, py] = picture.project(place); const small ="
                    + " document.createElement('canvas'); small.width = w; small.height = h;"
                    + " const pen = small.getContext('2d'); pen.drawImage(picture.canvas, 0, 0, w,"
                    + " h); return [...pen.getImageData(Math.round(px), Math.round(py), 1, 1).data];"
                    + " }",
                List.of(x, y, z));
    return rgb.stream().limit(3).mapToInt(v -> ((Number) v).intValue()).toArray();
  }

  private static void edit(Page page, String... edits) {
    page.evaluate("() => idleLens.store.edit([" + String.join(", ", edits) + "])");
  }

  /** How far a colour is from magenta. */
  private static double fromMagenta(int[] rgb) {
    return Math.hypot(255 - rgb[0], Math.hypot(rgb[1], 255 - rgb[2]));
  }

  @Test
  void haze_growsWithDepth_soThatHalfIsGoneWhereItSays() {
    Page page = openFloor(app.copyOf("Quay walk"));
    int[] nearWas = seenAt(page, 1.05, 1, -2.4);
    int[] farWas = seenAt(page, 0, 8, -28.4);
    edit(
        page,
        "{ edit: 'add-nodes', nodes: [{ id: 'haze', name: 'Haze', kind: 'haze',"
            + " haze: { colour: '#ff00ff', half: 38 } }] }");
    waitForRevision(page, 2);
    int[] near = seenAt(page, 1.05, 1, -2.4);
    int[] far = seenAt(page, 0, 8, -28.4);
    double nearShare = fromMagenta(near) / fromMagenta(nearWas);
    double farShare = fromMagenta(far) / fromMagenta(farWas);
    assertThat(nearShare).as("11 m away").isBetween(0.8, 1.0);
    assertThat(farShare).as("38 m away, in linear light").isBetween(0.3, 0.75);
    page.close();
  }

  @Test
  void shadows_areCastOnRequest_byWhatStandsInTheWayOfALight() {
    Page page = openFloor(app.copyOf("Quay walk"));
    String lamp = "lamp: { as: 'key', colour: '#ffffff', strength: 9, reach: 20, shadows: %s }";
    edit(
        page,
        "{ edit: 'set-hidden', id: 'low-sun', hidden: true }",
        "{ edit: 'add-nodes', nodes: [{ id: 'lid', name: 'Lid', kind: 'piece', shape: { kind:"
            + " 'box', width: 0.8, height: 0.1, depth: 0.8 }, finish: { colour: '#c8c4bc', kind:"
            + " 'matt' }, chain: [{ part: 'keys', y: 2.6, z: -1 }] }, { id: 'above', name: 'Above',"
            + " kind: 'light', "
            + lamp.formatted("false")
            + ", chain: [{ part: 'keys', y: 5, z: -1, tilt: -90 }] }] }");
    waitForRevision(page, 2);
    int[] lit = seenAt(page, 0.1, 0, -1);
    int[] beside = seenAt(page, 1.3, 0, -1);
    edit(page, "{ edit: 'set-light', id: 'above', " + lamp.formatted("true") + " }");
    waitForRevision(page, 3);
    int[] shaded = seenAt(page, 0.1, 0, -1);
    assertThat(shaded[0]).as("under the lid").isLessThan(lit[0] - 25);
    assertThat(seenAt(page, 1.3, 0, -1)[0]).as("beside it").isGreaterThan(beside[0] - 12);
    page.close();
  }

  @Test
  void lightAndMistInARepeat_shineAndDriftWithEachCopy() {
    Page page = openFloor(app.copyOf("Quay walk"));
    page.evaluate(
        "() => idleLens.store.edit([{ edit: 'add-nodes', nodes: ["
            + "{ id: 'row', name: 'Row', kind: 'repeat', repeat: { count: 5, first: -1, z: -4 } },"
            + "{ id: 'lamp-a', name: 'Lamp A', kind: 'light', lamp: { as: 'practical',"
            + " colour: '#ffcf8a', strength: 1, reach: 8 }, chain: [{ part: 'keys', x: 1, y: 2 },"
            + " { part: 'carried', by: [{ node: 'row' }] }] },"
            + "{ id: 'mist-a', name: 'Mist A', kind: 'mist', mist: { count: 20, seed: 1, width: 4,"
            + " height: 1, depth: 4, puff: 1, x: 0.4, y: 0, z: 0, colour: '#dfe6ea', density: 0.2,"
            + " loops: true }, chain: [{ part: 'keys' }, { part: 'carried',"
            + " by: [{ node: 'row' }] }] }] }])");
    waitForRevision(page, 2);
    page.evaluate("() => idleLens.picture.draw()");
    String places =
        "of => JSON.stringify([...of.values()].map((o) => Math.round((o.light ?? o.points).position.z)))";
    assertThat(page.evaluate("() => (" + places + ")(idleLens.picture.set.lamps.lights)"))
        .as("itself, then those next to it")
        .isEqualTo("[0,4,-4,-8,-12]");
    assertThat(page.evaluate("() => (" + places + ")(idleLens.picture.set.air.mists)"))
        .isEqualTo("[0,4,-4,-8,-12]");
    page.evaluate(
        "() => idleLens.store.edit([{ edit: 'set-repeat', id: 'row', repeat: { count: 2, first: 0,"
            + " z: -4 } }])");
    waitForRevision(page, 3);
    assertThat(number(page, "() => idleLens.picture.set.lamps.lights.size")).isEqualTo(2);
    assertThat(number(page, "() => idleLens.picture.set.air.mists.size")).isEqualTo(2);
    page.close();
  }

  @Test
  void lightsMistAndHaze_arePutOnSet_changed_hiddenAndKeyed() {
    Page page = openFloor(app.copyOf("Quay walk"));
    for (String what : List.of("Practical", "Mist", "Haze")) {
      page.click("#add");
      page.click(".menu >> text=\"" + what + "\"");
      page.waitForFunction("name => idleLens.desk.node.name === name", what);
      page.evaluate("() => idleLens.desk.chooseCard('piece')");
      page.waitForSelector(".settings h2:has-text('" + what + "')");
    }
    assertThat(number(page, "() => idleLens.picture.set.lamps.lights.size")).isEqualTo(1);
    assertThat(number(page, "() => idleLens.picture.set.air.mists.size")).isEqualTo(1);
    page.waitForFunction("() => idleLens.picture.set.scene.fog");
    page.locator(".settings .shown label", new Page.LocatorOptions().setHasText("in the picture"))
        .click();
    page.waitForFunction("() => !idleLens.picture.set.scene.fog");
    String light =
        (String) page.evaluate("() => idleLens.store.nodes.find((n) => n.kind === 'light').id");
    page.evaluate("id => idleLens.desk.select(id, 'piece')", light);
    double revision = number(page, "() => idleLens.store.revision");
    type(page, "Strength", "4");
    waitForRevision(page, (int) revision + 1);
    page.click("#add-part");
    page.click(".menu button:has-text('How bright it is')");
    waitForRevision(page, (int) revision + 2);
    type(page, "Stops", "2");
    waitForRevision(page, (int) revision + 3);
    page.waitForFunction(
        "id => Math.abs(idleLens.picture.set.lamps.lights.get(id + ' ').light.intensity - 14 * 16) < 0.01",
        light);
    page.evaluate("() => idleLens.desk.select('lantern')");
    page.click("#add-part");
    page.click(".menu button:has-text('Its size and its glow')");
    waitForRevision(page, (int) revision + 4);
    type(page, "Size", "3");
    waitForRevision(page, (int) revision + 5);
    page.waitForFunction(
        "() => idleLens.picture.set.solids.pieces.get('lantern').solid.scale.x === 3");
    page.close();
  }
}

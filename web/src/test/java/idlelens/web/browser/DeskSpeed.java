package idlelens.web.browser;

import com.microsoft.playwright.Page;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;

/**
 * Not a test: measures how long the desk takes to follow a hand, on a small and on a large score in
 * one run, and how long an edit takes to be drawn. {@code bin/bench desk} runs it. Each step is
 * timed from the pointer's move, or the edit, to the end of the drawing that shows it.
 */
class DeskSpeed extends BrowserTest {
  private static final int STEPS = 60;

  /** Follows the pointer over an element, or from a place, and waits for each step to be drawn. */
  private static final String HAND =
      """
      async ([selector, onto, dx, dy, steps]) => {
        const frame = () => new Promise((done) => requestAnimationFrame(() => {
          const channel = new MessageChannel();
          channel.port1.onmessage = done;
          channel.port2.postMessage(0);
        }));
        const element = typeof selector === 'string' ? document.querySelector(selector) : null;
        const box = element?.getBoundingClientRect();
        const [x, y] = element ? [box.x + box.width / 2, box.y + box.height / 2] : selector;
        const surface = document.querySelector(onto);
        surface.setPointerCapture = () => {};
        const at = (i) => ({ bubbles: true, pointerId: 1, button: 0, buttons: 1, clientX: x + i * dx, clientY: y + i * dy });
        (element ?? surface).dispatchEvent(new PointerEvent('pointerdown', at(0)));
        const took = [];
        for (let i = 1; i <= steps; i++) {
          const start = performance.now();
          surface.dispatchEvent(new PointerEvent('pointermove', at(i)));
          await frame();
          took.push(performance.now() - start);
          await new Promise((done) => setTimeout(done, 4)); // a mouse rests too
        }
        surface.dispatchEvent(new PointerEvent('pointerup', at(steps)));
        await new Promise((done) => setTimeout(done, 600));
        return took.sort((a, b) => a - b);
      }
      """;

  @Test
  void measure_hands() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.waitForTimeout(1500);
    page.evaluate("() => { idleLens.desk.select('a-cam', 'keys'); idleLens.desk.goTo(1040); }");
    hand(page, "Floor, bead", "[data-bead='a-cam pose 1040']", "#score", 2, 0);
    page.evaluate("() => { idleLens.desk.select('dolly', 'keys'); idleLens.desk.goTo(1030); }");
    page.waitForTimeout(800);
    hand(page, "Floor, key on the path", "[data-key='dolly 1001']", "#plan", 0.5, -0.5);
    hand(page, "Floor, tangent", "[data-handle='dolly 1073 out']", "#plan", 0.5, 0.5);
    hand(page, "Floor, piece", "#plan [data-id='keeper']", "#plan", 0.5, 0);
    hand(page, "Floor, turn ring", "#plan .turn", "#plan", 0.5, 0);
    hand(page, "Floor, number", ".settings .field", ".settings .field", 1, 0);
    hand(page, "Floor, playhead", "#score [data-ruler]", "#score", 3, 0);
    complaints.clear();
    page.close();
  }

  /** A number is dragged; each step is timed until its motion has come and the picture is drawn. */
  private static final String SLIDER =
      """
      async ([label, steps]) => {
        const frame = () => new Promise((done) => requestAnimationFrame(() => {
          const channel = new MessageChannel();
          channel.port1.onmessage = done;
          channel.port2.postMessage(0);
        }));
        const input = document.querySelector(`.settings input[aria-label='${label}']`);
        const field = input.closest('.field');
        const { x, y, width } = field.getBoundingClientRect();
        const at = (i) => ({ bubbles: true, pointerId: 1, button: 0, buttons: 1, clientX: x + width / 2 + i, clientY: y + 9 });
        field.setPointerCapture = () => {};
        input.dispatchEvent(new PointerEvent('pointerdown', at(0)));
        field.dispatchEvent(new PointerEvent('pointermove', at(5)));
        await new Promise((done) => setTimeout(done, 300));
        const took = [];
        for (let i = 6; i <= steps + 5; i++) {
          const start = performance.now();
          const come = new Promise((done) => idleLens.store.addEventListener('motion', done, { once: true }));
          field.dispatchEvent(new PointerEvent('pointermove', at(i * 4)));
          await come;
          await frame();
          took.push(performance.now() - start);
          await new Promise((done) => setTimeout(done, 60));
        }
        field.dispatchEvent(new PointerEvent('pointerup', at((steps + 5) * 4)));
        await new Promise((done) => setTimeout(done, 600));
        return took.sort((a, b) => a - b);
      }
      """;

  @Test
  void measure_sliders() {
    Page page = openFloor(app.copyOf("Quay walk"));
    page.evaluate("() => { idleLens.desk.select('a-cam'); idleLens.desk.goTo(1040); }");
    for (String card : List.of("Shake", "Smooth")) {
      page.click("#add-part");
      page.click(".menu button:has-text('" + card + "')");
      page.waitForTimeout(1500);
    }
    slider(page, "Width");
    page.click(".card.shake [data-card]");
    page.waitForTimeout(1500);
    slider(page, "Pan");
    complaints.clear();
    page.close();
  }

  private static void slider(Page page, String label) {
    List<?> took = (List<?>) page.evaluate(SLIDER, List.of(label, STEPS));
    System.out.printf(
        Locale.ROOT,
        "%-28s to the picture: median %.1f ms, p95 %.1f ms%n",
        "Number, " + label,
        ((Number) took.get(STEPS / 2)).doubleValue(),
        ((Number) took.get(STEPS * 95 / 100)).doubleValue());
  }

  @Test
  void measure_hands_inCurves() {
    Page page = openCurves(app.copyOf("Quay walk"), "a-cam");
    page.waitForTimeout(1500);
    hand(page, "Curves, key in value", keyIn(page, 1040), "svg.graph", 0, 0.7);
    hand(page, "Curves, key in time", keyIn(page, 1063), "svg.graph", 1, 0);
    double[] key = keyIn(page, 1097);
    page.mouse().click(key[0], key[1]);
    page.waitForTimeout(500);
    hand(page, "Curves, handle", "[data-handle='a-cam x 1097 out']", "svg.graph", 0, 0.7);
    hand(page, "Curves, bead", "[data-bead='a-cam pose 1001']", "#score", 1, 0);
    complaints.clear();
    page.close();
  }

  private static double[] keyIn(Page page, int frame) {
    return keyAt(page, "a-cam", "x", frame);
  }

  private static void hand(Page page, String name, Object from, String onto, double dx, double dy) {
    Object place = from instanceof double[] at ? List.of(at[0], at[1]) : from;
    List<?> took = (List<?>) page.evaluate(HAND, List.of(place, onto, dx, dy, STEPS));
    System.out.printf(
        Locale.ROOT,
        "%-28s median %.1f ms, p90 %.1f ms%n",
        name,
        ((Number) took.get(STEPS / 2)).doubleValue(),
        ((Number) took.get(STEPS * 9 / 10)).doubleValue());
  }

  private static final String DRAG =
      """
      async ([bead, steps]) => {
        const frame = () => new Promise((done) => requestAnimationFrame(() => {
          const channel = new MessageChannel();
          channel.port1.onmessage = done;
          channel.port2.postMessage(0);
        }));
        const element = document.querySelector(`[data-bead="${bead}"]`);
        const box = element.getBoundingClientRect();
        const svg = document.getElementById('score');
        const at = (i) => ({ bubbles: true, pointerId: 1, button: 0, buttons: 1, clientX: box.x + box.width / 2 + i * 0.7, clientY: box.y + box.height / 2 });
        svg.setPointerCapture = () => {};
        element.dispatchEvent(new PointerEvent('pointerdown', at(0)));
        idleLens.desk.landing = 'merge';
        const took = [];
        for (let i = 1; i <= steps; i++) {
          const start = performance.now();
          svg.dispatchEvent(new PointerEvent('pointermove', at(i)));
          idleLens.score.draw();
          await frame();
          took.push(performance.now() - start);
        }
        svg.dispatchEvent(new PointerEvent('pointerup', at(0)));
        return took.sort((a, b) => a - b);
      }
      """;

  private static final String EDITS =
      """
      async (steps) => {
        const frame = () => new Promise((done) => requestAnimationFrame(() => {
          const channel = new MessageChannel();
          channel.port1.onmessage = done;
          channel.port2.postMessage(0);
        }));
        const took = [];
        for (let i = 1; i <= steps; i++) {
          const start = performance.now();
          await idleLens.store.edit([{ edit: 'key-pose', id: 'c0', frame: 1010 + i * 3, channels: ['x', 'y', 'z', 'pan', 'tilt', 'roll'] }]);
          await frame();
          took.push(performance.now() - start);
        }
        return took.sort((a, b) => a - b);
      }
      """;

  @Test
  void measure_edits() {
    Page page = openFloor(LargeShots.shot(app, 10, 50, 8));
    page.waitForTimeout(1500);
    print("60 nodes, an edit drawn", (List<?>) page.evaluate(EDITS, STEPS), page);
    complaints.clear();
    page.close();
  }

  private static final String CURVES =
      """
      async ([nodes, steps]) => {
        const frame = () => new Promise((done) => requestAnimationFrame(() => {
          const channel = new MessageChannel();
          channel.port1.onmessage = done;
          channel.port2.postMessage(0);
        }));
        const { desk, curves: { graph } } = idleLens;
        for (let i = 0; i < nodes; i++) desk.pinned.add(`n${i}`);
        desk.setView('curves');
        graph.fit();
        await new Promise((done) => setTimeout(done, 4000));
        const box = graph.svg.getBoundingClientRect();
        const [x, y] = graph.at('n0', 'x', 1708);
        const at = (i) => ({ bubbles: true, pointerId: 1, button: 0, buttons: 1, clientX: box.x + x, clientY: box.y + y + i });
        graph.svg.setPointerCapture = () => {};
        graph.svg.dispatchEvent(new PointerEvent('pointerdown', at(0)));
        const took = [];
        for (let i = 1; i <= steps; i++) {
          const start = performance.now();
          graph.svg.dispatchEvent(new PointerEvent('pointermove', at(i + 3)));
          graph.ask();
          await frame();
          took.push(performance.now() - start);
        }
        graph.svg.dispatchEvent(new PointerEvent('pointerup', at(0)));
        return took.sort((a, b) => a - b);
      }
      """;

  @Test
  void measure_curves() {
    long shot = LargeShots.nulls(app, 60, 200);
    for (int nodes : new int[] {1, 6, 60}) {
      Page page = openFloor(shot);
      List<?> took = (List<?>) page.evaluate(CURVES, List.of(nodes, STEPS));
      print("curves of " + nodes + " x 200 keys", took, page);
      complaints.clear();
      page.close();
    }
  }

  @Test
  void measure_drags() {
    report("Quay walk, 1 node chosen", app.copyOf("Quay walk"), "a-cam pose 1040");
    report("60 nodes x 200 keys", LargeShots.nulls(app, 60, 200), "n1 pose 1008");
  }

  private void report(String name, long shot, String bead) {
    Page page = openFloor(shot);
    page.waitForSelector("[data-bead='" + bead + "']");
    page.waitForTimeout(1500);
    List<?> took = (List<?>) page.evaluate(DRAG, List.of(bead, STEPS));
    print(name, took, page);
    complaints.clear();
    page.close();
  }

  private static void print(String name, List<?> took, Page page) {
    System.out.printf(
        Locale.ROOT,
        "%-28s median %.1f ms, p95 %.1f ms; beads in the page: %d%n",
        name,
        ((Number) took.get(STEPS / 2)).doubleValue(),
        ((Number) took.get(STEPS * 95 / 100)).doubleValue(),
        page.locator("[data-bead]").count());
  }
}

package idlelens.web.browser;

import com.microsoft.playwright.Page;
import java.util.Locale;
import java.util.Map;
import org.junit.jupiter.api.Test;

/**
 * Not a test: measures in one run how long the true picture of a frame takes, beside as many plain
 * drawings of it, and the quick approximation beside a plain drawing, at 640 by 360 points. {@code
 * bin/bench desk} runs it.
 */
class ExposureSpeed extends BrowserTest {
  private static final String MEASURE =
      """
      async ({ passes, rounds }) => {
        const { picture, desk, store } = idleLens;
        const { set, exposing, renderer } = picture;
        const { seenBy } = await import('/js/shot/seen.js');
        const { fetchExposure } = await import('/js/shot/exposures.js');
        const gl = renderer.getContext();
        const pixel = new Uint8Array(4);
        const finish = () => gl.readPixels(0, 0, 1, 1, gl.RGBA, gl.UNSIGNED_BYTE, pixel);
        exposing.setTo({ mode: 'fast' });
        renderer.setPixelRatio(1);
        renderer.setSize(640, 360, false);
        renderer.setViewport(0, 0, 640, 360);
        const frame = 1040;
        const lens = store.lens(desk.camera, frame);
        const state = { motion: store.motion, grid: store.grid, byId: store.byId };
        const view = { pose: store.pose(desk.camera, frame), seen: seenBy(lens), state, frame };
        const look = { view, lens, camera: desk.camera, share: 1 };
        const how = { fine: true, height: 360 };
        const time = (work) => {
          finish();
          const start = performance.now();
          work();
          finish();
          return performance.now() - start;
        };
        const plain = () => {
          set.shadowsStale = true; // as a moment at which something moved
          set.draw(view, how);
        };
        const quick = (draw) => {
          for (let i = 0; i < passes; i++) draw();
        };
        const out = { plain: [], all: [], first: [], asked: [], sharp: [], fast: [] };
        for (let round = 0; round < rounds; round++) {
          out.plain.push(time(() => quick(plain)));
          const start = performance.now();
          const exposure = await fetchExposure(store, { camera: desk.camera, frame, passes });
          out.asked.push(performance.now() - start);
          const add = (k) => exposing.accumulation.add(() => set.draw(exposure.pass(k), how));
          out.first.push(time(() => {
            exposing.accumulation.clear(640, 360);
            add(0);
            exposing.accumulation.show();
          }));
          out.all.push(time(() => {
            exposing.accumulation.clear(640, 360);
            for (let k = 0; k < passes; k++) {
              add(k);
              if (k % 4 === 3) exposing.accumulation.show();
            }
          }));
          out.sharp.push(time(() => quick(() => set.draw(view, { height: 360 }))) / passes);
          out.fast.push(time(() => quick(() => exposing.draw([look], { height: 360 }))) / passes);
        }
        const median = (all) => all.sort((a, b) => a - b)[Math.floor(all.length / 2)];
        return Object.fromEntries(Object.entries(out).map(([name, all]) => [name, median(all)]));
      }
      """;

  @Test
  void measure_truePicture() {
    Page page = openFloor(app.copyOf("Quay walk"));
    page.waitForTimeout(1500);
    int passes = 32;
    Map<?, ?> took = (Map<?, ?>) page.evaluate(MEASURE, Map.of("passes", passes, "rounds", 3));
    System.out.printf(
        Locale.ROOT,
        "True picture, %d passes      asked %.0f ms, first %.0f ms, all %.0f ms; plain x %d %.0f ms:"
            + " %.2f x%n",
        passes,
        at(took, "asked"),
        at(took, "first"),
        at(took, "all"),
        passes,
        at(took, "plain"),
        at(took, "all") / at(took, "plain"));
    System.out.printf(
        Locale.ROOT,
        "Fast picture                 %.1f ms, plain %.1f ms: %.0f %% of its rate%n",
        at(took, "fast"),
        at(took, "sharp"),
        100 * at(took, "sharp") / at(took, "fast"));
    complaints.clear();
    page.close();
  }

  private static double at(Map<?, ?> took, String name) {
    return ((Number) took.get(name)).doubleValue();
  }
}

package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Page;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The browser's own modules, called by themselves. */
class ModulesTest extends BrowserTest {

  private Object run(String module, String script) {
    Page page = newPage();
    page.navigate(app.address() + "/");
    Object result =
        page.evaluate(
            "async () => { const m = await import('/js/" + module + "'); " + script + " }");
    page.close();
    return result;
  }

  @Test
  void format_numbersHaveARealMinusAndNoMinusZero() {
    assertThat(
            run(
                "common/format.js",
                "return [m.fixed(-1.5, 1), m.fixed(-0.001, 2), m.trimmed(2.50, 3), m.trimmed(100, 0),"
                    + " m.metres(Infinity), m.stop(2.8), m.aspectName(16 / 9), m.aspectName(2.39),"
                    + " m.rateLabel('24000/1001'), m.rateLabel('25')]"))
        .isEqualTo(
            List.of(
                "−1.5",
                "0.00",
                "2.5",
                "100",
                "∞",
                "f/2.8",
                "16:9",
                "2.39",
                "23.976 fps",
                "25 fps"));
  }

  @Test
  void octets_unpack_readsColumnsWhereTheHeadSays() {
    String make =
        "const head = JSON.stringify({ revision: 3, nodes: [{ id: 'a', x: { at: 1, n: 2 } }],"
            + " meshes: [{ nodes: ['a'], positions: { at: 0, n: 1 }, indices: { at: 3, n: 1 } }] });"
            + " const text = new TextEncoder().encode(head.padEnd(Math.ceil(head.length / 4) * 4));"
            + " const buffer = new ArrayBuffer(8 + text.length + 16); const v = new DataView(buffer);"
            + " v.setUint32(0, 0x314f4c49, true); v.setUint32(4, text.length, true);"
            + " new Uint8Array(buffer, 8).set(text); const s = 8 + text.length;"
            + " v.setFloat32(s, 9.5, true); v.setFloat32(s + 4, 1.25, true);"
            + " v.setFloat32(s + 8, -2, true); v.setUint32(s + 12, 4000000000, true);"
            + " const b = m.unpack(buffer);"
            + " return [...b.nodes[0].x, ...b.meshes[0].positions, ...b.meshes[0].indices].join();";
    assertThat(run("shot/octets.js", make).toString()).isEqualTo("1.25,-2,9.5,4000000000");
    assertThat(
            run(
                "shot/octets.js",
                "try { m.unpack(new ArrayBuffer(16)); return 'taken'; } catch (e) { return e.message; }"))
        .isEqualTo("The server sent something else than a bundle");
  }

  @Test
  void outline_ofATurnedBox_isItsFourCornersInThePlan() {
    // a unit box turned by 45 degrees about Y reaches to half its diagonal
    Object reach =
        run(
            "plan/outline.js",
            "const p = []; for (const x of [-.5, .5]) for (const y of [0, 1]) for (const z of [-.5, .5])"
                + " p.push(x, y, z); const a = Math.PI / 8;"
                + " const pose = { x: 10, y: 0, z: -5, qx: 0, qy: Math.sin(a), qz: 0, qw: Math.cos(a) };"
                + " const o = m.outline({ positions: p }, pose, 'above');"
                + " return [o.length, Math.max(...o.map((c) => c[0])) - 10, Math.min(...o.map((c) => c[1])) + 5];");
    List<?> numbers = (List<?>) reach;
    assertThat(numbers.get(0)).isEqualTo(4);
    assertThat(((Number) numbers.get(1)).doubleValue()).isCloseTo(Math.sqrt(0.5), within(1e-12));
    assertThat(((Number) numbers.get(2)).doubleValue()).isCloseTo(-Math.sqrt(0.5), within(1e-12));
  }

  @Test
  void forward_ofAPannedCamera_isWhereItLooks() {
    // pan 90 degrees looks along -X
    assertThat(
            run(
                    "plan/outline.js",
                    "const s = Math.SQRT1_2; const f = m.forward({ qx: 0, qy: s, qz: 0, qw: s }, 'above');"
                        + " return [Math.round(f.a), Math.round(f.b)];")
                .toString())
        .isEqualTo("[-1, 0]");
  }

  @Test
  void keyFrames_gatherTheChannelsOfEachFrame() {
    assertThat(
            run(
                "shot/keys.js",
                "const node = { channels: { x: { keys: [[1, 0, 'settle'], [5, 1, 'hold']] }, y: 3,"
                    + " pan: { keys: [[5, 2, 'straight']] } } };"
                    + " return m.keyFrames(node, ['x', 'y', 'pan']).map((k) =>"
                    + " `${k.frame} ${k.channels.join('+')} ${[...k.tangents].join('+')}`);"))
        .isEqualTo(List.of("1 x settle", "5 x+pan hold+straight"));
  }

  @Test
  void beads_showTangentAndWholeness() {
    assertThat(
            run(
                "floor/bead.js",
                "const p = (kinds, whole) => m.beadPath(new Set(kinds), whole);"
                    + " const all = [p(['settle'], true), p(['hold'], true), p(['straight'], true),"
                    + " p(['settle'], false)]; return new Set(all).size;"))
        .isEqualTo(4);
  }

  @Test
  void keyChoice_gathersChannelsWithTheSameFrames_andTakesAwayOrMoves() {
    assertThat(
            run(
                "shot/key-choice.js",
                "const { KeyChoice: C } = m; const a = C.of('cam', ['x', 'y'], [5, 1]);"
                    + " const b = a.plus(C.of('cam', ['pan'], [1])).plus(C.of('dolly', ['x'], [7]));"
                    + " const c = b.minus(C.of('cam', ['y'], [1])).mapped((f) => f + 10);"
                    + " const show = (k) => k.picks().map((p) =>"
                    + " `${p.id}:${p.channels.join('+')}@${p.frames.join()}`).join(' ');"
                    + " return [show(b), show(c), b.count, c.hasAny('cam', ['x', 'y'], 15),"
                    + " c.hasAll('cam', ['x', 'y'], 11)];"))
        .isEqualTo(
            List.of(
                "cam:x+y@1,5 cam:pan@1 dolly:x@7",
                "cam:x@11,15 cam:y@15 cam:pan@11 dolly:x@17",
                6,
                true,
                false));
  }

  @Test
  void graphScale_zoomsAboutAPlace_andAxesKeepApart() {
    assertThat(
            run(
                "curves/graph-scale.js",
                "const s = new m.GraphScale(); s.width = 800; s.height = 400; s.layOut();"
                    + " s.fitFrames(1001, 1101); const [p] = s.panes;"
                    + " s.fitValues(p, new Map([['m', [0, 10]], ['°', [-90, 90]]]));"
                    + " const x = s.x(1040); s.zoomFrames(0.5, x);"
                    + " const y = s.y(p, 'm', 4); const turn = s.y(p, '°', 30);"
                    + " s.zoomValues(p, 0.5, y, 'm'); const off = (a, b) => Math.abs(a - b) < 1e-9;"
                    + " return [off(s.x(1040), x), off(s.y(p, 'm', 4), y), off(s.y(p, '°', 30), turn),"
                    + " off(s.value(p, 'm', y), 4), off(s.frame(x), 1040),"
                    + " [0.013, 0.2, 7, 31].map(m.niceStep).join()];"))
        .isEqualTo(List.of(true, true, true, true, true, "0.02,0.2,10,50"));
  }
}

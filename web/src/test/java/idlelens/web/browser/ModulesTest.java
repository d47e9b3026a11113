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

  @Test
  void playback_keepsTime_dropsFramesRatherThanSlows_andLoopsOrStops() {
    String play =
        "const desk = { frame: 1003, first: () => 1001, last: () => 1012, goTo(f) { this.frame = f; },"
            + " store: { header: { rate: '24' } } }; const p = new m.Playback(desk);"
            + " const at = (ms) => { p.playing = true; p.tick(ms); const is = p.playing;"
            + " p.playing = false; return `${desk.frame}${is ? '' : ' stopped'}`; };"
            + " Object.assign(p, { startTime: 0, startFrame: 1003, countedSince: 0, drawn: 0 });"
            + " const seen = [at(40), at(42), at(210), at(375), at(417), at(917)];"
            + " p.loop = false; seen.push(at(1000)); return seen.join();";
    // 24 frames a second: 41.7 ms each; after frame 1012 comes 1001 again, twelve frames a round
    assertThat(run("shot/playback.js", play))
        .isEqualTo("1003,1004,1008,1012,1001,1001,1012 stopped");
  }

  @Test
  void samples_areThoseOfTheNearestFrame_andOfTheEndsBeyondThem() {
    assertThat(
            run(
                "shot/samples.js",
                "const state = { grid: { first: 997, count: 4 }, motion: new Map() };"
                    + " const column = [1, 2, 3, 4];"
                    + " return [m.valueAt(state, column, 998), m.valueAt(state, column, 998.6),"
                    + " m.valueAt(state, column, 900), m.valueAt(state, column, 2000),"
                    + " m.valueAt(state, [7], 2000), m.poseIn(state, 'nobody', 998)].join()"))
        .isEqualTo("2,3,1,4,7,");
  }

  @Test
  void chainParts_canBeSwitchedWhereTheyHaveAnEffect() {
    String nodes =
        "const still = { id: 's', kind: 'piece', channels: { x: 1 } };"
            + " const moving = { id: 'm', kind: 'null', channels: { x: { keys: [[1, 0, 'settle']] } } };"
            + " const cam = { id: 'c', name: 'A-cam', kind: 'camera', carrier: 'm', off: ['lens'],"
            + " lens: {}, channels: { x: 0, focal: 35 } }; moving.name = 'Dolly'; moving.off = ['keys'];"
            + " const store = { byId: new Map([['c', cam], ['m', moving]]), carriersOf: () => [moving] };";
    assertThat(
            run(
                "shot/chain-parts.js",
                nodes
                    + " return [m.canSwitch(still, 'keys'), m.canSwitch(still, 'carried'),"
                    + " m.canSwitch(moving, 'keys'), m.canSwitch(cam, 'carried'),"
                    + " m.canSwitch(cam, 'keys'), m.canSwitch({ ...cam, off: [] }, 'lens'),"
                    + " m.canSwitch(cam, 'lens'), m.partOf('tilt'), m.partOf('focus'),"
                    + " ...m.offInRig(store, 'c')].join()"))
        .isEqualTo("false,false,true,true,false,false,true,keys,lens,Dolly: Keys off,Lens off");
  }

  @Test
  void ruler_numbersUnderTheFlagAreTakenAway() {
    assertThat(
            run(
                "common/ruler.js",
                "const ticks = [100, 140, 180, 220].map((x) => m.tickText(1001, x, 12));"
                    + " m.clearUnderFlag(ticks, 160);"
                    + " return ticks.map((t) => t.getAttribute('visibility')).join()"))
        .isEqualTo("visible,hidden,visible,visible");
  }

  @Test
  void quantities_areReadByTheServer_andRefusedInWords() {
    assertThat(
            run(
                "common/api.js",
                "return (await Promise.all([m.readQuantity('1.2m+5cm', 'length', '24'),"
                    + " m.readQuantity(`2'8\"`, 'length', '24'),"
                    + " m.readQuantity('00:00:02:12', 'frames', '24')])).join()"))
        .isEqualTo("1.25,0.8128,60");
    assertThat(
            run(
                "common/api.js",
                "try { await m.readQuantity('3 apples', 'length', '24'); return 'taken'; }"
                    + " catch (e) { return `${e.status} ${e.message.includes('apples')}"
                    + " ${e.retry}`; }"))
        .isEqualTo("422 true false");
    complaints.removeIf(c -> c.contains("422")); // the refusal itself
  }
}

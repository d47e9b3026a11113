package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Page;
import java.util.Arrays;
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
                    + " m.stop(2.8), m.aspectName(16 / 9), m.aspectName(2.39),"
                    + " m.rateLabel('24000/1001'), m.rateLabel('25')]"))
        .isEqualTo(
            List.of("−1.5", "0.00", "2.5", "100", "f/2.8", "16:9", "2.39", "23.976 fps", "25 fps"));
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

  /** Runs a script with the kinds of part taken from the server. */
  private Object withParts(String module, String script) {
    return run(
        module,
        "const parts = await import('/js/shot/parts.js'); await parts.loadParts(); " + script);
  }

  @Test
  void keyFrames_gatherTheChannelsOfEachFrame() {
    assertThat(
            withParts(
                "shot/keys.js",
                "const node = { chain: [{ part: 'keys', x: { keys: [[1, 0, 'settle'], [5, 1, 'hold']] },"
                    + " y: 3, pan: { keys: [[5, 2, 'straight']] } }, { part: 'carried' },"
                    + " { part: 'aim', id: 'aim-1', weight: { keys: [[9, 1, 'hold']] } }] };"
                    + " return m.keyFrames(node, ['x', 'y', 'pan', 'aim-1.weight']).map((k) =>"
                    + " `${k.frame} ${k.channels.join('+')} ${[...k.tangents].join('+')}`);"))
        .isEqualTo(List.of("1 x settle", "5 x+pan hold+straight", "9 aim-1.weight hold"));
  }

  @Test
  void parts_pathsNamesAndUnits_comeFromTheKindsOfTheServer() {
    assertThat(
            withParts(
                "shot/parts.js",
                "const node = m.complete({ chain: [{ part: 'keys' }, { part: 'aim', id: 'aim-1' },"
                    + " { part: 'aim', id: 'aim-2' }, { part: 'lens', focal: 35 }] });"
                    + " return [m.pathsOf(node).join(' '), m.pathName(node, 'aim-2.blend'),"
                    + " m.pathName(node, 'focal'), m.measured(node, 'x', 1.25), m.measured(node, 'fstop', 2.8),"
                    + " m.axisName('focus'), m.axisName('weight'), m.parameterOf(node, 'pan').unit,"
                    + " m.hasPath(node, 'aim-3.weight'), m.curveAt(node, 'focal'),"
                    + " m.carrierOf(node) === '', m.POSE.join(' ')]"))
        .isEqualTo(
            Arrays.asList(
                "x y z pan tilt roll aim-1.weight aim-1.blend aim-2.weight aim-2.blend focal fstop"
                    + " focus blur squeeze irisTurn shutter overscan shiftRight shiftUp width",
                "Aim 2 blend",
                "focal length",
                "1.25 m",
                "f/2.8",
                "focus m",
                "weight",
                "°",
                false,
                null,
                true,
                "x y z pan tilt roll"));
  }

  @Test
  void plainNumbers_areReadInTheBrowser_andSumsAreLeftToTheServer() {
    assertThat(
            withParts(
                "common/quantity.js",
                "return [m.readPlain('3', 'length', '24'), m.readPlain('120cm', 'length', '24'),"
                    + " m.readPlain('-1,5', 'length', '24', 'cm'), m.readPlain('f/2.8', 'stop', '24'),"
                    + " m.readPlain('2s', 'frames', '25'), m.readPlain('0.5turn', 'angle', '24'),"
                    + " m.readPlain('50%', 'plain', '24'), m.readPlain('1+2', 'length', '24'),"
                    + " m.readPlain('3mm', 'angle', '24'), m.readPlain('00:00:02:00', 'frames', '24')];"))
        .asString()
        .isEqualTo("[3, 1.2, -0.015, 2.8, 50, 180, 0.5, null, null, null]");
  }

  @Test
  void lengths_areShownInTheUnitOfThePerson() {
    assertThat(
            run(
                "common/units.js",
                "const seen = []; for (const unit of ['m', 'cm', 'mm', 'ft']) { m.setLengthUnit(unit);"
                    + " seen.push(`${m.lengthText(1.7526)} ${m.lengthNumber(-0.25, 3)}`); }"
                    + " m.setLengthUnit('m'); seen.push(m.lengthText(Infinity), m.lengthRange(1, 2));"
                    + " return seen;"))
        .isEqualTo(
            List.of(
                "1.75 m −0.25",
                "175 cm −25",
                "1753 mm −250",
                "5' 9\" −0' 9.84\"",
                "∞",
                "1.00–2.00 m"));
  }

  @Test
  void scoreScale_zoomsAboutAFrame_slidesWithinTheShot_andStaysWholeWhenTheShotGrows() {
    assertThat(
            run(
                "floor/score-scale.js",
                "const s = new m.ScoreScale(); s.width = 1212; s.setWhole(1001, 2440);"
                    + " const whole = [s.from, s.to]; s.setWhole(1001, 3000); const grown = s.to;"
                    + " s.zoom(0.1, 1500); const x = s.x(1500); s.zoom(0.5, 1500);"
                    + " const stays = Math.abs(s.x(1500) - x) < 1e-9; s.slide(-1e6); const left = s.from;"
                    + " s.slide(1e6); const right = s.to; s.zoom(1e-9, 2000); const least = s.span;"
                    + " s.setWhole(1001, 1100); return [...whole, grown, stays, left, right, least, s.from,"
                    + " s.to, s.showsAll].join();"))
        .isEqualTo("1001,2440,3000,true,1001,3000,6,1001,1100,true");
  }

  @Test
  void time_isShownSinceTheFirstFrame() {
    assertThat(
            run(
                "common/time-text.js",
                "const h = { in: 1001, rate: '24000/1001' };"
                    + " return ['frames', 'seconds', 'timecode'].flatMap((w) =>"
                    + " [m.timeText(1001, h, w), m.timeText(1061, h, w), m.timeText(998, h, w)])"))
        .isEqualTo(
            List.of(
                "1001",
                "1061",
                "998",
                "0.00 s",
                "2.50 s",
                "−0.13 s",
                "00:00:00:00",
                "00:00:02:12",
                "−00:00:00:03"));
  }

  @Test
  void beads_showTangentAndWholeness() {
    assertThat(
            run(
                "common/bead.js",
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

  private static final String PLAYBACK =
      "const desk = { frame: 1003, range: null, first: () => 1001, last: () => 1012,"
          + " goTo(f) { this.frame = f; }, store: { header: { rate: '24' } } };"
          + " const p = new m.Playback(desk);"
          + " const at = (ms) => { p.playing = true; p.tick(ms); const is = p.playing;"
          + " p.playing = false; return `${desk.frame}${is ? '' : ' stopped'}`; };"
          + " const from = (index) => Object.assign(p, { startTime: 0, startIndex: index,"
          + " countedSince: 0, drawn: 0 }); ";

  @Test
  void playback_keepsTime_dropsFramesRatherThanSlows_andLoopsOrStops() {
    String play =
        PLAYBACK
            + "from(2); const seen = [at(40), at(42), at(210), at(375), at(417), at(917)];"
            + " p.loop = 'once'; seen.push(at(1000)); return seen.join();";
    // 24 frames a second: 41.7 ms each; after frame 1012 comes 1001 again, twelve frames a round
    assertThat(run("shot/playback.js", play))
        .isEqualTo("1003,1004,1008,1012,1001,1001,1012 stopped");
  }

  @Test
  void playback_loopsARange_andGoesRoundTheSeam() {
    String play =
        PLAYBACK
            + "desk.range = { from: 1004, to: 1006 }; p.loop = 'range'; from(0);"
            + " const range = [0, 42, 84, 126].map(at); p.loop = 'seam'; p.seamFrames = 2; from(0);"
            + " const seam = [0, 42, 84, 126, 168].map(at); return [...range, ...seam].join();";
    assertThat(run("shot/playback.js", play))
        .isEqualTo("1004,1005,1006,1004,1011,1012,1001,1002,1011");
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
  void parts_canBeSwitchedWhereTheyHaveAnEffect() {
    String nodes =
        "const still = m.complete({ id: 's', chain: [{ part: 'keys', x: 1 }] });"
            + " const moving = m.complete({ id: 'm', name: 'Dolly', chain: [{ part: 'keys', on: false,"
            + " x: { keys: [[1, 0, 'settle']] } }] });"
            + " const cam = m.complete({ id: 'c', name: 'A-cam', chain: [{ part: 'keys', x: 0 },"
            + " { part: 'carried', by: [{ node: 'm' }] }, { part: 'aim', id: 'aim-1', on: false },"
            + " { part: 'lens', on: false, focal: 35 }] });"
            + " const store = { byId: new Map([['c', cam], ['m', moving]]), carriersOf: () => [moving] };"
            + " const can = (node, id) => m.canSwitch(node, m.partOf(node, id));"
            + " const lit = m.complete({ chain: [{ part: 'lens', focal: 35 }] });";
    assertThat(
            withParts(
                "shot/parts.js",
                nodes
                    + " return [can(still, 'keys'), can(still, 'carried'), can(moving, 'keys'),"
                    + " can(cam, 'carried'), can(cam, 'keys'), can(cam, 'aim-1'), can(lit, 'lens'),"
                    + " can(cam, 'lens'), ...m.offInRig(store, 'c')].join()"))
        .isEqualTo("false,false,true,true,false,true,false,true,Dolly: Keys off,Aim off,Lens off");
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

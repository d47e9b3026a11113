// The score: frames, markers, keys as beads, windows of parts, playhead. Only rows and frames in sight are drawn.
import { drawSoon } from '../common/draw-soon.js';
import { hold, s } from '../common/dom.js';
import { clearUnderFlag } from '../common/ruler.js';
import { timeText, timeWay } from '../common/time-text.js';
import { keyFrames } from '../shot/keys.js';
import { beadName } from '../common/bead.js';
import { markerRow } from './score-markers.js';
import { hasProgramRow, programRow } from './score-program.js';
import { ScoreHands } from './score-hands.js';
import { isDense, rowParts } from './score-row.js';
import { Folds, rowsOf } from './score-rows.js';
import { rulerParts } from './score-ruler.js';
import { ROW, RULER, ScoreScale } from './score-scale.js';

const FLAG_PX = { frames: 42, seconds: 58, timecode: 86 };
const ZOOM_KEY = 0.8;
const CLIP_AIR_PX = 12;

/** Events: 'scale' (more or less time, or another stretch of it, is shown). */
export class Score extends EventTarget {
  constructor(store, desk, { svg, rows }) {
    super();
    this.store = store;
    this.desk = desk;
    this.svg = svg;
    this.scroller = rows;
    this.scale = new ScoreScale();
    this.folds = new Folds();
    this.kept = new Map();
    this.above = 0;
    this.makeLayers();
    this.hands = new ScoreHands(this);
    this.listen();
    this.measure();
  }

  makeLayers() {
    this.rowsLayer = s('g');
    this.topLayer = s('g');
    this.headLine = s('path', { class: 'head' });
    this.flag = s('rect', { class: 'head-flag', y: 8, height: 17, rx: 3 });
    this.flagText = s('text', { class: 'head-text', 'text-anchor': 'middle', y: 20.5 });
    this.head = s('g', { class: 'playhead' }, this.headLine, this.flag, this.flagText);
    this.clip = s('rect', { y: 0 });
    this.svg.append(s('clipPath', { id: 'score-time' }, this.clip), this.rowsLayer, this.topLayer, this.head);
  }

  listen() {
    const draw = () => this.ask();
    for (const name of ['shot', 'motion']) this.store.addEventListener(name, draw);
    for (const name of ['selection', 'keys', 'layout', 'range']) this.desk.addEventListener(name, draw);
    this.desk.addEventListener('frame', () => {
      this.moveHead();
      if (this.hasDense) this.ask();
    });
    this.scroller.addEventListener('scroll', () => {
      this.above = this.scroller.scrollTop;
      draw();
    });
    new ResizeObserver(() => {
      this.measure();
      draw();
    }).observe(this.scroller);
  }

  ask() {
    if (this.asked) return;
    this.asked = true;
    drawSoon(this.svg, () => {
      this.asked = false;
      if (this.store.header) this.draw();
    });
  }

  /** Sizes are read here and not while drawing, where reading them would lay the page out anew. */
  measure() {
    this.scale.width = this.scroller.clientWidth;
    this.seen = this.scroller.clientHeight;
  }

  x(frame) {
    return this.scale.x(frame);
  }

  frameAt(x) {
    return this.scale.frameAt(x);
  }

  /** Zooms about the playhead, or about the middle where that is out of sight. */
  zoomBy(way) {
    const { scale, desk } = this;
    const about = scale.isIn(desk.frame) ? desk.frame : (scale.from + scale.to) / 2;
    scale.zoom(way > 0 ? ZOOM_KEY : 1 / ZOOM_KEY, about);
    this.rescaled();
  }

  /** Shows the whole shot. */
  fit() {
    this.scale.fit();
    this.rescaled();
  }

  /** Draws at another scale, and says so. */
  rescaled() {
    this.ask();
    this.dispatchEvent(new Event('scale'));
  }

  rows() {
    return rowsOf(this.store, this.desk, this.folds);
  }

  /** The top of the row with that index, below ruler, markers and program. */
  top(index) {
    return RULER + (this.hasProgram ? 2 : 1) * ROW + index * ROW;
  }

  draw() {
    this.scale.setWhole(this.desk.first(), this.desk.last());
    const rows = this.rows();
    this.shownRows = rows;
    this.hasProgram = hasProgramRow(this.store);
    this.hasDense = rows.some((row) => isDense(this, row));
    const { above, seen } = this;
    this.layOut(Math.max(this.top(rows.length) + 8, seen));
    const from = Math.max(0, Math.floor((above - this.top(0)) / ROW));
    const to = Math.min(rows.length, Math.ceil((above + seen - this.top(0)) / ROW));
    const focused = this.focusedName();
    hold(
      this.rowsLayer,
      rows.slice(from, to).map((row, i) => this.drawn(row, this.top(from + i))),
    );
    const program = this.hasProgram ? programRow(this) : [];
    hold(this.topLayer, [this.rulerDrawn(), s('g', {}, ...markerRow(this), ...program)]);
    this.topLayer.setAttribute('transform', `translate(0 ${above})`);
    this.headLine.setAttribute('d', `M0 8V${seen}`);
    this.refocus(focused);
    this.moveHead();
  }

  focusedName() {
    const { dataset } = /** @type {any} */ (document.activeElement ?? {});
    return dataset?.bead ?? dataset?.marker ?? dataset?.cut;
  }

  refocus(name) {
    if (!name || document.activeElement !== document.body) return;
    this.svg
      .querySelector(`[data-bead="${name}"],[data-marker="${name}"],[data-cut="${name}"]`)
      ?.focus({ preventScroll: true });
  }

  layOut(height) {
    const laidOut = `${this.scale.width} ${this.scale.left} ${height}`;
    if (this.laidOut === laidOut) return;
    this.laidOut = laidOut;
    this.svg.setAttribute('height', height);
    this.svg.setAttribute('viewBox', `0 0 ${this.scale.width} ${height}`);
    this.clip.setAttribute('x', this.scale.left - CLIP_AIR_PX);
    this.clip.setAttribute('width', this.scale.width);
    this.clip.setAttribute('height', height);
  }

  rulerDrawn() {
    const { range } = this.desk;
    const from = [
      this.scale.signature,
      ...this.scale.whole,
      this.store.header.rate,
      timeWay(),
      range?.from,
      range?.to,
    ].join();
    if (this.ruled !== from) {
      this.ruled = from;
      const { ticks, parts } = rulerParts(this);
      this.ticks = ticks;
      this.rulerGroup = s('g', {}, ...parts);
    }
    return this.rulerGroup;
  }

  /** A row: the one drawn before, if all that it shows is still the same. */
  drawn(row, y) {
    const { node } = row;
    const { chosen } = this.desk;
    const column = row.what === 'pose' ? null : this.store.motion.get(node.id)?.own[row.what];
    const from = [
      node,
      column,
      row.what === 'pose' ? this.store.motion.get(node.id)?.jumps : null,
      y,
      this.scale.signature,
      this.desk.selection().includes(node.id),
      chosen.channelsOf(node.id).length ? chosen : null,
      isDense(this, row) ? this.desk.frame : null,
      JSON.stringify(row.folds),
      node.kind === 'camera' ? this.store.program : null,
    ];
    const key = `${node.id} ${row.what}`;
    const known = this.kept.get(key);
    if (known && known.from.every((value, i) => value === from[i])) return known.group;
    const group = s('g', {}, ...rowParts(this, row, y));
    this.kept.set(key, { from, group });
    return group;
  }

  /** The name of the bead of a dense row nearest to a place, or null. */
  denseBead([x, y], reach) {
    const row = this.shownRows[Math.floor((y - this.top(0)) / ROW)];
    if (!row || !isDense(this, row)) return null;
    const far = (key) => Math.abs(this.x(key.frame) - x);
    const nearest = keyFrames(row.node, row.paths).reduce((best, k) => (far(k) < far(best) ? k : best));
    return far(nearest) <= reach ? beadName(row, nearest.frame) : null;
  }

  moveHead() {
    if (!this.store.header) return;
    const x = this.x(this.desk.frame);
    const width = FLAG_PX[timeWay()];
    this.head.setAttribute('visibility', this.scale.isIn(this.desk.frame, 0.5) ? 'visible' : 'hidden');
    this.head.setAttribute('transform', `translate(${x.toFixed(1)} ${this.above})`);
    this.flag.setAttribute('x', -width / 2);
    this.flag.setAttribute('width', width);
    this.flagText.textContent = timeText(this.desk.frame, this.store.header);
    clearUnderFlag(this.ticks ?? [], x, width);
  }
}

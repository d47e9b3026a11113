// Distances over the frames: what is sharp, where the focus is, and what of the set stands where.
import { s } from '../common/dom.js';
import { spread } from '../common/label-room.js';
import { lengthText } from '../common/units.js';
import { focusAtDistance } from '../panels/focus-pick.js';
import { valueAt } from '../shot/samples.js';
import { DepthScale } from './depth-scale.js';
import { Drawing, px, says } from './drawing.js';

const LEFT_PX = 44;
const NAMES_PX = 190;
const TOP_PX = 16;
const FOOT_PX = 20;
const LETTER_UP_PX = 4;
const LINE_PX = 14;
const MOST_POINTS = 400;
const [LEAST_M, MOST_M] = [0.05, 1000];

export class DepthChart extends Drawing {
  constructor(store, desk, fields, depths) {
    super('Distances over the frames: near and far limit, focus, and what is in the picture');
    this.store = store;
    this.desk = desk;
    this.fields = fields;
    this.depths = depths;
    this.svg.addEventListener('pointerdown', (event) => this.scrub(event));
  }

  parts(w, h) {
    const right = w - NAMES_PX;
    this.right = right;
    if (!this.held) this.scale = new DepthScale(...this.reach(), TOP_PX, h - FOOT_PX);
    return [
      ...this.rules(right),
      ...this.sharp(),
      ...this.pieceLines(),
      ...this.limits(right),
      this.playhead(h),
      ...this.names(w, h),
      this.focusHand(),
    ];
  }

  x(frame) {
    const [first, last] = [this.desk.first(), this.desk.last()];
    return LEFT_PX + ((frame - first) / Math.max(1, last - first)) * (this.right - LEFT_PX);
  }

  /** Nearest and farthest shown: what is sharp and in the picture has room. @returns {[number, number]} */
  reach() {
    const { motion, closeFocusM } = this.now;
    const least = (/** @type {Float32Array} */ column) => column.reduce((a, b) => (b < a ? b : a), Infinity);
    const most = (/** @type {Float32Array} */ column) =>
      column.reduce((a, b) => (b > a && Number.isFinite(b) ? b : a), 0);
    const near = Math.min(least(motion.lens.nearM), ...this.depths.pieces.map((piece) => least(piece.metres)));
    const far = Math.max(most(motion.lens.focusM), ...this.depths.pieces.map((piece) => most(piece.metres)));
    const from = Math.min(near, Math.max(closeFocusM, near / 4));
    return [Math.max(LEAST_M, from / 1.4), Math.min(MOST_M, Math.max(from * 10, far * 1.3))];
  }

  /** Frames to draw at, no more than there is room for. */
  frames() {
    const [first, last] = [this.desk.first(), this.desk.last()];
    const step = Math.max(1, Math.ceil((last - first) / MOST_POINTS));
    const all = [];
    for (let frame = first; frame < last; frame += step) all.push(frame);
    return [...all, last];
  }

  rules(right) {
    const marks = this.scale.marks();
    return [
      s('path', { class: 'rules', d: marks.map((m) => `M${LEFT_PX} ${px(this.scale.at(m))}H${px(right)}`).join('') }),
      ...[...marks, Infinity].map((m) =>
        says(LEFT_PX - 5, this.scale.at(m) + 4, lengthText(m, m < 1 ? 1 : 0), { 'text-anchor': 'end', class: 'tick' }),
      ),
    ];
  }

  line(column) {
    return this.frames().map((f) => `${px(this.x(f))} ${px(this.scale.at(valueAt(this.store, column, f)))}`);
  }

  /** From near to far limit, and the focus between. */
  sharp() {
    const { motion } = this.now;
    const band = [...this.line(motion.lens.nearM), ...this.line(motion.lens.farM).reverse()];
    return [
      s('path', { class: 'band', d: `M${band.join('L')}Z` }),
      s('path', { class: 'hyperfocal', d: `M${this.line(motion.lens.hyperfocalM).join('L')}` }),
      s('path', { class: 'focus', d: `M${this.line(motion.lens.focusM).join('L')}` }),
    ];
  }

  pieceLines() {
    const at = (column, frame) => valueAt(this.store, column, frame);
    const d = this.depths.pieces.map(({ metres }) => {
      let drawn = false;
      return this.frames()
        .map((frame) => {
          const m = at(metres, frame);
          const here = Number.isNaN(m) ? '' : `${drawn ? 'L' : 'M'}${px(this.x(frame))} ${px(this.scale.at(m))}`;
          drawn = here !== '';
          return here;
        })
        .join('');
    });
    return [s('path', { class: 'pieces', d: d.join('') })];
  }

  limits(right) {
    const { closeFocusM } = this.now;
    const y = this.scale.at(closeFocusM);
    const line = s('path', { class: 'close-focus', d: `M${LEFT_PX} ${px(y)}H${px(right)}` });
    return [
      this.hand(line, 'close focus of the lens', this.fields.closeFocus, (_, at) => this.scale.metres(at)),
      says(LEFT_PX + 4, y + 12, `nearer than ${lengthText(closeFocusM)} this lens does not focus`),
    ];
  }

  playhead(h) {
    return s('path', { class: 'playhead', d: `M${px(this.x(this.desk.frame))} ${TOP_PX - 8}V${h - FOOT_PX + 6}` });
  }

  /** What is in the picture at the playhead, named beside the chart: as many as there is room for, by distance. */
  names(w, h) {
    const { focusM } = this.now.lens;
    const far = ({ metres }) => Math.abs(Math.log(metres / focusM));
    const here = this.depths.pieces
      .map(({ id, metres }) => ({ id, metres: valueAt(this.store, metres, this.desk.frame) }))
      .filter(({ metres }) => !Number.isNaN(metres))
      .sort((a, b) => far(a) - far(b));
    const most = Math.floor((h - TOP_PX) / LINE_PX);
    const named = here.slice(0, most).sort((a, b) => b.metres - a.metres);
    const places = spread(
      named.map(({ metres }) => this.scale.at(metres) + LETTER_UP_PX),
      [TOP_PX, h - 4],
      LINE_PX,
    );
    return [
      ...here.slice(most).map(({ metres }) => s('path', { class: 'piece', d: this.tick(metres) })),
      ...named.map((piece, i) => this.name(piece, places[i])),
    ];
  }

  tick(metres) {
    return `M${px(this.right)} ${px(this.scale.at(metres))}h8`;
  }

  name({ id, metres }, y) {
    const { nearM, farM } = this.now.lens;
    const text = `${this.store.byId.get(id)?.name ?? id} ${lengthText(metres)}`;
    const x = this.right + 34;
    const d = `${this.tick(metres)}L${px(x - 4)} ${px(y - LETTER_UP_PX)}`;
    return s(
      'g',
      {
        class: metres >= nearM && metres <= farM ? 'piece sharp' : 'piece',
        tabindex: 0,
        role: 'button',
        'aria-label': `Focus on ${text}`,
        onclick: () => this.focusOn(metres),
        onkeydown: (event) => event.key === 'Enter' && this.focusOn(metres),
      },
      s('title', { text: `${text}: focus there` }),
      s('path', { d }),
      says(x, y, text),
    );
  }

  focusOn(metres) {
    if (!this.fields.focus.options.disabled?.()) focusAtDistance(this.store, this.desk, this.now.node.id, metres);
  }

  focusHand() {
    const { lens } = this.now;
    const [x, y] = [this.x(this.desk.frame), this.scale.at(lens.focusM)];
    const knob = s('circle', { class: 'knob', cx: px(x), cy: px(y), r: 6 });
    return this.hand(knob, 'focus distance', this.fields.focus, (_, at) => this.scale.metres(at));
  }

  /** A press beside what can be dragged takes the playhead along. */
  scrub(/** @type {any} */ down) {
    const box = this.svg.getBoundingClientRect();
    if (down.button !== 0 || down.clientX - box.left > this.right || down.target.closest('.hand')) return;
    const abort = new AbortController();
    const go = (event) => {
      const part = (event.clientX - box.left - LEFT_PX) / (this.right - LEFT_PX);
      const [first, last] = [this.desk.first(), this.desk.last()];
      this.desk.goTo(Math.max(first, Math.min(last, first + part * (last - first))));
    };
    go(down);
    addEventListener('pointermove', go, { signal: abort.signal });
    addEventListener('pointerup', () => abort.abort(), { signal: abort.signal });
  }
}

// The graph of the Curves view: values, and beside them speed and acceleration, as the server computed them.
import { drawSoon } from '../common/draw-soon.js';
import { hold, s } from '../common/dom.js';
import { clearUnderFlag } from '../common/ruler.js';
import { isLocked, keysOf } from '../shot/keys.js';
import { axisOf, parameterOf, pathName, pathsOf } from '../shot/parts.js';
import { valueAt } from '../shot/samples.js';
import { gridParts, rulerParts } from './graph-grid.js';
import { GraphHands } from './graph-hands.js';
import { beadPaths, handleMarks, nameMarks, overshootMarks, overshootRoom, pivotMark } from './graph-marks.js';
import { GraphScale } from './graph-scale.js';
import { GraphUnder } from './graph-under.js';
import { paceMeasure } from './pace-measure.js';
import { fitTraces, shakeTraces, traceLine } from './shake-traces.js';

const REACH_PX = 9;
const MOST_KEPT = 4000;
const MOST_QUIET_KEYS = 4000;
const MOST_NAMES = 30;

/** Events: 'scale' (other frames are shown, or stand elsewhere). */
export class Graph extends EventTarget {
  constructor(store, desk, { svg, under }) {
    super();
    this.store = store;
    this.desk = desk;
    this.svg = svg;
    this.under = new GraphUnder(under);
    this.scale = new GraphScale();
    this.mode = 'move';
    this.snapFrames = true;
    this.inMetres = false; // whether the axis of a pace says metres
    this.snapKeys = false;
    this.elements = new Map(); // what was drawn before, by name
    this.pivot = null; // {frame, y}: what stays when keys are scaled
    this.head = null; // the playhead
    this.told = ''; // where frames stood when that was told
    const draw = () => this.ask();
    for (const name of ['shot', 'motion', 'ghost']) store.addEventListener(name, draw);
    for (const name of ['keys', 'layout']) desk.addEventListener(name, draw);
    desk.effects.addEventListener('effect', () => {
      this.stale = true;
      draw();
    });
    desk.addEventListener('frame', () => this.moveHead());
    desk.addEventListener('selection', () => {
      this.stale = true;
      draw();
    });
    this.hands = new GraphHands(this);
    new ResizeObserver(() => {
      this.measure();
      draw();
    }).observe(svg);
  }

  ask() {
    if (this.asked || this.desk.view !== 'curves') return;
    this.asked = true;
    drawSoon(this.svg, () => {
      this.asked = false;
      if (this.store.header && this.desk.view === 'curves') this.draw();
    });
  }

  measure() {
    this.scale.width = this.svg.clientWidth;
    this.scale.height = this.svg.clientHeight;
    this.scale.layOut();
  }

  setPanes(names) {
    this.scale.setPanes(['value', ...names]);
    this.fit();
  }

  /** The curves in sight: {id, channel, axis, dim, locked, keys}. */
  curves() {
    return this.desk.curveNodes().flatMap((id) => {
      const node = this.store.byId.get(id);
      return pathsOf(node)
        .filter((c) => keysOf(node, c).length)
        .map((channel) => ({
          id,
          channel,
          node,
          axis: axisOf(node, channel),
          keys: keysOf(node, channel),
          dim: this.desk.dimmed.has(`${id} ${channel}`),
          locked: isLocked(node, channel),
        }));
    });
  }

  /** What the curves are measured on; what is dimmed needs no numbers. */
  axes(curves) {
    const clear = curves.filter((c) => !c.dim);
    return [...new Set([...(clear.length ? clear : curves), ...shakeTraces(this.desk)].map((c) => c.axis))];
  }

  /** Fits the view to all curves, or to the chosen keys. */
  fit(onlyChosen = false) {
    if (!this.store.header) return;
    const all = this.curves();
    const curves = all.some((c) => !c.dim) ? all.filter((c) => !c.dim) : all;
    const chosen = onlyChosen && !this.desk.chosen.isEmpty ? this.desk.chosen : null;
    const frames = chosen ? chosen.frames() : [this.desk.first(), this.desk.last()];
    this.scale.fitFrames(Math.min(...frames), Math.max(...frames));
    this.scale.axisCount = this.axes(all).length;
    for (const pane of this.scale.panes)
      this.scale.fitValues(
        pane,
        this.bounds(pane, chosen ? curves.filter((c) => chosen.framesOf(c.id, c.channel).length) : curves),
      );
    this.pivot = null;
    this.ask();
  }

  bounds(pane, curves) {
    const bounds = new Map();
    const [from, to] = this.scale.frames;
    for (const curve of curves) {
      const column = this.column(this.store, curve, pane.name);
      if (!column) continue;
      const known = bounds.get(curve.axis) ?? [Infinity, -Infinity];
      for (let f = Math.ceil(from); f <= to; f++) {
        const v = valueAt(this.store, column, f);
        known[0] = Math.min(known[0], v);
        known[1] = Math.max(known[1], v);
      }
      if (pane.name === 'value')
        for (const key of curve.keys)
          if (key[0] >= from && key[0] <= to) {
            known[0] = Math.min(known[0], key[1]);
            known[1] = Math.max(known[1], key[1]);
          }
      bounds.set(curve.axis, known);
    }
    return pane.name === 'value' ? fitTraces(bounds, shakeTraces(this.desk)) : bounds;
  }

  /** The samples of a curve in a state of the shot: values, speed or acceleration. */
  column(state, { id, channel }, pane) {
    const motion = state.motion.get(id);
    return pane === 'value' ? motion?.own[channel] : motion?.curves?.[channel]?.[pane];
  }

  draw() {
    this.scale.namesBeside = this.desk.curveNodes().length === 1;
    if (this.stale) {
      this.stale = false;
      this.fit();
    }
    const curves = this.curves();
    this.scale.makeRoom(curves.map((c) => pathName(c.node, c.channel)));
    const axes = this.axes(curves);
    this.scale.axisCount = axes.length;
    this.drawn = curves;
    const inHand = curves.filter((c) => this.isInHand(c));
    const traces = shakeTraces(this.desk);
    this.drawUnder(curves.filter((c) => !inHand.includes(c)));
    const parts = [];
    for (const pane of this.scale.panes) {
      parts.push(this.grid(pane, axes));
      const inside = curves
        .flatMap((curve) => this.ghosts(pane, curve))
        .concat(inHand.map((curve) => this.curve(pane, curve)))
        .concat(pane.name === 'value' ? traces.map((trace) => traceLine(this.scale, pane, trace)) : []);
      parts.push(
        s(
          'svg',
          {
            class: 'pane',
            x: this.scale.left,
            y: pane.top,
            width: this.scale.right - this.scale.left,
            height: pane.height,
            viewBox: `${this.scale.left} ${pane.top} ${this.scale.right - this.scale.left} ${pane.height}`,
          },
          ...inside,
          ...(pane.name === 'value' ? this.keysAndMarks(pane, curves, inHand) : []),
        ),
      );
    }
    parts.push(...nameMarks(this, curves.length > MOST_NAMES ? inHand : curves), this.ruler());
    if (!curves.length && !traces.length)
      parts.push(
        s('text', {
          class: 'hint',
          x: this.scale.width / 2,
          y: this.scale.height / 2,
          'text-anchor': 'middle',
          text: 'Nothing chosen here has keys yet. Press Enter to key its whole pose at the playhead.',
        }),
      );
    this.head ??= s(
      'g',
      { class: 'playhead', 'pointer-events': 'none' },
      s('path', { d: 'M0 0V4000' }),
      s('rect', { x: -21, y: 0, width: 42, height: 17, rx: 3 }),
      s('text', { 'text-anchor': 'middle', y: 12.5 }),
    );
    this.svg.setAttribute('viewBox', `0 0 ${this.scale.width} ${this.scale.height}`);
    hold(this.svg, [...parts, this.head]);
    this.moveHead();
    this.tellScale();
  }

  /** Lines and numbers of a pane, as they were drawn last where they are the same. */
  grid(pane, axes) {
    const measure = this.inMetres ? paceMeasure(this.store, this.desk.curveNodes()) : null;
    const signatures = axes.map((axis) => this.scale.signature(pane, axis));
    const from = [this.scale.right, ...signatures, axes.join(), measure?.signature];
    return this.kept(`grid ${pane.name}`, from, () => s('g', {}, ...gridParts(this.scale, pane, axes, measure)));
  }

  ruler() {
    const { scale, desk, store } = this;
    const from = [scale.left, scale.right, scale.height, ...scale.frames, desk.first(), desk.last(), store.header.rate];
    return this.kept('ruler', from, () => {
      const { ticks, parts } = rulerParts(this);
      this.ticks = ticks;
      return s('g', {}, ...parts);
    });
  }

  /** Whether a curve may change under the artist's hands: of the node selected, or with chosen keys. */
  isInHand({ id }) {
    return id === this.desk.selected || this.desk.chosen.channelsOf(id).length > 0;
  }

  /** The other curves; with their keys, unless there are too many to tell apart. */
  drawUnder(quiet) {
    const beads = quiet.filter((c) => !c.dim);
    const few = beads.reduce((sum, c) => sum + c.keys.length, 0) <= MOST_QUIET_KEYS;
    this.under.draw(this.scale, (pane) => [
      ...quiet.map((c) => this.curve(pane, c)),
      ...(few && pane.name === 'value' ? beads.map((c) => this.beads(pane, c)) : []),
    ]);
  }

  /** Says where frames stand, when they stand elsewhere. */
  tellScale() {
    const { frames, left, right } = this.scale;
    const told = [...frames, left, right, this.desk.first(), this.desk.last()].join();
    if (this.told === told) return;
    this.told = told;
    this.dispatchEvent(new Event('scale'));
  }

  moveHead() {
    if (!this.head) return;
    const x = this.scale.x(this.desk.frame);
    const seen = x >= this.scale.left - 1 && x <= this.scale.right + 1;
    this.head.setAttribute('visibility', seen ? 'visible' : 'hidden');
    this.head.setAttribute('transform', `translate(${x.toFixed(1)} 0)`);
    this.head.querySelector('text').textContent = this.desk.frame;
    clearUnderFlag(this.ticks, x);
  }

  curve(pane, curve) {
    const { colour } = parameterOf(curve.node, curve.channel);
    const look = `curve ${colour}${curve.dim ? ' dim' : ''}${curve.locked ? ' locked' : ''}`;
    const from = [
      this.scale.signature(pane, curve.axis),
      look,
      this.store.motion.get(curve.id)?.curves?.[curve.channel],
      this.column(this.store, curve, pane.name),
      curve.keys,
    ];
    return this.kept(`${pane.name} ${curve.id} ${curve.channel}`, from, () =>
      s('path', {
        class: look,
        d: pane.name === 'value' ? this.exact(pane, curve) : this.sampled(this.store, pane, curve),
      }),
    );
  }

  /** An element drawn before, if all that it was made from is still the same. */
  kept(name, from, make) {
    const known = this.elements.get(name);
    if (known && known.from.every((value, i) => value === from[i])) return known.element;
    if (this.elements.size > MOST_KEPT) this.elements.clear();
    const element = make();
    this.elements.set(name, { from, element });
    return element;
  }

  /** The curve itself: its Bezier segments between the keys, samples outside them. */
  exact(pane, curve) {
    const { scale, store } = this;
    const segments = store.motion.get(curve.id)?.curves?.[curve.channel]?.segments;
    if (!segments || !segments.length) return this.sampled(store, pane, curve);
    const y = (v) => scale.y(pane, curve.axis, v).toFixed(1);
    const x = (f) => scale.x(f).toFixed(1);
    const point = (i, n) => `${x(segments[i + n])} ${y(segments[i + n + 1])}`;
    let d = '';
    for (let i = 0; i < segments.length; i += 8) {
      if (segments[i + 6] < scale.frames[0] || segments[i] > scale.frames[1]) continue;
      if (!d) d = `M${point(i, 0)}`;
      const held = curve.keys[i / 8]?.[2] === 'hold';
      const to = curve.keys[i / 8 + 1]?.[1] ?? segments[i + 7];
      d += held ? `H${x(segments[i + 6])}V${y(to)}` : `C${point(i, 2)} ${point(i, 4)} ${point(i, 6)}`;
    }
    return d + this.outside(pane, curve, segments[0], segments[segments.length - 2]);
  }

  /** Before the first and after the last key, as far as it was computed. */
  outside(pane, curve, first, last) {
    const part = (from, to) => (to - from < 0.5 ? '' : this.sampled(this.store, pane, curve, from, to));
    return part(this.scale.frames[0], first) + part(last, this.scale.frames[1]);
  }

  sampled(state, pane, curve, from = this.scale.frames[0], to = this.scale.frames[1]) {
    const column = this.column(state, curve, pane.name);
    if (!column) return '';
    const first = Math.max(Math.floor(from), state.grid.first);
    const last = Math.min(Math.ceil(to), state.grid.first + state.grid.count - 1);
    const step = Math.max(1, Math.floor((last - first) / (this.scale.width * 1.5)));
    let d = '';
    for (let f = first; f <= last; f += step) {
      const y = this.scale.y(pane, curve.axis, valueAt(state, column, f));
      d += `${d ? 'L' : 'M'}${this.scale.x(f).toFixed(1)} ${y.toFixed(1)}`;
    }
    return d;
  }

  /** What was before the drag, and the version compared with, dashed. */
  ghosts(pane, curve) {
    return [this.store.before, ...this.store.ghosts]
      .filter((state) => state?.motion.get(curve.id) && state.motion.get(curve.id) !== this.store.motion.get(curve.id))
      .map((state) =>
        s('path', {
          class: `curve ghost ${parameterOf(curve.node, curve.channel).colour}`,
          d: this.sampled(state, pane, curve),
        }),
      );
  }

  keysAndMarks(pane, curves, inHand) {
    const active = curves.filter((c) => !c.dim);
    const parts = inHand.filter((c) => !c.dim).map((curve) => this.beads(pane, curve));
    const room = overshootRoom(this.scale, pane);
    for (const id of new Set(active.map((c) => c.id))) parts.push(...overshootMarks(this, pane, id, active, room));
    const pivot = this.mode === 'scale' && this.pivotAt(pane);
    parts.push(...handleMarks(this, pane, active), ...(pivot ? [pivotMark(pivot)] : []));
    return parts;
  }

  beads(pane, curve) {
    const chosen = this.desk.chosen.framesOf(curve.id, curve.channel).length ? this.desk.chosen : null;
    const from = [this.scale.signature(pane, curve.axis), curve.keys, curve.locked, chosen];
    return this.kept(`beads ${curve.id} ${curve.channel}`, from, () =>
      s('g', {}, ...beadPaths(this, pane, curve, chosen)),
    );
  }

  /** What stays when keys are scaled: the middle of the chosen keys, until it is dragged elsewhere. */
  pivotAt(pane) {
    if (this.pivot) return [this.scale.x(this.pivot.frame), this.pivot.y];
    const points = [...this.desk.chosen.each()].map((k) => this.at(k.id, k.channel, k.frame, pane)).filter(Boolean);
    if (points.length < 2) return null;
    const middle = (i) => (Math.min(...points.map((p) => p[i])) + Math.max(...points.map((p) => p[i]))) / 2;
    return [middle(0), middle(1)];
  }

  /** Pixels of a key, or null if it is not shown. */
  at(id, channel, frame, pane = this.scale.pane('value')) {
    const node = this.store.byId.get(id);
    const key = node && keysOf(node, channel).find((k) => Math.abs(k[0] - frame) < 1e-6);
    return key ? [this.scale.x(key[0]), this.scale.y(pane, axisOf(node, channel), key[1])] : null;
  }

  /** The key nearest to a pixel, of curves that may be touched. */
  nearest([px, py]) {
    const pane = this.scale.pane('value');
    let best = null;
    let least = REACH_PX;
    for (const curve of this.drawn ?? []) {
      if (curve.dim || curve.locked) continue;
      for (const key of curve.keys) {
        const far = Math.hypot(this.scale.x(key[0]) - px, this.scale.y(pane, curve.axis, key[1]) - py);
        if (far < least) {
          least = far;
          best = { ...curve, frame: key[0], value: key[1] };
        }
      }
    }
    return best;
  }
}

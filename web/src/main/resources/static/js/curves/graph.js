// The graph of the Curves view: values, and beside them speed and acceleration, as the server computed them.
import { s } from '../common/dom.js';
import { fixed, framesPerSecond } from '../common/format.js';
import { clearUnderFlag, tickText } from '../common/ruler.js';
import { beadPath } from '../floor/bead.js';
import { isLocked, keysOf } from '../shot/keys.js';
import { axisName, axisOf, measured, parameterOf, pathName, pathsOf } from '../shot/parts.js';
import { valueAt } from '../shot/samples.js';
import { GraphUnder } from './graph-under.js';
import { GraphHands } from './graph-hands.js';
import { AXIS_PX, GraphScale, niceStep, RULER_PX } from './graph-scale.js';

const REACH_PX = 9;
const BEAD_PX = 4;
const MOST_HANDLES = 60;
const MOST_KEPT = 4000;
const MOST_QUIET_KEYS = 4000;
const MOST_NAMES = 30;
const PER = { value: '', speed: '/s', acceleration: '/s²' };

export class Graph {
  constructor(store, desk, { svg, under }) {
    this.store = store;
    this.desk = desk;
    this.svg = svg;
    this.under = new GraphUnder(under);
    this.scale = new GraphScale();
    this.mode = 'move';
    this.snapFrames = true;
    this.snapKeys = false;
    this.elements = new Map(); // what was drawn before, by name
    this.pivot = null; // {frame, y}: what stays when keys are scaled
    const draw = () => this.ask();
    for (const name of ['shot', 'motion', 'ghost']) store.addEventListener(name, draw);
    for (const name of ['keys', 'layout']) desk.addEventListener(name, draw);
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
    requestAnimationFrame(() => {
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
    return [...new Set((clear.length ? clear : curves).map((c) => c.axis))];
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
    return bounds;
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
    const axes = this.axes(curves);
    this.scale.axisCount = axes.length;
    this.drawn = curves;
    const inHand = curves.filter((c) => this.isInHand(c));
    this.drawUnder(curves.filter((c) => !inHand.includes(c)));
    const parts = [];
    for (const pane of this.scale.panes) {
      parts.push(...this.grid(pane, axes));
      const inside = curves
        .flatMap((curve) => this.ghosts(pane, curve))
        .concat(inHand.map((curve) => this.curve(pane, curve)));
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
    parts.push(...this.names(curves.length > MOST_NAMES ? inHand : curves), ...this.ruler());
    if (!curves.length)
      parts.push(
        s('text', {
          class: 'hint',
          x: this.scale.width / 2,
          y: this.scale.height / 2,
          'text-anchor': 'middle',
          text: 'Nothing chosen here has keys yet. Press Enter to key its whole pose at the playhead.',
        }),
      );
    this.head = s(
      'g',
      { class: 'playhead', 'pointer-events': 'none' },
      s('path', { d: `M0 0V${this.scale.height}` }),
      s('rect', { x: -21, y: 0, width: 42, height: 17, rx: 3 }),
      s('text', { 'text-anchor': 'middle', y: 12.5 }),
    );
    this.svg.setAttribute('viewBox', `0 0 ${this.scale.width} ${this.scale.height}`);
    this.svg.replaceChildren(...parts, this.head);
    this.moveHead();
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

  moveHead() {
    if (!this.head) return;
    const x = this.scale.x(this.desk.frame);
    const seen = x >= this.scale.left - 1 && x <= this.scale.right + 1;
    this.head.setAttribute('visibility', seen ? 'visible' : 'hidden');
    this.head.setAttribute('transform', `translate(${x.toFixed(1)} 0)`);
    this.head.querySelector('text').textContent = this.desk.frame;
    clearUnderFlag(this.ticks, x);
  }

  /** Lines and numbers of a pane, every axis with its unit. */
  grid(pane, axes) {
    const { scale } = this;
    const parts = [];
    axes.forEach((axis, i) => {
      const name = axisName(axis);
      const right = scale.left - i * AXIS_PX;
      const step = niceStep(scale.perPixel(pane, axis) * 30);
      const digits = Math.max(0, -Math.floor(Math.log10(step) + 1e-9));
      const low = scale.value(pane, axis, pane.top + pane.height);
      const high = scale.value(pane, axis, pane.top);
      let d = '';
      for (let v = Math.ceil(low / step) * step; v <= high; v += step) {
        const y = scale.y(pane, axis, v);
        if (i === 0) d += `M${scale.left} ${y.toFixed(1)}H${scale.right}`;
        else d += `M${right - 4} ${y.toFixed(1)}h4`;
        if (y > pane.top + (name.includes(' ') ? 32 : 20))
          parts.push(
            s('text', {
              class: 'tick',
              x: right - 6,
              y: (y + 4).toFixed(1),
              'text-anchor': 'end',
              text: fixed(v, Math.min(digits, 4)),
            }),
          );
      }
      parts.push(
        s('path', { class: i === 0 ? 'lines' : 'ticks', d }),
        s('path', { class: 'axis', d: `M${right} ${pane.top}v${pane.height}` }),
        ...[`${name.split(' ').pop()}${PER[pane.name]}`, name.includes(' ') ? name.split(' ')[0] : ''].map(
          (text, line) =>
            s('text', { class: 'unit', x: right - 6, y: pane.top + 12 + line * 12, 'text-anchor': 'end', text }),
        ),
        s(
          'rect',
          {
            class: 'axis-hand',
            x: right - AXIS_PX,
            y: pane.top,
            width: AXIS_PX,
            height: pane.height,
            'data-axis': axis,
            'data-pane': pane.name,
          },
          s('title', { text: `Drag or use the wheel to move or zoom ${name}${PER[pane.name]} alone` }),
        ),
      );
    });
    if (pane.name !== 'value')
      parts.push(s('text', { class: 'pane-name', x: scale.left + 6, y: pane.top + 13, text: pane.name }));
    return parts;
  }

  curve(pane, curve) {
    const look = `curve ${parameterOf(curve.node, curve.channel).colour}${curve.dim ? ' dim' : ''}${curve.locked ? ' locked' : ''}`;
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
    let d = '';
    for (let i = 0; i < segments.length; i += 8) {
      if (segments[i + 6] < scale.frames[0] || segments[i] > scale.frames[1]) continue;
      if (!d) d = `M${x(segments[i])} ${y(segments[i + 1])}`;
      if (curve.keys[i / 8]?.[2] === 'hold')
        d += `H${x(segments[i + 6])}V${y(curve.keys[i / 8 + 1]?.[1] ?? segments[i + 7])}`;
      else
        d += `C${x(segments[i + 2])} ${y(segments[i + 3])} ${x(segments[i + 4])} ${y(segments[i + 5])} ${x(segments[i + 6])} ${y(segments[i + 7])}`;
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
    for (let f = first; f <= last; f += step)
      d += `${d ? 'L' : 'M'}${this.scale.x(f).toFixed(1)} ${this.scale.y(pane, curve.axis, valueAt(state, column, f)).toFixed(1)}`;
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
    for (const id of new Set(active.map((c) => c.id))) parts.push(...this.overshoots(pane, id, active));
    parts.push(...this.handles(pane, active), ...this.pivotMark(pane));
    return parts;
  }

  beads(pane, curve) {
    const chosen = this.desk.chosen.framesOf(curve.id, curve.channel).length ? this.desk.chosen : null;
    const from = [this.scale.signature(pane, curve.axis), curve.keys, curve.locked, chosen];
    return this.kept(`beads ${curve.id} ${curve.channel}`, from, () =>
      s('g', {}, ...this.beadPaths(pane, curve, chosen)),
    );
  }

  beadPaths(pane, curve, chosen) {
    const { scale } = this;
    const d = { '': '', ' ring': '', ' chosen': '' };
    for (const key of curve.keys) {
      if (key[0] < scale.frames[0] || key[0] > scale.frames[1]) continue;
      const shape = `M${scale.x(key[0]).toFixed(1)} ${scale.y(pane, curve.axis, key[1]).toFixed(1)}${beadPath(new Set([key[2]]), true, BEAD_PX)}`;
      d[key[2] === 'free' ? ' ring' : ''] += shape;
      if (chosen?.has(curve.id, curve.channel, key[0])) d[' chosen'] += shape;
    }
    const colour = `${parameterOf(curve.node, curve.channel).colour}${curve.locked ? ' locked' : ''}`;
    return Object.entries(d)
      .filter(([, path]) => path)
      .map(([look, path]) => s('path', { class: `bead${look}${look === ' chosen' ? '' : ` ${colour}`}`, d: path }));
  }

  overshoots(pane, id, curves) {
    return this.desk.overshootsOf(id).flatMap(([channel, frame, value, amount]) => {
      const curve = curves.find((c) => c.id === id && c.channel === channel);
      if (!curve || frame < this.scale.frames[0] || frame > this.scale.frames[1]) return [];
      const [x, y] = [this.scale.x(frame), this.scale.y(pane, curve.axis, value)];
      const name = pathName(curve.node, channel);
      const text = `${amount > 0 ? '+' : '−'}${measured(curve.node, channel, Math.abs(amount))}`;
      return [
        s(
          'path',
          {
            class: 'overshoot',
            d: 'M0 -5.5L5.5 0L0 5.5L-5.5 0Z',
            transform: `translate(${x.toFixed(1)} ${y.toFixed(1)})`,
          },
          s('title', { text: `Overshoot of ${name}: ${text} past its keys at frame ${fixed(frame, 1)}` }),
        ),
        s('text', { class: 'over', x: (x + 9).toFixed(1), y: (y + (amount > 0 ? -7 : 17)).toFixed(1), text }),
      ];
    });
  }

  /** The handles of the chosen keys. */
  handles(pane, curves) {
    const parts = [];
    for (const curve of curves) {
      const segments = this.store.motion.get(curve.id)?.curves?.[curve.channel]?.segments;
      const chosen = this.desk.chosen.framesOf(curve.id, curve.channel);
      if (!segments || !chosen.length || this.desk.chosen.count > MOST_HANDLES) continue;
      curve.keys.forEach((key, i) => {
        if (!this.desk.chosen.has(curve.id, curve.channel, key[0])) return;
        const ends = [
          ['in', i - 1, 4],
          ['out', i, 2],
        ].filter(
          ([side, n]) =>
            n >= 0 &&
            n < curve.keys.length - 1 &&
            !(side === 'out' && ['hold', 'straight'].includes(key[2])) &&
            !(side === 'in' && ['hold', 'straight'].includes(curve.keys[n][2])),
        );
        for (const [side, n, from] of ends) {
          const [hx, hy] = [
            this.scale.x(segments[n * 8 + from]),
            this.scale.y(pane, curve.axis, segments[n * 8 + from + 1]),
          ];
          parts.push(
            s('path', {
              class: 'tangent',
              d: `M${this.scale.x(key[0]).toFixed(1)} ${this.scale.y(pane, curve.axis, key[1]).toFixed(1)}L${hx.toFixed(1)} ${hy.toFixed(1)}`,
            }),
            s(
              'rect',
              {
                class: 'handle',
                x: (hx - 4).toFixed(1),
                y: (hy - 4).toFixed(1),
                width: 8,
                height: 8,
                'data-handle': `${curve.id} ${curve.channel} ${key[0]} ${side}`,
              },
              s('title', { text: 'Drag the tangent; Shift for this side alone' }),
            ),
          );
        }
      });
    }
    return parts;
  }

  /** What stays when keys are scaled: the middle of the chosen keys, until it is dragged elsewhere. */
  pivotAt(pane) {
    if (this.pivot) return [this.scale.x(this.pivot.frame), this.pivot.y];
    const points = [...this.desk.chosen.each()].map((k) => this.at(k.id, k.channel, k.frame, pane)).filter(Boolean);
    if (points.length < 2) return null;
    const middle = (i) => (Math.min(...points.map((p) => p[i])) + Math.max(...points.map((p) => p[i]))) / 2;
    return [middle(0), middle(1)];
  }

  pivotMark(pane) {
    if (this.mode !== 'scale') return [];
    const at = this.pivotAt(pane);
    return at
      ? [
          s(
            'path',
            {
              class: 'pivot',
              d: 'M-9 0H9M0 -9V9M-5 0A5 5 0 1 0 5 0A5 5 0 1 0 -5 0',
              transform: `translate(${at[0].toFixed(1)} ${at[1].toFixed(1)})`,
              'data-pivot': '1',
            },
            s('title', { text: 'Keys are scaled about this point. Drag it to where it shall be' }),
          ),
        ]
      : [];
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

  /** Which curve is which, at its right end, without covering one another. */
  names(curves) {
    const pane = this.scale.pane('value');
    const taken = [];
    return curves
      .filter((c) => !c.dim)
      .flatMap((curve) => {
        const column = this.column(this.store, curve, 'value');
        if (!column) return [];
        const frame = Math.min(this.scale.frames[1], this.store.grid.first + this.store.grid.count - 1);
        let y = Math.max(
          pane.top + 11,
          Math.min(pane.top + pane.height - 4, this.scale.y(pane, curve.axis, valueAt(this.store, column, frame)) - 5),
        );
        while (taken.some((t) => Math.abs(t - y) < 12) && y > pane.top + 11) y -= 12;
        while (taken.some((t) => Math.abs(t - y) < 12)) y += 12;
        if (y > pane.top + pane.height) return [];
        taken.push(y);
        const { colour } = parameterOf(curve.node, curve.channel);
        const name = pathName(curve.node, curve.channel);
        const beside = this.scale.namesBeside;
        return [
          s('text', {
            class: `name ${colour}`,
            x: this.scale.right + (beside ? 5 : -4),
            y: (beside ? y + 9 : y).toFixed(1),
            'text-anchor': beside ? 'start' : 'end',
            text: beside ? name : `${curve.node.name} ${name}${curve.locked ? ' (locked)' : ''}`,
          }),
        ];
      });
  }

  ruler() {
    const { scale } = this;
    const rate = Math.round(framesPerSecond(this.store.header.rate));
    const steps = [1, 2, 5, 10, Math.round(rate / 2), rate, rate * 2, rate * 5, rate * 10, rate * 30];
    const big = steps.find((n) => n * scale.perFrame > 52) ?? rate * 60;
    const parts = [
      s('rect', {
        class: 'ruler',
        x: scale.left,
        y: 0,
        width: scale.right - scale.left,
        height: RULER_PX,
        'data-ruler': '1',
      }),
    ];
    this.ticks = [];
    let d = '';
    for (
      let f = this.desk.first() + Math.ceil((scale.frames[0] - this.desk.first()) / big) * big;
      f <= scale.frames[1];
      f += big
    ) {
      d += `M${scale.x(f).toFixed(1)} 14V${scale.height}`;
      this.ticks.push(tickText(f, scale.x(f), 14));
    }
    const ends = [this.desk.first(), this.desk.last()]
      .map((f) => `M${scale.x(f).toFixed(1)} ${RULER_PX}V${scale.height}`)
      .join('');
    return [
      ...parts,
      ...this.ticks,
      s('path', { class: 'lines', d, 'pointer-events': 'none' }),
      s('path', { class: 'ends', d: ends, 'pointer-events': 'none' }),
    ];
  }
}

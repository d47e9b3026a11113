// The strips of checks, one below another over the frames of the score, with the playhead through all of them.
import { drawSoon } from '../common/draw-soon.js';
import { h, s } from '../common/dom.js';
import { follow } from '../common/follow.js';
import { STRIPS } from './strip-kinds.js';

const AIR_PX = 4;
const TICK_PX = 9;
const SAYS_AT_PX = 8;
const BASELINE_PX = 4;

export class Strips {
  /** @param checks what was found @param score whose frames are lined up with */
  constructor(checks, score, { svg, names }) {
    this.checks = checks;
    this.score = score;
    this.svg = svg;
    this.names = names;
    this.rows = STRIPS.map((kind) => this.nameOf(kind));
    names.replaceChildren(...this.rows.map((row) => row.element));
    this.drawing = s('g');
    this.head = s('path', { class: 'head' });
    svg.append(this.drawing, this.head);
    const draw = () => this.ask();
    checks.addEventListener('found', draw);
    checks.addEventListener('asked', draw);
    score.addEventListener('scale', draw);
    checks.store.addEventListener('motion', draw);
    checks.desk.addEventListener('layout', draw);
    checks.desk.addEventListener('frame', () => this.moveHead());
    new ResizeObserver(draw).observe(svg);
    svg.addEventListener('pointerdown', (event) => this.scrub(event));
  }

  nameOf(kind) {
    const value = h('span', { class: 'number' });
    const scale = h('small');
    return {
      kind,
      value,
      scale,
      element: h('li', { title: kind.title }, h('span', {}, h('b', { text: kind.name }), scale), value),
    };
  }

  ask() {
    if (this.asked || !this.checks.isOpen) return;
    this.asked = true;
    drawSoon(this.svg, () => {
      this.asked = false;
      if (this.checks.isOpen) this.draw();
    });
  }

  /** Where the frames of the score begin, seen from here, and how high a strip is. */
  measure() {
    const box = this.svg.getBoundingClientRect();
    this.aside = this.score.svg.getBoundingClientRect().left - box.left;
    this.width = box.width;
    this.row = box.height / STRIPS.length;
  }

  x(frame) {
    return this.aside + this.score.x(frame);
  }

  draw() {
    this.measure();
    const { found } = this.checks;
    this.svg.classList.toggle('stale', this.checks.waiting);
    const parts = found ? STRIPS.flatMap((kind, i) => this.strip(kind, i, found)) : [];
    if (found) parts.push(...this.veils(found));
    this.drawing.replaceChildren(...parts);
    this.moveHead();
  }

  strip(kind, i, found) {
    const top = i * this.row;
    const drawn = kind.draw(found, this.checks);
    this.rows[i].scale.textContent = drawn.scale ? `to ${drawn.scale}` : '';
    const parts = [s('path', { class: 'edge', d: `M0 ${(top + this.row).toFixed(1)}H${this.width}` })];
    for (const block of drawn.blocks ?? []) parts.push(this.block(block, top));
    for (const line of drawn.lines ?? []) parts.push(this.line(line, drawn.top, found.in, top));
    for (const tick of drawn.ticks ?? []) parts.push(this.tick(tick, top));
    if (drawn.says) parts.push(this.says(drawn.says, found.in, top));
    return parts;
  }

  /** Frames in which nothing is looked for, veiled. */
  veils({ lookedAt = [], in: first, out: last }) {
    const edges = [first - 1, ...lookedAt.flatMap(({ from, to }) => [from - 1, to]), last];
    const gaps = [];
    for (let i = 0; i < edges.length; i += 2)
      if (edges[i + 1] > edges[i]) gaps.push({ from: edges[i] + 1, to: edges[i + 1] });
    return gaps.map(({ from, to }) => {
      const x = this.x(from);
      const width = this.x(to + 1) - x;
      const title = s('title', { text: 'The program does not need this camera here' });
      return s('rect', { class: 'aside', x, y: 0, width, height: this.row * STRIPS.length }, title);
    });
  }

  /** A block reaches over the whole of its last frame. */
  block({ from, to, look }, top) {
    const x = this.x(from);
    return s('rect', {
      class: `block ${look}`,
      x: x.toFixed(1),
      y: (top + 2).toFixed(1),
      width: Math.max(2, this.x(to + 1) - x).toFixed(1),
      height: Math.max(2, this.row - AIR_PX).toFixed(1),
    });
  }

  line({ values, look = '' }, most, first, top) {
    const high = this.row - 2 * AIR_PX;
    const y = (v) => top + this.row - AIR_PX - Math.min(1, most > 0 ? v / most : 0) * high;
    const d = values.map((v, i) => `${i ? 'L' : 'M'}${this.x(first + i).toFixed(1)} ${y(v).toFixed(1)}`).join('');
    return s('path', { class: `line ${look}`, d });
  }

  tick({ frame, look, title }, top) {
    const [x, y] = [this.x(frame), top + this.row / 2];
    const half = TICK_PX / 2;
    const shape = look === 'overshoot' ? `M${x} ${y - half}l${half} ${half}l${-half} ${half}l${-half} ${-half}z` : '';
    const d = shape || `M${x.toFixed(1)} ${(top + AIR_PX).toFixed(1)}V${(top + this.row - AIR_PX).toFixed(1)}`;
    return s('path', { class: `tick ${look}`, d }, s('title', { text: `${title}, ${frame}` }));
  }

  says(text, first, top) {
    const y = top + this.row / 2 + BASELINE_PX;
    return s('text', { x: this.x(first) + SAYS_AT_PX, y: y.toFixed(1), text });
  }

  moveHead() {
    const { checks } = this;
    if (!checks.isOpen || !this.row) return;
    const { frame } = checks.desk;
    this.head.setAttribute('d', `M${this.x(frame).toFixed(1)} 0V${this.row * STRIPS.length}`);
    for (const { kind, value } of this.rows)
      value.textContent = checks.found ? kind.value(checks.found, frame, checks) : '';
  }

  scrub(event) {
    const left = this.svg.getBoundingClientRect().left + this.aside;
    const go = (e) => this.checks.desk.goTo(this.score.frameAt(e.clientX - left));
    go(event);
    follow(this.svg, event, go);
  }
}

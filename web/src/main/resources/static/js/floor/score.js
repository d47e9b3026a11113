// The score: frames, markers, keys as beads, playhead. Only rows in sight are drawn.
import { s } from '../common/dom.js';
import { framesPerSecond } from '../common/format.js';
import { clearUnderFlag, tickText } from '../common/ruler.js';
import { ALL, CHANNELS, LENS, POSE } from '../shot/channels.js';
import { keyFrames } from '../shot/keys.js';
import { beadName, beadPath, isRing } from './bead.js';
import { markerRow } from './score-markers.js';
import { ScoreHands } from './score-hands.js';
import { LEFT, ROW, RULER } from './score-scale.js';

const RIGHT_GAP = 16;
const NAME_LETTERS = 16;
const DENSE = 80; // keys in a row from which most of them are drawn as one
const IN_HAND = 12; // of those, the ones nearest to the playhead stay beads of their own

export class Score {
  constructor(store, desk, { svg, rows }) {
    this.store = store;
    this.desk = desk;
    this.svg = svg;
    this.scroller = rows;
    this.kept = new Map();
    const draw = () => this.ask();
    for (const name of ['shot', 'motion']) store.addEventListener(name, draw);
    for (const name of ['selection', 'keys', 'layout']) desk.addEventListener(name, draw);
    desk.addEventListener('frame', () => { this.moveHead(); if (this.hasDense) this.ask(); });
    this.above = 0;
    rows.addEventListener('scroll', () => { this.above = rows.scrollTop; draw(); });
    this.rowsLayer = s('g');
    this.topLayer = s('g');
    this.headLine = s('path', { class: 'head' });
    this.head = s('g', { class: 'playhead' }, this.headLine, s('rect', { class: 'head-flag', x: -21, y: 0, width: 42, height: 17, rx: 3 }), s('text', { class: 'head-text', 'text-anchor': 'middle', y: 12.5 }));
    svg.append(this.rowsLayer, this.topLayer, this.head);
    this.hands = new ScoreHands(this);
    this.measure();
    new ResizeObserver(() => { this.measure(); draw(); }).observe(rows);
  }

  ask() {
    if (this.asked) return;
    this.asked = true;
    requestAnimationFrame(() => { this.asked = false; if (this.store.header) this.draw(); });
  }

  /** Sizes are read here and not while drawing, where reading them would lay the page out anew. */
  measure() { this.width = this.scroller.clientWidth; this.seen = this.scroller.clientHeight; }

  get span() { return Math.max(1, this.desk.last() - this.desk.first()); }

  x(frame) { return LEFT + ((frame - this.desk.first()) / this.span) * (this.width - LEFT - RIGHT_GAP); }

  frameAt(x) { return this.desk.first() + ((x - LEFT) / (this.width - LEFT - RIGHT_GAP)) * this.span; }

  /** The rig of the camera shown, then the chosen node, then what else is keyed. */
  rows() {
    const { store, desk } = this;
    const order = [];
    const take = (node) => { if (node && !order.includes(node)) order.push(node); };
    if (desk.camera) { take(store.byId.get(desk.camera)); store.carriersOf(desk.camera).reverse().forEach(take); }
    take(desk.node);
    store.nodes.filter((n) => keyFrames(n, ALL).length).forEach(take);
    return order.flatMap((node) => {
      const rows = [{ node, channels: POSE, name: node.name }];
      if (node.kind === 'camera') for (const c of LENS) if (keyFrames(node, [c]).length) rows.push({ node, channels: [c], name: `${node.name} · ${CHANNELS[c].name}` });
      return rows;
    });
  }

  /** The top of the row with that index, below ruler and markers. */
  top(index) { return RULER + ROW + index * ROW; }

  draw() {
    const rows = this.rows();
    this.shownRows = rows;
    this.hasDense = rows.some((row) => this.isDense(row));
    const { above, seen } = this;
    this.layOut(Math.max(this.top(rows.length) + 8, seen));
    const from = Math.max(0, Math.floor((above - this.top(0)) / ROW));
    const to = Math.min(rows.length, Math.ceil((above + seen - this.top(0)) / ROW));
    const focused = document.activeElement?.dataset?.bead ?? document.activeElement?.dataset?.marker;
    this.fill(this.rowsLayer, rows.slice(from, to).map((row, i) => this.drawn(row, this.top(from + i))));
    this.fill(this.topLayer, [this.rulerDrawn(), s('g', {}, ...markerRow(this))]);
    this.topLayer.setAttribute('transform', `translate(0 ${above})`);
    this.headLine.setAttribute('d', `M0 0V${seen}`);
    if (focused && document.activeElement === document.body) this.svg.querySelector(`[data-bead="${focused}"],[data-marker="${focused}"]`)?.focus({ preventScroll: true });
    this.moveHead();
  }

  layOut(height) {
    if (this.laidOut === `${this.width} ${height}`) return;
    this.laidOut = `${this.width} ${height}`;
    this.svg.setAttribute('height', height);
    this.svg.setAttribute('viewBox', `0 0 ${this.width} ${height}`);
  }

  /** Puts elements into a layer; what is there already stays untouched. */
  fill(layer, elements) {
    elements.forEach((element, i) => {
      const there = layer.children[i];
      if (there === element) return;
      if (there && !elements.includes(there)) there.replaceWith(element);
      else layer.insertBefore(element, there ?? null);
    });
    while (layer.children.length > elements.length) layer.lastChild.remove();
  }

  rulerDrawn() {
    const from = [this.width, this.desk.first(), this.desk.last(), this.store.header.rate].join();
    if (this.ruled !== from) { this.ruled = from; this.rulerGroup = s('g', {}, ...this.ruler()); }
    return this.rulerGroup;
  }

  ruler() {
    const { desk } = this;
    const perFrame = (this.width - LEFT - RIGHT_GAP) / this.span;
    const rate = Math.round(framesPerSecond(this.store.header.rate));
    const big = [rate, rate * 2, rate * 5, rate * 10, rate * 30].find((n) => n * perFrame > 56) ?? rate * 60;
    const small = perFrame > 4 ? 1 : perFrame > 1.2 ? Math.max(1, Math.round(rate / 4)) : big;
    let lines = '';
    this.ticks = [];
    const parts = [s('rect', { class: 'ruler', x: 0, y: 0, width: this.width, height: RULER, 'data-ruler': '1' })];
    for (let f = desk.first(); f <= desk.last(); f++) {
      const since = f - desk.first();
      if (since % big === 0) {
        lines += `M${this.x(f).toFixed(1)} 10V${RULER}`;
        this.ticks.push(tickText(f, this.x(f), 13));
      } else if (since % small === 0) lines += `M${this.x(f).toFixed(1)} ${since % Math.round(rate / 2) === 0 ? 17 : 21}V${RULER}`;
    }
    parts.push(...this.ticks, s('path', { class: 'tick-line', d: lines, 'pointer-events': 'none' }));
    return parts;
  }

  /** A row: the one drawn before, if all that it shows is still the same. */
  drawn(row, y) {
    const { node, channels } = row;
    const { chosen } = this.desk;
    const column = channels.length === 1 ? this.store.motion.get(node.id)?.own[channels[0]] : null;
    const from = [node, column, y, this.width, this.desk.first(), this.desk.last(), node.id === this.desk.selected, chosen.channelsOf(node.id).length ? chosen : null, this.isDense(row) ? this.desk.frame : null];
    const key = `${node.id} ${channels.length === 1 ? channels[0] : 'pose'}`;
    const known = this.kept.get(key);
    if (known && known.from.every((value, i) => value === from[i])) return known.group;
    const group = s('g', {}, ...this.row(row, y));
    this.kept.set(key, { from, group });
    return group;
  }

  row({ node, channels, name }, y) {
    const middle = y + ROW / 2;
    const keys = keyFrames(node, channels);
    const parts = [
      s('rect', { class: node.id === this.desk.selected ? 'row-back chosen' : 'row-back', x: 0, y, width: this.width, height: ROW, 'data-row': node.id }),
      s('path', { class: 'row-line', d: `M0 ${y + ROW}H${this.width}` }),
      s('text', { class: 'row', x: 12, y: middle + 4, text: shorten(name), 'pointer-events': 'none' }, s('title', { text: name })),
    ];
    if (channels.length === 1) parts.push(this.curve(node, channels[0], y));
    else if (keys.length) parts.push(s('path', { class: 'thread', d: `M${this.x(this.desk.first())} ${middle}H${this.x(this.desk.last())}` }));
    const own = this.isDense({ node, channels }) ? this.inHand(node, keys) : keys;
    if (own !== keys) parts.push(...this.together(keys.filter((key) => !own.includes(key)), channels, middle));
    for (const key of own) parts.push(this.bead(node, channels, key, middle));
    return parts;
  }

  isDense({ node, channels }) { return keyFrames(node, channels).length > DENSE; }

  /** The keys of a dense row that stay beads of their own: the chosen ones, and some at the playhead. */
  inHand(node, keys) {
    const near = [...keys].sort((a, b) => Math.abs(a.frame - this.desk.frame) - Math.abs(b.frame - this.desk.frame)).slice(0, IN_HAND);
    return keys.filter((key) => near.includes(key) || this.desk.chosen.hasAny(node.id, key.channels, key.frame));
  }

  /** Many beads as one path; they are taken by where they are. */
  together(keys, channels, y) {
    let d = '';
    let rings = '';
    for (const key of keys) {
      const shape = `M${this.x(key.frame).toFixed(1)} ${y}${beadPath(key.tangents, key.channels.length === channels.length)}`;
      if (isRing(key.tangents)) rings += shape; else d += shape;
    }
    return [s('path', { class: 'beads', d, 'pointer-events': 'none' }), s('path', { class: 'beads ring', d: rings, 'pointer-events': 'none' })];
  }

  /** The name of the bead of a dense row nearest to a place, or null. */
  denseBead([x, y], reach) {
    const row = this.shownRows[Math.floor((y - this.top(0)) / ROW)];
    if (!row || !this.isDense(row)) return null;
    const nearest = keyFrames(row.node, row.channels).reduce((best, k) => (Math.abs(this.x(k.frame) - x) < Math.abs(this.x(best.frame) - x) ? k : best));
    return Math.abs(this.x(nearest.frame) - x) <= reach ? beadName(row, nearest.frame) : null;
  }

  /** A lens channel is drawn as its curve, so that a pull can be seen. */
  curve(node, channel, y) {
    const column = this.store.motion.get(node.id)?.own[channel];
    if (!column || column.length === 1) return s('path', { class: 'line', d: '' });
    let low = Infinity; let high = -Infinity;
    for (const v of column) { low = Math.min(low, v); high = Math.max(high, v); }
    let d = '';
    const step = Math.max(1, Math.floor(this.span / this.width)); // no finer than the screen
    for (let f = this.desk.first(); f <= this.desk.last(); f += step) {
      const v = this.store.value(f, column);
      d += `${d ? 'L' : 'M'}${this.x(f).toFixed(1)} ${(y + ROW - 5 - ((v - low) / (high - low || 1)) * (ROW - 10)).toFixed(1)}`;
    }
    return s('path', { class: 'line', d });
  }

  bead(node, channels, key, y) {
    const picked = this.desk.chosen.hasAny(node.id, key.channels, key.frame);
    const whole = key.channels.length === channels.length;
    const label = `${node.name}, key at ${key.frame}: ${whole && channels === POSE ? 'whole pose' : key.channels.join(', ')}, ${[...key.tangents].join(' and ')}`;
    return s('path', {
      class: `bead${whole ? '' : ' half'}${isRing(key.tangents) ? ' ring' : ''}${picked ? ' chosen' : ''}`, d: `M0 0${beadPath(key.tangents, whole)}`, tabindex: 0, role: 'button', 'aria-label': label, 'aria-pressed': String(picked),
      transform: `translate(${this.x(key.frame).toFixed(1)} ${y})`, 'data-bead': beadName({ node, channels }, key.frame), 'data-frame': key.frame,
    });
  }

  moveHead() {
    if (!this.store.header) return;
    const x = this.x(this.desk.frame);
    this.head.setAttribute('transform', `translate(${x.toFixed(1)} ${this.above})`);
    this.head.querySelector('text').textContent = this.desk.frame;
    clearUnderFlag(this.ticks ?? [], x);
  }
}

const shorten = (name) => (name.length > NAME_LETTERS ? `${name.slice(0, NAME_LETTERS - 1)}…` : name);

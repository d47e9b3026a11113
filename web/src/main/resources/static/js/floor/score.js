// The score: frames, keys as beads, playhead.
import { s } from '../common/dom.js';
import { framesPerSecond } from '../common/format.js';
import { keyFrames, LENS, POSE } from './shot-store.js';

const LEFT = 118;
const RIGHT_GAP = 16;
const RULER = 26;
const ROW = 26;
const LENS_NAMES = { focal: 'focal length', fstop: 'f-stop', focus: 'focus' };

/** How a bead is drawn: by tangent, and half where only some channels are keyed. */
export function beadPath(tangents, whole) {
  const kind = tangents.size === 1 ? [...tangents][0] : 'settle';
  if (!whole) return 'M0 -5.5A5.5 5.5 0 0 0 0 5.5Z';
  if (kind === 'hold') return 'M-4.5 -4.5H4.5V4.5H-4.5Z';
  if (kind === 'straight') return 'M-2.2 -6H2.2V6H-2.2Z';
  return 'M0 -5.5A5.5 5.5 0 1 1 -.01 -5.5Z';
}

export class Score {
  constructor(store, desk, { svg, rows }) {
    this.store = store;
    this.desk = desk;
    this.svg = svg;
    this.scroller = rows;
    this.kept = new Map();
    const draw = () => this.ask();
    store.addEventListener('shot', draw);
    store.addEventListener('motion', draw);
    desk.addEventListener('selection', draw);
    desk.addEventListener('keys', draw);
    desk.addEventListener('frame', () => this.moveHead());
    svg.addEventListener('pointerdown', (event) => this.press(event));
    svg.addEventListener('keydown', (event) => this.key(event));
    this.measure();
    new ResizeObserver(() => { this.measure(); draw(); }).observe(rows);
  }

  ask() {
    if (this.asked) return;
    this.asked = true;
    requestAnimationFrame(() => { this.asked = false; if (this.store.header) this.draw(); });
  }

  measure() { this.width = this.scroller.clientWidth; }

  x(frame) { return LEFT + ((frame - this.desk.first()) / Math.max(1, this.desk.last() - this.desk.first())) * (this.width - LEFT - RIGHT_GAP); }

  frameAt(x) { return this.desk.first() + ((x - LEFT) / (this.width - LEFT - RIGHT_GAP)) * Math.max(1, this.desk.last() - this.desk.first()); }

  /** The rig of the camera shown, then the chosen node, then what else is keyed. */
  rows() {
    const { store, desk } = this;
    const order = [];
    const take = (node) => { if (node && !order.includes(node)) order.push(node); };
    if (desk.camera) { take(store.byId.get(desk.camera)); store.carriersOf(desk.camera).reverse().forEach(take); }
    take(desk.node);
    store.nodes.filter((n) => keyFrames(n, [...POSE, ...LENS]).length).forEach(take);
    return order.flatMap((node) => {
      const rows = [{ node, channels: POSE, name: node.name }];
      if (node.kind === 'camera') for (const c of LENS) if (keyFrames(node, [c]).length) rows.push({ node, channels: [c], name: `${node.name} · ${LENS_NAMES[c]}` });
      return rows;
    });
  }

  draw() {
    const rows = this.rows();
    const height = Math.max(RULER + rows.length * ROW + 8, this.scroller.clientHeight);
    this.svg.setAttribute('height', height);
    this.svg.setAttribute('viewBox', `0 0 ${this.width} ${height}`);
    this.head = s('g', { class: 'playhead' }, s('path', { class: 'head', d: `M0 0V${height}` }), s('rect', { class: 'head-flag', x: -21, y: 0, width: 42, height: 17, rx: 3 }), s('text', { class: 'head-text', 'text-anchor': 'middle', y: 12.5 }));
    const focused = document.activeElement?.dataset?.bead;
    this.svg.replaceChildren(...rows.flatMap((row, i) => this.drawn(row, RULER + i * ROW)), ...this.ruler(), this.head);
    if (focused) this.svg.querySelector(`[data-bead="${focused}"]`)?.focus();
    this.moveHead();
  }

  ruler() {
    const { desk } = this;
    const perFrame = (this.width - LEFT - RIGHT_GAP) / Math.max(1, desk.last() - desk.first());
    const rate = Math.round(framesPerSecond(this.store.header.rate));
    const big = [rate, rate * 2, rate * 5, rate * 10, rate * 30].find((n) => n * perFrame > 56) ?? rate * 60;
    const small = perFrame > 4 ? 1 : perFrame > 1.2 ? Math.max(1, Math.round(rate / 4)) : big;
    let lines = '';
    const parts = [s('rect', { class: 'ruler', x: 0, y: 0, width: this.width, height: RULER, 'data-ruler': '1' })];
    for (let f = desk.first(); f <= desk.last(); f++) {
      const since = f - desk.first();
      if (since % big === 0) {
        lines += `M${this.x(f).toFixed(1)} 10V${RULER}`;
        parts.push(s('text', { class: 'tick', x: (this.x(f) + 3).toFixed(1), y: 13, text: f, 'pointer-events': 'none' }));
      } else if (since % small === 0) lines += `M${this.x(f).toFixed(1)} ${since % Math.round(rate / 2) === 0 ? 17 : 21}V${RULER}`;
    }
    parts.push(s('path', { class: 'tick-line', d: lines, 'pointer-events': 'none' }));
    return parts;
  }

  /** The elements of a row: those drawn before, if all that they show is still the same. */
  drawn(row, y) {
    const { node, channels } = row;
    const chosen = this.desk.chosenKeys;
    const column = channels.length === 1 ? this.store.motion.get(node.id)?.own[channels[0]] : null;
    const from = [node, column, y, this.width, this.desk.first(), this.desk.last(), node.id === this.desk.selected, chosen?.id === node.id ? `${chosen.channels} ${chosen.frames}` : ''];
    const key = `${node.id} ${channels.length === 1 ? channels[0] : 'pose'}`;
    const known = this.kept.get(key);
    if (known && known.from.every((value, i) => value === from[i])) return known.parts;
    const parts = this.row(row, y);
    this.kept.set(key, { from, parts });
    return parts;
  }

  row({ node, channels, name }, y) {
    const middle = y + ROW / 2;
    const keys = keyFrames(node, channels);
    const chosen = node.id === this.desk.selected;
    const parts = [
      s('rect', { class: chosen ? 'row-back chosen' : 'row-back', x: 0, y, width: this.width, height: ROW, 'data-row': node.id }),
      s('path', { class: 'row-line', d: `M0 ${y + ROW}H${this.width}` }),
      s('text', { class: 'row', x: 12, y: middle + 4, text: shorten(name), 'pointer-events': 'none' }, s('title', { text: name })),
    ];
    if (channels.length === 1) parts.push(this.curve(node, channels[0], y));
    else if (keys.length) parts.push(s('path', { class: 'thread', d: `M${this.x(this.desk.first())} ${middle}H${this.x(this.desk.last())}` }));
    for (const key of keys) parts.push(this.bead(node, channels, key, middle));
    return parts;
  }

  /** A lens channel is drawn as its curve, so that a pull can be seen. */
  curve(node, channel, y) {
    const column = this.store.motion.get(node.id)?.own[channel];
    if (!column || column.length === 1) return s('path', { class: 'line', d: '' });
    let low = Infinity; let high = -Infinity;
    for (const v of column) { low = Math.min(low, v); high = Math.max(high, v); }
    let d = '';
    const step = Math.max(1, Math.floor((this.desk.last() - this.desk.first()) / this.width)); // no finer than the screen
    for (let f = this.desk.first(); f <= this.desk.last(); f += step) {
      const v = this.store.value(f, column);
      d += `${d ? 'L' : 'M'}${this.x(f).toFixed(1)} ${(y + ROW - 5 - ((v - low) / (high - low || 1)) * (ROW - 10)).toFixed(1)}`;
    }
    return s('path', { class: 'line', d });
  }

  bead(node, channels, key, y) {
    const chosen = this.desk.chosenKeys;
    const picked = chosen?.id === node.id && chosen.channels.join() === channels.join() && chosen.frames.includes(key.frame);
    const whole = key.channels.length === channels.length;
    const name = `${node.name}, key at ${key.frame}: ${whole && channels === POSE ? 'whole pose' : key.channels.join(', ')}, ${[...key.tangents].join(' and ')}`;
    return s('path', {
      class: `bead${whole ? '' : ' half'}${picked ? ' chosen' : ''}`, d: beadPath(key.tangents, whole), tabindex: 0, role: 'button', 'aria-label': name, 'aria-pressed': String(picked),
      transform: `translate(${this.x(key.frame).toFixed(1)} ${y})`, 'data-bead': `${node.id} ${channels.length === 1 ? channels[0] : 'pose'} ${key.frame}`, 'data-frame': key.frame,
    }, s('title', { text: name }));
  }

  keysOfBead(bead) {
    const [id, what, frame] = bead.dataset.bead.split(' ');
    return { id, channels: what === 'pose' ? POSE : [what], frame: Number(frame) };
  }

  moveHead() {
    if (!this.head) return;
    const x = this.x(this.desk.frame);
    this.head.setAttribute('transform', `translate(${x.toFixed(1)} ${this.scroller.scrollTop})`);
    this.head.querySelector('text').textContent = this.desk.frame;
    this.head.querySelector('text').setAttribute('x', 0);
  }

  local(event) { return event.clientX - this.svg.getBoundingClientRect().left; }

  press(event) {
    if (event.button !== 0) return;
    const bead = event.target.closest('[data-bead]');
    if (bead) { this.pressBead(event, bead); return; }
    const row = event.target.dataset.row;
    if (row && this.local(event) < LEFT) { this.desk.select(row); return; }
    this.scrub(event);
  }

  scrub(event) {
    event.preventDefault();
    this.desk.chooseKeys(null);
    this.svg.setPointerCapture(event.pointerId);
    const drag = new AbortController();
    const go = (e) => this.desk.goTo(Math.max(this.desk.first(), Math.min(this.desk.last(), this.frameAt(this.local(e)))));
    go(event);
    this.svg.addEventListener('pointermove', go, { signal: drag.signal });
    this.svg.addEventListener('pointerup', () => drag.abort(), { signal: drag.signal });
    this.svg.addEventListener('pointercancel', () => drag.abort(), { signal: drag.signal });
  }

  /** Chooses a bead (Shift adds it), and moves all chosen of its row in time. */
  pressBead(event, bead) {
    event.preventDefault();
    bead.focus();
    const { id, channels, frame } = this.keysOfBead(bead);
    this.choose(id, channels, frame, event.shiftKey);
    this.svg.setPointerCapture(event.pointerId);
    const from = this.local(event);
    const frames = [...this.desk.chosenKeys.frames];
    const drag = new AbortController();
    let by = 0;
    const edit = () => ({ edit: 'move-keys', id, frames, channels, by, landing: 'refuse' });
    this.svg.addEventListener('pointermove', (e) => {
      const to = Math.round(this.frameAt(this.local(e)) - this.frameAt(from));
      if (to === by) return;
      by = to;
      this.desk.chosenKeys = { id, channels, frames: frames.map((f) => f + by) };
      this.store.show([edit()]);
    }, { signal: drag.signal });
    this.svg.addEventListener('pointerup', async () => {
      drag.abort();
      if (by === 0) { this.desk.goTo(frame); return; }
      if (!(await this.store.edit([edit()]))) this.desk.chooseKeys({ id, channels, frames });
      else this.desk.announce('keys');
    }, { signal: drag.signal });
    this.svg.addEventListener('pointercancel', () => { drag.abort(); this.store.letGo(); this.desk.chooseKeys({ id, channels, frames }); }, { signal: drag.signal });
  }

  choose(id, channels, frame, add) {
    const chosen = this.desk.chosenKeys;
    const same = add && chosen?.id === id && chosen.channels.join() === channels.join();
    this.desk.chooseKeys({ id, channels, frames: same ? [...new Set([...chosen.frames, frame])] : chosen?.id === id && chosen.frames.includes(frame) && chosen.channels.join() === channels.join() ? chosen.frames : [frame] });
    if (this.desk.selected !== id) this.desk.select(id, channels.length === 1 ? 'lens' : 'keys');
  }

  /** With a bead in focus: Enter goes to it, Alt with an arrow moves it. */
  async key(event) {
    const bead = event.target.closest?.('[data-bead]');
    if (!bead) return;
    const { id, channels, frame } = this.keysOfBead(bead);
    if (event.key === 'Enter') {
      event.stopPropagation();
      this.choose(id, channels, frame, event.shiftKey);
      this.desk.goTo(frame);
    } else if (event.altKey && (event.key === 'ArrowLeft' || event.key === 'ArrowRight')) {
      event.preventDefault();
      event.stopPropagation();
      this.choose(id, channels, frame, false);
      const by = event.key === 'ArrowLeft' ? -1 : 1;
      const { frames } = this.desk.chosenKeys;
      if (await this.store.edit([{ edit: 'move-keys', id, frames, channels, by, landing: 'refuse' }])) this.desk.chooseKeys({ id, channels, frames: frames.map((f) => f + by) });
    }
  }
}

const shorten = (name) => (name.length > 16 ? `${name.slice(0, 15)}…` : name);

// The chain: what the motion of the chosen node passes through, as a row of cards.
import { button, h, s } from '../common/dom.js';
import { metres, millimetres, stop, trimmed } from '../common/format.js';
import { LENS, POSE } from '../shot/channels.js';
import { canSwitch, isOff } from '../shot/chain-parts.js';
import { keyFrames } from '../shot/keys.js';

/** The cards that a kind of node has. */
export const CARDS = {
  camera: ['keys', 'carried', 'lens'],
  null: ['keys', 'carried'],
  piece: ['keys', 'carried', 'piece'],
  sun: ['keys', 'carried', 'piece'],
};

const POINTS = 60;

/** A small curve of a column between the shot's ends; nothing where it does not change. */
function sparkline(store, desk, columns) {
  const column = columns.find((c) => c && c.length > 1);
  if (!column) return s('svg', { viewBox: '0 0 100 24', preserveAspectRatio: 'none', 'aria-hidden': 'true' }, s('path', { d: 'M0 12H100', 'stroke-opacity': '.35' }));
  const values = [];
  for (let i = 0; i <= POINTS; i++) values.push(store.value(desk.first() + ((desk.last() - desk.first()) * i) / POINTS, column));
  const low = Math.min(...values);
  const high = Math.max(...values);
  const span = high - low || 1;
  const d = values.map((v, i) => `${i ? 'L' : 'M'}${((100 * i) / POINTS).toFixed(1)} ${(22 - (20 * (v - low)) / span).toFixed(1)}`).join('');
  return s('svg', { viewBox: '0 0 100 24', preserveAspectRatio: 'none', 'aria-hidden': 'true' }, s('path', { d }));
}

/** The column of a node that changes most, for its card. */
function liveliest(own, channels) {
  const spread = (c) => (c && c.length > 1 ? c.reduce((m, v) => Math.max(m, v), -Infinity) - c.reduce((m, v) => Math.min(m, v), Infinity) : 0);
  return channels.map((c) => own?.[c]).sort((a, b) => spread(b) - spread(a));
}

export class Chain {
  constructor(store, desk, element) {
    this.store = store;
    this.desk = desk;
    this.element = element;
    const draw = () => this.ask();
    store.addEventListener('shot', draw);
    store.addEventListener('motion', draw);
    desk.addEventListener('selection', draw);
  }

  ask() {
    if (this.asked) return;
    this.asked = true;
    requestAnimationFrame(() => { this.asked = false; if (this.store.header) this.draw(); });
  }

  draw() {
    const { node } = this.desk;
    if (!node) {
      this.element.replaceChildren(h('span', { class: 'of', text: 'Nothing is chosen. Add a camera, or choose something in the list.' }));
      return;
    }
    if (!CARDS[node.kind].includes(this.desk.card) && this.desk.card !== 'shot') this.desk.card = 'keys';
    const kinds = { camera: 'Camera', null: 'Null', piece: 'Piece', sun: 'Sun' };
    const { card: focusedCard, switch: focusedSwitch } = this.element.contains(document.activeElement) ? document.activeElement.dataset : {};
    const cards = CARDS[node.kind].flatMap((card, i) => [i ? h('span', { class: 'arrow', text: '▸', 'aria-hidden': 'true' }) : null, this.card(node, card)]);
    this.element.replaceChildren(h('span', { class: 'of' }, h('b', { text: node.name }), h('small', { text: kinds[node.kind] })), ...cards.filter(Boolean));
    if (focusedCard ?? focusedSwitch) this.element.querySelector(focusedCard ? `[data-card="${focusedCard}"]` : `[data-switch="${focusedSwitch}"]`)?.focus();
  }

  card(node, card) {
    const { title, line, columns } = this[card](node);
    const off = isOff(node, card);
    const says = off ? `Off: stands as at ${this.desk.first()}` : line;
    return h('div', { class: `card ${card}${off ? ' off' : ''}` },
      h('button', { type: 'button', 'data-card': card, 'aria-pressed': String(this.desk.card === card), onclick: () => this.desk.chooseCard(card) },
        h('b', { text: title }), h('small', { text: says, title: says }), sparkline(this.store, this.desk, off ? [] : columns)),
      canSwitch(node, card) ? this.toggle(node, card, title, off) : '');
  }

  /** Takes what a card does out of the motion, and puts it back. */
  toggle(node, part, title, off) {
    return button('', () => this.store.edit([{ edit: 'switch-part', id: node.id, part, on: off }]), {
      class: 'switch', role: 'switch', 'data-switch': part, 'aria-checked': String(!off), 'aria-label': `${title} of ${node.name}`,
      title: off ? `Switch ${title} on` : `Switch ${title} off, to see the difference: it then stands as at ${this.desk.first()}`,
    });
  }

  keys(node) {
    const poses = keyFrames(node, POSE);
    const partial = poses.filter((k) => k.channels.length < POSE.length).length;
    const whole = poses.length - partial;
    const words = [whole && `${whole} ${whole === 1 ? 'pose' : 'poses'}`, partial && `${partial} partial`].filter(Boolean);
    const own = this.store.motion.get(node.id)?.own;
    return { title: 'Keys', line: words.join(', ') || 'Still: no keys yet', columns: liveliest(own, POSE) };
  }

  carried(node) {
    const carriers = this.store.carriersOf(node.id);
    const motion = carriers.length ? this.store.motion.get(carriers[carriers.length - 1].id) : null;
    return { title: 'Carried by', line: carriers.map((n) => n.name).join(' › ') || 'The world', columns: liveliest(motion, ['x', 'z', 'y', 'qy', 'qx']) };
  }

  lens(node) {
    const lens = this.store.lens(node.id, this.desk.frame);
    const keyed = keyFrames(node, LENS).length > 0;
    const focus = node.lens.follow ? `follows ${this.store.byId.get(node.lens.follow.node)?.name}` : keyed ? 'pull' : metres(lens?.focusM ?? 0);
    const columns = this.store.motion.get(node.id)?.lens;
    return { title: 'Lens', line: `${millimetres(lens?.focalMm ?? 0)} · ${stop(lens?.fStop ?? 0)} · ${focus}`, columns: liveliest(columns, ['focalMm', 'focusM', 'fStop']) };
  }

  piece(node) {
    if (node.kind === 'sun') return { title: 'Light', line: `strength ${trimmed(node.strength, 2)}`, columns: [] };
    const { kind, ...sizes } = node.shape;
    const line = kind === 'imported' ? `imported, ${sizes.triangles} triangles` : kind;
    return { title: 'Piece', line, columns: [] };
  }
}

// The chain: what the motion of the chosen node passes through, as a row of cards.
import { drawSoon } from '../common/draw-soon.js';
import { button, h } from '../common/dom.js';
import { menuItem, openMenu } from '../common/menu.js';
import { units } from '../common/units.js';
import { addable, canSwitch, idOf, isOn, kindOf, titleOf } from '../shot/parts.js';
import { keepFirst } from '../shot/framing.js';
import { newPart } from '../shot/new-parts.js';
import { addSpeedMove, speedMovesOf } from '../shot/speed-moves.js';
import { cardLine, lookLine } from './card-lines.js';
import { ChainHands } from './chain-hands.js';
import { openRecordings } from './recordings-menu.js';
import { smallCurve } from './small-curve.js';

const KINDS = {
  camera: 'Camera',
  null: 'Null',
  piece: 'Piece',
  rail: 'Rail',
  repeat: 'Repeat',
  sun: 'Sun',
  light: 'Light',
  mist: 'Mist',
  haze: 'Haze',
};
const LOOKS = ['piece', 'rail', 'repeat', 'sun', 'light', 'mist', 'haze'];
export class Chain {
  constructor(store, desk, element) {
    this.store = store;
    this.desk = desk;
    this.element = element;
    this.row = h('div', { class: 'cards', role: 'list' });
    new ResizeObserver(() => this.showChosen(null)).observe(this.row);
    this.hands = new ChainHands(this);
    const draw = () => this.ask();
    store.addEventListener('shot', draw);
    store.addEventListener('motion', draw);
    for (const name of ['selection', 'layout']) desk.addEventListener(name, draw);
    units.addEventListener('length', draw);
    desk.effects.addEventListener('effect', draw);
  }

  ask() {
    if (this.asked) return;
    this.asked = true;
    drawSoon(this.element, () => {
      this.asked = false;
      if (this.store.header && !this.hands.busy && this.desk.view === 'floor') this.draw();
    });
  }

  draw() {
    const { node } = this.desk;
    if (!node) {
      const text = 'Nothing is chosen. Add a camera, or choose something in the list.';
      this.element.replaceChildren(h('span', { class: 'of', text }));
      return;
    }
    const { card, switch: switched } = this.focused();
    this.row.replaceChildren(...this.cards(node));
    const of = h('span', { class: 'of' }, h('b', { text: node.name }), h('small', { text: KINDS[node.kind] }));
    this.around(of, this.adder(node));
    this.showChosen(`${node.id} ${this.desk.card} ${node.chain.length}`);
    if (card) this.row.querySelector(`[data-card="${card}"]`)?.focus();
    if (switched) this.row.querySelector(`[data-switch="${switched}"]`)?.focus();
  }

  /** Puts what stands beside the row of cards; the row itself stays in the page, and so stays where it was slid to. */
  around(before, after) {
    if (this.row.parentElement !== this.element) {
      this.element.replaceChildren(before, this.row, after);
      return;
    }
    this.row.previousElementSibling.replaceWith(before);
    this.row.nextElementSibling.replaceWith(after);
  }

  /** What of the chain has the keyboard, so that it has it again after drawing. */
  focused() {
    const { activeElement } = document;
    return this.element.contains(activeElement) ? /** @type {HTMLElement} */ (activeElement).dataset : {};
  }

  /** The chosen card is always whole and in sight; where the same one is chosen, the row stays as it was slid. */
  showChosen(chosen) {
    if (this.shown === chosen) return;
    this.shown = chosen;
    this.row
      .querySelector('[aria-pressed="true"]')
      ?.parentElement.scrollIntoView({ inline: 'nearest', block: 'nearest' });
  }

  cards(node) {
    const cards = node.chain.map((part) => this.card(node, part));
    if (LOOKS.includes(node.kind)) cards.push(this.lookCard(node));
    const arrow = () => h('span', { class: 'arrow', text: '▸', 'aria-hidden': 'true' });
    return cards.flatMap((card, i) => (i ? [arrow(), card] : [card]));
  }

  card(node, part) {
    const title = titleOf(node, part);
    const { line, columns } = cardLine(this.store, this.desk, node, part);
    const { source, slot } = kindOf(part);
    const off = !isOn(part);
    const says = off ? (source ? `Off: stands as at ${this.desk.first()}` : 'Off: passed by') : line;
    const look = `card ${part.part}${off ? ' off' : ''}${slot === 'world' ? ' movable' : ''}`;
    const curve = smallCurve(this.store, this.desk, off ? [] : columns);
    return h(
      'div',
      { class: look, role: 'listitem', 'data-part': idOf(part) },
      this.face(idOf(part), title, [says, curve.says].filter(Boolean).join(' · '), curve.element),
      canSwitch(node, part) ? this.toggle(node, part, title) : '',
    );
  }

  lookCard(node) {
    const { title, line } = lookLine(this.store, node);
    const { element } = smallCurve(this.store, this.desk, []);
    return h('div', { class: 'card piece', role: 'listitem' }, this.face('piece', title, line, element));
  }

  face(id, title, says, curve) {
    const attributes = {
      type: 'button',
      'data-card': id,
      'aria-pressed': String(this.desk.card === id),
      onclick: () => this.desk.chooseCard(id),
    };
    return h('button', attributes, h('b', { text: title }), h('small', { text: says, title: says }), curve);
  }

  /** Takes what a card does out of the motion, and puts it back. */
  toggle(node, part, title) {
    const on = isOn(part);
    const without = kindOf(part).source ? `it then stands as at ${this.desk.first()}` : 'the motion then passes it by';
    return button('', () => this.store.edit([{ edit: 'switch-part', id: node.id, part: idOf(part), on: !on }]), {
      class: 'switch',
      role: 'switch',
      'data-switch': idOf(part),
      'aria-checked': String(on),
      'aria-label': `${title} of ${node.name}`,
      title: on ? `Switch ${title} off, to see the difference: ${without}` : `Switch ${title} on`,
    });
  }

  /** Opens the list of what can be added to the chain. */
  adder(node) {
    const found = addable(node);
    const { copiedPart } = this.desk;
    if (!found.length) return h('span');
    const add = (part) => (part.part === 'move' ? this.desk.tried.begin(node, part) : this.desk.addPart(node, part));
    const addNew = (kind) => {
      if (kind.part === 'frame-up') return keepFirst(this.desk, node);
      if (kind.part === 'recorded') return openRecordings(this.desk, opener, add);
      return add(newPart(this.store, node, kind));
    };
    const items = () => [
      ...found.map((kind) => menuItem(kind.label, () => addNew(kind), kind.says)),
      ...speedMovesOf(node).map((move) => menuItem(move.label, () => addSpeedMove(this.desk, node, move), move.says)),
      copiedPart && found.some((k) => k.part === copiedPart.part.part)
        ? menuItem(`Paste ${copiedPart.title}`, () => add(copiedPart.part), `as on ${copiedPart.from}`)
        : null,
    ];
    const opener = button('+', () => openMenu(opener, 'Add to the chain', items()), {
      class: 'adder',
      id: 'add-part',
      'aria-haspopup': 'menu',
      'aria-label': 'Add to the chain',
      title: 'Add to the chain',
    });
    return opener;
  }
}

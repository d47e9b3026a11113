// Hands on the chain: world parts are dragged into another order, or moved by Alt and the arrows.
import { idOf, kindOf } from '../shot/parts.js';

const DRAG_STARTS_PX = 6;

export class ChainHands {
  constructor(chain) {
    this.chain = chain;
    this.busy = false;
    chain.element.addEventListener('pointerdown', (event) => this.press(event));
    chain.element.addEventListener('keydown', (event) => this.key(event));
  }

  get node() {
    return this.chain.desk.node;
  }

  /** Ids of the parts that may change places. */
  movable() {
    return this.node.chain.filter((part) => kindOf(part).slot === 'world').map(idOf);
  }

  /** Stores the chain with its world parts in another order. */
  order(world) {
    const ids = this.node.chain.map(idOf);
    const from = ids.findIndex((id) => world.includes(id));
    const parts = [...ids.slice(0, from), ...world, ...ids.slice(from + world.length)];
    if (parts.join() === ids.join()) return Promise.resolve(true);
    return this.chain.store.edit([{ edit: 'order-parts', id: this.node.id, parts }]);
  }

  /** @param {number} by places to the right; negative is to the left */
  move(id, by) {
    const world = this.movable();
    const at = world.indexOf(id);
    const to = Math.max(0, Math.min(world.length - 1, at + by));
    if (at < 0 || to === at) return;
    world.splice(at, 1);
    world.splice(to, 0, id);
    this.order(world);
  }

  key(event) {
    const id = event.target.dataset.card;
    const way = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (!id || !way || !event.altKey) return;
    event.preventDefault();
    event.stopPropagation();
    this.move(id, way);
  }

  press(event) {
    const card = event.target.closest('.card.movable');
    if (event.button !== 0 || !card || event.target.closest('.switch')) return;
    const drag = new AbortController();
    const { signal } = drag;
    const from = event.clientX;
    let dragged = false;
    const move = (e) => {
      if (!dragged && Math.abs(e.clientX - from) < DRAG_STARTS_PX) return;
      dragged = true;
      this.busy = true;
      card.classList.add('dragged');
      card.style.transform = `translateX(${e.clientX - from}px)`;
    };
    const end = (e) => {
      drag.abort();
      this.busy = false;
      if (dragged) this.drop(card, e.type === 'pointerup' ? e.clientX : from);
    };
    addEventListener('pointermove', move, { signal });
    addEventListener('pointerup', end, { signal });
    addEventListener('pointercancel', end, { signal });
  }

  /** The press that dragged a card is no click on it. */
  swallowClick() {
    const stop = (event) => event.stopPropagation();
    this.chain.element.addEventListener('click', stop, { capture: true });
    setTimeout(() => this.chain.element.removeEventListener('click', stop, { capture: true }));
  }

  /** Puts a dragged card where it was let go: behind all whose middle lies left of there. */
  drop(card, x) {
    const id = card.dataset.part;
    const others = this.movable().filter((other) => other !== id);
    const middle = (other) => {
      const box = this.chain.element.querySelector(`[data-part="${other}"]`).getBoundingClientRect();
      return box.left + box.width / 2;
    };
    const at = others.filter((other) => middle(other) < x).length;
    card.style.transform = '';
    card.classList.remove('dragged');
    this.swallowClick();
    this.order([...others.slice(0, at), id, ...others.slice(at)]);
    this.chain.ask();
  }
}

// What all drawings of the bench share: their size, and parts of them that can be dragged.
import { s } from '../common/dom.js';

export const px = (v) => v.toFixed(1);

/** A text that the drawing says. */
export const says = (x, y, text, attributes = {}) => s('text', { x: px(x), y: px(y), text, ...attributes });

/** A drawing that is made anew whenever it is asked to, as large as its place. */
export class Drawing {
  /** @param {string} label what it shows, for screen readers */
  constructor(label) {
    this.svg = s('svg', { role: 'group', 'aria-label': label });
    this.size = [0, 0];
    new ResizeObserver(([entry]) => {
      this.size = [entry.contentRect.width, entry.contentRect.height];
      this.draw();
    }).observe(this.svg);
  }

  /** @param {any} now what it shows: {node, lens, ...} */
  show(now) {
    this.now = now;
    this.draw();
  }

  draw() {
    const [w, h] = this.size;
    if (!this.now || w < 20 || h < 20) return;
    this.svg.setAttribute('viewBox', `0 0 ${w} ${h}`);
    this.svg.replaceChildren(...this.parts(w, h));
  }

  /** What it consists of. @param {number} w @param {number} h @returns {Element[]} */
  parts(w, h) {
    throw new Error(`Nothing to draw in ${w} × ${h}`);
  }

  /**
   * A part that is dragged to change a number, which stands in a field below as well, for the keyboard.
   *
   * @param {Element} element
   * @param {string} label of the number
   * @param {import('../panels/number-field.js').NumberField} field
   * @param {(x: number, y: number) => number} valueAt what a place of the drawing stands for
   */
  hand(element, label, field, valueAt) {
    element.classList.add('hand');
    element.append(s('title', { text: `Drag: ${label}` }));
    element.addEventListener('pointerdown', (event) => this.drag(event, field, valueAt));
    return element;
  }

  drag(/** @type {any} */ down, field, valueAt) {
    if (down.button !== 0 || field.options.disabled?.()) return;
    down.preventDefault();
    down.stopPropagation();
    const abort = new AbortController();
    const { signal } = abort;
    const at = field.options.at?.();
    let value = null;
    const move = (event) => {
      const box = this.svg.getBoundingClientRect();
      value = valueAt(event.clientX - box.left, event.clientY - box.top);
      field.options.set(value, false, at);
    };
    const up = () => {
      abort.abort();
      this.held = null;
      if (value !== null) field.options.set(value, true, at);
    };
    this.held = { ...this.now };
    addEventListener('pointermove', move, { signal });
    addEventListener('pointerup', up, { signal });
    addEventListener('pointercancel', up, { signal });
  }
}

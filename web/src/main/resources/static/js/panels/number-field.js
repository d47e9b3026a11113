// A number that can be typed with units and sums, dragged sideways, and stepped with the arrow keys.
import { readQuantity } from '../common/api.js';
import { h } from '../common/dom.js';
import { trimmed } from '../common/format.js';
import { readPlain } from '../common/quantity.js';
import { lengthNumber, lengthUnit } from '../common/units.js';
import { sayProblem } from '../shot/say-problem.js';

const DRAG_STARTS_PX = 3;
const PIXELS_PER_STEP = 4;
const TOLD_MS = 8000;

/**
 * @typedef {object} NumberOptions
 * @property {string} label what it is, for screen readers
 * @property {string} [title] shown over it
 * @property {string} quantity what a typed text measures
 * @property {string} unit shown behind the number
 * @property {number} digits after the point
 * @property {number} step of one arrow key; Shift makes it a tenth
 * @property {() => number | null} get the present value, or null
 * @property {(value: number, done: boolean, at: any) => any} set done is false while it is being dragged
 * @property {() => any} [at] where it is set: taken at the moment of committing, and given to set
 * @property {() => string} rate the shot's rate, for seconds and timecode
 * @property {() => boolean} [disabled] whether it can only be read now
 * @property {() => string} [state] '' | 'keyed' | 'between'
 * @property {string} [empty] what stands there while there is no value
 * @property {number} [usual] what a double-click on its label sets
 */

/** @type {WeakMap<Element, NumberField>} */
const fields = new WeakMap();

/** Sets the numbers in an element to their usual values, where they have one. */
export async function resetIn(element) {
  for (const each of element.querySelectorAll('.field')) await fields.get(each)?.reset();
}

/** What a label of numbers says of itself. */
export function resetSays(element) {
  const usual = [...element.querySelectorAll('.field')].some((each) => fields.get(each)?.hasUsual);
  return usual ? 'Double-click: back to the usual value' : undefined;
}

export class NumberField {
  /** @param {NumberOptions} options */
  constructor(options) {
    this.options = options;
    this.input = h('input', {
      type: 'text',
      'aria-label': options.label,
      title: options.title ?? options.label,
      placeholder: options.empty,
      spellcheck: 'false',
      autocomplete: 'off',
    });
    this.unit = h('span', { class: options.unit === 'f/' ? 'unit before' : 'unit' });
    this.element = h('span', { class: 'field' }, this.input, this.unit);
    fields.set(this.element, this);
    this.element.addEventListener('pointerdown', (event) => this.press(event));
    this.input.addEventListener('keydown', (event) => this.key(event));
    this.input.addEventListener('blur', () => this.leave());
    this.input.addEventListener('focus', () => {
      this.clearTrouble();
      this.typedFrom = this.input.value;
    });
    this.refresh();
  }

  /** @param {{element: HTMLElement, refresh: () => void}} button lays a key of what stands in the field */
  addKeyButton(button) {
    this.keyButton = button;
    this.element.append(button.element);
    this.element.classList.add('keyable');
    button.refresh();
  }

  get isLength() {
    return this.options.quantity === 'length';
  }

  shown() {
    const value = this.options.get();
    if (value === null || value === undefined) return '';
    if (!Number.isFinite(value)) return '∞';
    return this.isLength ? lengthNumber(value, this.options.digits) : trimmed(value, this.options.digits);
  }

  /** Shows the present value, unless somebody is typing. */
  refresh() {
    const unit = this.isLength ? lengthUnit() : this.options.unit;
    const isOpen = this.options.empty && this.options.get() === null;
    this.unit.textContent = unit === 'ft' || isOpen ? '' : unit;
    if (document.activeElement !== this.input || this.input.value === this.typedFrom) {
      const text = this.shown();
      if (this.input.value !== text) this.input.value = text;
      this.typedFrom = text;
    }
    if (this.options.disabled) this.input.disabled = this.options.disabled();
    this.keyButton?.refresh();
    const state = this.options.state?.() ?? '';
    this.element.classList.toggle('keyed', state !== '');
    this.element.classList.toggle('between', state === 'between');
  }

  press(event) {
    const isPart = event.target === this.input || event.target === this.unit || event.target === this.element;
    if (event.button !== 0 || !isPart || document.activeElement === this.input || this.input.disabled) return;
    event.preventDefault();
    const from = event.clientX;
    const start = this.options.get() ?? 0;
    const at = this.options.at?.();
    let dragged = false;
    let value = start;
    const drag = new AbortController();
    const { signal } = drag;
    this.element.setPointerCapture(event.pointerId);
    const move = (e) => {
      const dx = e.clientX - from;
      if (!dragged && Math.abs(dx) < DRAG_STARTS_PX) return;
      dragged = true;
      const step = this.options.step * (e.shiftKey ? 0.1 : 1);
      value = this.rounded(start + (dx / PIXELS_PER_STEP) * step);
      this.options.set(value, false, at);
    };
    const end = () => {
      drag.abort();
      if (dragged) this.options.set(value, true, at);
      else this.take();
    };
    this.element.addEventListener('pointermove', move, { signal });
    this.element.addEventListener('pointerup', end, { signal });
    this.element.addEventListener('pointercancel', end, { signal });
  }

  /** Puts the number in hand, to be typed over. */
  take() {
    this.input.focus();
    this.input.select();
  }

  rounded(value) {
    return Number(value.toFixed(this.options.digits + 1));
  }

  async key(event) {
    event.stopPropagation();
    const way = { ArrowUp: 1, ArrowDown: -1 }[event.key];
    if (event.key === 'Enter') {
      event.preventDefault();
      this.input.blur(); // what was typed is taken, and the keys are the page's again
    } else if (event.key === 'Escape') {
      this.restore();
      this.input.blur();
    } else if (way) {
      event.preventDefault();
      await this.stepBy(way * this.options.step * (event.shiftKey ? 0.1 : 1));
    }
  }

  async stepBy(step) {
    await this.options.set(this.rounded((this.options.get() ?? 0) + step), true, this.options.at?.());
    this.showPresent();
  }

  get hasUsual() {
    return this.options.usual !== undefined;
  }

  async reset() {
    if (!this.hasUsual || this.input.disabled || this.options.get() === this.options.usual) return;
    await this.options.set(this.options.usual, true, this.options.at?.());
    this.showPresent();
  }

  leave() {
    if (this.input.value !== this.typedFrom) this.commit();
  }

  restore() {
    this.clearTrouble();
    this.showPresent();
  }

  showPresent() {
    this.input.value = this.typedFrom = this.shown();
  }

  /**
   * Reads what was typed. What cannot be read or is refused gives way to the present value, and the reason is said.
   * Where it is set is settled at once, however long the reading takes.
   */
  async commit() {
    const typed = this.input.value.trim();
    if (typed === this.typedFrom) {
      this.clearTrouble();
      return true;
    }
    const at = this.options.at?.();
    try {
      const plain = this.read(typed);
      const value = plain ?? (await this.ask(typed));
      this.clearTrouble();
      this.typedFrom = this.input.value;
      const kept = await this.options.set(value, true, at);
      this.showPresent();
      return kept !== false;
    } catch (problem) {
      this.showPresent();
      this.tellTrouble(sayProblem(problem));
      return false;
    }
  }

  get bareUnit() {
    return this.isLength && lengthUnit() !== 'm' ? lengthUnit() : '';
  }

  read(typed) {
    return readPlain(typed, this.options.quantity, this.options.rate(), this.bareUnit);
  }

  ask(typed) {
    return readQuantity(typed, this.options.quantity, this.options.rate(), this.bareUnit);
  }

  tellTrouble(text) {
    this.clearTrouble();
    this.element.classList.add('bad');
    this.input.setAttribute('aria-invalid', 'true');
    this.trouble = h('span', { class: 'field-error', role: 'alert', text });
    (this.element.closest('.row') ?? this.element.parentElement).append(this.trouble);
    clearTimeout(this.quiet);
    this.quiet = setTimeout(() => this.clearTrouble(), TOLD_MS);
  }

  clearTrouble() {
    this.element.classList.remove('bad');
    this.input.removeAttribute('aria-invalid');
    this.trouble?.remove();
    this.trouble = null;
  }
}

// A number that can be typed with units and sums, dragged sideways, and stepped with the arrow keys.
import { readQuantity } from '../common/api.js';
import { trimmed } from '../common/format.js';
import { h } from '../common/dom.js';

const DRAG_STARTS_PX = 3;
const PIXELS_PER_STEP = 4;

/**
 * @param options.label what it is, for screen readers
 * @param options.kind what a typed text measures
 * @param options.unit shown behind the number
 * @param options.digits after the point
 * @param options.step of one arrow key; Shift makes it a tenth
 * @param options.get the present value, or null
 * @param options.set takes (value, done): done is false while it is being dragged
 * @param options.rate the shot's rate, for seconds and timecode
 * @param options.disabled whether it can only be read now, as a function
 * @param options.state '' | 'keyed' | 'between', as a function
 */
export class NumberField {
  constructor(options) {
    this.options = options;
    this.input = h('input', { type: 'text', 'aria-label': options.label, title: options.title ?? options.label, spellcheck: 'false', autocomplete: 'off' });
    this.element = h('span', { class: 'field' }, this.input, h('span', { class: options.unit === 'f/' ? 'unit before' : 'unit', text: options.unit }));
    this.element.addEventListener('pointerdown', (event) => this.press(event));
    this.input.addEventListener('keydown', (event) => this.key(event));
    this.input.addEventListener('blur', () => this.leave());
    this.input.addEventListener('focus', () => { this.typedFrom = this.input.value; });
    this.refresh();
  }

  shown() {
    const value = this.options.get();
    if (value === null || value === undefined) return '';
    return Number.isFinite(value) ? trimmed(value, this.options.digits) : '∞';
  }

  /** Shows the present value, unless somebody is typing. */
  refresh() {
    if (document.activeElement !== this.input || this.input.value === this.typedFrom) {
      const text = this.shown();
      if (this.input.value !== text) this.input.value = text;
      this.typedFrom = text;
    }
    if (this.options.disabled) this.input.disabled = this.options.disabled();
    const state = this.options.state?.() ?? '';
    this.element.classList.toggle('keyed', state !== '');
    this.element.classList.toggle('between', state === 'between');
  }

  press(event) {
    if (event.button !== 0 || document.activeElement === this.input || this.input.disabled) return;
    event.preventDefault();
    const from = event.clientX;
    const start = this.options.get() ?? 0;
    let dragged = false;
    let value = start;
    const drag = new AbortController();
    this.element.setPointerCapture(event.pointerId);
    this.element.addEventListener('pointermove', (e) => {
      const dx = e.clientX - from;
      if (!dragged && Math.abs(dx) < DRAG_STARTS_PX) return;
      dragged = true;
      const step = this.options.step * (e.shiftKey ? 0.1 : 1);
      value = this.rounded(start + (dx / PIXELS_PER_STEP) * step);
      this.give(value, false);
    }, { signal: drag.signal });
    const end = () => {
      drag.abort();
      if (dragged) this.give(value, true);
      else { this.input.focus(); this.input.select(); }
    };
    this.element.addEventListener('pointerup', end, { signal: drag.signal });
    this.element.addEventListener('pointercancel', end, { signal: drag.signal });
  }

  rounded(value) {
    const places = this.options.digits + 1;
    return Number(value.toFixed(places));
  }

  async key(event) {
    event.stopPropagation();
    if (event.key === 'Enter') {
      event.preventDefault();
      if (await this.commit()) this.input.select();
    } else if (event.key === 'Escape') {
      this.restore();
      this.input.blur();
    } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
      event.preventDefault();
      const way = event.key === 'ArrowUp' ? 1 : -1;
      const step = this.options.step * (event.shiftKey ? 0.1 : 1);
      await this.give(this.rounded((this.options.get() ?? 0) + way * step), true);
      this.typedFrom = this.input.value = this.shown();
    }
  }

  leave() {
    if (this.input.value !== this.typedFrom) this.commit();
  }

  restore() {
    this.clearTrouble();
    this.input.value = this.typedFrom = this.shown();
  }

  /** Reads what was typed; what cannot be read stays, with the reason beside it. */
  async commit() {
    if (this.input.value.trim() === this.typedFrom) { this.clearTrouble(); return true; }
    try {
      const value = await readQuantity(this.input.value, this.options.kind, this.options.rate());
      this.clearTrouble();
      this.typedFrom = this.input.value;
      const kept = await this.give(value, true);
      if (kept === false) return false;
      this.input.value = this.typedFrom = this.shown();
      return true;
    } catch (problem) {
      this.tellTrouble(problem.message);
      return false;
    }
  }

  give(value, done) { return this.options.set(value, done); }

  tellTrouble(text) {
    this.clearTrouble();
    this.element.classList.add('bad');
    this.input.setAttribute('aria-invalid', 'true');
    this.trouble = h('span', { class: 'field-error', role: 'alert', text });
    (this.element.closest('.row') ?? this.element.parentElement).append(this.trouble);
  }

  clearTrouble() {
    this.element.classList.remove('bad');
    this.input.removeAttribute('aria-invalid');
    this.trouble?.remove();
    this.trouble = null;
  }
}

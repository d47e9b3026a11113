// Which camera is seen from which frame on, as rows to be filled in.
import { button, h } from '../common/dom.js';
import { select } from './fields.js';

export class CutRows {
  /**
   * @param {import('./desk.js').Desk} desk
   * @param {() => void} onChange
   */
  constructor(desk, onChange) {
    this.desk = desk;
    this.onChange = onChange;
    this.list = h('div', {});
    this.root = h(
      'div',
      {},
      this.list,
      button('Add a cut', () => this.add(), { class: 'quiet' }),
      desk.program.length > 0 && button('Take the program', () => this.take(), { class: 'quiet' }),
    );
  }

  /** The cuts of the shot's program, in place of what is here. */
  take() {
    this.list.replaceChildren();
    for (const { frame, camera, dissolve } of this.desk.program) this.append(frame, camera, dissolve);
    this.onChange();
  }

  add() {
    const rows = this.list.children.length;
    const { range, cameras } = this.desk;
    const frame = rows === 0 ? range.in : Math.round(range.in + ((range.out - range.in) * rows) / (rows + 1));
    this.append(frame, cameras[rows % cameras.length]?.id ?? '');
    this.onChange();
  }

  /** @param {number} frame @param {string} camera @param {number} [dissolve] frames over which it fades in */
  append(frame, camera, dissolve = 0) {
    const from = h('input', {
      type: 'text',
      class: 'number',
      value: String(frame),
      'aria-label': 'From frame',
      onchange: this.onChange,
    });
    const seen = select(
      this.desk.cameras.map((c) => [c.id, c.name]),
      { 'aria-label': 'Camera', onchange: this.onChange },
    );
    seen.value = camera;
    const fade = h('input', {
      type: 'text',
      class: 'number',
      value: String(dissolve),
      'aria-label': 'Fades in over so many frames',
      title: 'Fades in over so many frames; 0 is a hard cut',
      onchange: this.onChange,
    });
    const row = h('div', { class: 'cut-row' }, from, seen, h('label', {}, 'over', fade, 'f'));
    const gone = button('×', () => this.remove(row), {
      class: 'quiet',
      title: 'Remove this cut',
      'aria-label': 'Remove this cut',
    });
    row.append(gone);
    this.list.append(row);
  }

  remove(row) {
    row.remove();
    this.onChange();
  }

  /** As the server takes it; "" without cuts. */
  get program() {
    return [...this.list.children]
      .map((row) => {
        const [from, seen, fade] = row.querySelectorAll('input, select');
        return [from, seen, fade].map((field) => /** @type {HTMLInputElement} */ (field).value.trim()).join(':');
      })
      .join(',');
  }
}

// A camera that came in, held against one of the shot: what lies between them, and one press to mend it.
import { getJson, postJson } from '../common/api.js';
import { button, h } from '../common/dom.js';
import { watched } from '../common/progress.js';
import { stripOf } from './check-strip.js';
import { group, select, trouble, trying } from './fields.js';

export class Comparing {
  /** @param {import('./desk.js').Desk} desk */
  constructor(desk) {
    this.desk = desk;
    this.trouble = trouble();
    this.found = h('div', { 'aria-live': 'polite' });
    const cameras = desk.cameras.map((c) => [c.id, c.name]);
    this.camera = select(cameras, { id: 'compare-camera', 'aria-label': 'Camera of the shot' });
    this.other = select(cameras, { id: 'compare-other', 'aria-label': 'Camera that came in' });
    if (cameras.length > 1) [, [this.other.value]] = cameras;
    const form = h(
      'form',
      { onchange: () => this.look() },
      group('Of the shot', this.camera),
      group('Came in', this.other),
      h('p', {
        class: 'told',
        text: 'The best offset in frames, a turn and a size are looked for, each said in words.',
      }),
      this.trouble,
    );
    const side = h(
      'section',
      { class: 'panel', 'aria-label': 'Incoming check' },
      h('h2', { text: 'What lies between them' }),
      this.found,
    );
    this.root = h('div', { class: 'desk-pair' }, h('section', { class: 'panel', 'aria-label': 'Cameras' }, form), side);
    this.look();
  }

  get query() {
    return new URLSearchParams({ camera: this.camera.value, other: this.other.value });
  }

  /** Looks for what lies between the two; of two looks that overlap the later counts. */
  async look() {
    const asked = (this.asked = Symbol('look'));
    if (this.desk.cameras.length < 2 || this.camera.value === this.other.value) return this.showNothing();
    const path = `/api/shots/${this.desk.shot}/alignment?${this.query}`;
    const found = await trying(this.trouble, () => getJson(path));
    if (asked !== this.asked || !found) return undefined;
    return this.show(found);
  }

  showNothing() {
    const words = 'Choose two cameras: one of the shot, and the same one as it came back from elsewhere.';
    this.found.replaceChildren(h('p', { class: 'empty', text: words }));
  }

  show(found) {
    const words = found.sentences.length
      ? `It came ${found.sentences.join('; ')}.`
      : 'Nothing lies between them but what the strip shows.';
    const verdict = h('p', { class: `verdict ${found.sentences.length ? 'bad' : 'good'}`, text: words });
    const mend = button('Put it right', () => this.mend(), { class: 'main' });
    this.found.replaceChildren(
      verdict,
      h('h3', { text: 'As it came' }),
      stripOf('As it came', found.beforePx, found.firstFrame),
      h('h3', { text: 'As it would be' }),
      stripOf('As it would be', found.afterPx, found.firstFrame),
      h('div', { class: 'actions' }, found.sentences.length ? mend : ''),
    );
  }

  mend() {
    return trying(this.trouble, async () => {
      await watched((request) => postJson(`/api/shots/${this.desk.shot}/alignment?${this.query}`, undefined, request));
      await this.look();
    });
  }
}

// What the server works out of the camera in the picture over all frames: asked anew when that may be otherwise.
import { Problem } from '../common/api.js';

const AFTER_MS = 250;

/** Event: 'change'. */
export class OfCamera extends EventTarget {
  constructor(store, desk) {
    super();
    this.store = store;
    this.desk = desk;
    this.wanted = false;
    this.known = null;
    const stale = () => this.later();
    store.addEventListener('motion', stale);
    store.addEventListener('shot', stale);
    desk.addEventListener('selection', stale);
    desk.addEventListener('layout', stale);
  }

  /** @param {boolean} wanted whether somebody shows it */
  want(wanted) {
    this.wanted = wanted;
    if (wanted) this.later();
  }

  later() {
    clearTimeout(this.timer);
    if (this.wanted && this.desk.camera) this.timer = setTimeout(() => this.fetch(), AFTER_MS);
  }

  /** The question, without its revision. @returns {string} */
  get question() {
    throw new Error('What is asked?');
  }

  /** @param {string} path @returns {Promise<any>} */
  answer(path) {
    throw new Error(`Who asks for ${path}?`);
  }

  /** @param {any} answer */
  take(answer) {
    throw new Error(`Who takes ${answer}?`);
  }

  get key() {
    return `${this.question} ${this.store.revision}`;
  }

  async fetch() {
    const { key } = this;
    if (key === this.known) return;
    try {
      const answer = await this.answer(this.store.path(this.question));
      if (key !== this.key) return;
      this.known = key;
      this.take(answer);
      this.dispatchEvent(new Event('change'));
    } catch (problem) {
      if (!(problem instanceof Problem)) throw problem;
      if (problem.retry) this.later();
    }
  }
}

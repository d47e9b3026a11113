// What takes long: said while it runs, how far it is, with a button that stops it.
import { getJson, newRequest, remove } from './api.js';
import { button, h } from './dom.js';

const SHOWN_AFTER_MS = 800;
const LOOKS_EVERY_MS = 600;
const PERCENT = 100;

const words = ({ what, stage, done }) => `${what}: ${stage}${done > 0 ? `, ${Math.round(done * PERCENT)} %` : ''}`;

/** Says how far the work of a request is, until it is told to end. */
class Progress {
  /** @param {string} request */
  constructor(request) {
    this.request = request;
    this.text = h('span', { text: 'waiting' });
    const stop = button('Stop', () => remove(`/api/running/${request}`).catch(() => {}));
    this.line = h('div', { class: 'toast-line' }, this.text, stop);
    this.shown = setTimeout(() => document.getElementById('toasts').append(this.line), SHOWN_AFTER_MS);
    this.timer = setInterval(() => this.look(), LOOKS_EVERY_MS);
  }

  async look() {
    const all = await getJson('/api/running').catch(() => []);
    const mine = all.find((work) => work.id === this.request);
    if (mine) this.text.textContent = words(mine);
  }

  end() {
    clearTimeout(this.shown);
    clearInterval(this.timer);
    this.line.remove();
  }
}

/**
 * Does something under an id by which it can be watched and stopped.
 *
 * @template T
 * @param {(request: string) => Promise<T>} work
 * @returns {Promise<T>}
 */
export async function watched(work) {
  const request = newRequest();
  const progress = new Progress(request);
  try {
    return await work(request);
  } finally {
    progress.end();
  }
}

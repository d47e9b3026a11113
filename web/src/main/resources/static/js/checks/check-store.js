// What the server found of a camera: asked again whenever the shot, or what is asked, has changed.
import { getAnswer } from '../common/api.js';
import { watched } from '../common/progress.js';
import { aimedAt } from '../shot/targets.js';

const AFTER_MS = 350;
const LONGEST_PERIOD = 5000; // frames that the server looks through

/** What is asked unless somebody says otherwise. */
const USUAL = {
  piece: '',
  repeat: '',
  steps: 1,
  subject: '',
  least: 0.01,
  leastTurn: 0.1,
  near: 0.1,
  readable: 40,
  needed: false,
};

/** @param {Record<string, any>} values */
const query = (values) =>
  new URLSearchParams(Object.entries(values).map(([name, value]) => [name, String(value)])).toString();

/** Events: 'found' (results came, or are being waited for), 'asked' (what is asked has changed). */
export class CheckStore extends EventTarget {
  constructor(store, desk) {
    super();
    this.store = store;
    this.desk = desk;
    /** The picture is as wide as the shot says. */
    this.asked = {
      ...USUAL,
      get pixels() {
        return store.picture.widthPx;
      },
    };
    this.found = null; // the last results
    this.periods = null; // lengths at which the picture comes back, once they were asked for
    this.waiting = false;
    this.trouble = '';
    store.addEventListener('saving', () => this.look());
    desk.addEventListener('selection', () => this.look());
    desk.addEventListener('layout', () => this.look());
  }

  get isOpen() {
    return this.desk.view === 'checks' && Boolean(this.store.header);
  }

  ask(to) {
    Object.assign(this.asked, to);
    this.dispatchEvent(new Event('asked'));
    this.look();
  }

  /** What the question is, in full; the same for the same answer. */
  question() {
    const { asked, desk, store } = this;
    const there = (id) => (store.byId.has(id) ? id : '');
    const { steps, least, leastTurn, near } = asked;
    const known = { piece: there(asked.piece), repeat: there(asked.repeat), ...this.subject() };
    const readable = asked.readable / (asked.pixels / store.header.aspect);
    const needed = asked.needed && store.program.length > 0;
    const rest = { ...known, steps, least, leastTurn, near, readable, needed };
    return query({ camera: desk.camera, ...rest });
  }

  /** What is to be sharp: a point of a node, as anything else would be aimed at there. */
  subject() {
    const { asked, desk, store } = this;
    if (!store.byId.has(asked.subject) || asked.subject === desk.camera) return {};
    const { node, point } = aimedAt(store, asked.subject);
    return { subject: node, ...(point && { at: point.join() }) };
  }

  /** Asks soon, if the answer here is of another state. */
  look() {
    if (!this.isOpen || !this.desk.camera) return;
    const wanted = `${this.store.revision} ${this.question()}`;
    if (wanted === this.wanted) return;
    this.wanted = wanted;
    this.periods = null;
    this.waiting = true;
    this.dispatchEvent(new Event('found'));
    clearTimeout(this.timer);
    this.timer = setTimeout(() => this.fetch(wanted), AFTER_MS);
  }

  async fetch(wanted) {
    const path = this.store.path(`/checks?${this.question()}`);
    try {
      const found = await watched((request) => getAnswer(path, request).then((a) => a.json()));
      if (this.wanted !== wanted) return; // asked otherwise meanwhile
      this.found = found;
      this.trouble = '';
    } catch (problem) {
      if (this.wanted !== wanted) return;
      this.trouble = problem.message;
    }
    this.waiting = false;
    this.dispatchEvent(new Event('found'));
  }

  /** Looks for lengths at which the picture comes back. */
  async findPeriods() {
    const { desk, store } = this;
    const most = Math.min(LONGEST_PERIOD, Math.max(2000, 2 * (store.header.out - store.header.in + 1)));
    const path = store.path(`/periods?${query({ camera: desk.camera, most })}`);
    const { wanted } = this;
    try {
      const { periods } = await watched((request) => getAnswer(path, request).then((a) => a.json()));
      if (this.wanted === wanted) this.periods = periods;
      this.trouble = '';
    } catch (problem) {
      this.trouble = problem.message;
    }
    this.dispatchEvent(new Event('found'));
  }
}

// How far off what a camera sees is, for every frame; asked anew when the motion changed.
import { getOctets, Problem } from '../common/api.js';
import { unpack } from './octets.js';

const AFTER_MS = 250;

/** Event: 'change'. */
export class Depths extends EventTarget {
  constructor(store, desk) {
    super();
    this.store = store;
    this.desk = desk;
    this.pieces = []; // each {id, metres}
    this.more = 0;
    this.wanted = false;
    const stale = () => this.later();
    store.addEventListener('motion', stale);
    store.addEventListener('shot', stale);
    desk.addEventListener('selection', stale);
    desk.addEventListener('layout', stale);
  }

  /** @param {boolean} wanted whether somebody shows them */
  want(wanted) {
    this.wanted = wanted;
    if (wanted) this.later();
  }

  later() {
    clearTimeout(this.timer);
    if (this.wanted && this.desk.camera) this.timer = setTimeout(() => this.fetch(), AFTER_MS);
  }

  get key() {
    return `${this.desk.camera} ${this.store.revision}`;
  }

  async fetch() {
    const { key } = this;
    if (key === this.known) return;
    try {
      const path = this.store.path(`/depths?camera=${encodeURIComponent(this.desk.camera)}`);
      const { nodes, more } = unpack(await getOctets(path));
      if (key !== this.key) return;
      this.known = key;
      this.pieces = nodes;
      this.more = more;
      this.dispatchEvent(new Event('change'));
    } catch (problem) {
      if (!(problem instanceof Problem)) throw problem;
      if (problem.retry) this.later();
    }
  }
}

// What cards do to the motion, as the server measured it of what is stored: asked for when it is shown.
import { getJson, Problem } from '../common/api.js';

const WAITS_MS = 150;

/** Announces 'effect' (detail: what was asked) when an answer has come. */
export class Effects extends EventTarget {
  constructor(store, desk) {
    super();
    this.store = store;
    this.desk = desk;
    this.known = new Map(); // by what was asked: {revision, answer}
    this.asked = new Map(); // by what was asked: the revision of which it is being fetched
  }

  /**
   * What is known of a card, perhaps of an earlier revision; asks for it anew where that is so.
   *
   * @param {string} id of the node
   * @param {string} part id of the part
   */
  of(id, part) {
    const camera = this.store.byId.get(this.desk.camera) ? this.desk.camera : '';
    const name = `${id} ${part} ${camera}`;
    const known = this.known.get(name);
    if (known?.revision !== this.store.revision && !this.store.before) this.ask(name, { node: id, part, camera });
    return known?.answer ?? null;
  }

  ask(name, query) {
    const { revision } = this.store;
    if (this.asked.get(name) === revision) return;
    this.asked.set(name, revision);
    setTimeout(() => this.fetch(name, query, revision), WAITS_MS);
  }

  async fetch(name, query, revision) {
    if (revision !== this.store.revision) return; // there is a newer one, and it is asked for
    try {
      const answer = await getJson(this.store.path(`/effect?${new URLSearchParams(query)}`));
      this.known.set(name, { revision, answer });
      this.dispatchEvent(new CustomEvent('effect', { detail: query }));
    } catch (problem) {
      if (!(problem instanceof Problem)) throw problem;
      this.asked.delete(name); // the card went meanwhile, or the server is asked again later
    }
  }
}

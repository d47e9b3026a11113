// Takes that the shot keeps: listed, shown beside the camera, put to use.
import { getJson, putJson, remove } from '../common/api.js';
import { framesPerSecond } from '../common/format.js';

/**
 * @typedef {object} Take
 * @property {string} name
 * @property {string} source walk or tracker
 * @property {number} start frame of its first sample
 * @property {number} rate samples a second
 * @property {number} samples
 * @property {number} pathM
 * @property {{missing?: number, gaps?: [number, number][], [name: string]: any}} told
 */

const NEAR = 1e-6;
const SMOOTH_FRAMES = 4;

/** What a take can become: the word for it, and how it is said. */
export const USES = {
  keys: ['A key on every frame', 'Replaces the keys of these frames'],
  fitted: ['Few keys', 'As near as a centimetre and a tenth of a degree'],
  smoothed: ['Few keys, smoothed', 'The same under a card that smooths, which can be changed or taken off'],
  recording: ['A card Recorded', 'Over the keys, which stay as they are; it can be switched off'],
};
const TOLERANCE = 10;

/** Events: 'change'. */
export class Takes extends EventTarget {
  constructor(store, desk) {
    super();
    this.store = store;
    this.desk = desk;
    /** @type {Take[]} */
    this.all = [];
    this.loaded = false;
  }

  path(name = '') {
    return this.store.path(`/takes${name ? `/${encodeURIComponent(name)}` : ''}`);
  }

  async load() {
    this.all = await getJson(this.path());
    this.loaded = true;
    this.dispatchEvent(new Event('change'));
  }

  /** Does something that the server may refuse, and lists the takes anew. */
  attempt(work) {
    return this.store.attempt(async () => {
      await work();
      await this.load();
    });
  }

  rename(name, to) {
    return this.attempt(() => putJson(this.path(name), { name: to }));
  }

  async forget(name) {
    if (this.isShown(name)) await this.show(name);
    await this.attempt(() => remove(this.path(name)));
  }

  /** The whole frames of which a take tells. @param {Take} take */
  stretch({ start, rate, samples }) {
    const { in: first, out: last } = this.store.header;
    const end = start + ((samples - 1) / rate) * framesPerSecond(this.store.header.rate);
    return { from: Math.max(first, Math.ceil(start - NEAR)), to: Math.min(last, Math.floor(end + NEAR)) };
  }

  /**
   * The edits that put a take to use on a node.
   *
   * @param {string} id of the node
   * @param {string} use one of USES
   * @param {{from?: number, to?: number, blend?: number}} [punch] which of its frames
   */
  async edits(id, name, use, punch = {}) {
    const take = this.all.find((each) => each.name === name);
    const has = this.stretch(take);
    const { start, rate, samples } = await getJson(this.path(name));
    const common = {
      id,
      start,
      rate,
      samples,
      from: Math.max(has.from, punch.from ?? has.from),
      to: Math.min(has.to, punch.to ?? has.to),
      blend: punch.blend ?? 0,
    };
    if (use === 'recording')
      return [{ edit: 'take-to-recording', ...common, newPart: this.store.freeId('recorded'), name }];
    const keep = use === 'keys' ? 'every-frame' : 'fitted';
    const keys = { edit: 'take-to-keys', ...common, keep, tolerance: TOLERANCE };
    return use === 'smoothed' ? [keys, { edit: 'add-part', id, part: this.smooth() }] : [keys];
  }

  smooth() {
    return { part: 'smooth', id: this.store.freeId('smooth'), way: 'gaussian', sigma: SMOOTH_FRAMES };
  }

  /** Puts a take to use; whether it was. */
  async use(id, name, use, punch) {
    let kept = false;
    await this.attempt(async () => {
      kept = await this.store.edit(await this.edits(id, name, use, punch), `Use ${name}`);
    });
    return kept;
  }

  isShown(name) {
    return this.store.ghosts.some((ghost) => ghost.take === name);
  }

  /** Shows a take beside the camera, or two beside one another; or no more. */
  async show(name) {
    const { ghosts } = this.store;
    const takes = ghosts.filter((ghost) => ghost.take && ghost.take !== name);
    if (this.isShown(name)) {
      await this.store.compare(takes);
      return;
    }
    await this.attempt(async () => {
      const edits = await this.edits(this.desk.camera, name, 'recording');
      await this.store.compare([...takes.slice(-1), { take: name, name, edits }]);
    });
  }

  /** How the two takes differ that are shown, or null. */
  async difference() {
    const shown = this.store.ghosts.filter((ghost) => ghost.take).map((ghost) => encodeURIComponent(ghost.take));
    if (shown.length < 2) return null;
    return getJson(this.store.path(`/take-difference?first=${shown[0]}&second=${shown[1]}`));
  }
}

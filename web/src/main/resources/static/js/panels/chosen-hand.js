// The keys in hand with what the document says of them, for the panels that change them.
import { keysOf } from '../shot/keys.js';
import { familyOf, parameterOf } from '../shot/parts.js';

/** The one value that all share, or null. */
export const common = (values) => (values.length && values.every((v) => v === values[0]) ? values[0] : null);

export class Hand {
  constructor(store, desk) {
    this.store = store;
    this.desk = desk;
  }

  /** The chosen keys, or those of the selected node at the playhead. */
  get choice() {
    return this.desk.work.keysInHand();
  }

  /** Names of the axes on which they are measured. */
  axes() {
    return [...this.desk.work.byAxis(this.choice).keys()];
  }

  /** Each key: {id, channel, key}. */
  keys() {
    return [...this.choice.each()]
      .map(({ id, channel, frame }) => ({
        id,
        channel,
        key: keysOf(this.store.byId.get(id), channel).find((k) => Math.abs(k[0] - frame) < 1e-6),
      }))
      .filter((k) => k.key);
  }

  /** How the value of the keys is typed: as that of the first. */
  measure() {
    const [first] = this.keys();
    return first ? parameterOf(this.store.byId.get(first.id), first.channel) : familyOf('place');
  }

  /** The only key, with its handles as they are drawn: [frames, value] away from it; or null. */
  single() {
    const keys = this.keys();
    if (keys.length !== 1) return null;
    const [{ id, channel, key }] = keys;
    const all = keysOf(this.store.byId.get(id), channel);
    const p = this.store.motion.get(id)?.curves?.[channel]?.segments;
    if (!p || all.length < 2) return null;
    const i = all.indexOf(key);
    const [before, after] = [(i - 1) * 8, i * 8];
    return {
      id,
      channel,
      frame: key[0],
      ownLength: key[2] === 'free' && key[8],
      in: i > 0 ? [key[0] - p[before + 4], key[1] - p[before + 5]] : null,
      out: i < all.length - 1 ? [p[after + 2] - key[0], p[after + 3] - key[1]] : null,
    };
  }

  /** Gives them exact numbers; they stay chosen at their next frames. */
  place(change, done, next = (frame) => frame) {
    const { desk, store } = this;
    const edits = [{ edit: 'place-keys', picks: this.choice.picks(), landing: desk.landing, ...change }];
    if (done) return desk.work.editKeys(edits, desk.chosen.mapped(next));
    store.show(edits);
    return true;
  }
}

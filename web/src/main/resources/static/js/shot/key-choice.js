// Which keys are chosen, of any number of nodes and channels. Never changes; gives new choices.
import { isAt, isLocked, keysOf } from './keys.js';

export class KeyChoice {
  /** @param entries frames by 'node channel' */
  constructor(entries = new Map()) {
    this.entries = entries;
  }

  static of(id, channels, frames) {
    return new KeyChoice(new Map(channels.map((c) => [`${id} ${c}`, [...frames]])));
  }

  static union(choices) {
    const entries = new Map();
    for (const choice of choices)
      for (const [key, frames] of choice.entries)
        entries.set(key, [...new Set([...(entries.get(key) ?? []), ...frames])]);
    return new KeyChoice(entries);
  }

  get isEmpty() {
    return this.entries.size === 0;
  }

  get count() {
    return [...this.entries.values()].reduce((sum, frames) => sum + frames.length, 0);
  }

  /** One of each: {id, channel, frame}. */
  *each() {
    for (const [key, frames] of this.entries) {
      const [id, channel] = key.split(' ');
      for (const frame of frames) yield { id, channel, frame };
    }
  }

  framesOf(id, channel) {
    return this.entries.get(`${id} ${channel}`) ?? [];
  }

  has(id, channel, frame) {
    return this.framesOf(id, channel).some((f) => Math.abs(f - frame) < 1e-6);
  }

  hasAll(id, channels, frame) {
    return channels.every((c) => this.has(id, c, frame));
  }

  hasAny(id, channels, frame) {
    return channels.some((c) => this.has(id, c, frame));
  }

  ids() {
    return [...new Set([...this.entries.keys()].map((key) => key.split(' ')[0]))];
  }

  channelsOf(id) {
    return [...this.entries.keys()].filter((key) => key.startsWith(`${id} `)).map((key) => key.split(' ')[1]);
  }

  frames() {
    return [...new Set([...this.entries.values()].flat())].sort((a, b) => a - b);
  }

  plus(other) {
    return KeyChoice.union([this, other]);
  }

  minus(other) {
    const entries = new Map();
    for (const [key, frames] of this.entries) {
      const [id, channel] = key.split(' ');
      const rest = frames.filter((f) => !other.has(id, channel, f));
      if (rest.length) entries.set(key, rest);
    }
    return new KeyChoice(entries);
  }

  /** The same keys at other frames. */
  mapped(to) {
    return new KeyChoice(new Map([...this.entries].map(([key, frames]) => [key, frames.map(to)])));
  }

  /** Those of them for which a test holds. */
  only(test) {
    const entries = new Map();
    for (const [key, frames] of this.entries) {
      const [id, channel] = key.split(' ');
      const kept = frames.filter((frame) => test(id, channel, frame));
      if (kept.length) entries.set(key, kept);
    }
    return new KeyChoice(entries);
  }

  /** Those that are in the document, and not locked. */
  existing(store) {
    return this.only((id, channel, frame) => {
      const node = store.byId.get(id);
      return node && !isLocked(node, channel) && keysOf(node, channel).some((k) => isAt(k, frame));
    });
  }

  /** As edits name them: channels with the same frames together. */
  picks() {
    const groups = new Map();
    for (const [key, frames] of this.entries) {
      const [id, channel] = key.split(' ');
      const sorted = [...frames].sort((a, b) => a - b);
      const same = `${id} ${sorted.join()}`;
      if (!groups.has(same)) groups.set(same, { id, channels: [], frames: sorted });
      groups.get(same).channels.push(channel);
    }
    return [...groups.values()];
  }
}

// A layer of shake that is worked on: its settings, read and changed.
import { partOf } from '../shot/parts.js';
import { NumberField } from './number-field.js';

const SETTINGS = ['way', 'seed', 'loops', 'start', 'octaves', 'roughness', 'phases', 'beat', 'beatDepth', 'damping'];
const ALL = [...SETTINGS, 'hits', 'strewn'];

export class ShakeWork {
  constructor(store, desk, id, partId) {
    this.store = store;
    this.desk = desk;
    this.id = id;
    this.partId = partId;
  }

  get part() {
    return partOf(this.store.byId.get(this.id), this.partId);
  }

  set(change, done = true) {
    const settings = Object.fromEntries(ALL.filter((n) => n in this.part).map((n) => [n, this.part[n]]));
    const part = { part: 'shake', id: this.partId, ...settings, ...change };
    const edits = [{ edit: 'set-part', id: this.id, part }];
    if (done) return this.store.edit(edits);
    this.store.show(edits);
    return true;
  }

  /** A field for a setting that is one number. */
  setting(name, { usual = 0, whole = false, ...options }) {
    return this.number({
      get: () => this.part?.[name] ?? usual,
      set: (value, done) => this.set({ [name]: whole ? Math.round(value) : value }, done),
      ...options,
    });
  }

  number(options) {
    return new NumberField({ unit: '', rate: () => this.store.header.rate, ...options });
  }
}

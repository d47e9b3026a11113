// A card that is worked on: its settings, read and changed.
import { partOf } from '../shot/parts.js';
import { NumberField } from './number-field.js';

export class PartWork {
  /**
   * @param {string} id of the node
   * @param {string} partId
   * @param {string[]} settings what the part may be set to besides its parameters, its window and its switch
   */
  constructor(store, desk, id, partId, settings) {
    this.store = store;
    this.desk = desk;
    this.id = id;
    this.partId = partId;
    this.settings = settings;
  }

  get part() {
    return partOf(this.store.byId.get(this.id), this.partId);
  }

  /** Sets it otherwise; what is undefined is left out. */
  set(change, done = true) {
    const { part: kind, id } = this.part;
    const settings = Object.fromEntries(this.settings.filter((n) => n in this.part).map((n) => [n, this.part[n]]));
    const edits = [{ edit: 'set-part', id: this.id, part: { part: kind, ...(id && { id }), ...settings, ...change } }];
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

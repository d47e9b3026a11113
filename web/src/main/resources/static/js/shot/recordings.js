// Recordings that the production keeps: taken into a chain, kept, brought in from files.
import { getJson, putJson, putText, remove } from '../common/api.js';

/** @typedef {{name: string, rate: number, samples: number}} Listed */

/** What a file is sent as, by how its name ends. */
const TYPES = { csv: 'text/csv', jsonl: 'application/x-ndjson', ndjson: 'application/x-ndjson' };

/** The ends of names of files that can be brought in. */
export const ENDS = Object.keys(TYPES).map((end) => `.${end}`);

export class Recordings {
  constructor(store, production) {
    this.store = store;
    this.root = `/api/productions/${production}/recordings`;
  }

  path(name) {
    return `${this.root}/${encodeURIComponent(name)}`;
  }

  /** @returns {Promise<Listed[]>} */
  all() {
    return getJson(this.root);
  }

  keep(name, { rate, samples }) {
    return putJson(this.path(name), { rate, samples });
  }

  forget(name) {
    return remove(this.path(name));
  }

  /** Keeps what is in a file under its name without the end, and gives that. @param {File} file */
  async bringIn(file) {
    const [, stem, end] = /^(.*?)\.?([^.]*)$/.exec(file.name);
    const name = stem.slice(0, 60) || 'Recording';
    await putText(this.path(name), await file.text(), TYPES[end.toLowerCase()] ?? 'text/csv');
    return name;
  }

  /** A part that plays a recording from the first frame on. */
  async part(name) {
    const { rate, samples } = await getJson(this.path(name));
    return { part: 'recorded', name, start: this.store.header.in, rate, samples };
  }
}

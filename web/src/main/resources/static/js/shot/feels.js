// Feels to start from: layers of shake with plain numbers, those of the product and those that the production keeps.
import { getJson, putJson, remove } from '../common/api.js';
import { idOf, partOf } from './parts.js';

/** @typedef {{name: string, says?: string, kept: boolean, layers: import('./types.js').Part[]}} Feel */

export class Feels {
  constructor(store, production) {
    this.store = store;
    this.path = `/api/productions/${production}/feels`;
  }

  /** @returns {Promise<Feel[]>} */
  all() {
    return getJson(this.path);
  }

  keep(name, layers) {
    return putJson(`${this.path}/${encodeURIComponent(name)}`, { layers });
  }

  forget(name) {
    return remove(`${this.path}/${encodeURIComponent(name)}`);
  }

  /** The layers of a feel as they begin with the shot, with seeds and ids of their own. */
  begun(feel) {
    const start = this.store.header.in;
    return feel.layers.map((layer, i) => ({ ...layer, id: this.store.freeId('shake'), start, seed: i + 1 }));
  }

  /** Puts a feel into a chain in the place of one layer; gives the id of its first. */
  async put(node, partId, feel) {
    const layers = this.begun(feel);
    const ids = node.chain.map(idOf);
    const at = ids.indexOf(partId);
    ids.splice(at, 1, ...layers.map((layer) => layer.id));
    const { window, on } = partOf(node, partId);
    const kept = { ...(window && { window }), ...(on === false && { on }) };
    const edits = [
      { edit: 'remove-part', id: node.id, part: partId },
      ...layers.map((layer) => ({ edit: 'add-part', id: node.id, part: { ...layer, ...kept } })),
      { edit: 'order-parts', id: node.id, parts: ids },
    ];
    return (await this.store.edit(edits, `Start from ${feel.name}`)) ? layers[0].id : null;
  }
}

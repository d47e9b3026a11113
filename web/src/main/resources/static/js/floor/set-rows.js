// The rows of what is on set: rigs and cameras first, the set below them; folded as they were left; searched by name.
import { carrierOf } from '../shot/parts.js';

const KEPT = 'idle-lens folded ';

/** @typedef {{node: import('../shot/types.js').Node, depth: number, inside: number, rig: boolean}} ListRow */

export class SetRows {
  constructor(store) {
    this.store = store;
    this.sought = '';
    this.folded = null;
  }

  get keptAs() {
    return KEPT + this.store.id;
  }

  /** As it was left; at first sets of pieces are folded, and what carries a camera is open. */
  load() {
    if (this.folded) return;
    const kept = localStorage.getItem(this.keptAs);
    if (kept !== null) {
      this.folded = new Set(JSON.parse(kept));
      return;
    }
    const rigs = this.rigs();
    this.folded = new Set(this.store.nodes.filter((n) => n.kind === 'null' && !rigs.has(n.id)).map((n) => n.id));
  }

  isFolded(id) {
    return this.folded.has(id) && !this.sought;
  }

  fold(id, on) {
    if (on === this.folded.has(id)) return;
    if (on) this.folded.add(id);
    else this.folded.delete(id);
    localStorage.setItem(this.keptAs, JSON.stringify([...this.folded]));
  }

  /** Cameras and all that carries one. */
  rigs() {
    const { store } = this;
    return new Set(store.cameras().flatMap((c) => [c.id, ...store.carriersOf(c.id).map((n) => n.id)]));
  }

  /** Nodes whose name holds what is sought, with what carries them; null while nothing is sought. */
  found() {
    const sought = this.sought.trim().toLowerCase();
    if (!sought) return null;
    const hits = this.store.nodes.filter((n) => n.name.toLowerCase().includes(sought));
    return new Set(hits.flatMap((n) => [n.id, ...this.store.carriersOf(n.id).map((c) => c.id)]));
  }

  /** @returns {ListRow[]} */
  all() {
    const found = this.found();
    const rigs = this.rigs();
    /** @type {Map<string, import('../shot/types.js').Node[]>} */
    const carried = new Map();
    for (const node of this.store.nodes) {
      if (found && !found.has(node.id)) continue;
      const of = carrierOf(node);
      if (!carried.has(of)) carried.set(of, []);
      carried.get(of).push(node);
    }
    const rows = [];
    const walk = (nodes, depth) => {
      for (const node of nodes) {
        const inside = carried.get(node.id)?.length ?? 0;
        rows.push({ node, depth, inside, rig: rigs.has(node.id) });
        if (inside && !this.isFolded(node.id)) walk(carried.get(node.id), depth + 1);
      }
    };
    const top = carried.get('') ?? [];
    walk(
      top.filter((n) => rigs.has(n.id)),
      0,
    );
    walk(
      top.filter((n) => !rigs.has(n.id)),
      0,
    );
    return rows;
  }
}

// What the artist does with the nodes that are selected, one or several.
import { toast } from '../common/toasts.js';
import { carrierOf } from './parts.js';
import { keyCount } from './keys.js';

export class NodeWork {
  constructor(store, desk) {
    this.store = store;
    this.desk = desk;
  }

  /** Gives nodes to a carrier, or to the world; what is kept of them is said. */
  async carry(ids, carrier, keep = this.desk.keeps) {
    const wanted = ids.filter((id) => id !== carrier && carrierOf(this.store.byId.get(id)) !== carrier);
    const again = keep === 'numbers' ? ids : wanted;
    if (!again.length) return false;
    const edits = again.map((id) => ({ edit: 'carry', id, carrier, frame: this.desk.frame, keep }));
    return this.tellKeys(again, () => this.store.edit(edits));
  }

  /** Does something that may write keys to keep the motion of nodes, and tells how many. */
  async tellKeys(ids, work) {
    const keys = () =>
      ids.reduce((sum, id) => sum + (this.store.byId.has(id) ? keyCount(this.store.byId.get(id)) : 0), 0);
    const before = keys();
    const kept = await work();
    const written = keys() - before;
    if (kept && written > 0) toast(`The motion was kept: ${written} more keys were written`);
    return kept;
  }

  /** Whether a node may carry others: a null that none of them carries. */
  mayCarry(carrier, ids) {
    const node = this.store.byId.get(carrier);
    const family = new Set([carrier, ...this.store.carriersOf(carrier).map((n) => n.id)]);
    return node?.kind === 'null' && !ids.some((id) => family.has(id));
  }

  hide(ids, hidden) {
    return this.store.edit(ids.map((id) => ({ edit: 'set-hidden', id, hidden })));
  }

  async duplicate(ids) {
    const edits = ids.map((id) => ({
      edit: 'duplicate',
      id,
      newId: this.store.freeId('copy'),
      newName: this.store.freeName(`${this.store.byId.get(id).name} copy`),
    }));
    if (await this.store.edit(edits)) this.desk.selectAll(edits.map((each) => each.newId));
  }

  /**
   * Takes nodes away. What they carried stays and keeps what the desk says; what nulls carried that are folded in the
   * list goes with them.
   *
   * @param {(id: string) => boolean} isFolded
   */
  remove(ids, isFolded) {
    const { frame, keeps: keep } = this.desk;
    const whole = ids.filter((id) => this.store.byId.get(id).kind === 'null' && isFolded(id));
    const single = ids.filter((id) => !whole.includes(id) && !this.isBelow(id, whole));
    const edit = (some, withCarried) =>
      some.length ? [{ edit: 'remove-nodes', ids: some, frame, withCarried, keep }] : [];
    const staying = this.store.nodes.filter((n) => single.includes(carrierOf(n))).map((n) => n.id);
    return this.tellKeys(staying, () => this.store.edit([...edit(single, false), ...edit(whole, true)]));
  }

  isBelow(id, carriers) {
    return this.store.carriersOf(id).some((carrier) => carriers.includes(carrier.id));
  }

  /** Selects the whole rig of what is selected, from the top down. */
  selectRig() {
    const { desk, store } = this;
    if (!desk.node) return;
    const rig = store.rigOf(desk.selected).map((n) => n.id);
    desk.selectAll([desk.selected, ...rig.filter((id) => id !== desk.selected)]);
  }
}

// A part that is tried: it is shown, dashed beside what was before, and stored only once it is set.
import { toast } from '../common/toasts.js';
import { partOf } from './parts.js';

export class Tried {
  constructor(store, desk) {
    this.store = store;
    this.desk = desk;
    this.now = null; // {id: of the node, part}
    store.addEventListener('shot', () => this.check());
  }

  /** Whether a part of the chosen node is one that is only tried. */
  is(partId) {
    return this.now?.part.id === partId;
  }

  /** Shows a part in a node's chain, and chooses its card. */
  async begin(node, part) {
    this.letBe();
    const id = this.store.freeId(part.part);
    this.now = { id: node.id, part: { ...part, id }, seen: false };
    this.show();
    await new Promise((resolve) => {
      this.store.addEventListener('shot', resolve, { once: true });
    });
    this.desk.chooseCard(id);
    this.desk.announce('loose');
  }

  /** Shows it with other settings, or another window. */
  change(to) {
    this.now.part = { ...this.now.part, ...to };
    this.show();
    return true;
  }

  /** It leads all that is shown or stored while it is tried. */
  show() {
    this.store.lead = [{ edit: 'add-part', id: this.now.id, part: this.now.part }];
    this.store.show([]);
  }

  /** Stores it, and goes on with its card. */
  async set() {
    const { id } = this.now.part;
    this.now = null;
    this.desk.announce('loose');
    const kept = await this.store.edit([]);
    if (kept) this.desk.chooseCard(id);
    return kept;
  }

  /** Takes it away again. */
  letBe() {
    if (!this.now) return;
    this.now = null;
    this.store.lead = null;
    this.desk.announce('loose');
    this.store.letGo();
  }

  /** Once it is stored, or something else is, it is tried no more. */
  check() {
    if (!this.now) return;
    const there = partOf(this.store.byId.get(this.now.id) ?? { chain: [] }, this.now.part.id);
    if (there && this.store.before) {
      this.now.seen = true;
      return;
    }
    if (!there && !this.now.seen) return; // not shown yet
    const { id, part } = this.now;
    this.now = null;
    this.store.lead = null;
    this.desk.announce('loose');
    if (there || !this.store.byId.has(id)) return; // it was stored with what came next
    toast('A move that was only tried is gone', {
      action: 'Set it after all',
      onAction: () => this.store.edit([{ edit: 'add-part', id, part }]),
    });
  }
}

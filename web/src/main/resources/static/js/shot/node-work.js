// What the artist does with the nodes that are selected, one or several.
import { toast } from '../common/toasts.js';
import { carrierAt, carrierOf, everCarrying, handOversOf, partOf, pathsOf, POSE, TURN } from './parts.js';
import { keyCount, keysOf } from './keys.js';
import { middleOf } from './node-points.js';

const ONE_ROUND = 360;
const ROW_STEP_M = 1;
const CARRYING = ['null', 'piece', 'rail', 'repeat'];

export class NodeWork {
  constructor(store, desk) {
    this.store = store;
    this.desk = desk;
  }

  /** Gives nodes to a carrier, or to the world; what is kept of them is said. */
  async carry(ids, carrier, keep) {
    const { frame } = this.desk;
    const wanted = ids.filter((id) => id !== carrier && carrierAt(this.store.byId.get(id), frame) !== carrier);
    const again = keep === 'numbers' ? ids : wanted;
    if (!again.length) return false;
    if (this.store.byId.get(carrier)?.kind === 'rail' && keep !== 'numbers')
      return this.desk.rails.ride(again, carrier);
    const edits = again.map((id) => ({
      edit: 'carry',
      id,
      carrier,
      frame,
      keep: keep ?? this.keepsOf(id),
    }));
    return this.tellKeys(again, () => this.store.edit(edits));
  }

  /** What stays of a node by default: what nothing carries yet rides along from the playhead on. */
  keepsOf(id) {
    return this.desk.keeps[this.keeping(id)];
  }

  /** Which default that is: the motion of what is handed over would cost it its hand-overs. */
  keeping(id) {
    const node = this.store.byId.get(id);
    if (handOversOf(node).length) return 'handed';
    return carrierOf(node) ? 'change' : 'first';
  }

  /** Hands nodes over to a carrier at a frame. @param {string[]} ids */
  /** @param {number} [over] frames over which nodes come to their clean path, where they settle */
  handOver(ids, carrier, meeting = 'joined', frame = this.desk.frame, over = 0) {
    const onRail = this.store.byId.get(carrier)?.kind === 'rail';
    return this.store.edit(
      ids.flatMap((id) => [
        ...(onRail ? this.desk.rails.rideFrom(id, carrier, frame) : []),
        { edit: 'hand-over', id, carrier, frame, meeting, ...(meeting === 'settling' && { over }) },
      ]),
    );
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

  /** Whether a node may carry others: a null, a piece, a rail or a repeat that none of them carries. */
  mayCarry(carrier, ids) {
    const node = this.store.byId.get(carrier);
    const family = new Set([carrier, ...this.store.carriersOf(carrier).map((n) => n.id)]);
    return Boolean(node && CARRYING.includes(node.kind)) && !ids.some((id) => family.has(id));
  }

  /**
   * Puts a ready carrier between what is selected and what carries it.
   *
   * @param {string} kind
   * @param {{order?: string, arm?: number, about?: string}} asked about: the node in whose middle a turntable stands
   */
  async addCarrier(kind, { order = 'ptr', arm = 2, about = '' } = {}) {
    const { desk, store } = this;
    const ids = desk.topSelection();
    if (!ids.length) return null;
    const newId = store.freeId(kind);
    const stem = store.byId.get(ids[0]).name;
    const centre = kind === 'turntable' ? { centre: middleOf(store, about ? [about] : ids, desk.frame) } : {};
    const edit = { edit: 'add-carrier', kind, ids, frame: desk.frame, newId, stem, arm, order, ...centre };
    if (!(await this.tellKeys(ids, () => store.edit([edit])))) return null;
    desk.select(newId, 'keys');
    return newId;
  }

  /** A repeat around what is selected, in whose own space nothing moves: a row of three, a pace apart. */
  async repeat() {
    const { desk, store } = this;
    const ids = desk.topSelection();
    if (!ids.length) return null;
    const [x, , z] = middleOf(store, ids, desk.frame);
    const id = store.freeId('repeat');
    const name = store.freeName(`Repeat of ${store.byId.get(ids[0]).name}`);
    const node = { id, name, kind: 'repeat', chain: [{ part: 'keys', x, z }], repeat: { count: 3, x: ROW_STEP_M } };
    const edits = [
      { edit: 'add-nodes', nodes: [node] },
      ...ids.map((each) => ({ edit: 'carry', id: each, carrier: id, frame: desk.frame, keep: 'place' })),
    ];
    if (!(await store.edit(edits, 'Repeat'))) return null;
    desk.select(id);
    desk.chooseCard('piece');
    return id;
  }

  /** A turntable that goes round once in so many frames, for ever; the shot gets as long if asked. */
  async turntable(frames, about, { loop, way = 1 }) {
    const { desk, store } = this;
    const ids = desk.topSelection();
    if (!ids.length) return null;
    const { in: first } = store.header;
    const newId = store.freeId('turntable');
    const centre = middleOf(store, about ? [about] : ids, desk.frame);
    const stem = store.byId.get(ids[0]).name;
    const turn = (frame, pan) => ({ edit: 'set-values', id: newId, frame, values: { pan }, keying: 'touched' });
    const edits = [
      { edit: 'add-carrier', kind: 'turntable', ids, frame: first, newId, stem, arm: 0, order: 'ptr', centre },
      turn(first, 0),
      turn(first + frames, way * ONE_ROUND),
      {
        edit: 'set-tangents',
        picks: [{ id: newId, channels: ['pan'], frames: [first, first + frames] }],
        tangent: 'straight',
      },
      { edit: 'set-beyond', id: newId, channels: ['pan'], before: 'cycle-and-carry', after: 'cycle-and-carry' },
      ...(loop ? [{ edit: 'change-header', in: first, out: first + frames - 1 }] : []),
    ];
    if (!(await this.tellKeys(ids, () => store.edit(edits, 'Turntable')))) return null;
    desk.select(newId, 'keys');
    return newId;
  }

  /** Lays the pivot of a null at a place in the world; what it carries stays. */
  movePivot(id, place, keep) {
    return this.tellKeys([id], () =>
      this.store.edit([{ edit: 'rebase', id, frame: this.desk.frame, place, keep: this.keepOfTurning(id, keep) }]),
    );
  }

  /** A null that turns keeps its motion as keys. */
  keepOfTurning(id, keep) {
    return TURN.some((path) => keysOf(this.store.byId.get(id), path).length) ? keep : 'place';
  }

  zeroOut(ids, keep) {
    return this.tellKeys(ids, () =>
      this.store.edit(
        ids.map((id) => ({
          edit: 'zero-out',
          id,
          keep: this.keepOfTurning(carrierOf(this.store.byId.get(id)) || id, keep),
        })),
      ),
    );
  }

  /** The motion of the carrier goes into what it carries, which its own carrier carries from now on. */
  bakeDown(ids, keep) {
    const { store, desk } = this;
    const edits = ids
      .filter((id) => carrierAt(store.byId.get(id), desk.frame))
      .map((id) => {
        const [above] = this.carryingAbove(id);
        return { edit: 'carry', id, carrier: above?.id ?? '', frame: desk.frame, keep };
      });
    return edits.length ? this.tellKeys(ids, () => store.edit(edits, 'Bake down')) : Promise.resolve(false);
  }

  /** What carries the carrier of a node, from the inside out; rails are ridden, and so do not count. */
  carryingAbove(id) {
    const chain = this.store.carryingAt(id, this.desk.frame).reverse();
    return chain.slice(1).filter((node) => node.kind !== 'rail');
  }

  /** To where another node is, at the playhead or at all frames. */
  copyPose(id, from, keep = null) {
    const { desk, store } = this;
    if (keep) return this.tellKeys([id], () => store.edit([{ edit: 'copy-motion', id, from, keep }]));
    const edit = (keying) => ({ edit: 'copy-pose', id, from, frame: desk.frame, keying });
    return desk.change(store.byId.get(id), POSE, edit, { done: true });
  }

  /** @param {string[]} ids @param {boolean | import('./hidden.js').Where[]} hidden */
  hide(ids, hidden) {
    return this.store.edit(ids.map((id) => ({ edit: 'set-hidden', id, hidden })));
  }

  /** Writes what a camera does into a new one, and chooses that. @param {string} keep every-frame or fitted */
  async toNewCamera(id, keep) {
    const { store } = this;
    const newId = store.freeId('camera');
    const newName = store.freeName(`${store.byId.get(id).name} ${keep === 'fitted' ? 'fitted' : 'baked'}`);
    const kept = await store.edit([{ edit: 'to-new-camera', id, newId, newName, keep, tolerance: 1 }]);
    if (!kept) return;
    const keys = new Set(
      pathsOf(store.byId.get(newId)).flatMap((path) => keysOf(store.byId.get(newId), path).map((k) => k[0])),
    );
    toast(`${newName}: keys on ${keys.size} frames`);
    this.desk.select(newId);
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
    const { frame, keeps } = this.desk;
    const keep = keeps.change;
    const whole = ids.filter((id) => this.store.byId.get(id).kind === 'null' && isFolded(id));
    const single = ids.filter((id) => !whole.includes(id) && !this.isBelow(id, whole));
    const edit = (some, withCarried) =>
      some.length ? [{ edit: 'remove-nodes', ids: some, frame, withCarried, keep }] : [];
    const staying = this.store.nodes.filter((n) => everCarrying(n).some((c) => single.includes(c))).map((n) => n.id);
    return this.tellKeys(staying, () => this.store.edit([...edit(single, false), ...edit(whole, true)]));
  }

  isBelow(id, carriers) {
    return this.store.carriersOf(id).some((carrier) => carriers.includes(carrier.id));
  }

  /**
   * Puts a null above what is selected, in its middle, between that and its carrier; what was selected goes on as it
   * went.
   *
   * @returns {Promise<string | null>} the id of the null
   */
  async addAbove() {
    const { desk, store } = this;
    const ids = desk.topSelection();
    if (!ids.length) return null;
    const id = store.freeId('null');
    const first = store.byId.get(ids[0]);
    const [x, y, z] = middleOf(store, ids, desk.frame);
    const name = store.freeName(`${first.name} null`);
    const at = { frame: desk.frame };
    const edits = [
      { edit: 'add-nodes', nodes: [{ id, kind: 'null', name, chain: [{ part: 'keys', x, y, z }] }] },
      { edit: 'carry', id, carrier: carrierOf(first), keep: 'place', ...at },
      ...ids.map((each) => ({ edit: 'carry', id: each, carrier: id, keep: 'fitted', ...at })),
    ];
    const others = ids.length > 1 ? ` and ${ids.length - 1} more` : '';
    if (!(await store.edit(edits, `Null above ${first.name}${others}`))) return null;
    desk.select(id, 'keys');
    return id;
  }

  /** Turns a node once around its vertical over the shot, so that the frame after the last one is the first again. */
  onceAround() {
    const { desk, store } = this;
    const { node } = desk;
    const had = keysOf(node, 'pan').map((key) => key[0]);
    const pan = had.length
      ? store.value(desk.first(), store.motion.get(node.id).own.pan)
      : (partOf(node, 'keys').pan ?? 0);
    const frames = [desk.first(), desk.last() + 1];
    const of = { id: node.id, channels: ['pan'] };
    const set = (keying) => ({ edit: 'set-values', id: node.id, values: { pan }, frame: frames[0], keying });
    const beyond = (kind) => ({ edit: 'set-beyond', ...of, before: kind, after: kind });
    const cleared = [
      beyond('hold'), // or the next keys would land in a round
      { edit: 'remove-keys', picks: [{ ...of, frames: had }] },
      set('still'),
    ];
    return store.edit(
      [
        ...(had.length ? cleared : []),
        { edit: 'key-pose', ...of, frame: frames[0] },
        { ...set('touched'), frame: frames[1], values: { pan: pan + ONE_ROUND } },
        { edit: 'set-tangents', picks: [{ ...of, frames }], tangent: 'straight' },
        beyond('cycle-and-carry'),
      ],
      `Turn ${node.name} once around`,
    );
  }

  /** Selects the whole rig of what is selected, from the top down. */
  selectRig() {
    const { desk, store } = this;
    if (!desk.node) return;
    const rig = store.rigOf(desk.selected).map((n) => n.id);
    desk.selectAll([desk.selected, ...rig.filter((id) => id !== desk.selected)]);
  }
}

// What the artist has in hand: frame, selection, camera shown, record, keys chosen, loose pose.
import { isKeyed, keyFrames, LENS, POSE } from './shot-store.js';
import { toast } from '../common/toasts.js';

const isPose = (channel) => POSE.includes(channel);

/** Events: 'frame', 'selection', 'keys', 'mode', 'loose'. */
export class Desk extends EventTarget {
  constructor(store) {
    super();
    this.store = store;
    this.frame = 0;
    this.selected = null;
    this.camera = null;
    this.card = 'keys';
    this.record = false;
    this.keying = 'whole-pose';
    this.chosenKeys = null; // {id, channels, frames}
    this.loose = null; // {id, frame, edits}
    store.addEventListener('shot', () => this.checkReferences());
  }

  announce(name) { this.dispatchEvent(new CustomEvent(name)); }

  checkReferences() {
    const { store } = this;
    if (!store.byId.has(this.camera)) this.camera = store.cameras()[0]?.id ?? null;
    if (!store.byId.has(this.selected)) { this.selected = this.camera ?? store.nodes[0]?.id ?? null; this.announce('selection'); }
    if (this.chosenKeys && !store.byId.has(this.chosenKeys.id)) this.chooseKeys(null);
  }

  get node() { return this.store.byId.get(this.selected) ?? null; }

  first() { return this.store.header.in; }

  last() { return this.store.header.out; }

  goTo(frame) {
    const to = Math.max(this.first() - this.store.header.handles, Math.min(this.last() + this.store.header.handles, Math.round(frame)));
    if (to === this.frame) return;
    if (this.loose && to !== this.loose.frame) this.leaveLoose();
    this.frame = to;
    this.announce('frame');
  }

  select(id, card) {
    if (this.selected !== id && this.loose && this.loose.id !== id) this.leaveLoose();
    this.selected = id;
    if (card) this.card = card;
    const node = this.node;
    if (node?.kind === 'camera') this.showCamera(id);
    this.announce('selection');
  }

  chooseCard(card) { this.card = card; this.announce('selection'); }

  showCamera(id) {
    if (this.camera === id) return;
    this.camera = id;
    this.announce('selection');
  }

  chooseKeys(keys) { this.chosenKeys = keys; this.announce('keys'); }

  setRecord(on) { this.record = on; this.announce('mode'); }

  setKeying(keying) { this.keying = keying; this.announce('mode'); }

  /** How a change of these channels is to be kept: as still values, as keys, or loose. */
  keyingFor(node, channels) {
    if (this.record) return this.keying === 'whole-pose' && channels.some(isPose) ? 'whole-pose' : 'touched';
    return isKeyed(node, channels) ? 'loose' : 'still';
  }

  /**
   * Does a change: shows it while something is dragged, stores it at the end. With record off, a
   * change of something keyed stays loose until it is keyed or let go.
   *
   * @param make gives the edit for a way of keying
   */
  change(node, channels, make, { done }) {
    const keying = this.keyingFor(node, channels);
    const loose = keying === 'loose';
    const way = loose ? (channels.some(isPose) && this.keying === 'whole-pose' ? 'whole-pose' : 'touched') : keying;
    let edits = [make(way)];
    if (loose && this.loose?.id === node.id && this.loose.frame === this.frame) edits = [...this.loose.settled, ...edits];
    if (!done) { this.store.show(edits); return Promise.resolve(true); }
    if (!loose) { this.loose = null; return this.store.edit(edits); }
    this.loose = { id: node.id, frame: this.frame, settled: edits };
    this.store.show(edits);
    this.announce('loose');
    return Promise.resolve(true);
  }

  /** Stores the loose pose as a key. */
  keepLoose() {
    const { loose } = this;
    this.loose = null;
    this.announce('loose');
    return this.store.edit(loose.settled);
  }

  letGoOfLoose() {
    if (!this.loose) return;
    this.loose = null;
    this.announce('loose');
    this.store.letGo();
  }

  /** The loose pose goes when the artist turns to something else, but it can be had back. */
  leaveLoose() {
    const { loose } = this;
    const name = this.store.byId.get(loose.id)?.name;
    this.letGoOfLoose();
    toast(`The loose pose of ${name} at ${loose.frame} was let go`, {
      action: 'Key it after all',
      onAction: () => this.store.edit(loose.settled),
    });
  }

  /** Keys the whole pose, or the loose pose if there is one. */
  keyPose() {
    if (this.loose) return this.keepLoose();
    const { node } = this;
    if (!node) return Promise.resolve(false);
    return this.store.edit([{ edit: 'key-pose', id: node.id, frame: this.frame, channels: POSE }]);
  }

  /** Removes the chosen keys, or those of the selected node at this frame. */
  removeKeys() {
    const { node } = this;
    const chosen = this.chosenKeys ?? (node && { id: node.id, channels: [...POSE, ...LENS].filter((c) => c in node.channels), frames: [this.frame] });
    if (!chosen) return Promise.resolve(false);
    this.chooseKeys(null);
    return this.store.edit([{ edit: 'remove-keys', id: chosen.id, frames: chosen.frames, channels: chosen.channels }]);
  }

  /** Frames of all keys of the selected node and, for a camera, of what carries it. */
  keysInReach() {
    const { node, store } = this;
    if (!node) return [];
    const nodes = node.kind === 'camera' ? [...store.carriersOf(node.id), node] : [node];
    const frames = new Set(nodes.flatMap((n) => keyFrames(n, [...POSE, ...LENS]).map((k) => k.frame)));
    return [...frames].sort((a, b) => a - b);
  }

  previousKey() { const f = this.keysInReach().filter((k) => k < this.frame - 1e-6).pop(); if (f !== undefined) this.goTo(f); }

  nextKey() { const f = this.keysInReach().find((k) => k > this.frame + 1e-6); if (f !== undefined) this.goTo(f); }
}

// What the artist has in hand: frame, selection, camera shown, record, keys chosen, loose pose, layout.
import { CutWork } from './cut-work.js';
import { Effects } from './effects.js';
import { Feels } from './feels.js';
import { Sensors } from './sensors.js';
import { Framing } from './framing.js';
import { KeyChoice } from './key-choice.js';
import { KeyWork } from './key-work.js';
import { isKeyed } from './keys.js';
import { RailWork } from './rail-work.js';
import { NodeWork } from './node-work.js';
import { allFamilies, axisOf, kindOf, POSE, titleOf } from './parts.js';
import { Recordings } from './recordings.js';
import { Takes } from './takes.js';
import { Tried } from './tried.js';
import { toast } from '../common/toasts.js';

const isPose = (channel) => POSE.includes(channel);

/**
 * Events: 'frame', 'selection', 'keys', 'mode', 'loose', 'layout' (view, tab, whose curves are drawn), 'live' (a hand
 * has a camera elsewhere).
 */
export class Desk extends EventTarget {
  /** @param {number | string} production that the shot belongs to */
  constructor(store, production) {
    super();
    this.store = store;
    this.frame = 0;
    this.selected = null; // the node whose chain is shown
    this.more = new Set(); // nodes that are selected besides
    this.camera = null;
    this.card = 'keys';
    this.slopes = false;
    this.record = false;
    this.keying = 'whole-pose';
    this.chosen = new KeyChoice();
    this.work = new KeyWork(store, this);
    this.nodes = new NodeWork(store, this);
    this.cutting = new CutWork(store, this);
    this.marker = null; // the chosen marker
    this.editing = false; // keys are just being changed, and are chosen again where they arrive
    this.landing = 'refuse'; // what happens to a key on which another lands: refuse, or merge
    this.copied = null; // {id, keys by channel}
    this.copiedPart = null; // {part, title, from}
    this.rails = new RailWork(store, this);
    this.framing = new Framing(store, this);
    this.tried = new Tried(store, this);
    this.effects = new Effects(store, this);
    this.feels = new Feels(store, production);
    this.sensors = new Sensors(production);
    this.recordings = new Recordings(store, production);
    this.takes = new Takes(store, this);
    this.operation = null; // {walk, tracker, roll}, where the page has them
    // what stays of a node that gets a carrier, or another one
    this.keeps = { first: 'place', change: 'fitted', handed: 'place' };
    this.range = null; // {from, to}: what is looped, if not the whole shot
    // {says, take}: the next node chosen is given to take; or {says, takePlace}, a place in the picture
    this.picking = null;
    this.view = 'floor';
    this.tab = 'card';
    this.tolerance = Object.fromEntries(allFamilies().map((f) => [f.id, f.tolerance])); // overshoot let pass
    this.pinned = new Set(); // nodes whose curves stay while others are selected
    this.dimmed = new Set(); // 'node channel' of curves put into the background
    this.loose = null; // {ids, frame, settled: edits, earlier: the loose pose before the last of these}
    store.addEventListener('shot', () => this.checkReferences());
    store.addEventListener('not-shown', (event) => this.refuseLoose(event.detail));
  }

  announce(name) {
    this.dispatchEvent(new CustomEvent(name));
  }

  checkReferences() {
    const { store } = this;
    if (!store.byId.has(this.camera)) this.camera = store.cameras()[0]?.id ?? null;
    this.cutting.take();
    if (!store.byId.has(this.selected)) {
      this.selected = this.camera ?? store.nodes[0]?.id ?? null;
      this.announce('selection');
    }
    const chosen = this.chosen.existing(store);
    if (!this.editing && !store.before && chosen.count !== this.chosen.count) this.chooseKeys(chosen);
    this.drawCurves();
  }

  /** Whose curves the Curves view shows. */
  curveNodes() {
    return [...new Set([...this.pinned, ...this.selection()])].filter((id) => this.store.byId.has(id));
  }

  /** Nodes whose curves or path are drawn with their tangents. */
  drawnNodes() {
    const ids = [this.selected, this.camera, ...(this.view === 'curves' ? this.curveNodes() : [])];
    return [...new Set(ids.filter((id) => id && this.store.byId.has(id)))];
  }

  /** Tells the store whose curves are drawn now; resolves when they are there. */
  drawCurves() {
    return this.store.draw(this.drawnNodes(), this.slopes && this.view === 'curves');
  }

  /** @param on whether speed or acceleration are drawn in the Curves view */
  drawSlopes(on) {
    this.slopes = on;
    return this.drawCurves();
  }

  setView(view) {
    this.view = view;
    this.drawCurves();
    this.announce('layout');
  }

  showTab(tab) {
    this.tab = tab;
    this.announce('layout');
  }

  pin(id, on) {
    if (on) this.pinned.add(id);
    else this.pinned.delete(id);
    this.drawCurves();
    this.announce('layout');
  }

  dim(id, channel, on) {
    const key = `${id} ${channel}`;
    if (on) this.dimmed.add(key);
    else this.dimmed.delete(key);
    this.chooseKeys(this.chosen.only((i, c) => !this.dimmed.has(`${i} ${c}`)));
    this.announce('layout');
  }

  /** Ids of all nodes that are selected, the one whose chain is shown first. */
  selection() {
    const ids = [this.selected, ...this.more].filter((id) => this.store.byId.has(id));
    return [...new Set(ids)];
  }

  /** Those of them that no other one carries. */
  topSelection() {
    const all = new Set(this.selection());
    return [...all].filter((id) => !this.store.carriersOf(id).some((carrier) => all.has(carrier.id)));
  }

  get node() {
    return this.store.byId.get(this.selected) ?? null;
  }

  first() {
    return this.store.header.in;
  }

  last() {
    return this.store.header.out;
  }

  goTo(frame) {
    const to = Math.max(
      this.first() - this.store.header.handles,
      Math.min(this.last() + this.store.header.handles, Math.round(frame)),
    );
    if (to === this.frame) return;
    if (this.loose && to !== this.loose.frame) this.leaveLoose();
    this.frame = to;
    this.cutting.take();
    this.announce('frame');
  }

  select(id, card) {
    if (this.picking) {
      const { take } = this.picking;
      this.stopPicking();
      if (take) {
        take(id);
        return;
      }
    }
    if (this.loose && !this.loose.ids.includes(id)) this.leaveLoose();
    this.selected = id;
    this.more.clear();
    if (card) this.card = card;
    const node = this.node;
    if (node?.kind === 'camera') this.showCamera(id);
    this.drawCurves();
    this.announce('selection');
  }

  /** Selects one more, or one less; the last one stays. */
  selectMore(id) {
    const all = this.selection();
    const next = all.includes(id) ? all.filter((other) => other !== id) : [id, ...all];
    if (next.length) this.selectAll(next);
  }

  /** @param {string[]} ids the first is the one whose chain is shown */
  selectAll(ids) {
    const [first, ...others] = ids;
    this.select(first);
    this.more = new Set(others);
    this.announce('selection');
  }

  /** @param {{from: number, to: number} | null} range null for the whole shot */
  setRange(range) {
    this.range = range;
    this.announce('range');
  }

  /** Waits for a node to be chosen anywhere, for another purpose than to be selected. */
  pick(says, take) {
    this.picking = { says, take };
    this.announce('picking');
  }

  /** Waits for a place of the picture to be pressed. @param {(x: number, y: number) => void} takePlace */
  pickPlace(says, takePlace) {
    this.picking = { says, take: null, takePlace };
    this.announce('picking');
  }

  stopPicking() {
    if (!this.picking) return;
    this.picking = null;
    this.announce('picking');
  }

  /** Puts a part like this one into a node's chain, and chooses its card. */
  async addPart(node, part) {
    const once = !kindOf(part).many;
    const id = once ? part.part : this.store.freeId(part.part);
    const kept = await this.store.edit([{ edit: 'add-part', id: node.id, part: once ? part : { ...part, id } }]);
    if (kept) this.chooseCard(id);
    return kept;
  }

  copyPart(node, part) {
    this.copiedPart = { part, title: titleOf(node, part), from: node.name };
    toast(`${this.copiedPart.title} of ${node.name} copied: + in a chain pastes it`);
    this.announce('selection');
  }

  removePart(node, part) {
    return this.store.edit([{ edit: 'remove-part', id: node.id, part }]);
  }

  chooseCard(card) {
    this.card = card;
    this.tab = 'card';
    this.announce('selection');
  }

  get live() {
    return this.store.live;
  }

  /** @param {{id: string, pose: any, lens: any} | null} live where a hand has a camera just now */
  setLive(live) {
    if (!live && !this.store.live) return;
    this.store.live = live;
    this.announce('live');
  }

  /** Shows one camera from now on, whatever the program has. */
  showCamera(id) {
    const followed = this.cutting.follows;
    this.cutting.follows = false;
    this.putInPicture(id);
    if (followed) this.announce('selection');
  }

  putInPicture(id) {
    if (this.camera === id) return;
    this.camera = id;
    this.drawCurves();
    this.announce('selection');
  }

  /** @param choice a KeyChoice, or null for none */
  chooseKeys(choice) {
    this.chosen = choice ?? new KeyChoice();
    this.announce('keys');
  }

  chooseMarker(id) {
    this.marker = id;
    this.chosen = new KeyChoice();
    this.announce('keys');
  }

  /** Marks the playhead; also while playing. */
  mark(kind = 'beat', name = kind) {
    const id = this.store.freeId('mark');
    this.marker = id;
    return this.store.edit([{ edit: 'set-markers', markers: [{ id, frame: this.frame, name, kind }] }]);
  }

  axisOf(id, channel) {
    return axisOf(this.store.byId.get(id), channel);
  }

  /** Overshoots of a node that are larger than what is tolerated: [channel, frame, value, amount]. */
  overshootsOf(id) {
    const found = this.store.motion.get(id)?.overshoots ?? [];
    return found.filter(([channel, , , amount]) => Math.abs(amount) > this.tolerance[this.axisOf(id, channel)]);
  }

  /** All overshoots above their tolerance, and all creeping channels. */
  findings() {
    const overshoots = [];
    const creeps = [];
    for (const node of this.store.nodes) {
      for (const [channel, frame, value, amount] of this.overshootsOf(node.id))
        overshoots.push({ id: node.id, channel, frame, value, amount });
      for (const [channel, from, missing, amount] of this.store.motion.get(node.id)?.creeps ?? [])
        creeps.push({ id: node.id, channel, from, missing, amount });
    }
    return { overshoots, creeps, count: overshoots.length + creeps.length };
  }

  setTolerance(axis, amount) {
    this.tolerance[axis] = amount;
    this.announce('layout');
  }

  setRecord(on) {
    this.record = on;
    this.announce('mode');
  }

  setKeying(keying) {
    this.keying = keying;
    this.announce('mode');
  }

  /** How a change of these channels is to be kept: as still values, as keys, or loose. */
  keyingFor(node, channels) {
    if (this.record) return this.keying === 'whole-pose' && channels.some(isPose) ? 'whole-pose' : 'touched';
    return isKeyed(node, channels) ? 'loose' : 'still';
  }

  /** Does a change of one node, see changeAll. */
  change(node, channels, make, how) {
    return this.changeAll([node], channels, (_, way) => make(way), how);
  }

  /**
   * Does a change: shows it while something is dragged, stores it at the end. With record off, a
   * change of something keyed stays loose until it is keyed or let go.
   *
   * @param {import('./types.js').Node[]} nodes
   * @param {string[]} channels the paths it changes
   * @param {(node: import('./types.js').Node, way: string) => object} make gives the edit for a way of keying
   * @param {{done?: boolean, frame?: number}} how the frame it is made for
   */
  changeAll(nodes, channels, make, { done, frame = this.frame }) {
    const ways = nodes.map((node) => this.keyingFor(node, channels));
    const loose = ways.includes('loose');
    const asKeys = channels.some(isPose) && this.keying === 'whole-pose' ? 'whole-pose' : 'touched';
    let edits = nodes.map((node, i) => make(node, ways[i] === 'loose' ? asKeys : ways[i]));
    const ids = nodes.map((node) => node.id);
    const earlier = loose && this.isLoose(ids, frame) ? this.loose : null;
    if (earlier) edits = [...earlier.settled, ...edits];
    if (!done) {
      this.store.show(edits);
      return Promise.resolve(true);
    }
    if (!loose) {
      this.loose = null;
      return this.store.edit(edits);
    }
    this.loose = { ids, frame, settled: edits, earlier };
    this.store.show(edits);
    this.announce('loose');
    return Promise.resolve(true);
  }

  isLoose(ids, frame) {
    return this.loose?.frame === frame && this.loose.ids.join() === ids.join();
  }

  /** What the loose pose is of, in words. */
  looseNames() {
    return this.loose.ids.map((id) => this.store.byId.get(id)?.name).join(', ');
  }

  /** A loose pose that the rules refuse is as it was before; one that never was is let go. */
  refuseLoose(edits) {
    if (this.loose?.settled !== edits) return;
    const { earlier } = this.loose;
    if (!earlier) {
      this.letGoOfLoose();
      return;
    }
    this.loose = earlier;
    this.store.show(earlier.settled);
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
    const names = this.looseNames();
    this.letGoOfLoose();
    toast(`The loose pose of ${names} at ${loose.frame} was let go`, {
      action: 'Key it after all',
      onAction: () => this.store.edit(loose.settled),
    });
  }

  /** Keys the whole pose of what is selected, or the loose pose if there is one. */
  keyPose() {
    if (this.tried.now) return this.tried.set();
    if (this.loose) return this.keepLoose();
    const ids = this.selection();
    if (!ids.length) return Promise.resolve(false);
    return this.store.edit(ids.map((id) => ({ edit: 'key-pose', id, frame: this.frame, channels: POSE })));
  }
}

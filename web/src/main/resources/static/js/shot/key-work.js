// What the artist does with keys: those chosen, those in hand, and those of a whole rig.
import { toast } from '../common/toasts.js';
import { KeyChoice } from './key-choice.js';
import { keyFrames, keysOf } from './keys.js';
import { hasPath, parameterOf, pathsOf, POSE } from './parts.js';

export class KeyWork {
  constructor(store, desk) {
    this.store = store;
    this.desk = desk;
  }

  /** The chosen keys, or all those of what is selected at this frame. */
  keysInHand() {
    if (!this.desk.chosen.isEmpty) return this.desk.chosen;
    const here = this.desk
      .selection()
      .map((id) => KeyChoice.of(id, pathsOf(this.store.byId.get(id)), [this.desk.frame]).existing(this.store));
    return KeyChoice.union(here);
  }

  /**
   * Stores edits of chosen keys, and chooses them where they arrive.
   *
   * @param next the choice afterwards
   */
  async editKeys(edits, next) {
    this.desk.editing = true;
    try {
      const kept = await this.store.edit(edits);
      if (kept) this.desk.chooseKeys(next.existing(this.store));
      return kept;
    } finally {
      this.desk.editing = false;
    }
  }

  /**
   * Moves the chosen keys; those measured in another unit than the value only in time.
   *
   * @param by.axis what byValue is measured in, or null where all move in value alike
   */
  async moveKeys({ frames = 0, value = 0, axis = null, done = true, landing = this.desk.landing }) {
    const choice = this.desk.chosen;
    const edits = [];
    for (const [name, part] of this.byAxis(choice)) {
      const byValue = axis === null || axis === name ? value : 0;
      if (frames || byValue) edits.push({ edit: 'move-keys', picks: part.picks(), by: frames, byValue, landing });
    }
    if (!edits.length) return true;
    if (!done) {
      this.store.show(edits);
      return true;
    }
    return this.editKeys(
      edits,
      choice.mapped((f) => f + frames),
    );
  }

  /**
   * Scales the chosen keys about a point.
   *
   * @param {object} by
   * @param {number} [by.inTime]
   * @param {number} [by.inValue]
   * @param {number} [by.aboutFrame]
   * @param {(axis: any) => number} [by.aboutValue] gives the value that stays, for an axis
   * @param {boolean} [by.snap] whether frames become whole ones
   * @param {boolean} [by.done]
   */
  async scaleKeys({ inTime = 1, inValue = 1, aboutFrame, aboutValue, snap = true, done = true }) {
    const choice = this.desk.chosen;
    const to = (f) => aboutFrame + (f - aboutFrame) * inTime;
    const edits = [];
    for (const [axis, part] of this.byAxis(choice))
      edits.push({
        edit: 'scale-keys',
        picks: part.picks(),
        aboutFrame,
        aboutValue: aboutValue(axis),
        inTime,
        inValue,
        landing: this.desk.landing,
      });
    if (snap && inTime !== 1)
      edits.push({ edit: 'place-keys', picks: choice.mapped(to).picks(), snap: true, landing: this.desk.landing });
    if (!done) {
      this.store.show(edits);
      return true;
    }
    const kept = await this.editKeys(
      edits,
      choice.mapped((f) => (snap && inTime !== 1 ? Math.round(to(f)) : to(f))),
    );
    if (!kept) this.desk.chooseKeys(choice);
    return kept;
  }

  /** The parts of a choice that share an axis, by its name. */
  byAxis(choice) {
    const axes = new Map();
    for (const { id, channel } of choice.each()) axes.set(this.desk.axisOf(id, channel), null);
    for (const name of axes.keys())
      axes.set(
        name,
        choice.only((id, channel) => this.desk.axisOf(id, channel) === name),
      );
    return axes;
  }

  /** Copies the chosen keys of the selected node, or of the only node that has some. */
  copyKeys() {
    const hand = this.keysInHand();
    const id = hand.channelsOf(this.desk.selected).length ? this.desk.selected : hand.ids()[0];
    const node = this.store.byId.get(id);
    if (!node) {
      toast('Choose keys to copy, or go to a frame with a key', { bad: true });
      return;
    }
    const keys = {};
    for (const channel of hand.channelsOf(id))
      keys[channel] = keysOf(node, channel).filter((k) => hand.has(id, channel, k[0]));
    this.desk.copied = { from: node.name, keys };
    this.desk.announce('keys');
    const count = Object.values(keys).flat().length;
    toast(`${count} ${count === 1 ? 'key' : 'keys'} of ${node.name} copied`);
  }

  /** @param way same, offset or mirrored */
  pasteKeys(way = 'same', backwards = false) {
    if (!this.desk.copied || !this.desk.node) {
      toast('Nothing is copied yet', { bad: true });
      return Promise.resolve(false);
    }
    const keys = Object.fromEntries(
      Object.entries(this.desk.copied.keys).filter(([channel]) => hasPath(this.desk.node, channel)),
    );
    return this.store.edit([
      { edit: 'paste-keys', id: this.desk.selected, frame: this.desk.frame, keys, way, backwards },
    ]);
  }

  /** Keys the whole pose of every node of the rig that the selected one belongs to. */
  keyRig() {
    if (!this.desk.node) return Promise.resolve(false);
    const rig = this.store.rigOf(this.desk.selected);
    return this.store.edit(rig.map((n) => ({ edit: 'key-pose', id: n.id, frame: this.desk.frame, channels: POSE })));
  }

  /** Removes the chosen keys, the chosen marker at this frame, or the keys of the selected node there. */
  removeKeys() {
    const marker = this.store.markers.find((m) => m.id === this.desk.marker && m.frame === this.desk.frame);
    if (marker && this.desk.chosen.isEmpty) {
      this.desk.marker = null;
      return this.store.edit([{ edit: 'remove-markers', ids: [marker.id] }]);
    }
    const hand = this.keysInHand();
    if (hand.isEmpty) return Promise.resolve(false);
    this.desk.chooseKeys(null);
    return this.store.edit([{ edit: 'remove-keys', picks: hand.picks() }]);
  }

  /** All keys of what is selected; in the Curves view of all curves that are shown and not dimmed. */
  chooseAllKeys() {
    const ids = this.desk.view === 'curves' ? this.desk.curveNodes() : this.desk.selection();
    const choices = ids.flatMap((id) => {
      const node = this.store.byId.get(id);
      const paths = node ? pathsOf(node).filter((path) => !this.desk.dimmed.has(`${id} ${path}`)) : [];
      return paths.map((path) =>
        KeyChoice.of(
          id,
          [path],
          keysOf(node, path).map((k) => k[0]),
        ),
      );
    });
    this.desk.chooseKeys(KeyChoice.union(choices).existing(this.store));
  }

  /** Moves the chosen keys by frames, and by steps of the first one's parameter. */
  nudgeKeys(frames, steps) {
    const first = [...this.desk.chosen.each()][0];
    if (!first) return Promise.resolve(false);
    const { step, family } = parameterOf(this.store.byId.get(first.id), first.channel);
    return this.moveKeys({ frames, value: steps * step, axis: steps ? family : null });
  }

  /** Frames of all keys of the selected node and, for a camera, of what carries it. */
  keysInReach() {
    const { store } = this;
    const { node } = this.desk;
    if (!node) return [];
    const nodes = node.kind === 'camera' ? [...store.carriersOf(node.id), node] : [node];
    const frames = new Set(nodes.flatMap((n) => keyFrames(n, pathsOf(n)).map((k) => k.frame)));
    return [...frames].sort((a, b) => a - b);
  }

  previousKey() {
    const f = this.keysInReach()
      .filter((k) => k < this.desk.frame - 1e-6)
      .pop();
    if (f !== undefined) this.desk.goTo(f);
  }

  nextKey() {
    const f = this.keysInReach().find((k) => k > this.desk.frame + 1e-6);
    if (f !== undefined) this.desk.goTo(f);
  }
}

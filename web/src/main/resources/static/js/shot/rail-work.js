// What the artist does with rails: drawing, shaping, riding, pinning.
import { trimmed } from '../common/format.js';
import { toast } from '../common/toasts.js';
import { anchorsOf, rideOf } from './rails.js';
import { idOf } from './parts.js';

const ALWAYS_METRES = 3; // decimals kept of what is drawn
/** What a ride is set to, besides its curves. */
const SETTINGS = ['rail', 'turn', 'bank', 'bankLimit', 'bankSmooth', 'lookAhead', 'pins'];
const round = (v) => Number(v.toFixed(ALWAYS_METRES));

export class RailWork {
  constructor(store, desk) {
    this.store = store;
    this.desk = desk;
    /** Anchors chosen on a rail: {id, anchors}. @type {{id: string, anchors: string[]} | null} */
    this.chosen = null;
    /** What is being drawn on the plan: {how, id, end, points}. @type {any} */
    this.drawing = null;
    this.toleranceM = 0.05;
  }

  choose(id, anchors) {
    this.chosen = { id, anchors };
    this.desk.announce('keys');
  }

  /** The anchors of a rail that are chosen, as far as it still has them. */
  chosenOf(node) {
    if (this.chosen?.id !== node?.id) return [];
    return this.chosen.anchors.filter((each) => node.rail.anchors.some((a) => a.id === each));
  }

  shape(id, change, done = true) {
    const edits = [{ edit: 'shape-rail', id, ...change }];
    if (done) return this.store.edit(edits);
    this.store.show(edits);
    return true;
  }

  /** Begins to draw on the plan: a stroke, anchors one by one, or on from an end of a rail. */
  begin(how, more = {}) {
    this.drawing = { how, points: [], ...more };
    const says = {
      stroke: 'Draw the rail on the plan with the pointer held down',
      anchors: 'Click on the plan for each anchor, Enter ends the rail',
      extend: 'Click on the plan for each anchor more, Enter ends',
    };
    this.desk.pick(says[how], () => {});
  }

  /** Ends drawing; what was placed becomes a rail. */
  async end() {
    const { drawing } = this;
    if (!drawing) return;
    this.drawing = null;
    this.desk.stopPicking();
    if (drawing.how === 'anchors' && drawing.points.length > 1) await this.add('placed', drawing.points);
    if (drawing.how === 'stroke' && drawing.points.length > 2)
      await this.add('drawn', drawing.points, { tolerance: this.toleranceM });
    this.desk.announce('keys');
  }

  /** A new rail through places in the world. @param {string} shape @param {number[][]} points */
  add(shape, points, more = {}) {
    const [first] = points;
    const from = first.map(round);
    const numbers = points.flatMap((p) => p.map((v, i) => round(v - from[i])));
    return this.put({ shape, points: numbers, place: from, ...more });
  }

  async put(source) {
    const newId = this.store.freeId('rail');
    const name = this.store.freeName('Rail');
    if (await this.store.edit([{ edit: 'add-rail', newId, name, ...source }])) this.desk.select(newId);
  }

  /** A place more at the end that is drawn on from. */
  async extend(place) {
    const { id, end } = this.drawing;
    const newId = this.store.freeId('a');
    await this.shape(id, { change: 'extend', end, place: place.map(round), newId });
  }

  /** Puts nodes on a rail, over the whole shot; those that ride it go on at their pace. */
  ride(ids, railId) {
    const { store, desk } = this;
    const edits = ids.map((id) => {
      const node = store.byId.get(id);
      if (rideOf(node, railId)) return [{ edit: 'carry', id, carrier: railId, frame: desk.frame, keep: 'numbers' }];
      const partId = store.freeId('ride');
      const ride = { edit: 'ride-rail', id, rail: railId, from: desk.first(), to: desk.last(), partId };
      return [ride, ...this.atItsHeight(id, railId, partId)];
    });
    return store.edit(edits.flat());
  }

  /** What stood above where the rail begins rides as high above it. */
  atItsHeight(id, railId, partId) {
    const { store, desk } = this;
    const frame = desk.first();
    const [start] = anchorsOf(store, store.byId.get(railId), frame);
    const height = round((store.pose(id, frame)?.y ?? 0) - start.at[1]);
    if (height <= 0) return [];
    return [{ edit: 'set-values', id, frame, values: { [`${partId}.height`]: height }, keying: 'still' }];
  }

  /** A rail of the path that keys draw; how far the motion is from what it was is told. */
  async fromKeys(id) {
    const { store, desk } = this;
    const before = store.motion.get(id);
    const edit = {
      edit: 'rail-from-keys',
      id,
      newId: store.freeId('rail'),
      name: store.freeName(`${store.byId.get(id).name} rail`),
      tolerance: this.toleranceM,
      partId: store.freeId('ride'),
    };
    if (!(await store.edit([edit]))) return;
    desk.select(edit.newId);
    this.tellDeviation(before, store.motion.get(id));
  }

  /** The motion of a ride as keys of its own. */
  async toKeys(id, ride) {
    const { store, desk } = this;
    const before = store.motion.get(id);
    const above = store.carriersOf(ride.rail).at(-1)?.id ?? '';
    const edit = { edit: 'carry', id, carrier: above, frame: desk.frame, keep: 'fitted' };
    if (await store.edit([edit, { edit: 'remove-part', id, part: idOf(ride) }], 'Ride to keys'))
      this.tellDeviation(before, store.motion.get(id));
  }

  tellDeviation(before, after) {
    let far = 0;
    const at = (column, i) => column[column.length === 1 ? 0 : i];
    for (let i = 0; i < Math.max(before.x.length, after.x.length); i++) {
      const [dx, dy, dz] = ['x', 'y', 'z'].map((axis) => at(before[axis], i) - at(after[axis], i));
      far = Math.max(far, Math.hypot(dx, dy, dz));
    }
    toast(`At the most ${trimmed(far * 1000, 1)} mm from where it was`);
  }

  /** The edits that give a node a ride on a rail from a frame on, if it has none. */
  rideFrom(id, railId, frame) {
    const { store, desk } = this;
    if (rideOf(store.byId.get(id), railId)) return [];
    const last = Math.max(desk.last(), frame + 1);
    const pace = {
      keys: [
        [frame, 0, 'straight'],
        [last, 100, 'straight'],
      ],
    };
    return [{ edit: 'add-part', id, part: { part: 'ride', id: store.freeId('ride'), rail: railId, pace } }];
  }

  /** Ties the place on the rail to the playhead, or an anchor to it. @param {string} [anchor] */
  pin(id, ride, anchor) {
    const newId = this.store.freeId('pin');
    const place = anchor ? { anchor } : {};
    return this.store.edit([{ edit: 'pin-ride', id, rail: ride.rail, frame: this.desk.frame, newId, ...place }]);
  }

  setRide(id, ride, change, done = true) {
    const settings = Object.fromEntries(SETTINGS.filter((name) => name in ride).map((name) => [name, ride[name]]));
    const edits = [{ edit: 'set-part', id, part: { part: 'ride', id: idOf(ride), ...settings, ...change } }];
    if (done) return this.store.edit(edits);
    this.store.show(edits);
    return true;
  }
}

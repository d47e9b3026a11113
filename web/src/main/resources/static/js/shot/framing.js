// Framing up: where in the picture something is to sit, and how large, and what brings it there or holds it so.
import { toast } from '../common/toasts.js';
import { trimmed } from '../common/format.js';
import { aimedAt } from './targets.js';

const PERCENT = 100;
const HALF = 50;

export class Framing {
  constructor(store, desk) {
    this.store = store;
    this.desk = desk;
    this.asked = { subject: '', across: 0, up: 0, size: HALF, way: 'turn', stretch: false, hold: 'lens', focal: 85 };
  }

  ask(to) {
    Object.assign(this.asked, to);
    this.desk.announce('layout');
  }

  /** Takes a place of the picture, as shares of its width and height from the upper left. */
  placeAt(x, y) {
    const round = (v) => Math.round(v * 10) / 10;
    this.ask({ across: round((x - 0.5) * PERCENT), up: round((0.5 - y) * PERCENT) });
  }

  /** What is framed: what was chosen here, or else what is selected, but for the camera and what carries it. */
  subjects() {
    const { desk, store, asked } = this;
    const rig = new Set([desk.camera, ...store.carriersOf(desk.camera).map((n) => n.id)]);
    if (store.byId.has(asked.subject) && !rig.has(asked.subject)) return [asked.subject];
    return desk.selection().filter((id) => !rig.has(id) && store.byId.get(id).kind !== 'camera');
  }

  /** Turns, moves or zooms the camera now, or over the chosen stretch. */
  run() {
    const { asked, desk, store } = this;
    const { across, up, size, way, stretch } = asked;
    const { from, to } = stretch ? this.stretch() : this.now();
    const sized = way === 'turn' ? {} : { size: size / PERCENT };
    const edit = (keying) => ({
      edit: 'frame-subject',
      id: desk.camera,
      subjects: this.subjects(),
      across: across / PERCENT,
      up: up / PERCENT,
      ...sized,
      way,
      from,
      to,
      keying,
    });
    if (stretch) return store.edit([edit('touched')]);
    const paths = ['x', 'y', 'z', 'pan', 'tilt', 'roll', ...(way === 'zoom' ? ['focal'] : [])];
    return desk.change(store.byId.get(desk.camera), paths, edit, { done: true });
  }

  /** What is asked about a stretch: the one chosen on the ruler, or the whole shot. */
  stretch() {
    const { desk } = this;
    return desk.range ?? { from: desk.first(), to: desk.last() };
  }

  /**
   * Holds the size that the subject has at the playhead: over a stretch, as a dolly zoom does, or with another lens
   * also at one frame.
   */
  async holdSize() {
    const { asked, desk, store } = this;
    const { hold, focal, stretch } = asked;
    const other = hold === 'other-lens';
    const { from, to } = other && !stretch ? this.now() : this.stretch();
    const edit = (keying) => ({
      edit: 'hold-size',
      id: desk.camera,
      subject: aimedAt(store, this.subjects()[0]),
      way: hold,
      at: other && !stretch ? from : desk.frame,
      ...(other && { focal }),
      from,
      to,
      keying,
    });
    const done =
      from === to
        ? await desk.change(store.byId.get(desk.camera), ['x', 'y', 'z', 'focal'], edit, { done: true })
        : await store.edit([edit('touched')]);
    if (done && !other) toast(this.reaches(from, to));
  }

  /** How far lens and camera go over some frames. */
  reaches(from, to) {
    const { desk, store } = this;
    const focal = [];
    for (let frame = from; frame <= to; frame++) focal.push(store.lens(desk.camera, frame).focalMm);
    const [least, most] = [Math.min(...focal), Math.max(...focal)];
    return `Its size holds from ${from} to ${to}: the lens goes from ${trimmed(least, 1)} to ${trimmed(most, 1)} mm`;
  }

  now() {
    const frame = Math.round(this.desk.frame);
    return { from: frame, to: frame };
  }

  /** Puts a card into the chain that keeps the subjects there. */
  keepLive() {
    return keepFramed(this.desk, this.desk.camera, this.subjects(), this.asked);
  }
}

async function keepFramed(desk, id, subjects, { across, up, size, way }) {
  const newId = desk.store.freeId('frame-up');
  const sized = way === 'turn' ? {} : { size: size / PERCENT };
  const at = { across: across / PERCENT, up: up / PERCENT };
  const kept = await desk.store.edit([{ edit: 'keep-framed', id, newId, subjects, ...at, ...sized, way }]);
  if (kept) {
    desk.select(id);
    desk.chooseCard(newId);
  }
  return kept;
}

/** Keeps a person, or the first piece to be had, in the middle of a camera's picture. */
export function keepFirst(desk, camera) {
  const { nodes } = desk.store;
  const pieces = nodes.filter((n) => n.kind === 'piece');
  const people = pieces.filter((n) => n.shape.kind === 'person');
  const [piece] = people.length ? people : pieces.filter((n) => n.shape.kind !== 'plane');
  if (piece) return keepFramed(desk, camera.id, [piece.id], { across: 0, up: 0, size: HALF, way: 'turn' });
  return desk.addPart(camera, { part: 'frame-up', target: { place: [0, 1, 0] }, way: 'turn', radius: 1 });
}

// Framing up: where in the picture something is to sit, and how large, and what brings it there.
import { toast } from '../common/toasts.js';
import { cornersOf } from './mesh-corners.js';

const PERCENT = 100;
const HALF = 50;

/** The middle of the box around a piece and how far its corners are from there, in its own space. */
function ballOf(mesh) {
  const { low, high } = cornersOf(mesh);
  const middle = low.map((v, i) => Math.round((v + high[i]) * 500) / 1000);
  return { middle, radius: Math.hypot(...low.map((v, i) => (high[i] - v) / 2)) };
}

export class Framing {
  constructor(store, desk) {
    this.store = store;
    this.desk = desk;
    this.asked = { subject: '', across: 0, up: 0, size: HALF, way: 'turn', stretch: false };
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
    const { from, to } = stretch ? (desk.range ?? { from: desk.first(), to: desk.last() }) : this.now();
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

  now() {
    const frame = Math.round(this.desk.frame);
    return { from: frame, to: frame };
  }

  /** Puts a card into the chain that keeps the subject there. */
  keepLive() {
    const { asked, desk, store } = this;
    const [id, ...more] = this.subjects();
    const mesh = store.meshes.get(id);
    if (!mesh || more.length) {
      toast('What is kept in its place is one piece: choose it as the subject', { bad: true });
      return false;
    }
    if (asked.way === 'zoom') {
      toast('A zoom is keyed, at a frame or over a stretch; a card turns or dollies', { bad: true });
      return false;
    }
    const { middle, radius } = ballOf(mesh);
    const { across, up, size, way } = asked;
    const part = { part: 'frame-up', target: { node: id, point: middle }, way, radius, across, up, size };
    return desk.addPart(store.byId.get(desk.camera), part);
  }
}

/** A new card of that kind: a person or the first piece to be had, in the middle. */
export function firstFraming(store, node) {
  const pieces = store.nodes.filter((n) => n.kind === 'piece' && store.meshes.has(n.id));
  const people = pieces.filter((n) => n.shape.kind === 'person');
  const [piece] = people.length ? people : pieces.filter((n) => n.shape.kind !== 'plane');
  if (!piece || node.kind !== 'camera') return { target: { place: [0, 1, 0] }, way: 'turn', radius: 1 };
  const { middle, radius } = ballOf(store.meshes.get(piece.id));
  return { target: { node: piece.id, point: middle }, way: 'turn', radius };
}

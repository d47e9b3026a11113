// Framing up: where in the picture something is to sit, and how large, and what brings it there.

const PERCENT = 100;
const HALF = 50;

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

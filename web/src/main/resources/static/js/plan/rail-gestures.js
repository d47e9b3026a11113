// Hands on rails: anchors and tangents are dragged, anchors are put in, new rails are drawn.
import { anchorsOf, inRail, placeInRail, pointsAlong } from '../shot/rails.js';

const APART_PX = 3; // of the points of a stroke
const round = (v) => Math.round(v * 1000) / 1000;

export class RailGestures {
  constructor(plan) {
    this.plan = plan;
  }

  /** What a press on something of a rail begins; null where it is nothing of one. */
  gesture({ kind, name }) {
    if (kind === 'anchor') return this.movingAnchors(name);
    if (kind === 'rail-handle') return this.turningTangent(name);
    return null;
  }

  movingAnchors(name) {
    const { desk, store } = this.plan;
    const [id, anchor] = name.split(' ');
    const node = store.byId.get(id);
    const chosen = desk.rails.chosenOf(node);
    const anchors = chosen.includes(anchor) ? chosen : [anchor];
    const from = anchorsOf(store, node, desk.frame).find((a) => a.id === anchor).at;
    return this.shaping(node, from, () => ({ change: 'move', anchors }));
  }

  turningTangent(name) {
    const { desk, store } = this.plan;
    const [id, anchor, side] = name.split(' ');
    const node = store.byId.get(id);
    const from = anchorsOf(store, node, desk.frame).find((a) => a.id === anchor)[side];
    return this.shaping(node, from, (event) => ({ change: 'turn', anchor, side, alone: event.altKey }));
  }

  /** A drag that moves something of a rail by as much in the rail's own space. */
  shaping(node, from, change) {
    const { desk, store } = this.plan;
    const [x, y, z] = from;
    const { frame } = desk;
    return {
      move: (pixels, event, done) => {
        const by = this.plan.drag({ x, y, z }, pixels, event.shiftKey);
        const [dx, dy, dz] = inRail(store, node, frame, [by.dx, by.dy, by.dz]).map(round);
        desk.rails.shape(node.id, { ...change(event), dx, dy, dz }, done);
      },
    };
  }

  /** A click on something of a rail; whether it was one. */
  click(take, event, at) {
    if (take?.kind === 'anchor') this.chooseAnchor(take.name, event.shiftKey);
    else if (take?.kind === 'rail' && event.altKey) this.insertAt(take.name, at);
    else return take?.kind === 'rail-handle';
    return true;
  }

  /** A click on an anchor chooses it; Shift adds it or takes it away. */
  chooseAnchor(name, more) {
    const { desk, store } = this.plan;
    const [id, anchor] = name.split(' ');
    const chosen = desk.rails.chosenOf(store.byId.get(id));
    const others = chosen.filter((each) => each !== anchor);
    const had = others.length < chosen.length;
    if (more) desk.rails.choose(id, had ? others : [...chosen, anchor]);
    else desk.rails.choose(id, [anchor]);
    desk.chooseCard('piece');
  }

  /** An anchor where the rail was clicked: at the place of it that is drawn nearest. */
  insertAt(id, [px, py]) {
    const { desk, store } = this.plan;
    const node = store.byId.get(id);
    const far = (place) => {
      const [x, y] = this.plan.place({ x: place[0], y: place[1], z: place[2] }) ?? [Infinity, Infinity];
      return Math.hypot(x - px, y - py);
    };
    const near = pointsAlong(node, anchorsOf(store, node, desk.frame)).reduce((a, b) => (far(b) < far(a) ? b : a));
    const place = placeInRail(store, node, desk.frame, near);
    return desk.rails.shape(id, { change: 'insert', place, newId: store.freeId('a') });
  }

  /** The place in the world that a pixel of the plan stands for, in the plane that is drawn in. */
  placeAt(pixel) {
    const { plan } = this;
    const [a, b] = plan.fromScreen(pixel);
    const [x, y] = this.plane();
    return plan.side === 'above' ? [a, y, b] : [x, b, a];
  }

  /** Where the plane that is drawn in lies: through the end that is drawn on, or on the ground. */
  plane() {
    const { desk, store } = this.plan;
    const { drawing } = desk.rails;
    if (drawing.how === 'extend') {
      const all = anchorsOf(store, store.byId.get(drawing.id), desk.frame);
      return (drawing.end === 'start' ? all[0] : all.at(-1)).at;
    }
    const pose = store.pose(desk.camera, desk.frame);
    return drawing.points[0] ?? [pose?.x ?? 0, drawing.height ?? 0, pose?.z ?? 0];
  }

  /** Drawing with the pointer held down: the points of a stroke. */
  drawing(event) {
    const { plan } = this;
    const { rails } = plan.desk;
    const box = plan.svg.getBoundingClientRect();
    const pixel = (e) => [e.clientX - box.left, e.clientY - box.top];
    const { points, how } = rails.drawing;
    let last = pixel(event);
    if (how === 'stroke') points.push(this.placeAt(last));
    return {
      move: (by, e) => {
        if (how !== 'stroke') return;
        const now = pixel(e);
        if (Math.hypot(now[0] - last[0], now[1] - last[1]) < APART_PX) return;
        last = now;
        points.push(this.placeAt(now));
        plan.ask('all');
      },
      end: () => (how === 'stroke' ? rails.end() : this.clicked(pixel(event))),
    };
  }

  /** An anchor more of the rail that is placed, or at the end of the one that is extended. */
  async clicked(pixel) {
    const { desk, store } = this.plan;
    const { drawing } = desk.rails;
    const place = this.placeAt(pixel);
    if (drawing.how === 'extend') {
      await desk.rails.extend(placeInRail(store, store.byId.get(drawing.id), desk.frame, place));
    } else drawing.points.push(place);
    this.plan.ask('all');
  }
}
